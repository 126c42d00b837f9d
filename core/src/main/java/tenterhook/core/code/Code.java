package tenterhook.core.code;

import java.util.regex.Pattern;

/**
 * A short token with a meaning.
 *
 * @param token such as {@code SKA}: 1 to 12 letters, digits, {@code +}, {@code -} or {@code #}
 * @param meaning in the DJ's words, may be empty
 */
public record Code(String token, String meaning) {
  private static final Pattern SHAPE = Pattern.compile("[\\p{L}\\p{N}+#-]{1,12}");

  /** Checks the token. */
  public Code {
    if (!SHAPE.matcher(token).matches()) {
      throw new IllegalArgumentException(
          "a code is 1 to 12 letters or digits without blanks, was '" + token + "'");
    }
  }
}
