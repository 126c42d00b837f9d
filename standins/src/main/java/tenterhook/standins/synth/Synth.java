package tenterhook.standins.synth;

import java.util.Random;

/**
 * Renders a recording: drums, bass, chords and a lead, each as a loop of four bars, mixed by
 * section. Mono parts are spread a little over two channels.
 */
public final class Synth {
  /** Frames a second. */
  public static final int RATE = 44_100;

  private static final int[] STEPS = {0, 5, 3, 4};
  private static final int[] MAJOR = {0, 2, 4, 5, 7, 9, 11};
  private static final int[] MINOR = {0, 2, 3, 5, 7, 8, 10};

  private final Recording recording;
  private final Random random;
  private final int beat;
  private final int loop;

  private Synth(Recording recording) {
    this.recording = recording;
    this.random = new Random(recording.seed());
    this.beat = (int) Math.round(RATE * 60 / recording.bpm());
    this.loop = beat * 16;
  }

  /**
   * Renders a recording.
   *
   * @param recording what to render
   * @return 16-bit frames, left and right in turn
   */
  public static short[] render(Recording recording) {
    return new Synth(recording).mix();
  }

  private short[] mix() {
    float[] drums = drums();
    float[] bass = bass();
    float[] chords = chords();
    float[] lead = lead();
    int frames = (int) (recording.seconds() * RATE);
    short[] out = new short[frames * 2];
    double level = 9000 * Math.pow(10, recording.gainDb() / 20);
    for (Recording.Section section : recording.sections()) {
      double[] gains = gains(section.name());
      int to = Math.min(frames, (int) (section.end() * RATE));
      for (int i = (int) (section.start() * RATE); i < to; i++) {
        int at = i % loop;
        double middle = drums[at] * gains[0] + bass[at] * gains[1];
        double left = middle + chords[at] * gains[2] + lead[at] * gains[3] * 0.7;
        double right = middle + chords[at] * gains[2] * 0.8 + lead[at] * gains[3];
        out[2 * i] = limited(left * level);
        out[2 * i + 1] = limited(right * level);
      }
    }
    return out;
  }

  private static short limited(double sample) {
    return (short) Math.max(-32_000, Math.min(32_000, sample));
  }

  /** Drums, bass, chords, lead. */
  private static double[] gains(String section) {
    return switch (section) {
      case "intro" -> new double[] {0.5, 0, 0.4, 0};
      case "verse" -> new double[] {0.8, 0.7, 0.5, 0.3};
      case "drop" -> new double[] {1.1, 1, 0.7, 0.6};
      case "break" -> new double[] {0, 0.2, 0.8, 0.2};
      default -> new double[] {0.7, 0.4, 0.2, 0};
    };
  }

  private float[] drums() {
    float[] out = new float[loop];
    for (int b = 0; b < 16; b++) {
      kick(out, b * beat);
      noise(out, b * beat + beat / 2, beat / 6, 0.35f);
      if (b % 2 == 1) {
        noise(out, b * beat, beat / 3, 0.7f);
      }
    }
    return out;
  }

  private void kick(float[] out, int from) {
    int length = Math.min(beat / 2, RATE / 5);
    double phase = 0;
    for (int i = 0; i < length && from + i < out.length; i++) {
      double decay = 1 - (double) i / length;
      phase += 2 * Math.PI * (45 + 120 * decay * decay * decay) / RATE;
      out[from + i] += (float) (1.6 * decay * decay * Math.sin(phase));
    }
  }

  private void noise(float[] out, int from, int length, float level) {
    for (int i = 0; i < length && from + i < out.length; i++) {
      float decay = 1 - (float) i / length;
      out[from + i] += level * decay * decay * (random.nextFloat() * 2 - 1);
    }
  }

  private double note(int degree, int octave) {
    int[] scale = recording.minor() ? MINOR : MAJOR;
    int semitone = recording.root() + scale[degree % 7] + 12 * (octave + degree / 7);
    return 32.703 * Math.pow(2, semitone / 12.0);
  }

  private float[] bass() {
    float[] out = new float[loop];
    for (int b = 0; b < 16; b++) {
      int degree = STEPS[b / 4];
      tone(out, b * beat + beat / 2, beat / 2, note(degree, 0), 0.8f, 2);
    }
    return out;
  }

  private float[] chords() {
    float[] out = new float[loop];
    for (int bar = 0; bar < 4; bar++) {
      for (int third = 0; third < 3; third++) {
        tone(out, bar * 4 * beat, 4 * beat, note(STEPS[bar] + 2 * third, 2), 0.35f, 3);
      }
    }
    return out;
  }

  private float[] lead() {
    float[] out = new float[loop];
    for (int half = 0; half < 32; half++) {
      if (random.nextInt(3) > 0) {
        int degree = STEPS[half / 8] + 2 * random.nextInt(3);
        tone(out, half * beat / 2, beat / 2, note(degree, 3), 0.5f, 4);
      }
    }
    return out;
  }

  /** A note of a few harmonics; each is turned by a complex step, so that no sine is computed. */
  private void tone(float[] out, int from, int length, double hertz, float level, int harmonics) {
    for (int h = 1; h <= harmonics; h++) {
      double step = 2 * Math.PI * hertz * h / RATE;
      double cos = Math.cos(step);
      double sin = Math.sin(step);
      double x = 0;
      double y = level / h;
      for (int i = 0; i < length && from + i < out.length; i++) {
        double fade = Math.min(1, Math.min(i, length - i) / 400.0);
        out[from + i] += (float) (x * fade);
        double turned = x * cos + y * sin;
        y = y * cos - x * sin;
        x = turned;
      }
    }
  }
}
