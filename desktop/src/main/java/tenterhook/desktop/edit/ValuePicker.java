package tenterhook.desktop.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextInputControl;
import tenterhook.core.field.Field;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** Offers the values of several tracks, and to take them all away. */
final class ValuePicker {
  private final Field<?> field;
  private final TextInputControl input;
  private final Consumer<String> picked;
  private final MenuButton button = new MenuButton();
  private List<String> values = List.of();
  private int tracks;

  /**
   * A picker beside an input.
   *
   * @param picked gets the raw value; empty takes it away from all tracks
   */
  ValuePicker(Field<?> field, TextInputControl input, Consumer<String> picked) {
    this.field = field;
    this.input = input;
    this.picked = picked;
    button.setId("pick-" + field.key());
    button.getStyleClass().add("quiet");
    Look.tip(button, Words.of("edit.pick", field.label()));
    button.setOnShowing(e -> fill()); // many stand in a panel, few are opened
  }

  /** What opens it. */
  MenuButton button() {
    return button;
  }

  /**
   * Offers the values that the tracks have.
   *
   * @param some the most frequent first; none takes the picker away
   * @param count how many tracks are edited
   */
  void offer(List<String> some, int count) {
    values = some;
    tracks = count;
    button.setVisible(!some.isEmpty());
    button.setManaged(!some.isEmpty());
    button.getItems().setAll(clear());
  }

  private void fill() {
    List<MenuItem> items = new ArrayList<>();
    values.forEach(v -> items.add(choice(v)));
    items.add(clear());
    button.getItems().setAll(items);
  }

  private MenuItem choice(String value) {
    String shown = field.type().show(value);
    return Look.named(
        shown.isEmpty() ? Words.of("edit.none") : shown,
        () -> {
          input.setText(shown);
          picked.accept(value);
        });
  }

  private MenuItem clear() {
    MenuItem clear =
        Look.named(
            Words.of("edit.clear", tracks),
            () -> {
              input.clear();
              input.setPromptText(Words.of("edit.cleared"));
              picked.accept("");
            });
    clear.setId("clear-" + field.key());
    return clear;
  }
}
