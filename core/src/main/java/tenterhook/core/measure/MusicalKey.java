package tenterhook.core.measure;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One of the 24 keys.
 *
 * @param root the tonic, 0 for C to 11 for B
 * @param minor minor, else major
 */
public record MusicalKey(int root, boolean minor) {
  private static final String[] NAMES = {
    "C", "Db", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"
  };
  private static final int[] LETTERS = {9, 11, 0, 2, 4, 5, 7};
  private static final Pattern NOTE =
      Pattern.compile(
          "([A-Ha-h])\\s*(#|♯|sharp|b|♭|flat)?\\s*(m|min|minor|moll|maj|major|dur)?",
          Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);
  private static final Pattern WHEEL = Pattern.compile("(\\d{1,2}) (major|minor)");

  /** Checks. */
  public MusicalKey {
    if (root < 0 || root > 11) {
      throw new IllegalArgumentException("root " + root + " is not from 0 to 11");
    }
  }

  /**
   * Reads a key: a note name such as {@code F#m}, {@code Gb minor}, {@code H moll}, or a wheel
   * number such as {@code 3 minor}.
   *
   * @return empty for anything else
   */
  public static Optional<MusicalKey> parse(String text) {
    String plain = text.strip();
    Matcher wheel = WHEEL.matcher(plain.toLowerCase(Locale.ROOT));
    if (wheel.matches()) {
      int number = Integer.parseInt(wheel.group(1));
      boolean minor = wheel.group(2).equals("minor");
      return number < 1 || number > 12
          ? Optional.empty()
          : Optional.of(new MusicalKey((number * 7 + (minor ? 9 : 0)) % 12, minor));
    }
    Matcher note = NOTE.matcher(plain);
    if (!note.matches()) {
      return Optional.empty();
    }
    char letter = Character.toUpperCase(note.group(1).charAt(0));
    int root = letter == 'H' ? 11 : LETTERS[letter - 'A'];
    String sign = note.group(2) == null ? "" : note.group(2).toLowerCase(Locale.ROOT);
    root +=
        sign.isEmpty()
            ? 0
            : sign.startsWith("b") || sign.equals("♭") || sign.equals("flat") ? -1 : 1;
    String mode = note.group(3) == null ? "" : note.group(3);
    boolean minor = mode.equals("m") || mode.toLowerCase(Locale.ROOT).matches("min|minor|moll");
    return Optional.of(new MusicalKey(Math.floorMod(root, 12), minor));
  }

  /** The name of the tonic, with {@code m} behind it for minor: {@code F#m}. */
  public String name() {
    return NAMES[root] + (minor ? "m" : "");
  }

  /**
   * The place on the circle of fifths: how many fifths above C the major key of these notes is, 12
   * for C itself. That is the number of sharps in the signature: G is 1, D 2, and B minor, with the
   * same notes as D, 2 as well.
   */
  public int fifths() {
    int major = minor ? (root + 3) % 12 : root;
    int fifths = major * 7 % 12;
    return fifths == 0 ? 12 : fifths;
  }

  /** The wheel number with the mode: {@code 3 minor}. */
  public String wheel() {
    return fifths() + (minor ? " minor" : " major");
  }

  /** How two keys stand to one another. */
  public enum Relation {
    /** The same key. */
    SAME,
    /** The relative key: the same notes, the other mode. */
    RELATIVE,
    /** One fifth up, the same mode. */
    FIFTH_UP,
    /** One fifth down, the same mode. */
    FIFTH_DOWN,
    /** None of these. */
    FAR
  }

  /** How another key stands to this one. */
  public Relation relation(MusicalKey other) {
    int steps = Math.floorMod(other.fifths() - fifths(), 12);
    if (minor != other.minor) {
      return steps == 0 ? Relation.RELATIVE : Relation.FAR;
    }
    return switch (steps) {
      case 0 -> Relation.SAME;
      case 1 -> Relation.FIFTH_UP;
      case 11 -> Relation.FIFTH_DOWN;
      default -> Relation.FAR;
    };
  }
}
