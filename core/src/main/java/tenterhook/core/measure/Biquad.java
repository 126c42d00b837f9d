package tenterhook.core.measure;

/**
 * A second-order filter in transposed direct form II. Designs by the bilinear transform (R.
 * Bristow-Johnson, Audio EQ Cookbook), and the two of BS.1770 for any sample rate (B. De Man,
 * Evaluation of implementations of the EBU R128 loudness measurement, 2014).
 */
final class Biquad {
  private final double b0;
  private final double b1;
  private final double b2;
  private final double a1;
  private final double a2;
  private double z1;
  private double z2;

  private Biquad(double b0, double b1, double b2, double a0, double a1, double a2) {
    this.b0 = b0 / a0;
    this.b1 = b1 / a0;
    this.b2 = b2 / a0;
    this.a1 = a1 / a0;
    this.a2 = a2 / a0;
  }

  /** The head's effect: 4 dB more above 1.7 kHz. */
  static Biquad headShelf(int rate) {
    double k = Math.tan(Math.PI * 1681.974450955533 / rate);
    double q = 0.7071752369554196;
    double high = Math.pow(10, 3.999843853973347 / 20);
    double band = Math.pow(high, 0.4996667741545416);
    return new Biquad(
        high + band * k / q + k * k,
        2 * (k * k - high),
        high - band * k / q + k * k,
        1 + k / q + k * k,
        2 * (k * k - 1),
        1 - k / q + k * k);
  }

  /** The revised low-frequency B curve: less below 38 Hz. */
  static Biquad lowCut(int rate) {
    double k = Math.tan(Math.PI * 38.13547087602444 / rate);
    double q = 0.5003270373238773;
    double a0 = 1 + k / q + k * k;
    return new Biquad(a0, -2 * a0, a0, a0, 2 * (k * k - 1), 1 - k / q + k * k);
  }

  /** Lets pass what is below a frequency (Butterworth). */
  static Biquad lowPass(double hertz, int rate) {
    double w = 2 * Math.PI * hertz / rate;
    double alpha = Math.sin(w) / Math.sqrt(2);
    double cos = Math.cos(w);
    return new Biquad((1 - cos) / 2, 1 - cos, (1 - cos) / 2, 1 + alpha, -2 * cos, 1 - alpha);
  }

  double next(double x) {
    double y = b0 * x + z1;
    z1 = b1 * x - a1 * y + z2;
    z2 = b2 * x - a2 * y;
    return y;
  }
}
