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
 * @param undoneBy the number of the change that took the last of this one back, 0 while any of it
 *     holds
 * @param remaining of how many tracks it can be taken back now; crates and codebook count as one
 */
public record LedgerEntry(
    long number, Instant at, String title, int tracks, long undoes, long undoneBy, int remaining) {
  /** Whether any of it can be taken back now. */
  public boolean canUndo() {
    return remaining > 0;
  }

  /** Whether some of it was taken back, and some holds. */
  public boolean partlyUndone() {
    return remaining > 0 && remaining < tracks;
  }
}
