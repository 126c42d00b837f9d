package tenterhook.core.change;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Which entry of the ledger undo and redo mean, when nobody names one. */
public final class UndoOrder {
  private UndoOrder() {}

  /**
   * The newest change that holds and is not itself an undo or redo.
   *
   * @param entries the ledger, the newest first
   */
  public static Optional<LedgerEntry> nextUndo(List<LedgerEntry> entries) {
    return entries.stream().filter(e -> e.undoes() == 0 && e.canUndo()).findFirst();
  }

  /**
   * The newest undo that was not done again; none once something new was done after it.
   *
   * @param entries the ledger, the newest first
   */
  public static Optional<LedgerEntry> nextRedo(List<LedgerEntry> entries) {
    Map<Long, LedgerEntry> byNumber = new HashMap<>();
    entries.forEach(e -> byNumber.put(e.number(), e));
    for (LedgerEntry entry : entries) {
      if (entry.undoes() == 0) {
        return Optional.empty();
      }
      LedgerEntry undone = byNumber.get(entry.undoes());
      if (undone != null && undone.undoes() == 0 && entry.canUndo()) {
        return Optional.of(entry);
      }
    }
    return Optional.empty();
  }
}
