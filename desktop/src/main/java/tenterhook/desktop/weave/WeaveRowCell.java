package tenterhook.desktop.weave;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import tenterhook.core.weave.Weave;
import tenterhook.core.weave.WeaveColumn;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** One row of the Weave: its name, how many tracks, and a cell for each attribute. */
final class WeaveRowCell extends ListCell<Weave.Row> {
  private final WeaveView view;
  private final HBox box = new HBox(2);
  private final Button name = new Button();
  private final Label tracks = Look.label("", "second");
  private final List<WeaveCell> cells = new ArrayList<>();

  WeaveRowCell(WeaveView view) {
    this.view = view;
    getStyleClass().add("weave-row");
    name.getStyleClass().addAll("link", "row");
    name.setAlignment(Pos.CENTER_LEFT);
    WeaveView.sized(name, WeaveView.NAME_WIDTH);
    WeaveView.sized(tracks, WeaveView.COUNT_WIDTH - 2);
    tracks.setAlignment(Pos.CENTER_RIGHT);
    box.setAlignment(Pos.CENTER_LEFT);
    setText(null);
  }

  /** Draws the cells anew, with other dyes. */
  void draw() {
    cells.forEach(WeaveCell::draw);
  }

  @Override
  protected void updateItem(Weave.Row row, boolean empty) {
    super.updateItem(row, empty);
    if (empty || row == null) {
      setGraphic(null);
      return;
    }
    List<WeaveColumn> columns = view.weave().columns();
    if (cells.size() != columns.size()) {
      cells.clear();
      box.getChildren().setAll(name, tracks);
      for (int i = 0; i < columns.size(); i++) {
        WeaveCell cell = new WeaveCell(view.dyes());
        cells.add(cell);
        box.getChildren().add(cell);
      }
    }
    Look.data(name, row.group());
    name.setOnAction(e -> view.openRow(row));
    tracks.setText(String.valueOf(row.tracks()));
    double width = view.cellWidth();
    for (int i = 0; i < columns.size(); i++) {
      WeaveColumn column = columns.get(i);
      int holes = row.holes().get(i);
      WeaveCell cell = cells.get(i);
      cell.show(width, row.tracks(), holes, () -> view.openCell(row, column));
      cell.setId("cell-" + row.group() + "-" + column.key());
      cell.setAccessibleText(
          Words.of("weave.cellName", row.group(), column.label(), holes, row.tracks()));
    }
    setGraphic(box);
  }
}
