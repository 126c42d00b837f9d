package tenterhook.desktop.crate;

import java.util.Arrays;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.input.DataFormat;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import tenterhook.desktop.control.HandCrates;
import tenterhook.desktop.theme.Drop;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** A shelf or a crate in the tree, with its count; dragged to another place, takes tracks. */
final class CrateCell extends ListCell<CratesModel.CrateEntry> {
  /** A row that is dragged, as its number. */
  static final DataFormat ROW = new DataFormat("application/x-tenterhook-crate");

  private static final PseudoClass SHELF = PseudoClass.getPseudoClass("shelf");
  private static final PseudoClass OPEN = PseudoClass.getPseudoClass("open");
  private static final double STEP = 14;

  private final CrateTree tree;
  private final Region mark = new Region();
  private final Label name = Look.label("");
  private final Label count = Look.label("", "second");
  private final HBox box = new HBox(6, mark, name, Look.spring(), count);

  CrateCell(CrateTree tree) {
    this.tree = tree;
    setPrefWidth(0);
    getStyleClass().add("crate-cell");
    mark.getStyleClass().add("fold-mark");
    name.setMinWidth(20);
    count.setMinWidth(USE_PREF_SIZE);
    box.setAlignment(Pos.CENTER_LEFT);
    mark.addEventHandler(MouseEvent.MOUSE_PRESSED, this::fold);
    Drop.from(this, ROW, () -> isEmpty() ? null : (Object) getIndex());
    Drop.between(
        this,
        ROW,
        () -> !isEmpty(),
        (from, above) -> tree.dropped((Integer) from, getIndex(), above));
    Drop.onto(
        this,
        HandCrates.TRACKS,
        () -> !isEmpty() && tree.takesTracks(getItem()),
        tracks -> tree.dropped(Arrays.stream((int[]) tracks).boxed().toList(), getItem()));
  }

  private void fold(MouseEvent event) {
    if (event.getButton() == MouseButton.PRIMARY && getItem() != null) {
      tree.fold(getItem());
      event.consume();
    }
  }

  @Override
  protected void updateItem(CratesModel.CrateEntry entry, boolean empty) {
    super.updateItem(entry, empty);
    setText(null);
    if (empty || entry == null) {
      setGraphic(null);
      setAccessibleText(null);
      return;
    }
    name.pseudoClassStateChanged(SHELF, entry.isShelf());
    mark.setVisible(entry.open().isPresent());
    mark.pseudoClassStateChanged(OPEN, entry.open().orElse(false));
    Look.data(name, entry.name());
    count.setText(entry.words());
    box.setPadding(new Insets(0, 0, 0, entry.depth() * STEP));
    setGraphic(box);
    setAccessibleText(
        entry.isShelf()
            ? Words.of("crates.shelfName", entry.shelf(), entry.count())
            : entry.name() + " " + entry.words());
  }
}
