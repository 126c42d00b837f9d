package tenterhook.standins.synth;

import java.util.Random;

/**
 * Renders a piece: drums by style, bass, chords and a lead of chosen timbres, tuned a little off
 * and played a little beside the beat, mixed by section.
 */
public final class PieceSynth {
  private static final int RATE = Synth.RATE;
  private static final int TABLE = 2048;
  private static final int[] MAJOR = {0, 2, 4, 5, 7, 9, 11};
  private static final int[] MINOR = {0, 2, 3, 5, 7, 8, 10};
  private static final int[][] MAJOR_STEPS = {
    {0, 4, 5, 3}, {0, 3, 4, 0}, {0, 5, 1, 4}, {0, 3, 0, 4}, {0, 2, 3, 4}, {0, 5, 3, 4}, {3, 4, 0, 0}
  };
  private static final int[][] MINOR_STEPS = {
    {0, 5, 2, 6}, {0, 3, 4, 0}, {0, 6, 5, 4}, {0, 3, 6, 2}, {0, 5, 3, 4}, {0, 0, 3, 4}, {5, 6, 0, 0}
  };

  private final Piece piece;
  private final Random random;
  private final double beat;
  private final double tuning;
  private final double looseness;
  private final int[] steps;
  private final boolean leading;
  private final float[] drums;
  private final float[] bass;
  private final float[] chords;
  private final float[] lead;

  private PieceSynth(Piece piece) {
    this.piece = piece;
    this.random = new Random(piece.seed() ^ 0x5DEECE66DL);
    this.beat = 60 / piece.bpm();
    this.tuning = random.nextInt(3) == 0 ? (random.nextDouble() - 0.5) * 0.6 : 0;
    this.looseness = random.nextInt(2) == 0 ? 0 : 0.004;
    int[][] choice = piece.minor() ? MINOR_STEPS : MAJOR_STEPS;
    this.steps = choice[random.nextInt(choice.length)];
    this.leading = piece.minor() && random.nextInt(2) == 0;
    int frames = (int) Math.ceil(piece.end() * RATE) + 1;
    this.drums = new float[frames];
    this.bass = new float[frames];
    this.chords = new float[frames];
    this.lead = new float[frames];
  }

  /**
   * Renders a piece.
   *
   * @param piece what to render
   * @return 16-bit frames, left and right in turn, at {@link Synth#RATE}
   */
  public static short[] render(Piece piece) {
    return new PieceSynth(piece).mix();
  }

  private short[] mix() {
    play();
    short[] out = new short[2 * (int) (piece.seconds() * RATE)];
    double level = 5500 * Math.pow(10, -random.nextInt(60) / 100.0);
    for (Recording.Section section : piece.sections()) {
      double[] gains = gains(section.name());
      int to = Math.min((int) (section.end() * RATE), out.length / 2);
      for (int i = (int) (section.start() * RATE); i < to; i++) {
        double fade = Math.min(1, (piece.end() * RATE - i) / 800);
        double middle = drums[i] * gains[0] + bass[i] * gains[1] + chords[i] * gains[2];
        out[2 * i] = squeezed((middle + lead[i] * gains[3] * 0.7) * level * fade);
        out[2 * i + 1] = squeezed((middle + lead[i] * gains[3]) * level * fade);
      }
    }
    return out;
  }

  private static short squeezed(double sample) {
    return (short) (32_000 * Math.tanh(sample / 32_000));
  }

  /** Drums, bass, chords, lead. */
  private double[] gains(String section) {
    double drum = piece.style() == Piece.PieceStyle.SPARSE ? 0.45 : 1;
    return switch (section) {
      case "intro" -> new double[] {0.55 * drum, 0, 0.35, 0};
      case "verse" -> new double[] {0.75 * drum, 0.6, 0.45, 0.35};
      case "drop" -> new double[] {1.25 * drum, 1.2, 0.85, 0.7};
      case "break" -> new double[] {0.15 * drum, 0.25, 0.6, 0.35};
      default -> new double[] {0.6 * drum, 0.5, 0.25, 0};
    };
  }

  private void play() {
    int perBar = piece.style().beats();
    float[] pad = timbre(3 + random.nextInt(5), 0.6 + random.nextDouble());
    float[] low = timbre(2 + random.nextInt(3), 1.2);
    float[] high = timbre(3 + random.nextInt(4), 1);
    int bars = (int) Math.round((piece.end() - piece.leadIn()) / beat / perBar);
    for (int bar = 0; bar < bars; bar++) {
      int degree = steps[bar % steps.length];
      double start = piece.leadIn() + bar * perBar * beat;
      chord(pad, degree, start, perBar);
      bassBar(low, degree, start, perBar);
      leadBar(high, degree, start, perBar);
      drumBar(start, bar);
    }
  }

  private double hertz(int degree, int octave) {
    int[] scale = piece.minor() ? MINOR : MAJOR;
    double semitone = piece.root() + scale[degree % 7] + 12 * (octave + degree / 7) + tuning;
    if (leading && steps[0] == 0 && degree % 7 == 6) {
      semitone++;
    }
    return 32.703 * Math.pow(2, semitone / 12.0);
  }

  private void chord(float[] table, int degree, double start, int perBar) {
    boolean off = piece.style() == Piece.PieceStyle.OFFBEAT;
    for (int third = 0; third < 3; third++) {
      double note = hertz(degree + 2 * third, 3);
      if (off) {
        for (int b = 0; b < perBar; b++) {
          tone(chords, table, start + (b + 0.5) * beat, beat * 0.3, note, 0.5f);
        }
      } else {
        tone(chords, table, start, perBar * beat, note, 0.3f);
      }
    }
  }

