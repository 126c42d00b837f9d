package tenterhook.desktop.repair;

import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** A kind: its name, how many proposals it has, and how few decisions they take. */
final class KindCell extends ListCell<RepairOverview.KindRow> {
  private final Label name = Look.label("", "strong");
  private final Label count = Look.label("", "strong");
  private final Label words = Look.label("", "second");
  private final VBox box = new VBox(1, new HBox(8, name, Look.spring(), count), words);

  KindCell() {
    count.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    setPrefWidth(0);
  }

  @Override
  protected void updateItem(RepairOverview.KindRow row, boolean empty) {
    super.updateItem(row, empty);
    if (empty || row == null) {
      setGraphic(null);
      return;
    }
    name.setText(Words.of("repair.kind." + row.kind().key()));
    count.setText(row.proposals() == 0 ? "" : String.valueOf(row.proposals()));
    words.setText(
        row.proposals() == 0
            ? Words.of("repairs.kindNone")
            : Words.of("repairs.kind", row.decisions().size(), row.holes()));
    setGraphic(box);
  }
}
