package tenterhook.core.code;

import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * A short token with a meaning.
 *
 * @param token such as {@code SKA}: 1 to 12 letters, digits, {@code +}, {@code -} or {@code #}
 * @param meaning in the DJ's words, may be empty
 * @param key the key on the desk that gives it, empty where the keyboard's layout decides
 * @param synonyms other tokens that are read as this one
 * @param retired whether it is no longer given, only read
 * @param rule a text of the find language that tells which tracks have it by their data, may be
 *     empty
 */
public record Code(
    String token, String meaning, String key, List<String> synonyms, boolean retired, String rule) {
  private static final Pattern SHAPE = Pattern.compile("[\\p{L}\\p{N}+#-]{1,12}");

  /** Checks the tokens. */
  public Code {
    synonyms = List.copyOf(synonyms);
    Stream.concat(Stream.of(token), synonyms.stream())
        .filter(t -> !SHAPE.matcher(t).matches())
        .findFirst()
        .ifPresent(
            wrong -> {
              throw new IllegalArgumentException(
                  "a code is 1 to 12 letters or digits without blanks, was '" + wrong + "'");
            });
    if (key.length() > 1) {
      throw new IllegalArgumentException("a key is one letter or digit, was '" + key + "'");
    }
  }

  /** A code that nothing else is said of. */
  public Code(String token, String meaning) {
    this(token, meaning, "", List.of(), false, "");
  }

  /** Whether a token means this code, upper and lower case alike. */
  public boolean means(String other) {
    if (token.equalsIgnoreCase(other)) {
      return true;
    }
    for (String synonym : synonyms) {
      if (other.equalsIgnoreCase(synonym)) {
        return true;
      }
    }
    return false;
  }

  /** The same code under another token. */
  public Code named(String other) {
    return new Code(other, meaning, key, synonyms, retired, rule);
  }

  /** The same code with another key on the desk. */
  public Code onKey(String other) {
    return new Code(token, meaning, other, synonyms, retired, rule);
  }

  /** The same code in other words. */
  public Code meaning(String words) {
    return new Code(token, words, key, synonyms, retired, rule);
  }

  /** The same code, given or only read. */
  public Code retired(boolean now) {
    return new Code(token, meaning, key, synonyms, now, rule);
  }

  /** The same code with a rule that derives it; empty for none. */
  public Code by(String text) {
    return new Code(token, meaning, key, synonyms, retired, text);
  }

  /** The same code with other synonyms. */
  public Code alsoRead(List<String> others) {
    return new Code(token, meaning, key, others, retired, rule);
  }
}
