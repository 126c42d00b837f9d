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
  private final int tracks;
  private final Consumer<String> picked;

  /**
   * A picker beside an input.
   *
   * @param tracks how many are edited
   * @param picked gets the raw value; empty takes it away from all of them
   */
  ValuePicker(Field<?> field, TextInputControl input, int tracks, Consumer<String> picked) {
    this.field = field;
    this.input = input;
    this.tracks = tracks;
    this.picked = picked;
  }

  /** A button with the values that the tracks have, the most frequent first. */
  MenuButton of(List<String> values) {
    MenuButton picker = new MenuButton();
    picker.setId("pick-" + field.key());
    picker.getStyleClass().add("quiet");
    Look.tip(picker, Words.of("edit.pick", field.label()));
    List<MenuItem> items = new ArrayList<>();
    for (String value : values.subList(0, Math.min(20, values.size()))) {
      items.add(choice(value));
    }
    MenuItem clear = clear();
    items.add(clear);
    picker.getItems().setAll(items);
    return picker;
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
