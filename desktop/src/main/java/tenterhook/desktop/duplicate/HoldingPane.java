package tenterhook.desktop.duplicate;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.SelectionMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.duplicate.HoldingBay;
import tenterhook.adapters.duplicate.HoldingBay.Held;
import tenterhook.adapters.execution.Bin;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.desktop.control.PlannedNights;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What lies in the holding bay, since when and why, and the way back. */
final class HoldingPane extends VBox {
  private final Workspace workspace;
  private final ListView<Held> held = new ListView<>();
  private final Label words = Look.label("", "second");
  private final Label warning = Look.label("", "hole");

  /** All that is shown, read beside the window. */
  private record Bay(List<Held> files, Optional<Double> free) {}

  HoldingPane(Workspace workspace, Runnable back) {
    super(8);
    this.workspace = workspace;
    getStyleClass().add("side");
    setPrefWidth(262);
    setMinWidth(262);
    held.setId("held");
    held.getStyleClass().add("picked");
    held.setAccessibleText(Words.of("holding.title"));
    held.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
    held.setCellFactory(
        l ->
            new TwoLineCell<>(
                h -> workspace.state().get().snapshot().name(h.id()), HoldingPane::second));
    held.setPlaceholder(Look.label(Words.of("holding.empty"), "empty"));
    VBox.setVgrow(held, Priority.ALWAYS);
    words.setWrapText(true);
    warning.setWrapText(true);
    warning.setId("holding-warning");
    var one = Look.button(Words.of("holding.restore"), this::restoreChosen);
    one.setId("restore-one");
    var all = Look.button(Words.of("holding.restoreAll"), this::restoreAll);
    all.setId("restore-all");
    var empty = Look.button(Words.of("holding.emptyIt"), this::empty, "danger");
    empty.setId("empty-bay");
    var done = Look.button(Words.of("holding.back"), back, "quiet");
    done.setId("holding-back");
    HBox head = new HBox(8, Look.label(Words.of("holding.title"), "heading"), Look.spring(), done);
    getChildren().addAll(head, words, warning, held, new HBox(6, one, all), empty);
  }

  private static String second(Held file) {
    String day = file.at().isEmpty() ? "" : Fields.ADDED.type().show(file.at()) + " · ";
    return day
        + Words.megabytes(file.bytes())
        + "\n"
        + file.from().root()
        + "/"
        + file.from().path()
        + (file.why().isEmpty() ? "" : "\n" + file.why());
  }

  void refresh() {
    workspace.latestOnly(
        this,
        () ->
            new Bay(
                HoldingBay.of(workspace.collection()),
                HoldingBay.warning(workspace.collection().state())),
        this::show);
  }

  private void show(Bay bay) {
    long bytes = bay.files().stream().mapToLong(Held::bytes).sum();
    words.setText(Words.of("holding.words", bay.files().size(), Words.megabytes(bytes)));
    warning.setText(
        bay.free().map(share -> Words.of("holding.full", Math.round(100 * share))).orElse(""));
    warning.setManaged(bay.free().isPresent());
    held.getItems().setAll(bay.files());
  }

  private void restoreChosen() {
    RoaringBitmap ids = new RoaringBitmap();
    held.getSelectionModel().getSelectedItems().forEach(h -> ids.add(h.id()));
    restore(ids);
  }

  private void restoreAll() {
    restore(workspace.state().get().snapshot().held());
  }

  private void restore(RoaringBitmap ids) {
    if (!ids.isEmpty()) {
      workspace.command(
          Words.of("holding.restore"),
          ids.getCardinality(),
          now -> TrackEdits.restore(now.snapshot(), ids));
    }
  }

  private void empty() {
    RoaringBitmap ids = workspace.state().get().snapshot().held();
    if (ids.isEmpty()) {
      return;
    }
    workspace.job(
        Words.of("holding.look"),
        true,
        p -> HoldingBay.outlook(workspace.collection(), ids, p),
        this::askToEmpty);
  }

  /**
   * Files of which another one is there go first; the last of a recording is a question of its own.
   */
  private void askToEmpty(HoldingBay.Outlook outlook) {
    if (!outlook.copies().isEmpty()) {
      int copies = outlook.copies().getCardinality();
      boolean bin = Bin.ofSystem().isPresent();
      workspace
          .frame()
          .ask(
              Words.of(bin ? "ask.emptyToBin" : "ask.empty", copies, outlook.last().size()),
              Words.of("do.empty", copies),
              () -> take(outlook.copies(), false));
    } else if (!outlook.last().isEmpty()) {
      askToEmptyLast(outlook);
    }
  }

  private void askToEmptyLast(HoldingBay.Outlook outlook) {
    RoaringBitmap last = new RoaringBitmap();
    outlook.last().forEach(l -> last.add(l.id()));
    String names =
        outlook.last().stream()
            .limit(3)
            .map(l -> workspace.state().get().snapshot().name(l.id()))
            .collect(Collectors.joining(", "));
    workspace
        .frame()
        .ask(
            PlannedNights.told(
                workspace, Words.of("ask.emptyLast", last.getCardinality(), names), last),
            Words.of("do.emptyLast", last.getCardinality()),
            () -> take(last, true));
  }

  private void take(RoaringBitmap ids, boolean alsoLast) {
    workspace.job(
        Words.of("holding.job"),
        true,
        p -> HoldingBay.empty(workspace.collection(), ids, alsoLast, Bin.systemOrDelete(), p),
        workspace::told);
  }
}
