package tenterhook.desktop.duplicate;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import tenterhook.core.change.Change;
import tenterhook.core.change.Outcome;
import tenterhook.core.duplicate.Duplicates;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.shell.Desk;
import tenterhook.desktop.shell.StationView;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;
import tenterhook.desktop.theme.Words;

/** Groups of copies: one survivor each, the spares go to the holding bay. */
public final class DuplicatesView implements StationView {
  private final Desk desk;
  private final BorderPane node = new BorderPane();
  private final ListView<Duplicates.Group> groups = new ListView<>();
  private final Label summary = Look.label("", "second");
  private final Label title = Look.label("", "heading");
  private final Label words = Look.label("", "second");
  private final HBox buttons = new HBox(8);
  private final CopiesGrid grid;
  private final HoldingPane holding;

  /** The view. */
  public DuplicatesView(Desk desk) {
    this.desk = desk;
    this.grid = new CopiesGrid(desk);
    this.holding = new HoldingPane(desk);
    groups.setId("groups");
    groups.getStyleClass().add("picked");
    groups.setCellFactory(
        l ->
            new TwoLineCell<>(
                g -> desk.state().get().snapshot().name(g.survivor()),
                g -> Words.of("duplicates.group", g.tracks().size(), megabytes(g.bytesFreed()))));
    groups
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((o, before, after) -> choose(after));
    groups.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ENTER) {
            keepOne();
            e.consume();
          }
        });
    groups.setPlaceholder(Look.label(Words.of("duplicates.none"), "empty"));
    VBox left = new VBox(8, summary, groups);
    left.getStyleClass().addAll("side", "left");
    left.setPrefWidth(260);
    VBox.setVgrow(groups, Priority.ALWAYS);
    ScrollPane scroll = new ScrollPane(grid);
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    var keep = Look.primary(Words.of("duplicates.keep"), this::keepOne);
    keep.setId("keep-one");
    var all = Look.button(Words.of("duplicates.all"), this::resolveAll);
    all.setId("resolve-all");
    buttons.getChildren().addAll(keep, all);
    VBox main = new VBox(8, new VBox(2, title, words), buttons, scroll);
    main.getStyleClass().add("main");
    node.setLeft(left);
    node.setCenter(main);
    node.setRight(holding);
    desk.whileInView(node, this::refresh);
  }

  static String megabytes(long bytes) {
    return String.format(java.util.Locale.ROOT, "%.1f MB", bytes / 1e6);
  }

  private void refresh() {
    Snapshot snapshot = desk.state().get().snapshot();
    List<Duplicates.Group> now = Duplicates.sameBytes(snapshot);
    long freed = now.stream().mapToLong(Duplicates.Group::bytesFreed).sum();
    summary.setText(Words.of("duplicates.summary", now.size(), megabytes(freed)));
    int at = Math.max(0, groups.getSelectionModel().getSelectedIndex());
    if (!now.equals(groups.getItems())) {
      groups.getItems().setAll(now);
      groups.getSelectionModel().select(Math.min(at, now.size() - 1));
    }
    buttons.setVisible(!now.isEmpty());
    if (now.isEmpty()) {
      title.setText(Words.of("duplicates.noneTitle"));
      words.setText(Words.of("duplicates.none"));
      grid.clear();
    }
    holding.refresh();
  }

  private void choose(Duplicates.Group group) {
    if (group != null) {
      Look.data(title, desk.state().get().snapshot().name(group.survivor()));
      words.setText(Words.of("duplicates.words", group.tracks().size(), group.reason()));
      grid.show(group);
    }
  }

  private void keepOne() {
    Duplicates.Group group = groups.getSelectionModel().getSelectedItem();
    if (group != null) {
      desk.apply(
          Duplicates.resolve(
              desk.state().get().snapshot(),
              desk.state().get().crates(),
              grid.survivor(),
              grid.spares()));
    }
  }

  private void resolveAll() {
    List<Duplicates.Group> all = List.copyOf(groups.getItems());
    int spares = all.stream().mapToInt(g -> g.spares().size()).sum();
    desk.frame()
        .ask(
            Words.of("ask.resolveAll", all.size(), spares),
            Words.of("do.resolveAll", spares),
            () -> {
              desk.job(Words.of("duplicates.job"), true, p -> resolve(all, p), this::resolved);
            });
  }

  private List<Outcome> resolve(List<Duplicates.Group> all, Progress progress) {
    List<Outcome> outcomes = new ArrayList<>();
    for (Duplicates.Group group : all) {
      if (!progress.stopped()) {
        var state = desk.collection().state();
        Change one =
            Duplicates.resolve(state.snapshot(), state.crates(), group.survivor(), group.spares());
        outcomes.add(desk.collection().apply(one, Progress.SILENT));
        progress.at(outcomes.size(), all.size(), one.title());
      }
    }
    return outcomes;
  }

  private void resolved(List<Outcome> outcomes) {
    int refused = outcomes.stream().mapToInt(o -> o.refused().size()).sum();
    String words = Words.of("duplicates.done", outcomes.size(), refused);
    long last = outcomes.isEmpty() || refused > 0 ? 0 : outcomes.getLast().number();
    desk.frame().tell(words, refused > 0, last);
  }

  @Override
  public void shown() {
    refresh();
    groups.requestFocus();
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public String keys() {
    return Words.of("keys.duplicates");
  }
}
