package tenterhook.desktop.play;

import java.io.File;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.util.StringConverter;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.play.Stale;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.PlannedNights;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** Tracks that nobody plays: let them rest, hold them, or move them to an archive. */
public final class StaleView extends StationOutline {
  private static final List<Integer> MONTHS = List.of(6, 12, 24, 36);

  private final ListView<Pile> piles = new ListView<>();
  private final ComboBox<Stale.Order> order = new ComboBox<>();
  private final Label title = Look.label("", "heading");
  private final Label words = Look.label("", "second");
  private final List<Button> actions;
  private final TrackPane pane;

  /**
   * Tracks that have not been played for as long.
   *
   * @param months how long; 0 for never
   */
  record Pile(int months, RoaringBitmap tracks, long bytes) {
    String name() {
      return months == 0 ? Words.of("stale.never") : Words.of("stale.notFor", months);
    }

    String second() {
      return tracks.isEmpty()
          ? Words.of("stale.noTrack")
          : Words.of("stale.count", tracks.getCardinality(), Words.megabytes(bytes));
    }
  }

  /** The view. */
  public StaleView(Workspace workspace) {
    super(workspace, "keys.tracks", new TrackPane(workspace, "stale"));
    this.pane = tracks().orElseThrow();
    this.actions = actions();
    listPiles();
    chooseOrder();
    VBox left = side(250, piles, Look.label(Words.of("stale.title"), "second"), piles);
    HBox buttons = new HBox(8);
    buttons.getChildren().addAll(actions);
    buttons.getChildren().addAll(Look.spring(), order);
    words.setWrapText(true);
    VBox main = new VBox(10, head(title, words), buttons, pane);
    VBox.setVgrow(pane, Priority.ALWAYS);
    main.getStyleClass().add("main");
    node.setLeft(left);
    node.setCenter(main);
    workspace.whileInView(node, this::refresh);
  }

  private void listPiles() {
    piles.setId("stale-piles");
    piles.getStyleClass().add("picked");
    piles.setAccessibleText(Words.of("stale.title"));
    piles.setCellFactory(l -> new TwoLineCell<>(Pile::name, Pile::second));
    piles.getSelectionModel().selectedItemProperty().addListener((o, b, after) -> show(after));
  }

  private void chooseOrder() {
    order.getItems().setAll(Stale.Order.values());
    order.setValue(Stale.Order.AGE);
    order.setId("stale-order");
    order.setAccessibleText(Words.of("stale.order"));
    order.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(Stale.@Nullable Order value) {
            return value == null ? "" : Words.of("stale.by." + value);
          }

          @Override
          public Stale.Order fromString(String text) {
            throw new UnsupportedOperationException("chosen, never typed");
          }
        });
    order
        .valueProperty()
        .addListener((o, b, a) -> show(piles.getSelectionModel().getSelectedItem()));
  }

  private List<Button> actions() {
    var rest = Look.primary(Words.of("stale.rest"), this::rest);
    rest.setId("stale-rest");
    var archive = Look.button(Words.of("stale.archive"), this::archive);
    archive.setId("stale-archive");
    var hold = Look.button(Words.of("stale.hold"), this::hold, "danger");
    hold.setId("stale-hold");
    return List.of(rest, archive, hold);
  }

  private void refresh() {
    Snapshot snapshot = workspace.state().get().snapshot();
    LocalDate today = workspace.collection().today();
    workspace.latestOnly(this, () -> piles(snapshot, today), this::fill);
  }

  private static List<Pile> piles(Snapshot snapshot, LocalDate today) {
    List<Pile> found = new ArrayList<>();
    RoaringBitmap never = Stale.never(snapshot, today, MONTHS.getFirst());
    found.add(new Pile(0, never, Stale.bytes(snapshot, never)));
    for (int months : MONTHS) {
      RoaringBitmap ids = Stale.notFor(snapshot, today, months);
      found.add(new Pile(months, ids, Stale.bytes(snapshot, ids)));
    }
    return found;
  }

  private void fill(List<Pile> now) {
    int at = Math.max(0, piles.getSelectionModel().getSelectedIndex());
    piles.getItems().setAll(now);
    piles.getSelectionModel().clearAndSelect(at);
  }

  private void show(@Nullable Pile pile) {
    if (pile != null) {
      actions.forEach(b -> b.setDisable(pile.tracks().isEmpty()));
      title.setText(pile.name());
      words.setText(
          pile.tracks().isEmpty()
              ? Words.of("stale.none")
              : Words.of(
                  pile.months() == 0 ? "stale.neverWords" : "stale.words", MONTHS.getFirst()));
      Snapshot snapshot = workspace.state().get().snapshot();
      Stale.Order by = order.getValue();
      workspace.latestOnly(
          pane,
          () -> new TrackList(pile.name(), Stale.sorted(snapshot, pile.tracks(), by)),
          pane::show);
    }
  }

  /** The selected tracks, or all that are shown. */
  private RoaringBitmap chosen() {
    RoaringBitmap ids = pane.selection();
    if (ids.isEmpty()) {
      return pane.rows().set();
    }
    return ids;
  }

  private void rest() {
    RoaringBitmap ids = chosen();
    workspace.command(
        Words.of("stale.rest"),
        ids.getCardinality(),
        now -> TrackEdits.flag(now.snapshot(), ids, Fields.RESTING, true));
  }

  private void hold() {
    RoaringBitmap ids = chosen();
    workspace
        .frame()
        .ask(
            PlannedNights.told(workspace, Words.of("ask.holdStale", ids.getCardinality()), ids),
            Words.of("do.hold", ids.getCardinality()),
            () ->
                workspace.command(
                    Words.of("do.hold", ids.getCardinality()),
                    ids.getCardinality(),
                    now -> TrackEdits.hold(now.snapshot(), ids, "not played")));
  }

  private void archive() {
    RoaringBitmap ids = chosen();
    File folder =
        ids.isEmpty() ? null : new DirectoryChooser().showDialog(node.getScene().getWindow());
    if (folder != null) {
      archive(ids, folder.toPath());
    }
  }

  /** Moves tracks to a folder that becomes, or is, a folder of the collection. */
  void archive(RoaringBitmap ids, Path folder) {
    workspace.job(
        Words.of("stale.job", ids.getCardinality()),
        true,
        p -> {
          String root = workspace.collection().disks().root(folder);
          CollectionState state = workspace.collection().state();
          return workspace
              .collection()
              .apply(
                  Stale.archive(
                      state.snapshot(), state.crates(), ids, root, state.below(root, folder)),
                  p);
        },
        workspace::told);
  }

  @Override
  public void shown() {
    refresh();
  }
}
