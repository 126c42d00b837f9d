package tenterhook.desktop.crate;

import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import tenterhook.desktop.theme.Look;

/** A shelf or a crate in the list, with its count. */
final class CrateCell extends ListCell<CratesView.Entry> {
  private static final Insets SHELF = new Insets(8, 0, 0, 0);
  private static final Insets CRATE = new Insets(0, 0, 0, 14);

  private final Label name = Look.label("");
  private final Label count = Look.label("", "second");
  private final HBox box = new HBox(name, Look.spring(), count);

  CrateCell() {
    setPrefWidth(0);
    getStyleClass().add("crate-cell");
  }

  @Override
  protected void updateItem(CratesView.Entry entry, boolean empty) {
    super.updateItem(entry, empty);
    setText(null);
    if (empty || entry == null) {
      setGraphic(null);
      return;
    }
    boolean shelf = entry.crate().isEmpty();
    name.getStyleClass().remove("strong");
    if (shelf) {
      name.getStyleClass().add("strong");
    }
    Look.data(name, shelf ? entry.shelf() : entry.crate());
    count.setText(String.valueOf(entry.count()));
    box.setPadding(shelf ? SHELF : CRATE);
    setGraphic(box);
  }
}
