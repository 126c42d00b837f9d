package tenterhook.standins.synth;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/**
 * What is known of a synthesised recording before a sample of it is made.
 *
 * @param seed everything else follows from it
 * @param bpm 70 to 160
 * @param root the key's note, 0 for C to 11 for B
 * @param minor whether the key is minor
 * @param gainDb level below full scale, 0 or less
 * @param sections in order, without gaps
 */
public record Recording(
    long seed, double bpm, int root, boolean minor, double gainDb, List<Section> sections) {
  private static final String[] NOTES = {
    "C", "Db", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"
  };

  /** Checks and copies. */
  public Recording {
    if (bpm < 70 || bpm > 160 || root < 0 || root > 11 || gainDb > 0) {
      throw new IllegalArgumentException("bpm " + bpm + ", root " + root + ", gain " + gainDb);
    }
    sections = List.copyOf(sections);
  }

  /**
   * A part of a recording.
   *
   * @param name intro, verse, drop, break or out
   * @param start in seconds
   * @param end in seconds
   */
  public record Section(String name, double start, double end) {}

  /**
   * A recording by its seed.
   *
   * @param seed any number
   * @param bpm 70 to 160
   */
  public static Recording of(long seed, double bpm) {
    Random random = new Random(seed * 7919 + 17);
    double bar = 240 / bpm;
    double wish = 12 + 9 * Math.pow(random.nextDouble(), 3);
    int bars = Math.max(5, (int) Math.ceil(wish / bar));
    int[] shares = {1, Math.max(1, bars / 4), Math.max(1, bars / 3), 1, 0};
    shares[4] = Math.max(1, bars - shares[0] - shares[1] - shares[2] - shares[3]);
    String[] names = {"intro", "verse", "drop", "break", "out"};
    List<Section> sections = new ArrayList<>();
    double at = 0;
    for (int i = 0; i < names.length; i++) {
      sections.add(new Section(names[i], at, at + shares[i] * bar));
      at += shares[i] * bar;
    }
    double gain = -1 - Math.floor(random.nextDouble() * 100) / 10;
    return new Recording(seed, bpm, random.nextInt(12), random.nextInt(3) > 0, gain, sections);
  }

  /** Length in seconds. */
  public double seconds() {
    return sections.getLast().end();
  }

  /** The key as DJs write it, such as {@code F#m}. */
  public String key() {
    return keyName(root, minor);
  }

  static String keyName(int root, boolean minor) {
    return NOTES[root] + (minor ? "m" : "");
  }
}
