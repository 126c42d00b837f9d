package tenterhook.core.measure;

/**
 * The highest point of the curve between the samples, four times oversampled as ITU-R BS.1770-4,
 * annex 2, asks. A block whose samples are so low that no curve through them can be higher than
 * what was found already is passed by, which changes no result.
 */
final class TruePeakMeter {
  private static final int PHASES = 4;
  private static final int TAPS = 16;
  private static final int BLOCK = 256;

  private final int channels;
  private final float[][] filter = new float[PHASES - 1][TAPS];
  private final double gainLimit;
  private final float[][] held;
  private final float[] curve = new float[BLOCK];
  private int filled = TAPS - 1;
  private float peak;

  TruePeakMeter(int channels) {
    this.channels = channels;
    this.held = new float[channels][BLOCK + TAPS - 1];
    double most = 1;
    for (int p = 1; p < PHASES; p++) {
      double all = 0;
      for (int k = 0; k < TAPS; k++) {
        double x = k - TAPS / 2 + 1 - (double) p / PHASES;
        double window = 0.54 + 0.46 * Math.cos(Math.PI * x / (TAPS / 2.0 + 0.5));
        filter[p - 1][k] = (float) (window * Math.sin(Math.PI * x) / (Math.PI * x));
        all += Math.abs(filter[p - 1][k]);
      }
      most = Math.max(most, all);
    }
    gainLimit = most;
  }

  /** Takes interleaved frames. */
  void add(float[] samples, int count) {
    for (int done = 0; done < count; ) {
      int some = Math.min(count - done, BLOCK + TAPS - 1 - filled);
      for (int c = 0; c < channels; c++) {
        for (int i = 0, at = done * channels + c; i < some; i++, at += channels) {
          held[c][filled + i] = samples[at];
        }
      }
      done += some;
      filled += some;
      if (filled == BLOCK + TAPS - 1) {
        look(BLOCK);
      }
    }
  }

  private void look(int count) {
    for (float[] row : held) {
      float high = 0;
      for (float sample : row) {
        high = Math.max(high, Math.abs(sample));
      }
      peak = Math.max(peak, high);
      if (high * gainLimit > peak) {
        interpolate(row, count);
      }
      System.arraycopy(row, count, row, 0, TAPS - 1);
    }
    filled = TAPS - 1;
  }

  /** Tap by tap over the whole block, which the compiler turns into vector code. */
  private void interpolate(float[] row, int count) {
    for (float[] taps : filter) {
      java.util.Arrays.fill(curve, 0);
      for (int k = 0; k < TAPS; k++) {
        float tap = taps[k];
        for (int i = 0; i < count; i++) {
          curve[i] += tap * row[i + k];
        }
      }
      for (int i = 0; i < count; i++) {
        peak = Math.max(peak, Math.abs(curve[i]));
      }
    }
  }

  /** Decibels below (or above) full scale; negative infinity for silence. */
  double decibels() {
    int left = filled - (TAPS - 1);
    if (left > 0) {
      for (float[] row : held) {
        java.util.Arrays.fill(row, filled, row.length, 0);
      }
      look(BLOCK);
    }
    return peak == 0 ? Double.NEGATIVE_INFINITY : 20 * Math.log10(peak);
  }
}
