package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/**
 * How much a rule crate holds at most, and which of its tracks are picked when it would hold more.
 *
 * @param unit what is counted
 * @param amount the most of it, 0 for no limit
 * @param draw 0 picks the first of the crate's order; any other number picks by chance, always the
 *     same tracks for the same number
 * @param perArtist how many tracks of each artist at most, 0 for as many as come
 * @param apart whether no artist stands twice in a row, as far as that can be
 */
public record Limit(Unit unit, int amount, long draw, int perArtist, boolean apart) {
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
    if (amount < 0 || perArtist < 0) {
      throw new IllegalArgumentException(
          "a limit is 0 or more, was " + amount + " and " + perArtist + " of each artist");
    }
  }

  /** A limit that asks for no artist. */
  public Limit(Unit unit, int amount, long draw) {
    this(unit, amount, draw, 0, false);
  }

  /** The same limit with at most so many tracks of each artist, 0 for as many as come. */
  public Limit perArtist(int most) {
    return new Limit(unit, amount, draw, most, apart);
  }

  /** The same limit with or without an artist twice in a row. */
  public Limit apart(boolean wished) {
    return new Limit(unit, amount, draw, perArtist, wished);
  }

  /** The same limit of another amount. */
  public Limit of(Unit other, int most) {
    return new Limit(other, most, draw, perArtist, apart);
  }

  /** The same limit, drawn otherwise. */
  public Limit drawn(long other) {
    return new Limit(unit, amount, other, perArtist, apart);
  }

  /** The first tracks of the crate's order. */
  public static Limit tracks(int amount) {
    return new Limit(Unit.TRACKS, amount, 0);
  }

  /** Whether all tracks are held, in the crate's own order. */
  public boolean none() {
    return amount == 0 && perArtist == 0 && !apart;
  }

  /** Whether it may hold less than its rule finds. */
  public boolean cuts() {
    return amount > 0 || perArtist > 0;
  }

  /**
   * The tracks that are picked: as many as fit, up to the first that does not, of each artist no
   * more than may be.
   *
   * @param ordered all tracks in the crate's order
   * @return in the crate's order, or as near to it as keeps artists apart
   */
  List<Integer> picked(Snapshot snapshot, List<Integer> ordered) {
    if (none()) {
      return ordered;
    }
    List<Integer> line = new ArrayList<>(ordered);
    if (draw != 0) {
      line.sort(Comparator.comparingLong(id -> mixed(draw + id * GOLDEN)));
    }
    Set<Integer> kept = kept(snapshot, line);
    List<Integer> picked = ordered.stream().filter(kept::contains).toList();
    return apart ? ArtistSpread.apart(snapshot, picked) : picked;
  }

  /** Who comes in: those whose artists may come, up to the first that does not fit. */
  private Set<Integer> kept(Snapshot snapshot, List<Integer> line) {
    ArtistSpread.Admission admission = new ArtistSpread.Admission(snapshot, perArtist);
    Set<Integer> kept = new HashSet<>();
    double full = 0;
    for (int id : line) {
      if (admission.admits(id)) {
        full += weight(snapshot, id);
        if (amount > 0 && full > amount) {
          return kept;
        }
        kept.add(id);
      }
    }
    return kept;
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
