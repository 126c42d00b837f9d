package tenterhook.bench.window;

import java.util.List;
import java.util.Locale;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.shell.Shell;
import tenterhook.desktop.workspace.Station;

/** A DJ's hand on the window: keys and choices, all to be called on the toolkit's thread. */
final class WindowHand {
  private final Shell shell;

  WindowHand(Shell shell) {
    this.shell = shell;
  }

  /** Opens the whole collection as a list. */
  void wholeCollection() {
    shell.go(Station.TRACKS);
  }

  TrackPane pane() {
    return shell.inView().tracks().orElseThrow();
  }

  TableView<Integer> table() {
    return pane().table();
  }

  /** Types one letter into the find field. */
  void letter(char letter) {
    TextField field = (TextField) shell.lookup("#find");
    field.requestFocus();
    field.end();
    Event.fireEvent(field, key(field, KeyEvent.KEY_TYPED, KeyCode.UNDEFINED, letter, ""));
  }

  /** Empties the find field. */
  void clearFind() {
    TextField field = (TextField) shell.lookup("#find");
    Event.fireEvent(field, key(field, KeyEvent.KEY_PRESSED, KeyCode.ESCAPE, '\0', ""));
  }

  /** Presses a key in the table. */
  void key(KeyCode code, String modifier) {
    key(table(), code, modifier);
  }

  /** Presses a key somewhere. */
  void key(Node target, KeyCode code, String modifier) {
    target.requestFocus();
    Event.fireEvent(target, key(target, KeyEvent.KEY_PRESSED, code, '\0', modifier));
  }

  private static KeyEvent key(
      Node target, javafx.event.EventType<KeyEvent> type, KeyCode code, char typed, String held) {
    String character = typed == '\0' ? KeyEvent.CHAR_UNDEFINED : String.valueOf(typed);
    return new KeyEvent(
        target,
        target,
        type,
        character,
        code.getName().toLowerCase(Locale.ROOT),
        code,
        held.contains("shift"),
        held.contains("ctrl"),
        held.contains("alt"),
        false);
  }

  /** Sorts the table by a column. */
  void sort(String field) {
    List<TableColumn<Integer, ?>> order =
        table().getColumns().stream()
            .<TableColumn<Integer, ?>>map(c -> c)
            .filter(c -> c.getId().equals("column-" + field))
            .toList();
    if (order.isEmpty()) {
      throw new IllegalStateException("there is no column " + field);
    }
    table().getSortOrder().setAll(order);
  }

  /** Chooses one row by a click's effect. */
  void choose(int row) {
    table().getSelectionModel().clearAndSelect(row);
  }
}
