package tenterhook.desktop.measure;

import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.field.Fields;
import tenterhook.core.measure.MeasuredFields;
import tenterhook.core.repair.numbers.SoundFills;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.MeasuringModel;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** How far measuring is, what to measure next, and what to do with what was found. */
public final class MeasuringView extends StationOutline {
  private static final double BAR = 520;

  private final MeasuringModel model;
  private final Label heading = Look.label("", "heading");
  private final Region done = new Region();
  private final Region open = new Region();
  private final Button all;
  private final Button list;
  private final Button goOn;
  private final Button stop;
  private final Button fill;
  private final Button contradictions;
  private final Button upscaled;
  private final CheckBox fills = new CheckBox(Words.of("measure.fillsWhenDone"));
  private final ListView<Refusal> failed = new ListView<>();
  private final Label failedHead = Look.label("", "strong");
  private final HBox wishes = new HBox(10);
  private final VBox found = new VBox(8);
  private final Label nothingLeft = Look.label("", "second");
  private RoaringBitmap around = new RoaringBitmap();

  /** The view. */
  public MeasuringView(Workspace workspace) {
    super(workspace, "keys.measuring");
    this.model = workspace.measuring();
    all = button("measure-all", () -> model.measure(model.waiting()), true);
    list = button("measure-list", () -> model.measure(around), false);
    goOn = button("measure-go-on", () -> model.measure(model.left()), true);
    stop = button("measure-stop", model::stop, false);
    fill =
        button(
            "measure-fill",
            () -> model.fill(MeasuringModel.measured(workspace.state().get().snapshot())),
            false);
    contradictions = button("measure-repairs", () -> workspace.frame().go(Station.REPAIRS), false);
    upscaled = button("measure-upscaled", this::showUpscaled, false);
    prepare();
    begin();
  }

  private void prepare() {
    stop.setText(Words.of("measure.stop"));
    contradictions.setText(Words.of("measure.repairs"));
    fills.setId("measure-fills");
    fills.setSelected(model.fills());
    fills.setOnAction(e -> model.fills(fills.isSelected()));
    heading.setId("measure-heading");
    failed.setId("measure-failed");
    failed.getStyleClass().add("picked");
    failed.setCellFactory(l -> new FailedCell());
    failed.setPlaceholder(Look.label(Words.of("measure.noneFailed"), "empty"));
  }

  private void begin() {
    build();
    workspace.whileInView(node, this::refresh);
    model.running().addListener((o, was, now) -> refresh());
    model.failed().addListener((o, was, now) -> refresh());
  }

  private static Button button(String id, Runnable action, boolean primary) {
    Button button = primary ? Look.primary("", action) : Look.button("", action);
    button.setId(id);
    return button;
  }

  private void build() {
    done.getStyleClass().add("bar-certain");
    open.getStyleClass().add("bar-ground");
    for (Region part : List.of(done, open)) {
      part.setMinHeight(8);
      part.setMaxHeight(8);
    }
    HBox bar = new HBox(done, open);
    wishes.getChildren().setAll(goOn, all, list, stop);
    wishes.setAlignment(Pos.CENTER_LEFT);
    VBox box =
        new VBox(10, Look.label(Words.of("measure.next"), "strong"), wishes, nothingLeft, fills);
    box.getStyleClass().add("decide-box");
    found
        .getChildren()
        .setAll(
            Look.label(Words.of("measure.found"), "strong"), row(fill, contradictions, upscaled));
    found.getStyleClass().add("decide-box");
    VBox top = new VBox(10, heading, wrapped("measure.words"), bar, box, found, failedHead);
    node.getStyleClass().add("main");
    node.setTop(top);
    node.setCenter(failed);
    BorderPane.setMargin(failed, new Insets(6, 0, 0, 0));
    VBox.setVgrow(failed, Priority.ALWAYS);
  }

  private static Label wrapped(String key) {
    Label label = Look.label(Words.of(key), "second");
    label.setWrapText(true);
    return label;
  }

