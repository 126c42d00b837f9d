package tenterhook.desktop.theme;

import java.util.function.Function;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.VBox;

/**
 * A list cell of a name and a second line.
 *
 * @param <T> what the list holds
 */
public final class TwoLineCell<T> extends ListCell<T> {
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
}
