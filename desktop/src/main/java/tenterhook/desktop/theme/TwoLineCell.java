package tenterhook.desktop.theme;

import java.util.function.Function;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * A list cell of a name and a second line.
 *
 * @param <T> what the list holds
 */
public final class TwoLineCell<T> extends ListCell<T> {
  private static final double SCROLL_BAR = 14;

  private final Function<T, String> name;
  private final Function<T, String> second;
  private final Label top = Look.label("", "strong");
  private final Label below = Look.label("", "second");
  private final VBox box = new VBox(1, top, below);

  /** A cell that shows two texts of an item. */
  public TwoLineCell(Function<T, String> name, Function<T, String> second) {
    this.name = name;
    this.second = second;
    top.setWrapText(true);
    below.setWrapText(true);
    setPrefWidth(0);
  }

  @Override
  protected void updateItem(T item, boolean empty) {
    super.updateItem(item, empty);
    setText(null);
    if (empty || item == null) {
      setGraphic(null);
      return;
    }
    Look.data(top, name.apply(item));
    Look.data(below, second.apply(item));
    setGraphic(box);
  }

  /** As high as both texts are when they are broken at the list's width. */
  @Override
  protected double computePrefHeight(double width) {
    return isEmpty() || getListView() == null
        ? super.computePrefHeight(width)
        : brokenHeight(this, box, getListView().getWidth());
  }

  /**
   * The height of a cell whose texts are broken at the width of their list.
   *
   * @param cell with the insets
   * @param content what it shows
   * @param listWidth of the list, its scroll bar included
   */
  public static double brokenHeight(Region cell, Region content, double listWidth) {
    double sides = cell.snappedLeftInset() + cell.snappedRightInset() + SCROLL_BAR;
    double ends = cell.snappedTopInset() + cell.snappedBottomInset();
    return content.prefHeight(Math.max(60, listWidth - sides)) + ends;
  }
}
