package tenterhook.core.gig;

import java.util.Arrays;
import java.util.function.IntPredicate;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Column;
import tenterhook.core.track.Snapshot;

/**
 * What is said of the sound of some tracks that can be played, kept in step: after a change only
 * the changed ones are asked again. Immutable.
 */
final class SoundTally {
  /** So many decibels from the median of a part a track stands out. */
  static final double STANDS_OUT = 6;

  static final SoundTally NOTHING =
      new SoundTally(new RoaringBitmap(), new RoaringBitmap(), new double[0], new int[0]);

  private final RoaringBitmap unmeasured;
  private final RoaringBitmap upscaled;

  /** How loud the measured ones are, rising. */
  private final double[] loudness;

  /** The track of each loudness. */
  private final int[] ids;

  private SoundTally(
      RoaringBitmap unmeasured, RoaringBitmap upscaled, double[] loudness, int[] ids) {
    this.unmeasured = unmeasured;
    this.upscaled = upscaled;
    this.loudness = loudness;
    this.ids = ids;
  }

  /**
   * The tally after some tracks came, went or were altered.
   *
   * @param touched these tracks
   * @param playable those of them that count now
   */
  SoundTally after(RoaringBitmap touched, RoaringBitmap playable, Snapshot snapshot) {
    if (touched.isEmpty()) {
      return this;
    }
    RoaringBitmap nowUnmeasured = RoaringBitmap.andNot(unmeasured, touched);
    nowUnmeasured.or(having(playable, id -> snapshot.isBlank(id, Fields.SOUND)));
    RoaringBitmap nowUpscaled = RoaringBitmap.andNot(upscaled, touched);
    nowUpscaled.or(having(playable, id -> snapshot.raw(id, Fields.QUALITY).equals("upscaled")));
    Column loud = snapshot.column(Fields.LOUDNESS);
    Measured[] more =
        playable.stream()
            .mapToObj(id -> new Measured(decibels(loud, id), id))
            .filter(m -> !Double.isNaN(m.loudness()))
            .sorted()
            .toArray(Measured[]::new);
    return merged(touched, more, nowUnmeasured, nowUpscaled);
  }

  private static double decibels(Column loud, int id) {
    return loud.dictionary().value(loud.number(id), Fields.LOUDNESS.type());
  }

  /** A track's loudness. */
  private record Measured(double loudness, int id) implements Comparable<Measured> {
    @Override
    public int compareTo(Measured other) {
      return Double.compare(loudness, other.loudness);
    }
  }

  private static RoaringBitmap having(RoaringBitmap of, IntPredicate test) {
    return RoaringBitmap.bitmapOf(of.stream().filter(test).toArray());
  }

  /** Both are sorted, and so is what comes of them. */
  private SoundTally merged(
      RoaringBitmap without, Measured[] more, RoaringBitmap nowUnmeasured, RoaringBitmap nowUp) {
    double[] loud = new double[loudness.length + more.length];
    int[] tracks = new int[loud.length];
    int size = 0;
    int next = 0;
    for (int i = 0; i < loudness.length; i++) {
      if (without.contains(ids[i])) {
        continue;
      }
      while (next < more.length && more[next].loudness() < loudness[i]) {
        loud[size] = more[next].loudness();
        tracks[size++] = more[next++].id();
      }
      loud[size] = loudness[i];
      tracks[size++] = ids[i];
    }
    for (; next < more.length; next++) {
      loud[size] = more[next].loudness();
      tracks[size++] = more[next].id();
    }
    return new SoundTally(
        nowUnmeasured, nowUp, Arrays.copyOf(loud, size), Arrays.copyOf(tracks, size));
  }

  /** Those that nobody measured. */
  RoaringBitmap unmeasured() {
    return unmeasured;
  }

  /** Those whose files claim a better sound than they have. */
  RoaringBitmap upscaled() {
    return upscaled;
  }

  /** Those much louder or quieter than the median. */
  RoaringBitmap standingOut() {
    RoaringBitmap out = new RoaringBitmap();
    double median = median();
    for (int i = 0; i < ids.length && median - loudness[i] > STANDS_OUT; i++) {
      out.add(ids[i]);
    }
    for (int i = ids.length - 1; i >= 0 && loudness[i] - median > STANDS_OUT; i--) {
      out.add(ids[i]);
    }
    return out;
  }

  private double median() {
    int middle = loudness.length / 2;
    if (loudness.length % 2 == 1) {
      return loudness[middle];
    }
    return loudness.length == 0 ? 0 : (loudness[middle - 1] + loudness[middle]) / 2;
  }
}
