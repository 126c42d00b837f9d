package tenterhook.desktop.arrival;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.arrival.Arrivals;
import tenterhook.core.arrival.Arrivals.Batch;
import tenterhook.core.arrival.Arrivals.Copy;
import tenterhook.core.arrival.Pace;
import tenterhook.core.repair.Proposal;
import tenterhook.core.weave.WeaveColumn;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.ArrivalsModel;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/**
 * What is new, in batches by scan and folder, the oldest unfinished first; a track leaves when it
 * has what is demanded of a finished track.
 */
public final class ArrivalsView extends StationOutline {
  private final ListView<Batch> batches = new ListView<>();
  private final Label title = Look.label("", "heading");
  private final Label words = Look.label("", "second");
  private final Button apply = Look.primary("", this::applyCertain);
  private final Button copies = Look.button("", this::showCopies);
  private final MenuButton finished = new MenuButton(Words.of("arrivals.finished"));
  private final HBox buttons;
  private final VBox head;
  private final MovePane move;
  private final TrackPane pane;
  private RoaringBitmap copied = new RoaringBitmap();
  private List<Batch> listed = List.of();
  private Object listedIn = List.of();
  private List<Proposal> certain = List.of();

  /** The view. */
  public ArrivalsView(Workspace workspace) {
    super(workspace, "keys.tracks", new TrackPane(workspace, "arrivals"));
    this.pane = tracks().orElseThrow();
    this.move = new MovePane(workspace, this::closeMove);
    listBatches();
    VBox left = side(240, batches, Look.label(Words.of("arrivals.words"), "second"), batches);
    buttons = buttons();
    words.setWrapText(true);
    head = new VBox(8, head(title, words), buttons);
    BorderPane main = new BorderPane(pane);
    main.setTop(head);
    main.getStyleClass().add("main");
    node.setLeft(left);
    node.setCenter(main);
    workspace.whileInView(node, this::followState);
    workspace.whileInView(workspace.repairs().proposals(), node, () -> describe(chosen()));
  }

  private void listBatches() {
    batches.setId("batches");
    batches.getStyleClass().add("picked");
    batches.setCellFactory(
        l ->
            new TwoLineCell<>(
                ArrivalsView::name,
                b ->
                    Words.of(
                        "arrivals.batch",
                        b.open().getCardinality(),
                        b.all().getCardinality(),
                        b.arrived().substring(0, Math.min(10, b.arrived().length())))));
    batches
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((o, before, after) -> choose(after));
    batches.setPlaceholder(Look.label(Words.of("arrivals.none"), "empty"));
  }

  private HBox buttons() {
    apply.setId("arrivals-apply");
    copies.setId("arrivals-copies");
    finished.setId("arrivals-finished");
    Button moving = Look.button(Words.of("arrivals.move"), this::openMove);
    moving.setId("arrivals-move");
    Button code = Look.button(Words.of("arrivals.code"), this::code);
    code.setId("arrivals-code");
    return new HBox(8, apply, code, moving, copies, Look.spring(), finished);
  }

  private @Nullable Batch chosen() {
    return batches.getSelectionModel().getSelectedItem();
  }

  private void choose(@Nullable Batch batch) {
    if (batch != null) {
      closeMove();
      pane.show(TrackList.of(name(batch), batch.open()));
      describe(batch);
    }
  }

  private static String name(Batch batch) {
    return batch.folder().isEmpty() ? Words.of("arrivals.top") : batch.folder();
  }

  private void describe(@Nullable Batch batch) {
    if (batch == null || node.getScene() == null) {
      return;
    }
    Look.data(title, name(batch));
    List<Proposal> proposals = workspace.repairs().proposals().get();
    workspace.promptly(title, () -> described(batch, proposals), this::describe);
  }

  /** What is said of a batch. */
  private record Described(Batch batch, Pace pace, List<Proposal> certain, List<Copy> copies) {}

  private Described described(Batch batch, List<Proposal> proposals) {
    return new Described(
        batch,
        ArrivalsModel.pace(workspace.collection()),
        workspace.repairs().certain(ArrivalsModel.of(batch, proposals)),
        Arrivals.copies(workspace.collection().state().snapshot(), batch));
  }

