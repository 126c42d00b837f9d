package tenterhook.desktop.repair;

import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import tenterhook.desktop.repair.RepairOverview.DecisionRow;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** A decision: what it says, what it rests on, and the button that takes all that is certain. */
final class RepairDecisionCell extends ListCell<DecisionRow> {
  private final Label name = Look.label("", "strong");
  private final Label words = Look.label("", "second");
  private final Button take = Look.primary("", () -> {});
  private final HBox box;

  RepairDecisionCell(Consumer<DecisionRow> onTake) {
    VBox text = new VBox(1, name, words);
    HBox.setHgrow(text, Priority.ALWAYS);
    text.setMinWidth(0);
    take.setMinWidth(Region.USE_PREF_SIZE);
    take.setFocusTraversable(false);
    take.setOnAction(e -> onTake.accept(getItem()));
    box = new HBox(12, text, take);
    box.getStyleClass().add("decide");
    getStyleClass().add("decision-cell");
    setPrefWidth(0);
  }

  @Override
  protected void updateItem(DecisionRow row, boolean empty) {
    super.updateItem(row, empty);
    if (empty || row == null) {
      setGraphic(null);
      return;
    }
    Look.data(name, row.decision().name());
    Look.data(words, words(row));
    take.setText(Words.of("repairs.apply", row.certain().size()));
    take.setAccessibleText(take.getText() + ": " + row.decision().name());
    take.setVisible(!row.certain().isEmpty());
    setGraphic(box);
  }

  private static String words(DecisionRow row) {
    String where = String.join(", ", row.folders());
    int all = row.decision().proposals().size();
    return Words.of("repairs.decision", all, row.certain().size(), row.holes())
        + " · "
        + (row.moreFolders() > 0 ? Words.of("repairs.folders", where, row.moreFolders()) : where);
  }
}