  private void bassBar(float[] table, int degree, double start, int perBar) {
    for (int b = 0; b < perBar; b++) {
      boolean fifth = b == perBar - 1 && random.nextInt(4) == 0;
      double note = hertz(degree + (fifth ? 4 : 0), 1);
      double late = piece.style() == Piece.PieceStyle.FLOOR ? beat / 2 : 0;
      if (b == 0 || random.nextInt(4) > 0) {
        tone(bass, table, start + b * beat + late + loose(), beat * 0.5, note, 0.8f);
      }
    }
  }

  private void leadBar(float[] table, int degree, double start, int perBar) {
    for (int half = 0; half < 2 * perBar; half++) {
      if (random.nextInt(3) > 0) {
        int step = random.nextInt(4) == 0 ? random.nextInt(7) : degree + 2 * random.nextInt(3);
        tone(lead, table, start + half * beat / 2 + loose(), beat / 2, hertz(step, 4), 0.35f);
      }
    }
  }

  private void drumBar(double start, int bar) {
    switch (piece.style()) {
      case FLOOR -> {
        hits(start, "KKKK", 1, 'K');
        hits(start, ".S.S", 1, 'S');
        hits(start, ".H.H.H.H", 2, 'H');
      }
      case BACKBEAT -> {
        hits(start, bar % 2 == 0 ? "K...K..." : "K..KK...", 2, 'K');
        hits(start, ".S.S", 1, 'S');
        hits(start, "HHHHHHHH", 2, 'H');
      }
      case BROKEN, FAST_BROKEN -> {
        hits(start, bar % 2 == 0 ? "K.......K.K....." : "K.....K...K.....", 4, 'K');
        hits(start, ".S.S", 1, 'S');
        hits(start, "H.H.H.H.H.HHH.H.", 4, 'H');
      }
      case OFFBEAT -> {
        hits(start, "K.K.", 1, 'K');
        hits(start, ".S.S", 1, 'S');
        hits(start, "H.H.H.H.", 2, 'H');
      }
      case SHUFFLE -> {
        hits(start, "K.K.", 1, 'K');
        hits(start, ".S.S", 1, 'S');
        hits(start, "H.HH.HH.HH.H", 3, 'H');
      }
      case WALTZ -> {
        hits(start, "K..", 1, 'K');
        hits(start, ".SS", 1, 'H');
        hits(start, "H.H.H.", 2, 'H');
      }
      case DROP -> {
        hits(start, "..K.", 1, 'K');
        hits(start, "..S.", 1, 'S');
        hits(start, "HHHHHHHH", 2, 'H');
      }
      case SPARSE -> {
        hits(start, "K.K.", 1, 'K');
        hits(start, "HHHHHHHH", 2, 'H');
      }
    }
  }

  private void hits(double start, String pattern, int perBeat, char drum) {
    for (int i = 0; i < pattern.length(); i++) {
      if (pattern.charAt(i) == '.') {
        continue;
      }
      double at = start + i * beat / perBeat + (i == 0 ? 0 : loose());
      float strong = 0.8f + 0.3f * random.nextFloat();
      switch (drum) {
        case 'K' -> kick(at, strong);
        case 'S' -> noise(at, 0.16, 0.75f * strong, 1);
        default -> noise(at, 0.05, 0.3f * strong, 3);
      }
    }
  }

  private double loose() {
    return looseness * random.nextGaussian();
  }

  private void kick(double at, float strong) {
    int from = Math.max(0, (int) (at * RATE));
    int length = RATE / 5;
    double phase = 0;
    for (int i = 0; i < length && from + i < drums.length; i++) {
      double decay = 1 - (double) i / length;
      phase += 2 * Math.PI * (45 + 130 * decay * decay * decay * decay) / RATE;
      drums[from + i] += (float) (1.5 * strong * decay * decay * Math.sin(phase));
    }
  }

  /** Noise; each roughness takes one more difference of neighbours, which leaves the highs. */
  private void noise(double at, double seconds, float strong, int roughness) {
    int from = Math.max(0, (int) (at * RATE));
    int length = (int) (seconds * RATE);
    float[] last = new float[roughness];
    for (int i = 0; i < length && from + i < drums.length; i++) {
      float decay = 1 - (float) i / length;
      float value = random.nextFloat() * 2 - 1;
      for (int r = 0; r < roughness; r++) {
        float smooth = (value - last[r]) * 0.6f;
        last[r] = value;
        value = smooth;
      }
      drums[from + i] += strong * 1.5f * decay * decay * value;
    }
  }

  private static float[] timbre(int harmonics, double fall) {
    float[] table = new float[TABLE];
    for (int h = 1; h <= harmonics; h++) {
      for (int i = 0; i < TABLE; i++) {
        table[i] += (float) (Math.sin(2 * Math.PI * h * i / TABLE) / Math.pow(h, fall));
      }
    }
    return table;
  }

  private static void tone(
      float[] out, float[] table, double at, double seconds, double hertz, float level) {
    int from = Math.max(0, (int) (at * RATE));
    int length = (int) (seconds * RATE);
    double step = hertz * TABLE / RATE;
    double phase = 0;
    for (int i = 0; i < length && from + i < out.length; i++) {
      float fade = Math.min(1, Math.min(i, length - i) / 300f) * (1 - 0.5f * i / length);
      out[from + i] += table[(int) phase & (TABLE - 1)] * fade * level;
      phase += step;
    }
  }
}
