package tenterhook.core.text;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.commons.text.similarity.LevenshteinDistance;

/** Tells whether two spellings name the same thing: an artist, an album, a label, a genre. */
public final class NameKey {
  private static final Map<String, String> SAME =
      Map.of("x", "and", "vs", "and", "ft", "feat", "featuring", "feat", "n", "and");

  private static final LevenshteinDistance ONE_SLIP = new LevenshteinDistance(1);
  private static final LevenshteinDistance TWO_SLIPS = new LevenshteinDistance(2);

  private NameKey() {}

  /**
   * The key that all spellings of one name share: case, accents, punctuation and blanks do not
   * count, nor does the article in front or behind a comma; "&amp;", "x" and "and" are one, and so
   * are "ft." and "featuring".
   *
   * @param name any text
   * @return letters and digits only; empty when the name has none
   */
  public static String of(String name) {
    String text = Fold.fold(name);
    List<String> words = words(text);
    if (words.size() > 1 && words.getFirst().equals("the")) {
      words.removeFirst();
    } else if (words.size() > 1 && words.getLast().equals("the") && text.indexOf(',') >= 0) {
      words.removeLast();
    }
    for (int i = 1; i < words.size() - 1; i++) {
      words.set(i, SAME.getOrDefault(words.get(i), words.get(i)));
    }
    return words.size() == 1 ? words.getFirst() : String.join("", words);
  }

  /**
   * A plainer key for names whose words all count: letters and digits, folded.
   *
   * @param name any text
   * @return empty when the name has neither
   */
  public static String plain(String name) {
    return String.join("", words(Fold.fold(name)));
  }

  /** Runs of letters and figures; "&amp;" and "+" stand for "and", an apostrophe for nothing. */
  private static List<String> words(String text) {
    List<String> words = new ArrayList<>();
    StringBuilder word = new StringBuilder();
    for (int i = 0; i < text.length(); ) {
      int letter = text.codePointAt(i);
      i += Character.charCount(letter);
      if (Character.isLetter(letter) || isNumber(letter)) {
        word.appendCodePoint(letter);
      } else if (letter != '\'') {
        end(word, words);
        if (letter == '&' || letter == '+') {
          words.add("and");
        }
      }
    }
    end(word, words);
    return words;
  }

  private static boolean isNumber(int letter) {
    int type = Character.getType(letter);
    return type == Character.DECIMAL_DIGIT_NUMBER
        || type == Character.LETTER_NUMBER
        || type == Character.OTHER_NUMBER;
  }

  private static void end(StringBuilder word, List<String> words) {
    if (!word.isEmpty()) {
      words.add(word.toString());
      word.setLength(0);
    }
  }

  /**
   * How many letters may be wrong in a name so that it still may be a slip of the finger.
   *
   * @param length of the key
   * @return 0 for short names, 1 from 6 letters, 2 from 16
   */
  public static int slips(int length) {
    return length < 6 ? 0 : length < 16 ? 1 : 2;
  }

  /**
   * Whether two keys differ by a slip of the finger. Figures must be the same: "Mossgrove 9" is not
   * a slip of "Mossgrove 8".
   *
   * @param a a key made by {@link #of}
   * @param b another
   */
  public static boolean near(String a, String b) {
    int allowed = slips(Math.min(a.length(), b.length()));
    return allowed > 0
        && Math.abs(a.length() - b.length()) <= allowed
        && Long.bitCount(letters(a) ^ letters(b)) <= 2 * allowed
        && (allowed == 1 ? ONE_SLIP : TWO_SLIPS).apply(a, b) >= 0
        && figures(a).equals(figures(b));
  }

  /** Which letters occur, as bits; a slip changes two of them at the most. */
  private static long letters(String key) {
    long bits = 0;
    for (int i = 0; i < key.length(); i++) {
      bits |= 1L << (key.charAt(i) & 63);
    }
    return bits;
  }

  private static String figures(String key) {
    return key.chars().anyMatch(Character::isDigit) ? key.replaceAll("\\D+", " ").strip() : "";
  }
}
