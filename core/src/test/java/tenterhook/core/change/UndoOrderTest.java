package tenterhook.core.change;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

class UndoOrderTest {
  private static LedgerEntry entry(long number, long undoes, long undoneBy) {
    return new LedgerEntry(
        number, Instant.EPOCH, "change " + number, 1, undoes, undoneBy, undoneBy == 0 ? 1 : 0);
  }

  @Test
  void anEmptyLedgerOffersNothing() {
    assertThat(UndoOrder.nextUndo(List.of())).isEmpty();
    assertThat(UndoOrder.nextRedo(List.of())).isEmpty();
  }

  @Test
  void undoGoesBackChangeByChange() {
    LedgerEntry first = entry(1, 0, 0);
    LedgerEntry second = entry(2, 0, 3);
    LedgerEntry undo = entry(3, 2, 0);
    assertThat(UndoOrder.nextUndo(List.of(undo, second, first))).contains(first);
    assertThat(UndoOrder.nextRedo(List.of(undo, second, first))).contains(undo);
  }

  @Test
  void redoGoesForwardInTheOrderThatUndoWentBack() {
    LedgerEntry first = entry(1, 0, 4);
    LedgerEntry second = entry(2, 0, 3);
    LedgerEntry undoSecond = entry(3, 2, 0);
    LedgerEntry undoFirst = entry(4, 1, 0);
    assertThat(UndoOrder.nextRedo(List.of(undoFirst, undoSecond, second, first)))
        .contains(undoFirst);
    LedgerEntry redoFirst = entry(5, 4, 0);
    LedgerEntry undoFirstGone = entry(4, 1, 5);
    LedgerEntry firstAgain = entry(1, 0, 0);
    assertThat(
            UndoOrder.nextRedo(List.of(redoFirst, undoFirstGone, undoSecond, second, firstAgain)))
        .contains(undoSecond);
  }

  @Test
  void somethingNewEndsRedo() {
    assertThat(UndoOrder.nextRedo(List.of(entry(3, 0, 0), entry(2, 1, 0), entry(1, 0, 2))))
        .isEmpty();
  }
}
