package tenterhook.desktop.control;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.TableRow;
import javafx.scene.control.TableView;
import javafx.scene.control.skin.VirtualFlow;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * The toolkit's table over an index array, with a set of tracks as its selection. Sorting is left
 * to whoever fills it, since the toolkit's own goes through all rows and all that is selected.
 */
final class TrackTable extends TableView<Integer> {
  private final TrackRows rows;
  private final TrackSelection selection;
  private final Runnable sorter;

  /**
   * A table.
   *
   * @param rows what it shows
   * @param sorter called when another order is asked for by a column
   * @param selected called after every change of the selection
   */
  TrackTable(TrackRows rows, Runnable sorter, Runnable selected) {
    this.rows = rows;
    this.sorter = sorter;
    this.selection = new TrackSelection(this, rows, selected);
    setItems(rows);
    setSelectionModel(selection);
    addEventFilter(KeyEvent.KEY_PRESSED, this::ranges);
  }

  TrackSelection selection() {
    return selection;
  }

  @Override
  public void sort() {
    sorter.run();
  }

  /** Lets the rows in sight look which tracks they show by now. */
  void lookAgain() {
    flow().ifPresent(f -> f.getChildrenUnmodifiable().forEach(TrackTable::lookAgain));
  }

  private static void lookAgain(Node node) {
    if (node instanceof TableRow<?> row) {
      row.updateIndex(row.getIndex());
    } else if (node instanceof Parent parent) {
      List.copyOf(parent.getChildrenUnmodifiable()).forEach(TrackTable::lookAgain);
    }
  }

  /** Shows the values of the rows in sight anew, in the cells that stand there. */
  void showAgain() {
    flow().ifPresent(f -> f.getChildrenUnmodifiable().forEach(TrackTable::showAgain));
  }

  private static void showAgain(Node node) {
    if (node instanceof TrackCell cell) {
      cell.showAgain();
    } else if (node instanceof WordsCell cell) {
      cell.showAgain();
    } else if (node instanceof Parent parent) {
      parent.getChildrenUnmodifiable().forEach(TrackTable::showAgain);
    }
  }

  /** The toolkit goes through all selected rows when a range grows; a set need not. */
  private void ranges(KeyEvent event) {
    boolean add = event.isShortcutDown();
    if (getEditingCell() != null || event.isAltDown() || !event.isShiftDown() || rows.isEmpty()) {
      if (event.isShortcutDown() && event.getCode() == KeyCode.I && !event.isAltDown()) {
        selection.invert();
        event.consume();
      }
      return;
    }
    int now = Math.max(0, getFocusModel().getFocusedIndex());
    int page = Math.max(1, inSight() - 1);
    int to =
        switch (event.getCode()) {
          case UP, KP_UP -> now - 1;
          case DOWN, KP_DOWN -> now + 1;
          case PAGE_UP -> now - page;
          case PAGE_DOWN -> now + page;
          case HOME -> 0;
          case END -> rows.size() - 1;
          default -> Integer.MIN_VALUE;
        };
    if (to != Integer.MIN_VALUE) {
      int row = Math.clamp(to, 0, rows.size() - 1);
      selection.extendTo(row, add);
      bringIntoSight(row);
      event.consume();
    }
  }

  private Optional<VirtualFlow<?>> flow() {
    for (Node child : getChildrenUnmodifiable()) {
      if (child instanceof VirtualFlow<?> flow) {
        return Optional.of(flow);
      }
    }
    return Optional.empty();
  }

  private int inSight() {
    return flow()
        .filter(f -> f.getFirstVisibleCell() != null && f.getLastVisibleCell() != null)
        .map(f -> f.getLastVisibleCell().getIndex() - f.getFirstVisibleCell().getIndex() + 1)
        .orElse(1);
  }

  /** Scrolls no further than it takes to see a row. */
  private void bringIntoSight(int row) {
    flow().ifPresent(f -> f.scrollTo(row));
  }
}
