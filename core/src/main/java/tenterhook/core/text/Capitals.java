package tenterhook.core.text;

import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Capitals by rule: English titles have one on every word but the small ones; titles with accents
 * or in another script have one on the first word only, as most languages write them; names of
 * people and groups have one on every word but particles.
 */
public final class Capitals {
  private static final Set<String> SMALL =
      Set.of(
          "a", "an", "the", "and", "or", "but", "nor", "of", "in", "on", "at", "to", "for", "by",
          "with", "from", "as", "vs", "feat", "ft");

  /** Small words in names of people, of several languages. */
  private static final Set<String> PARTICLES =
      Set.of(
          "and", "of", "the", "with", "feat", "ft", "vs", "y", "e", "et", "und", "och", "og", "i",
          "de", "del", "la", "le", "les", "du", "des", "da", "do", "dos", "das", "di", "della",
          "von", "van", "der", "den", "zu", "af", "av", "ten", "ter");

  private static final Set<String> INITIALS =
      Set.of(
          "dj", "mc", "uk", "usa", "us", "tv", "ep", "lp", "ok", "cd", "fm", "am", "pm", "diy",
          "vip", "bpm", "hifi", "ufo", "sos", "aka");
  private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{M}\\p{N}'’]+");
  private static final Pattern ROMAN = Pattern.compile("(?=[xvi])x{0,3}(ix|iv|v?i{0,3})");

  private Capitals() {}

  /** Whether a text has letters and all of them that can be are capitals. */
  public static boolean allUpper(String text) {
    return cased(text) && text.equals(text.toUpperCase(Locale.ROOT));
  }

  /** Whether a text has letters and none of them is a capital. */
  public static boolean allLower(String text) {
    return cased(text) && text.equals(text.toLowerCase(Locale.ROOT));
  }

  private static boolean cased(String text) {
    return text.chars().anyMatch(c -> Character.isUpperCase(c) || Character.isLowerCase(c));
  }

  /** Whether a word is written in capitals by rule: initials and roman numbers. */
  public static boolean initials(String word) {
    String lower = word.toLowerCase(Locale.ROOT);
    return INITIALS.contains(lower) || lower.length() > 1 && ROMAN.matcher(lower).matches();
  }

  /**
   * The text with the capitals that it should have.
   *
   * @param text any text
   * @return the same letters, upper and lower case set by rule
   */
  public static String proper(String text) {
    return proper(text, text.chars().allMatch(c -> c < 128) ? SMALL : null);
  }

  /**
   * The name of a person or a group with the capitals that it should have.
   *
   * @param text a name in any language
   * @return the same letters; every word but particles begins with a capital
   */
  public static String properName(String text) {
    return proper(text, text.chars().allMatch(c -> c < 128) ? SMALL : PARTICLES);
  }

  /** With a capital on every word but these, or on the first word only when there are none. */
  private static String proper(String text, @Nullable Set<String> small) {
    String lower = text.toLowerCase(Locale.ROOT);
    StringBuilder out = new StringBuilder();
    Matcher word = WORD.matcher(lower);
    int from = 0;
    while (word.find()) {
      String between = lower.substring(from, word.start());
      boolean opens = from == 0 || between.matches(".*[-–—:(\\[/\"“].*");
      boolean last = word.end() == lower.length();
      out.append(between).append(one(word.group(), small, opens, opens || last));
      from = word.end();
    }
    return out.append(lower.substring(from)).toString();
  }

  private static String one(String word, @Nullable Set<String> small, boolean opens, boolean edge) {
    if (initials(word) || word.equals("i")) {
      return word.toUpperCase(Locale.ROOT);
    }
    boolean capital = small == null ? opens : edge || !small.contains(word);
    int first = word.codePointAt(0);
    return capital
        ? Character.toString(Character.toTitleCase(first))
            + word.substring(Character.charCount(first))
        : word;
  }
}
