package tenterhook.core.measure;

import java.util.Random;

/** Plain sounds for tests: what they measure is known by arithmetic. */
final class Tones {
  private Tones() {}

  /** A sine of two equal channels. */
  static float[] sine(int rate, double hertz, double level, double seconds, double phase) {
    float[] out = new float[2 * (int) (seconds * rate)];
    for (int i = 0; i < out.length / 2; i++) {
      float value = (float) (level * Math.sin(2 * Math.PI * hertz * i / rate + phase));
      out[2 * i] = value;
      out[2 * i + 1] = value;
    }
    return out;
  }

  static double level(double decibels) {
    return Math.pow(10, decibels / 20);
  }

  static float[] joined(float[]... parts) {
    int length = 0;
    for (float[] part : parts) {
      length += part.length;
    }
    float[] out = new float[length];
    int at = 0;
    for (float[] part : parts) {
      System.arraycopy(part, 0, out, at, part.length);
      at += part.length;
    }
    return out;
  }

  /** Short bursts at a tempo: low ones on each beat, high ones between. */
  static float[] beats(int rate, double bpm, double seconds, double from) {
    float[] out = new float[2 * (int) (seconds * rate)];
    Random random = new Random(7);
    for (int eighth = 0; from + eighth * 30 / bpm < seconds; eighth++) {
      int at = (int) ((from + eighth * 30 / bpm) * rate);
      boolean beat = eighth % 2 == 0;
      for (int i = 0; i < rate / 12 && 2 * (at + i) + 1 < out.length; i++) {
        double decay = Math.exp(-i * 40.0 / rate);
        double low = 0.8 * Math.sin(2 * Math.PI * 60 * i / rate);
        double high = 0.12 * (random.nextDouble() * 2 - 1);
        float value = (float) (decay * (beat ? low + high : high));
        out[2 * (at + i)] += value;
        out[2 * (at + i) + 1] += value;
      }
    }
    return out;
  }

  static Measurement measured(int rate, float[] samples) {
    Measurer measurer = new Measurer(rate, 2);
    measurer.add(samples, samples.length / 2);
    return measurer.finish();
  }
}
