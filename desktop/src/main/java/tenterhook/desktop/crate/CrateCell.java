package tenterhook.desktop.crate;

import java.util.Arrays;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Predicate;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.input.DataFormat;
import javafx.scene.layout.HBox;
import tenterhook.desktop.control.HandCrates;
import tenterhook.desktop.theme.Drop;
import tenterhook.desktop.theme.Look;

/** A shelf or a crate in the list, with its count; dragged to another place. */
final class CrateCell extends ListCell<CratesModel.CrateEntry> {
  private static final DataFormat ROW = new DataFormat("application/x-tenterhook-crate");
  private static final PseudoClass SHELF = PseudoClass.getPseudoClass("shelf");
  private static final Insets ABOVE = new Insets(4, 0, 0, 0);
  private static final Insets INSIDE = new Insets(0, 0, 0, 14);

  private final Label name = Look.label("");
  private final Label count = Look.label("", "second");
  private final HBox box = new HBox(name, Look.spring(), count);

  /**
   * A cell.
   *
   * @param moved gets the row that was dragged and the row that it was dropped on
   * @param takes whether tracks can be put into what is called so
   * @param added gets the name of the crate and the tracks that were dropped on it
   */
  CrateCell(
      BiConsumer<Integer, Integer> moved,
      Predicate<String> takes,
      BiConsumer<String, List<Integer>> added) {
    setPrefWidth(0);
    getStyleClass().add("crate-cell");
    Drop.from(this, ROW, () -> isEmpty() ? null : (Object) getIndex());
    Drop.onto(this, ROW, () -> !isEmpty(), from -> moved.accept((Integer) from, getIndex()));
    Drop.onto(
        this,
        HandCrates.TRACKS,
        () -> !isEmpty() && takes.test(getItem().crate()),
        tracks -> added.accept(getItem().crate(), Arrays.stream((int[]) tracks).boxed().toList()));
  }

  @Override
  protected void updateItem(CratesModel.CrateEntry entry, boolean empty) {
    super.updateItem(entry, empty);
    setText(null);
    if (empty || entry == null) {
      setGraphic(null);
      return;
    }
    name.pseudoClassStateChanged(SHELF, entry.isShelf());
    Look.data(name, entry.name());
    count.setText(entry.words());
    box.setPadding(entry.isShelf() ? ABOVE : INSIDE);
    setGraphic(box);
  }
}
