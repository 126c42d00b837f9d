package tenterhook.core.text;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.apache.commons.text.similarity.LevenshteinDistance;

/** Tells whether two spellings name the same thing: an artist, an album, a label, a genre. */
public final class NameKey {
  private static final Pattern APART = Pattern.compile("[^\\p{L}\\p{N}]+");
  private static final Map<String, String> SAME =
      Map.of("x", "and", "vs", "and", "ft", "feat", "featuring", "feat", "n", "and");

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
    String text = Fold.fold(name).replace("&", " and ").replace("+", " and ").replace("'", "");
    List<String> words = new ArrayList<>(Arrays.asList(APART.split(text.strip())));
    words.removeIf(String::isEmpty);
    if (words.size() > 1 && words.getFirst().equals("the")) {
      words.removeFirst();
    } else if (words.size() > 1 && words.getLast().equals("the") && text.contains(",")) {
      words.removeLast();
    }
    for (int i = 1; i < words.size() - 1; i++) {
      words.set(i, SAME.getOrDefault(words.get(i), words.get(i)));
    }
    return String.join("", words);
  }

  /**
   * How many letters may be wrong in a name so that it still may be a slip of the finger.
   *
   * @param length of the key
   * @return 0 for short names, 1 from 6 letters, 2 from 12
   */
  public static int slips(int length) {
    return length < 6 ? 0 : length < 12 ? 1 : 2;
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
        && figures(a).equals(figures(b))
        && new LevenshteinDistance(allowed).apply(a, b) >= 0;
  }

  private static String figures(String key) {
    return key.chars().anyMatch(Character::isDigit) ? key.replaceAll("\\D+", " ").strip() : "";
  }
}
