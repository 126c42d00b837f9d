package tenterhook.core.gig;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/** Reads wishes as people send them: a line each, numbered or not. */
public final class WishLines {
  /** {@code 3. }, {@code 3) } or a dash or dot in front of a line; a year alone is no number. */
  private static final Pattern NUMBER =
      Pattern.compile("^\\s*(?:\\d{1,3}[.):]\\s*|[-–—*•·]\\s+)(?=\\S)");

  private WishLines() {}

  /**
   * The wishes of a text, each line once.
   *
   * @param text as it was pasted
   * @param by who wishes; may be empty
   */
  public static List<Wish> of(String text, String by) {
    Map<String, Wish> wishes = new LinkedHashMap<>();
    text.lines()
        .map(l -> NUMBER.matcher(l).replaceFirst("").strip())
        .filter(l -> l.codePoints().anyMatch(Character::isLetterOrDigit))
        .forEach(l -> wishes.putIfAbsent(l.toLowerCase(Locale.ROOT), Wish.of(l, by.strip())));
    return List.copyOf(wishes.values());
  }
}
