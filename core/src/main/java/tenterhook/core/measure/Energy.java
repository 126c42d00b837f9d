package tenterhook.core.measure;

import java.util.Arrays;

/**
 * How lively a recording is among those of the collection. Liveliness adds up loudness, how much
 * begins in a second, and how bright the sound is, each brought to 0 to 1 between the bounds below;
 * energy is the percentile of it in the collection, so that it means something in any collection.
 */
public final class Energy {
  private static final double[] LUFS = {-26, -5};
  private static final double[] ONSETS = {0, 7};
  private static final double[] BRIGHT = {Math.log(150), Math.log(2500)};

  private Energy() {}

  /**
   * Liveliness of one recording.
   *
   * @param lufs loudness
   * @param onsetsPerSecond how much begins in a second
   * @param brightHz centre of the power spectrum up to 5.5 kHz
   * @return 0 to 1: half loudness, three tenths onsets, two tenths brightness
   */
  public static double liveliness(double lufs, double onsetsPerSecond, double brightHz) {
    return 0.5 * share(lufs, LUFS)
        + 0.3 * share(onsetsPerSecond, ONSETS)
        + 0.2 * share(Math.log(Math.max(1, brightHz)), BRIGHT);
  }

  private static double share(double value, double[] bounds) {
    return Math.clamp((value - bounds[0]) / (bounds[1] - bounds[0]), 0, 1);
  }

  /** Percentiles within a collection. */
  public static final class Scale {
    private final double[] sorted;

    /** The scale of a collection's liveliness values, in any order. */
    public Scale(double[] values) {
      sorted = values.clone();
      Arrays.sort(sorted);
    }

    /**
     * The percentile of a value: 0 for the calmest, 100 for the liveliest, 50 when it is alone.
     * Equal values get the same.
     */
    public int percentile(double value) {
      if (sorted.length < 2) {
        return 50;
      }
      int below = lowerBound(value);
      int equal = lowerBound(Math.nextUp(value)) - below;
      double place = below + Math.max(0, equal - 1) / 2.0;
      return (int) Math.round(100 * Math.clamp(place / (sorted.length - 1), 0, 1));
    }

    private int lowerBound(double value) {
      int at = Arrays.binarySearch(sorted, value);
      if (at < 0) {
        return -at - 1;
      }
      while (at > 0 && sorted[at - 1] == value) {
        at--;
      }
      return at;
    }
  }
}
