package tenterhook.desktop.control;

import javafx.scene.control.TableColumn;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import tenterhook.core.field.Fields;

/** What keys do in a table of tracks, while no cell is edited. */
final class TrackKeys {
  private static final int MOST_STARS = 5;

  private final TrackPane pane;
  private final TrackTable table;
  private final Columns columns;
  private final TrackActions actions;
  private final HandOrder hand;

  TrackKeys(
      TrackPane pane, TrackTable table, Columns columns, TrackActions actions, HandOrder hand) {
    this.pane = pane;
    this.table = table;
    this.columns = columns;
    this.actions = actions;
    this.hand = hand;
  }

  /** Takes a key that means something here. */
  void take(KeyEvent event) {
    if (table.getEditingCell() == null && does(event)) {
      event.consume();
    }
  }

  private boolean does(KeyEvent event) {
    KeyCode code = event.getCode();
    if (event.isAltDown()) {
      return withAlt(code);
    }
    if (event.isShortcutDown()) {
      if (code == KeyCode.C) {
        pane.copyText();
      }
      return code == KeyCode.C;
    }
    return !event.isControlDown() && alone(code);
  }

  private boolean withAlt(KeyCode code) {
    int rating = code.ordinal() - KeyCode.DIGIT0.ordinal();
    if (code.isDigitKey() && rating <= MOST_STARS) {
      actions.rate(pane.selection(), rating);
      return true;
    }
    if (code == KeyCode.UP || code == KeyCode.DOWN) {
      hand.move(code == KeyCode.DOWN);
      return true;
    }
    return false;
  }

  private boolean alone(KeyCode code) {
    switch (code) {
      case R -> actions.flag(pane.selection(), Fields.RESTING);
      case G -> actions.flag(pane.selection(), Fields.GUARDED);
      case DELETE -> actions.remove(pane.selection());
      case ENTER -> editFocused();
      case BACK_SPACE -> pane.takeLastOff();
      default -> {
        return false;
      }
    }
    return true;
  }

  private void editFocused() {
    var at = table.getFocusModel().getFocusedCell();
    if (at.getRow() >= 0) {
      TableColumn<Integer, ?> column =
          at.getTableColumn() == null || !at.getTableColumn().isEditable()
              ? columns.firstEditable()
              : table.getVisibleLeafColumn(at.getColumn());
      table.edit(at.getRow(), column);
    }
  }
}
