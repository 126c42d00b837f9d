package tenterhook.core.track;

import java.util.function.Function;
import java.util.function.IntPredicate;
import org.roaringbitmap.RoaringBitmap;

/**
 * The tracks of the collection that pass a test, kept in step with it: after a change only the
 * changed tracks are tested again. Immutable.
 */
public final class KeptTracks {
  private final Function<Snapshot, IntPredicate> test;
  private final RoaringBitmap tracks;

  private KeptTracks(Function<Snapshot, IntPredicate> test, RoaringBitmap tracks) {
    this.test = test;
    this.tracks = tracks;
  }

  /**
   * Tests all tracks.
   *
   * @param test made for a moment, tells whether a track passes
   */
  public static KeptTracks of(Snapshot snapshot, Function<Snapshot, IntPredicate> test) {
    return new KeptTracks(test, snapshot.tracks(test.apply(snapshot)));
  }

  /**
   * Those that pass afterwards.
   *
   * @param after the collection afterwards
   * @param changed the tracks that may have changed
   */
  public KeptTracks after(Snapshot after, RoaringBitmap changed) {
    IntPredicate passes = test.apply(after);
    RoaringBitmap next = tracks.clone();
    changed.forEach(
        (int id) -> {
          if (after.has(id) && passes.test(id)) {
            next.add(id);
          } else {
            next.remove(id);
          }
        });
    return new KeptTracks(test, next);
  }

  /** The tracks. A set of its own. */
  public RoaringBitmap tracks() {
    return tracks.clone();
  }

  /** How many tracks pass. */
  public int count() {
    return tracks.getCardinality();
  }
}
