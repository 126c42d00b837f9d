package tenterhook.desktop.duplicate;

import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.shell.Desk;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;
import tenterhook.desktop.theme.Words;

/** What lies in the holding bay, and the way back. */
final class HoldingPane extends VBox {
  private final Desk desk;
  private final ListView<Integer> held = new ListView<>();
  private final Label words = Look.label("", "second");

  HoldingPane(Desk desk) {
    this.desk = desk;
    getStyleClass().add("side");
    setPrefWidth(260);
    setMinWidth(260);
    held.setId("held");
    held.setCellFactory(
        l ->
            new TwoLineCell<>(
                id -> desk.state().get().snapshot().name(id),
                id -> desk.state().get().snapshot().raw(id, Fields.PATH).split("/", 3)[2]));
    held.setPlaceholder(Look.label(Words.of("holding.empty"), "empty"));
    VBox.setVgrow(held, Priority.ALWAYS);
    words.setWrapText(true);
    var one = Look.button(Words.of("holding.restore"), this::restoreOne);
    one.setId("restore-one");
    getChildren()
        .addAll(
            Look.label(Words.of("holding.title"), "heading"),
            words,
            held,
            one,
            Look.button(Words.of("holding.restoreAll"), this::restoreAll));
  }

  void refresh() {
    Snapshot snapshot = desk.state().get().snapshot();
    RoaringBitmap ids = snapshot.held();
    long bytes = ids.stream().mapToLong(id -> snapshot.value(id, Fields.SIZE).orElse(0L)).sum();
    words.setText(Words.of("holding.words", ids.getCardinality(), DuplicatesView.megabytes(bytes)));
    held.getItems().setAll(ids.stream().boxed().toList());
  }

  private void restoreOne() {
    Integer id = held.getSelectionModel().getSelectedItem();
    if (id != null) {
      restore(RoaringBitmap.bitmapOf(id));
    }
  }

  private void restoreAll() {
    restore(desk.state().get().snapshot().held());
  }

  private void restore(RoaringBitmap ids) {
    if (!ids.isEmpty()) {
      desk.apply(TrackEdits.restore(desk.state().get().snapshot(), ids));
    }
  }
}
