package tenterhook.core.measure;

/**
 * Halves the rate of a stream through a half-band filter, of which every second coefficient is zero
 * and the middle one a half.
 */
final class Decimator {
  private static final int SHARP = 5;

  /** The outer coefficients, from the middle outwards. */
  private final float[] sides;

  private final int reach;
  private final float[] held;
  private final float[] out;
  private int filled;

  private Decimator(float[] sides, int most) {
    this.sides = sides;
    reach = 2 * sides.length - 1;
    held = new float[most + 2 * reach + 2];
    out = new float[most / 2 + reach + 2];
  }

  /**
   * The shortest that is maximally flat: for where only the lowest tenth of the band is wanted.
   *
   * @param most samples in a block
   */
  static Decimator quick(int most) {
    return new Decimator(new float[] {9 / 32f, -1 / 32f}, most);
  }

  /**
   * A windowed sinc: for where the lowest fifth is wanted.
   *
   * @param most samples in a block
   */
  static Decimator sharp(int most) {
    float[] sides = new float[SHARP];
    double sum = 0;
    for (int k = 0; k < sides.length; k++) {
      double x = (2 * k + 1) / 2.0;
      double hann = 0.5 + 0.5 * Math.cos(Math.PI * x / sides.length);
      sides[k] = (float) (Resampler.sinc(x) * hann);
      sum += sides[k];
    }
    for (int k = 0; k < sides.length; k++) {
      sides[k] *= (float) (0.25 / sum);
    }
    return new Decimator(sides, most);
  }

  /**
   * Takes samples and gives what they make, in {@link #out}.
   *
   * @return how many values
   */
  int halve(float[] samples, int count) {
    System.arraycopy(samples, 0, held, filled, count);
    filled += count;
    int made = Math.max(0, (filled - 2 * reach + 1) / 2);
    if (sides.length == 2) {
      quickly(made);
    } else {
      sharply(made);
    }
    filled -= 2 * made;
    System.arraycopy(held, 2 * made, held, 0, filled);
    return made;
  }

  private void quickly(int made) {
    float[] in = held;
    float near = sides[0];
    float far = sides[1];
    for (int i = 0; i < made; i++) {
      int m = 2 * i + 3;
      out[i] = 0.5f * in[m] + near * (in[m - 1] + in[m + 1]) + far * (in[m - 3] + in[m + 3]);
    }
  }

  /** Written out term by term: a loop over the coefficients takes more than twice the time. */
  private void sharply(int made) {
    float[] in = held;
    float a = sides[0];
    float b = sides[1];
    float c = sides[2];
    float d = sides[3];
    float e = sides[4];
    for (int i = 0; i < made; i++) {
      int m = 2 * i + 9;
      out[i] =
          0.5f * in[m]
              + a * (in[m - 1] + in[m + 1])
              + b * (in[m - 3] + in[m + 3])
              + c * (in[m - 5] + in[m + 5])
              + d * (in[m - 7] + in[m + 7])
              + e * (in[m - 9] + in[m + 9]);
    }
  }

  /** What the last call made; overwritten by the next. */
  float[] out() {
    return out;
  }
}
