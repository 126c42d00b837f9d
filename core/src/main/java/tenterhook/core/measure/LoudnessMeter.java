package tenterhook.core.measure;

/**
 * Integrated loudness by ITU-R BS.1770-4 and EBU R128: K weighting, blocks of 400 ms that overlap
 * by three quarters, an absolute gate at -70 LUFS and a relative one 10 LU below what is left. One
 * number per tenth of a second is kept, so eight hours take 1.2 MB. Front channels only; more than
 * two are weighted as if they were in front.
 */
final class LoudnessMeter {
  private static final double OFFSET = -0.691;

  private final int rate;
  private final int channels;
  private final Biquad[] shelves;
  private final Biquad[] cuts;
  private final Floats tenths = new Floats(Integer.MAX_VALUE - 8);
  private double sum;
  private long frames;
  private long next;
  private long last;

  LoudnessMeter(int rate, int channels) {
    this.rate = rate;
    this.channels = channels;
    shelves = new Biquad[channels];
    cuts = new Biquad[channels];
    for (int c = 0; c < channels; c++) {
      shelves[c] = Biquad.headShelf(rate);
      cuts[c] = Biquad.lowCut(rate);
    }
    next = edge(1);
  }

  private long edge(long tenth) {
    return tenth * rate / 10;
  }

  /** Takes interleaved frames. */
  void add(float[] samples, int count) {
    for (int done = 0; done < count; ) {
      int some = (int) Math.min(count - done, next - frames);
      for (int c = 0; c < channels; c++) {
        sum += power(samples, done * channels + c, some, shelves[c], cuts[c]);
      }
      done += some;
      frames += some;
      if (frames == next) {
        tenths.add(sum / (next - last));
        sum = 0;
        last = next;
        next = edge(tenths.size() + 1L);
      }
    }
  }

  private double power(float[] samples, int from, int count, Biquad shelf, Biquad cut) {
    double power = 0;
    for (int i = 0, at = from; i < count; i++, at += channels) {
      double y = cut.next(shelf.next(samples[at]));
      power += y * y;
    }
    return power;
  }

  /** The weighted power of each tenth of a second. */
  float[] tenths() {
    return tenths.toArray();
  }

  /** LUFS, or negative infinity when nothing is above the gate. */
  double integrated() {
    float[] power = tenths.toArray();
    double absolute = Math.pow(10, (-70 - OFFSET) / 10);
    double relative = mean(power, absolute) / 10;
    return decibels(mean(power, Math.max(absolute, relative)));
  }

  private static double mean(float[] tenths, double gate) {
    double sum = 0;
    long blocks = 0;
    for (int i = 0; i + 4 <= tenths.length; i++) {
      double block = (tenths[i] + tenths[i + 1] + tenths[i + 2] + tenths[i + 3]) / 4.0;
      if (block >= gate) {
        sum += block;
        blocks++;
      }
    }
    return blocks == 0 ? 0 : sum / blocks;
  }

  /** A weighted power as LUFS. */
  static double decibels(double power) {
    return power <= 0 ? Double.NEGATIVE_INFINITY : OFFSET + 10 * Math.log10(power);
  }
}
