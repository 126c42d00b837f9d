package tenterhook.core.text;

import java.util.regex.Pattern;

/** Text that programs leave in comments, beside what people write. */
public final class MachineText {
  /** Groups of hexadecimal digits, such as programs keep their measurements in. */
  public static final Pattern FIGURES =
      Pattern.compile("(?:\\s*\\b[0-9A-Fa-f]{8}\\b){4,}|\\b[0-9A-Fa-f]{32,}\\b");

  /** Words on what made the file. */
  public static final Pattern PROGRAMS =
      Pattern.compile(
          "(?i)\\b(?:ripped|encoded|converted|tagged|created|processed|transcoded)"
              + "\\s+(?:by|with|using)\\s+[\\w .-]{2,40}?(?=$|[/|\\n\\x00])");

  private static final Pattern ENCODER =
      Pattern.compile("(?i)\\s*(?:lame|lav[cf]|lib\\w+|\\w*enc(?:oder)?)\\W*v?\\d[\\w. -]*");

  private MachineText() {}

  /** Whether nothing of a text was written by a person. */
  public static boolean isAll(String text) {
    return !text.isBlank()
        && (ENCODER.matcher(text).matches()
            || PROGRAMS.matcher(FIGURES.matcher(text).replaceAll(" ")).replaceAll(" ").isBlank());
  }
}
