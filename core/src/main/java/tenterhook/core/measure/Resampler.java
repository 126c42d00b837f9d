package tenterhook.core.measure;

/**
 * Brings one channel to another rate through a windowed sinc (J. O. Smith, Digital Audio
 * Resampling, 1984; Blackman window, 1024 phases, the nearest is taken). Enough for features, not
 * for listening: aliases stay under -60 dB.
 */
final class Resampler {
  /** Samples a second of everything that looks at one channel. */
  static final int RATE = 11_025;

  private static final int PHASES = 1024;
  private static final int LOBES = 10;

  private final double step;
  private final int half;
  private final float[][] kernels;
  private float[] held = new float[0];
  private int filled;
  private double at;
  private float[] out = new float[0];
  private int made;

  /**
   * Between two rates.
   *
   * @param from samples a second that come in
   * @param to samples a second that are wanted
   */
  Resampler(double from, double to) {
    step = from / to;
    double cutoff = Math.min(1, 1 / step) * 0.92;
    half = (int) Math.ceil(LOBES / cutoff);
    kernels = new float[step == Math.rint(step) ? 1 : PHASES][2 * half];
    for (int p = 0; p < kernels.length; p++) {
      double sum = 0;
      for (int i = 0; i < 2 * half; i++) {
        double x = i - half + 1 - (double) p / kernels.length;
        double w = Math.abs(x) >= half ? 0 : blackman(x / half);
        kernels[p][i] = (float) (w * sinc(x * cutoff));
        sum += kernels[p][i];
      }
      for (int i = 0; i < 2 * half; i++) {
        kernels[p][i] /= (float) sum;
      }
    }
    held = new float[2 * half + 8192];
    filled = half - 1;
    at = half - 1;
  }

  static double sinc(double x) {
    return x == 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
  }

  static double blackman(double x) {
    return 0.42 + 0.5 * Math.cos(Math.PI * x) + 0.08 * Math.cos(2 * Math.PI * x);
  }

  /**
   * Takes samples and gives what they make.
   *
   * @param samples at the first rate, at most 4096
   * @param count how many of them
   * @return the first {@link #made} values; overwritten by the next call
   */
  float[] resampled(float[] samples, int count) {
    System.arraycopy(samples, 0, held, filled, count);
    filled += count;
    made = 0;
    int most = (int) (count / step) + 2;
    if (out.length < most) {
      out = new float[most];
    }
    int whole = (int) at;
    while (whole + half < filled) {
      float[] kernel = kernels[(int) ((at - whole) * kernels.length)];
      out[made++] = product(kernel, held, whole - half + 1);
      at += step;
      whole = (int) at;
    }
    int drop = Math.min(filled, Math.max(0, whole - half + 1));
    System.arraycopy(held, drop, held, 0, filled - drop);
    filled -= drop;
    at -= drop;
    return out;
  }

  /** Four sums side by side, which do not wait for one another; the length is even. */
  private static float product(float[] kernel, float[] row, int from) {
    float a = 0;
    float b = 0;
    float c = 0;
    float d = 0;
    int whole = kernel.length & ~3;
    for (int i = 0; i < whole; i += 4) {
      a += kernel[i] * row[from + i];
      b += kernel[i + 1] * row[from + i + 1];
      c += kernel[i + 2] * row[from + i + 2];
      d += kernel[i + 3] * row[from + i + 3];
    }
    for (int i = whole; i < kernel.length; i++) {
      a += kernel[i] * row[from + i];
    }
    return (a + b) + (c + d);
  }

  /** How many values the last call made. */
  int made() {
    return made;
  }
}
