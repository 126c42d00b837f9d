package tenterhook.core.measure;

/**
 * Looks for the frequency above which nothing sounds: the mean spectrum of frames four times a
 * second, in bands of 150 Hz, and in it the steepest step down to what is nearly silence. Music
 * that fades by itself has no step; one that an encoder cut has.
 */
final class Bandwidth implements FrameSplitter.Sink {
  static final int FRAME = 4096;
  private static final double BAND_HZ = 150;
  private static final double LOWEST_CUT = 9_000;
  private static final double SHALLOWEST = 12;
  private static final double ABOVE = 60;

  /** A cut so near to half the sample rate is the sample rate's own. */
  private static final double NEAR_TOP = 0.93;

  private final int rate;
  private final Spectrum spectrum = new Spectrum(FRAME);
  private final double[] sums = new double[FRAME / 2 + 1];
  private long frames;

  Bandwidth(int rate) {
    this.rate = rate;
  }

  @Override
  public void frame(float[] samples, int from) {
    float[] power = spectrum.power(samples, from);
    double total = 0;
    for (float p : power) {
      total += p;
    }
    if (total > 1e-2) {
      frames++;
      for (int k = 0; k < power.length; k++) {
        sums[k] += power[k];
      }
    }
  }

  /** Level of each band of 150 Hz, in dB. */
  double[] bands() {
    int count = (int) (rate / 2.0 / BAND_HZ);
    double[] out = new double[count];
    for (int b = 0; b < count; b++) {
      int from = (int) (b * BAND_HZ * FRAME / rate);
      int to = Math.max(from + 1, (int) ((b + 1) * BAND_HZ * FRAME / rate));
      double sum = 0;
      for (int k = from; k < to && k < sums.length; k++) {
        sum += sums[k];
      }
      out[b] = 10 * Math.log10(sum / (to - from) / Math.max(1, frames) + 1e-13);
    }
    return out;
  }

  SoundQuality quality() {
    double[] level = bands();
    if (frames == 0) {
      return SoundQuality.UNCUT;
    }
    int best = -1;
    double deepest = 0;
    int top = (int) Math.min(level.length - 5.0, NEAR_TOP * level.length);
    for (int b = (int) (LOWEST_CUT / BAND_HZ); b <= top; b++) {
      double before = mean(level, b - 5, b);
      double after = mean(level, b + 2, b + 6);
      double depth = before - after;
      if (depth > deepest && quietAbove(level, b + 2, before)) {
        deepest = depth;
        best = b;
      }
    }
    return best < 0 || deepest < SHALLOWEST
        ? SoundQuality.UNCUT
        : new SoundQuality((best + 0.5) * BAND_HZ, deepest);
  }

  /** Nothing comes back behind a cut. */
  private static boolean quietAbove(double[] level, int from, double before) {
    for (int b = from; b < level.length; b++) {
      if (level[b] > before - SHALLOWEST) {
        return false;
      }
    }
    return before > -ABOVE;
  }

  private static double mean(double[] row, int from, int to) {
    double sum = 0;
    for (int i = from; i < to; i++) {
      sum += row[Math.min(i, row.length - 1)];
    }
    return sum / (to - from);
  }
}
