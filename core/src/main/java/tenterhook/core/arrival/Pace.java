package tenterhook.core.arrival;

import java.time.Duration;
import java.util.List;
import tenterhook.core.change.LedgerEntry;

/**
 * How long a DJ takes for a track, read off the ledger: the time between one change and the next,
 * for as long as nobody went away from the desk, shared among the tracks that were changed.
 *
 * @param secondsPerTrack more than 0
 * @param measured false while too little was done to tell; then it is a usual pace
 */
public record Pace(double secondsPerTrack, boolean measured) {
  /** The pace of somebody whose pace is not known yet. */
  public static final Pace USUAL = new Pace(25, false);

  private static final Duration AWAY = Duration.ofMinutes(4);
  private static final int LEAST_CHANGES = 8;

  /** Checks the values. */
  public Pace {
    if (!(secondsPerTrack > 0)) {
      throw new IllegalArgumentException("a track takes some time, was " + secondsPerTrack);
    }
  }

  /**
   * The pace of a ledger.
   *
   * @param entries the newest first
   */
  public static Pace of(List<LedgerEntry> entries) {
    double seconds = 0;
    int tracks = 0;
    int changes = 0;
    for (int i = 0; i + 1 < entries.size(); i++) {
      LedgerEntry one = entries.get(i);
      Duration since = Duration.between(entries.get(i + 1).at(), one.at());
      if (one.undoes() == 0
          && one.tracks() > 0
          && !since.isNegative()
          && since.compareTo(AWAY) <= 0) {
        seconds += since.toMillis() / 1000.0;
        tracks += one.tracks();
        changes++;
      }
    }
    return changes < LEAST_CHANGES || seconds <= 0 ? USUAL : new Pace(seconds / tracks, true);
  }

  /** How long some tracks will take, in whole minutes, 1 at the least. */
  public int minutesFor(int tracks) {
    return (int) Math.max(1, Math.round(tracks * secondsPerTrack / 60));
  }
}
