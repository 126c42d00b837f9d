package tenterhook.core.text;

import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.regex.Pattern;

/** Tells in which encoding a text was written that was read in another one. */
public final class CodePages {
  /** The letters of Western Europe, with quotation marks and the like. */
  public static final Charset WESTERN = Charset.forName("windows-1252");

  private static final Charset CYRILLIC = Charset.forName("windows-1251");
  private static final Charset GREEK = Charset.forName("windows-1253");

  /** Accented small letters of Greek are capitals in Cyrillic, in the middle of words. */
  private static final Pattern INNER_CAPITAL = Pattern.compile("\\p{Ll}\\p{Lu}");

  private CodePages() {}

  /**
   * A text in the encoding that it was written in.
   *
   * @param script the name of its letters
   * @param certainty 0 to 100
   */
  public record Reread(Charset charset, String script, String text, int certainty) {}

  /**
   * The script in which the letters are the common ones of its language.
   *
   * @param text read as Western letters
   * @return empty when it may well be Western
   */
  public static Optional<Reread> otherScript(String text) {
    if (!accentsOnly(text)) {
      return Optional.empty();
    }
    String cyrillic = recoded(text, WESTERN, CYRILLIC).orElse("");
    String greek = recoded(text, WESTERN, GREEK).orElse("");
    double russian =
        all(cyrillic, Character.UnicodeScript.CYRILLIC) ? share(cyrillic, "оеаинтсрвлкм") : 0;
    double hellenic = all(greek, Character.UnicodeScript.GREEK) ? share(greek, "αοιετσνηυρπκς") : 0;
    if (Math.max(russian, hellenic) < 0.5) {
      return Optional.empty();
    }
    int certainty = Math.abs(russian - hellenic) < 0.15 ? 75 : 93;
    return Optional.of(
        russian >= hellenic
            ? new Reread(CYRILLIC, "Cyrillic", cyrillic, certainty)
            : new Reread(GREEK, "Greek", greek, certainty));
  }

  private static double share(String text, String common) {
    String plain = Fold.fold(text);
    long letters = plain.chars().filter(Character::isLetter).count();
    if (letters == 0) {
      return 0;
    }
    double share = (double) plain.chars().filter(c -> common.indexOf(c) >= 0).count() / letters;
    return INNER_CAPITAL.matcher(text).find() ? share / 2 : share;
  }

  /** Whether every letter is one with an accent: no language of the West writes so. */
  private static boolean accentsOnly(String text) {
    IntPredicate accented = c -> c >= 0xC0 && c <= 0xFF;
    return text.chars().filter(accented).count() >= 4
        && text.chars().filter(Character::isLetter).allMatch(accented);
  }

  private static boolean all(String text, Character.UnicodeScript script) {
    return !text.isEmpty()
        && text.codePoints()
            .filter(Character::isLetter)
            .allMatch(c -> Character.UnicodeScript.of(c) == script);
  }

  /**
   * A text turned back to bytes and read again.
   *
   * @param back the encoding it was read in
   * @param again the encoding it may have been written in
   * @return empty when either goes with an error, or it is the same text
   */
  public static Optional<String> recoded(String text, Charset back, Charset again) {
    return encoded(text, back)
        .flatMap(bytes -> decoded(bytes, again))
        .filter(read -> !read.equals(text));
  }

  /** The text that bytes stand for in an encoding, if they are without an error in it. */
  public static Optional<String> decoded(byte[] bytes, Charset charset) {
    try {
      return Optional.of(
          charset
              .newDecoder()
              .onMalformedInput(CodingErrorAction.REPORT)
              .onUnmappableCharacter(CodingErrorAction.REPORT)
              .decode(ByteBuffer.wrap(bytes))
              .toString());
    } catch (CharacterCodingException notSo) {
      return Optional.empty();
    }
  }

  /** The bytes of a text in an encoding, if it has all its letters. */
  public static Optional<byte[]> encoded(String text, Charset charset) {
    try {
      ByteBuffer out =
          charset
              .newEncoder()
              .onMalformedInput(CodingErrorAction.REPORT)
              .onUnmappableCharacter(CodingErrorAction.REPORT)
              .encode(CharBuffer.wrap(text));
      byte[] bytes = new byte[out.remaining()];
      out.get(bytes);
      return Optional.of(bytes);
    } catch (CharacterCodingException notSo) {
      return Optional.empty();
    }
  }
}
