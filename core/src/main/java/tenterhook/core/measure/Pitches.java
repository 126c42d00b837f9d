package tenterhook.core.measure;

/**
 * How much of each pitch there is, in steps of ten cents from C1 to C8, of spectral peaks whose
 * place is found between the bins by a parabola through logarithms (J. O. Smith, Spectral Audio
 * Signal Processing). Single frames are levelled, so that a quiet passage counts like a loud one.
 */
final class Pitches implements FrameSplitter.Sink {
  static final int FRAME = 4096;
  static final int STEPS = 10;
  private static final int OCTAVES = 7;
  private static final double C1 = 32.7032;

  private final Spectrum spectrum = new Spectrum(FRAME);
  private final int most;
  private int frames;
  private final double[] amount = new double[12 * STEPS * OCTAVES];

  /** Of so many frames with sound at most, the first ones. */
  Pitches(int most) {
    this.most = most;
  }

  @Override
  public void frame(float[] samples, int from) {
    if (frames == most) {
      return;
    }
    float[] power = spectrum.power(samples, from);
    double total = 0;
    int last = Math.min(power.length - 2, (int) (2100.0 * FRAME / Resampler.RATE));
    for (int k = 10; k < last; k++) {
      total = Math.max(total, power[k]);
    }
    if (total < 1e-3) {
      return;
    }
    frames++;
    for (int k = 12; k < last; k++) {
      float middle = power[k];
      if (middle > total * 1e-4 && middle > power[k - 1] && middle >= power[k + 1]) {
        double a = Math.log(power[k - 1] + 1e-12);
        double b = Math.log(middle);
        double c = Math.log(power[k + 1] + 1e-12);
        double shift = Math.clamp(0.5 * (a - c) / (a - 2 * b + c), -1, 1);
        enter((k + shift) * Resampler.RATE / FRAME, Math.pow(middle / total, 0.25));
      }
    }
  }

  private void enter(double hertz, double weight) {
    int place = (int) Math.round(12 * STEPS * Math.log(hertz / C1) / Math.log(2));
    if (place >= 0 && place < amount.length) {
      amount[place] += weight;
    }
  }

  /** How far the music's tuning is from 440 Hz, in semitones from -0.5 to 0.5. */
  double tuning() {
    double x = 0;
    double y = 0;
    for (int i = 0; i < amount.length; i++) {
      double angle = 2 * Math.PI * i / STEPS;
      x += amount[i] * Math.cos(angle);
      y += amount[i] * Math.sin(angle);
    }
    return Math.atan2(y, x) / (2 * Math.PI);
  }

  /**
   * The twelve pitch classes from C, adding up to one (all zero when nothing has a pitch).
   *
   * @param fromOctave first octave, 0 for C1
   * @param toOctave behind the last
   */
  double[] classes(int fromOctave, int toOctave) {
    double[] out = new double[12];
    double shift = tuning() * STEPS;
    double sum = 0;
    for (int i = fromOctave * 12 * STEPS; i < toOctave * 12 * STEPS; i++) {
      double note = (i - shift) / STEPS;
      double off = Math.abs(note - Math.rint(note));
      double weight = amount[i] * Math.max(0, 1 - 2.2 * off);
      out[Math.floorMod((int) Math.rint(note), 12)] += weight;
      sum += weight;
    }
    for (int n = 0; n < 12 && sum > 0; n++) {
      out[n] /= sum;
    }
    return out;
  }
}
