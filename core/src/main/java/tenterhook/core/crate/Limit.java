package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/**
 * How much a rule crate holds at most, and which of its tracks are picked when it would hold more.
 *
 * @param unit what is counted
 * @param amount the most of it, 0 for no limit
 * @param draw 0 picks the first of the crate's order; any other number picks by chance, always the
 *     same tracks for the same number
 */
public record Limit(Unit unit, int amount, long draw) {
  /** No limit. */
  public static final Limit NONE = new Limit(Unit.TRACKS, 0, 0);

  private static final double BYTES_A_MEGABYTE = 1e6;
  private static final double SECONDS_A_MINUTE = 60;

  /** What a limit counts. */
  public enum Unit {
    /** Each track is one. */
    TRACKS,
    /** Playing time. */
    MINUTES,
    /** Size of the files, in units of 1,000,000 bytes. */
    MEGABYTES
  }

  /** Checks. */
  public Limit {
    if (amount < 0) {
      throw new IllegalArgumentException("a limit is 0 or more, was " + amount);
    }
  }

  /** The first tracks of the crate's order. */
  public static Limit tracks(int amount) {
    return new Limit(Unit.TRACKS, amount, 0);
  }

  /** Whether there is no limit. */
  public boolean none() {
    return amount == 0;
  }

  /**
   * The tracks that are picked: as many as fit, up to the first that does not.
   *
   * @param ordered all tracks in the crate's order
   * @return in the crate's order
   */
  List<Integer> picked(Snapshot snapshot, List<Integer> ordered) {
    if (none()) {
      return ordered;
    }
    List<Integer> line = new ArrayList<>(ordered);
    if (draw != 0) {
      line.sort(Comparator.comparingLong(id -> mixed(draw + id * GOLDEN)));
    }
    int fit = 0;
    double full = 0;
    while (fit < line.size() && full + weight(snapshot, line.get(fit)) <= amount) {
      full += weight(snapshot, line.get(fit++));
    }
    if (draw == 0) {
      return List.copyOf(line.subList(0, fit));
    }
    var kept = new java.util.HashSet<>(line.subList(0, fit));
    return ordered.stream().filter(kept::contains).toList();
  }

  private double weight(Snapshot snapshot, int id) {
    return switch (unit) {
      case TRACKS -> 1;
      case MINUTES -> snapshot.value(id, Fields.DURATION).orElse(0.0) / SECONDS_A_MINUTE;
      case MEGABYTES -> snapshot.value(id, Fields.SIZE).orElse(0L) / BYTES_A_MEGABYTE;
    };
  }

  private static final long GOLDEN = 0x9E3779B97F4A7C15L;

  /**
   * A number by chance that is always the same for the same number (G. Steele, D. Lea, C. Flood,
   * "Fast splittable pseudorandom number generators", OOPSLA 2014: mix64).
   */
  private static long mixed(long number) {
    long z = (number ^ (number >>> 30)) * 0xBF58476D1CE4E5B9L;
    z = (z ^ (z >>> 27)) * 0x94D049BB133111EBL;
    return z ^ (z >>> 31);
  }
}
