package tenterhook.core.measure;

/**
 * How much begins at each moment, in three bands: spectral flux of compressed magnitudes, less its
 * mean of the second around it (S. Dixon, Onset Detection Revisited, 2006). The first fifteen
 * minutes are kept.
 */
final class Onsets implements FrameSplitter.Sink {
  /** Moments a second. */
  static final double RATE = Resampler.RATE / 128.0;

  /** Low, middle, high. */
  static final int BANDS = 3;

  /** Samples between a frame's begin and the moment that it tells of. */
  static final int FRAME = 512;

  private static final int[] EDGES = {1, 7, 70, FRAME / 2};
  private static final int LIMIT = (int) (15 * 60 * RATE);
  private static final float SQUEEZE = 300;

  private final Spectrum spectrum = new Spectrum(FRAME);
  private final Floats[] flux = new Floats[BANDS];
  private final float[] before = new float[FRAME / 2 + 1];
  private double brightSum;
  private double powerSum;

  Onsets() {
    for (int b = 0; b < BANDS; b++) {
      flux[b] = new Floats(LIMIT);
    }
  }

  @Override
  public void frame(float[] samples, int from) {
    float[] power = spectrum.power(samples, from);
    for (int b = 0; b < BANDS; b++) {
      float rise = 0;
      for (int k = EDGES[b]; k < EDGES[b + 1]; k++) {
        float level = (float) Math.log1p(SQUEEZE * Math.sqrt(power[k]) / FRAME);
        rise += Math.max(0, level - before[k]);
        before[k] = level;
        brightSum += (double) power[k] * k;
        powerSum += power[k];
      }
      flux[b].add(rise / (EDGES[b + 1] - EDGES[b]));
    }
  }

  /** The centre of all power up to 5.5 kHz, in Hz; 0 for silence. */
  double brightness() {
    return powerSum == 0 ? 0 : brightSum / powerSum * Resampler.RATE / FRAME;
  }

  /** How much begins in a second: peaks of all bands that stand well out. */
  double perSecond() {
    float[] low = band(0);
    float[] middle = band(1);
    float[] high = band(2);
    int peaks = 0;
    int last = -10;
    for (int i = 1; i + 1 < low.length; i++) {
      float here = low[i] + middle[i] + high[i];
      boolean peak =
          here > low[i - 1] + middle[i - 1] + high[i - 1]
              && here >= low[i + 1] + middle[i + 1] + high[i + 1];
      if (peak && here > 0.08 && i - last > 4) {
        peaks++;
        last = i;
      }
    }
    return low.length == 0 ? 0 : peaks * RATE / low.length;
  }

  /** The rows of a band: what stands out of the second around it. */
  float[] band(int band) {
    float[] row = flux[band].toArray();
    float[] out = new float[row.length];
    int reach = (int) (RATE / 2);
    double sum = 0;
    int from = 0;
    int to = 0;
    for (int i = 0; i < row.length; i++) {
      while (to < Math.min(row.length, i + reach)) {
        sum += row[to++];
      }
      while (from < i - reach) {
        sum -= row[from++];
      }
      out[i] = Math.max(0, row[i] - (float) (sum / (to - from)));
    }
    return out;
  }

  /** The second at which a row's place sounds: the middle of its frame's newer half. */
  static double seconds(double place) {
    return place / RATE + 0.62 * FRAME / Resampler.RATE;
  }
}
