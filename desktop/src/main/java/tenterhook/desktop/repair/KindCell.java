package tenterhook.desktop.repair;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import tenterhook.core.repair.Decision;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.RepairsModel;

/** A kind: its name, how many proposals it has, and how few decisions they take. */
final class KindCell extends ListCell<RepairsView.KindRow> {
  private final Label name = Look.label("", "strong");
  private final Label count = Look.label("", "strong");
  private final Label words = Look.label("", "second");
  private final VBox box = new VBox(1, new HBox(8, name, Look.spring(), count), words);

  KindCell() {
    count.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    setPrefWidth(0);
  }

  @Override
  protected void updateItem(RepairsView.KindRow row, boolean empty) {
    super.updateItem(row, empty);
    if (empty || row == null) {
      setGraphic(null);
      return;
    }
    List<Decision> decisions = row.decisions();
    int holes = decisions.stream().mapToInt(Decision::closes).sum();
    name.setText(Words.of("repair.kind." + row.kind().key()));
    count.setText(decisions.isEmpty() ? "" : String.valueOf(RepairsModel.count(decisions)));
    words.setText(
        decisions.isEmpty()
            ? Words.of("repairs.kindNone")
            : Words.of("repairs.kind", decisions.size(), holes));
    setGraphic(box);
  }
}
