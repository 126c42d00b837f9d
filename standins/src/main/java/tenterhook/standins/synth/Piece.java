package tenterhook.standins.synth;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/**
 * A made-up piece of more kinds than a {@link Recording}: what measuring is held against.
 * Everything follows from the seed, so that pieces that something was tuned on and pieces that it
 * is judged by can be told apart.
 *
 * @param seed any number
 * @param style how its beat goes
 * @param bpm beats a minute, 68 to 172
 * @param root the tonic, 0 for C to 11 for B
 * @param minor whether the key is minor
 * @param leadIn silence before the first beat, in seconds
 * @param tail silence behind the last sound, in seconds
 * @param sections in order without gaps; the first begins at {@code leadIn}
 */
public record Piece(
    long seed,
    PieceStyle style,
    double bpm,
    int root,
    boolean minor,
    double leadIn,
    double tail,
    List<Recording.Section> sections) {
  /** Copies. */
  public Piece {
    sections = List.copyOf(sections);
  }

  /** How a beat goes. */
  public enum PieceStyle {
    /** A kick on every beat. */
    FLOOR(74, 146, 4),
    /** Kick on one and three, snare on two and four. */
    BACKBEAT(70, 144, 4),
    /** Kicks off the beat between the snares. */
    BROKEN(86, 116, 4),
    /** The same, fast. */
    FAST_BROKEN(158, 172, 4),
    /** Chords on every off-beat. */
    OFFBEAT(80, 148, 4),
    /** Uneven eighths. */
    SHUFFLE(78, 148, 4),
    /** Three beats a bar. */
    WALTZ(90, 158, 3),
    /** All weight on the third beat. */
    DROP(70, 92, 4),
    /** Little more than bass, chords and a shaker. */
    SPARSE(70, 124, 4);

    private final double slowest;
    private final double fastest;
    private final int beats;

    PieceStyle(double slowest, double fastest, int beats) {
      this.slowest = slowest;
      this.fastest = fastest;
      this.beats = beats;
    }

    /** Beats a bar. */
    public int beats() {
      return beats;
    }
  }

  private record PieceSection(String name, double share) {}

  private static final List<List<PieceSection>> FORMS =
      List.of(
          parts("intro", 4, "verse", 8, "drop", 12, "break", 4, "verse", 4, "out", 4),
          parts("intro", 8, "drop", 8, "break", 8, "verse", 8, "out", 4),
          parts("verse", 8, "break", 4, "drop", 16, "out", 4),
          parts("intro", 4, "verse", 12, "break", 4, "drop", 8, "out", 8));

  private static List<PieceSection> parts(Object... namesAndBars) {
    List<PieceSection> parts = new ArrayList<>();
    for (int i = 0; i < namesAndBars.length; i += 2) {
      parts.add(new PieceSection((String) namesAndBars[i], (Integer) namesAndBars[i + 1]));
    }
    return parts;
  }

  /** The piece of a seed. */
  public static Piece of(long seed) {
    Random random = new Random(seed * 6_364_136_223_846_793_005L + 1_442_695_040_888_963_407L);
    PieceStyle style = PieceStyle.values()[random.nextInt(PieceStyle.values().length)];
    double bpm = style.slowest + (style.fastest - style.slowest) * random.nextDouble();
    bpm = Math.round(bpm * 100) / 100.0;
    double bar = style.beats * 60 / bpm;
    double leadIn = random.nextInt(3) == 0 ? 0 : 2 * random.nextDouble();
    List<Recording.Section> sections = new ArrayList<>();
    double at = leadIn;
    for (PieceSection part : FORMS.get(random.nextInt(FORMS.size()))) {
      sections.add(new Recording.Section(part.name, at, at + part.share * bar));
      at = sections.getLast().end();
    }
    double tail = random.nextInt(3) == 0 ? 0 : 3 * random.nextDouble();
    return new Piece(
        seed, style, bpm, random.nextInt(12), random.nextInt(5) > 1, leadIn, tail, sections);
  }

  /** Where the loudest passage is. */
  public Recording.Section loudest() {
    return sections.stream().filter(s -> s.name().equals("drop")).findFirst().orElseThrow();
  }

  /** Where the last sound ends, in seconds. */
  public double end() {
    return sections.getLast().end();
  }

  /** Length in seconds, silence included. */
  public double seconds() {
    return end() + tail;
  }

  /** The key as DJs write it, such as {@code F#m}. */
  public String key() {
    return Recording.keyName(root, minor);
  }
}
