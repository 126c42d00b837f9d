package tenterhook.core.change;

import java.time.Instant;

/**
 * One line of the ledger.
 *
 * @param number counted from 1
 * @param at when it was done
 * @param title what was done
 * @param tracks how many tracks it altered
 * @param undoes the number of the change that this one took back, 0 when none
 * @param undoneBy the number of the change that took this one back, 0 while it holds
 */
public record LedgerEntry(
    long number, Instant at, String title, int tracks, long undoes, long undoneBy) {
  /** Whether it can be taken back now. */
  public boolean canUndo() {
    return undoneBy == 0;
  }
}
