package tenterhook.core.text;

import java.text.Normalizer;
import java.util.Locale;

/** Makes two spellings of the same text equal for searching: case, accents, width, composition. */
public final class Fold {
  private Fold() {}

  /**
   * Folds a text for comparison: Unicode NFKD, combining marks dropped, lower case, blanks joined.
   * Text that is plain ASCII takes a short way.
   *
   * @param text any text, may be empty
   * @return the folded text, never null; empty for an empty text
   */
  public static String fold(String text) {
    return isAscii(text) ? joinBlanks(text.toLowerCase(Locale.ROOT)) : foldUnicode(text);
  }

  private static String foldUnicode(String text) {
    String apart = Normalizer.normalize(text, Normalizer.Form.NFKD);
    StringBuilder kept = new StringBuilder(apart.length());
    apart
        .codePoints()
        .filter(c -> Character.getType(c) != Character.NON_SPACING_MARK || isKana(c))
        .forEach(kept::appendCodePoint);
    return joinBlanks(kept.toString().toLowerCase(Locale.ROOT).replace("ß", "ss"));
  }

  /** The two voicing marks of kana change the sound, not the accent, and stay. */
  private static boolean isKana(int codePoint) {
    return codePoint == 0x3099 || codePoint == 0x309A;
  }

  private static boolean isAscii(String text) {
    for (int i = 0; i < text.length(); i++) {
      if (text.charAt(i) > 127) {
        return false;
      }
    }
    return true;
  }

  private static String joinBlanks(String text) {
    if (text.indexOf("  ") < 0 && text.indexOf('\t') < 0 && text.indexOf('\n') < 0) {
      return text.strip();
    }
    return text.strip().replaceAll("\\s+", " ");
  }
}
