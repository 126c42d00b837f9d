package tenterhook.desktop.lost;

import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import tenterhook.desktop.lost.LostSheets.LostChoice;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;

/** One decision: what, why, and the button that makes it. */
final class LostDecisionCell extends ListCell<LostChoice> {
  private final Label what = Look.label("", "strong");
  private final Label why = Look.label("", "second");
  private final HBox box = new HBox(12);

  LostDecisionCell() {
    what.setWrapText(true);
    why.setWrapText(true);
    box.getStyleClass().add("decide");
    setPrefWidth(0);
    getStyleClass().add("decision-cell");
  }

  @Override
  protected void updateItem(LostChoice item, boolean empty) {
    super.updateItem(item, empty);
    setText(null);
    if (empty || item == null) {
      setGraphic(null);
      return;
    }
    Look.data(what, item.what());
    Look.data(why, item.why());
    VBox text = new VBox(1, what);
    if (!item.why().isEmpty()) {
      text.getChildren().add(why);
    }
    HBox.setHgrow(text, Priority.ALWAYS);
    box.getChildren().setAll(text);
    if (!item.button().isEmpty()) {
      Button button =
          item.primary()
              ? Look.primary(item.button(), item.action())
              : Look.button(item.button(), item.action());
      button.setMinWidth(Region.USE_PREF_SIZE);
      box.getChildren().add(button);
    }
    setGraphic(box);
  }

  @Override
  protected double computePrefHeight(double width) {
    return isEmpty() || getListView() == null
        ? super.computePrefHeight(width)
        : TwoLineCell.brokenHeight(this, box, getListView().getWidth());
  }
}