  private static HBox row(Node... nodes) {
    HBox row = new HBox(10, nodes);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  /** Says which list was in view, so that it can be measured by itself. */
  public void around(RoaringBitmap ids) {
    around = ids;
  }

  private void showUpscaled() {
    Snapshot snapshot = workspace.state().get().snapshot();
    workspace.latestOnly(
        upscaled,
        () -> TrackList.of(Words.of("measure.upscaledList"), upscaled(snapshot)),
        workspace.frame()::show);
  }

  private void refresh() {
    Snapshot snapshot = workspace.state().get().snapshot();
    RoaringBitmap wish = model.wish();
    RoaringBitmap listed = around;
    int limit = model.fillsFrom();
    workspace.latestOnly(this, () -> Counts.of(snapshot, wish, listed, limit), this::show);
  }

  /** What the view says, worked out beside the window. */
  private record Counts(
      int all, int measured, int waiting, int here, int left, int fill, int doubted) {
    static Counts of(Snapshot snapshot, RoaringBitmap wish, RoaringBitmap list, int limit) {
      RoaringBitmap measured = MeasuringModel.measured(snapshot);
      RoaringBitmap waiting = MeasuredFields.waiting(snapshot);
      return new Counts(
          snapshot.count(),
          measured.getCardinality(),
          waiting.getCardinality(),
          RoaringBitmap.andCardinality(list, waiting),
          RoaringBitmap.andCardinality(wish, waiting),
          SoundFills.of(snapshot, measured, limit, Words.of("measure.fills")).edits().size(),
          upscaled(snapshot).getCardinality());
    }
  }

  private static RoaringBitmap upscaled(Snapshot snapshot) {
    return snapshot.tracks(id -> snapshot.raw(id, Fields.QUALITY).equals("upscaled"));
  }

  private void show(Counts now) {
    boolean running = model.running().get();
    showShare(now);
    all.setText(Words.of("measure.all", now.waiting()));
    list.setText(Words.of("measure.list", now.here()));
    goOn.setText(Words.of("measure.goOn", now.left()));
    show(all, !running && now.waiting() > 0);
    show(list, !running && now.here() > 0 && now.here() < now.waiting());
    show(goOn, !running && now.left() > 0 && now.left() < now.waiting());
    show(stop, running);
    showFound(now);
    nothingLeft.setText(Words.of("measure.nothingLeft", now.all() - now.measured()));
    show(nothingLeft, !running && now.waiting() == 0 && now.all() > 0);
    show(wishes, running || now.waiting() > 0);
    showFailed();
  }

  private void showShare(Counts now) {
    double share = now.all() == 0 ? 0 : now.measured() / (double) now.all();
    heading.setText(Words.of("measure.heading", now.measured(), now.all()));
    done.setPrefWidth(BAR * share);
    open.setPrefWidth(BAR - BAR * share);
  }

  private void showFound(Counts now) {
    fill.setText(Words.of("measure.fill", now.fill()));
    show(fill, now.fill() > 0);
    upscaled.setText(Words.of("measure.upscaled", now.doubted()));
    show(upscaled, now.doubted() > 0);
    show(contradictions, now.measured() > 0);
    show(found, now.measured() > 0);
  }

  private void showFailed() {
    List<Refusal> troubles = model.failed().get();
    failed.getItems().setAll(troubles);
    failedHead.setText(troubles.isEmpty() ? "" : Words.of("measure.failedHead", troubles.size()));
  }

  private static void show(Node node, boolean on) {
    node.setVisible(on);
    node.setManaged(on);
  }

  /** A file that could not be measured, and why. */
  private static final class FailedCell extends ListCell<Refusal> {
    private final Label path = Look.label("", "mono");
    private final Label reason = Look.label("", "hole");
    private final VBox box = new VBox(1, path, reason);

    @Override
    protected void updateItem(Refusal item, boolean empty) {
      super.updateItem(item, empty);
      if (empty || item == null) {
        setGraphic(null);
        return;
      }
      Look.data(path, item.path());
      Look.data(reason, item.reason());
      setGraphic(box);
    }
  }

  @Override
  public void shown() {
    refresh();
  }
}