  private void describe(Described said) {
    sayOpen(said.batch(), said.pace());
    certain = said.certain();
    apply.setText(Words.of("repairs.apply", certain.size()));
    show(apply, !certain.isEmpty());
    copied = new RoaringBitmap();
    said.copies().forEach(c -> copied.add(c.id()));
    long bytes = said.copies().stream().filter(Copy::bytes).count();
    copies.setText(Words.of("arrivals.copies", said.copies().size(), bytes));
    show(copies, !said.copies().isEmpty());
  }

  private void sayOpen(Batch batch, Pace pace) {
    int open = batch.open().getCardinality();
    String time =
        Words.of(
            pace.measured() ? "arrivals.time" : "arrivals.timeUsual",
            pace.minutesFor(open),
            Math.round(pace.secondsPerTrack()));
    int whole = batch.all().getCardinality() - open;
    words.setText(Words.of("arrivals.open", open, whole) + " " + time);
  }

  private static void show(Node node, boolean visible) {
    node.setVisible(visible);
    node.setManaged(visible);
  }

  private void applyCertain() {
    if (chosen() != null) {
      workspace.repairs().acceptAll(certain);
    }
  }

  private void showCopies() {
    pane.show(TrackList.of(Words.of("arrivals.copiesTitle"), copied));
  }

  private void code() {
    Batch batch = chosen();
    if (batch != null) {
      workspace.frame().code(TrackList.of(name(batch), batch.open()));
    }
  }

  private void openMove() {
    Batch batch = chosen();
    if (batch != null && !head.getChildren().contains(move)) {
      head.getChildren().add(move);
      RoaringBitmap some = pane.selection();
      move.offer(some.getCardinality() > 1 ? some : batch.all());
    }
  }

  private void closeMove() {
    head.getChildren().remove(move);
  }

  private void finished() {
    List<String> demanded = ArrivalsModel.demanded(workspace.collection());
    finished.getItems().clear();
    for (WeaveColumn column : WeaveColumn.all(workspace.state().get().codebook())) {
      if (!column.key().equals(WeaveColumn.PRESENT)) {
        CheckMenuItem item = new CheckMenuItem(column.label());
        item.setSelected(demanded.contains(column.key()));
        item.setOnAction(e -> demand(column.key(), item.isSelected()));
        finished.getItems().add(item);
      }
    }
  }

  private void demand(String key, boolean wanted) {
    List<String> keys = new ArrayList<>(ArrivalsModel.demanded(workspace.collection()));
    keys.remove(key);
    if (wanted) {
      keys.add(key);
    }
    ArrivalsModel.demand(workspace, keys);
    refresh();
    workspace.frame().recount();
  }

  private void refresh() {
    finished();
    List<Batch> before = listed;
    workspace.promptly(
        batches,
        () -> {
          List<Batch> now = ArrivalsModel.batches(workspace.collection());
          return now.equals(before) ? before : now;
        },
        this::list);
  }

  /** Lists the batches when anything is different from when they were listed last. */
  private void followState() {
    Object now =
        List.of(
            workspace.state().get().snapshot(),
            workspace.state().get().codebook(),
            ArrivalsModel.demanded(workspace.collection()));
    if (!now.equals(listedIn)) {
      listedIn = now;
      refresh();
    }
  }

  private void list(List<Batch> now) {
    Batch before = chosen();
    if (now != listed) {
      listed = now;
      batches.getItems().setAll(now);
      now.stream()
          .filter(b -> before != null && same(b, before))
          .findFirst()
          .ifPresentOrElse(
              batches.getSelectionModel()::select, () -> batches.getSelectionModel().selectFirst());
    }
    buttons.setVisible(!now.isEmpty());
    if (now.isEmpty()) {
      title.setText(Words.of("arrivals.done"));
      words.setText(Words.of("arrivals.none"));
      pane.show(TrackList.NONE);
    }
  }

  private static boolean same(Batch a, Batch b) {
    return a.arrived().equals(b.arrived()) && a.folder().equals(b.folder());
  }

  @Override
  public void shown() {
    workspace.repairs().look();
    followState();
    describe(chosen());
  }
}
