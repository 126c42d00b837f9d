package tenterhook.adapters.playlist;

import java.util.regex.Pattern;

/**
 * Cells of CSV tables that a spreadsheet opens: what it would run as a formula gets an apostrophe
 * in front, which it shows as text, and which is taken away again on reading (OWASP, "CSV
 * injection").
 */
public final class CsvCells {
  private static final Pattern RUN = Pattern.compile("'*[=+\\-@\\t\\r＝＋－＠].*", Pattern.DOTALL);
  private static final Pattern GUARDED = Pattern.compile("'+[=+\\-@\\t\\r＝＋－＠].*", Pattern.DOTALL);

  private CsvCells() {}

  /** A value as it is written. */
  public static String write(String value) {
    return RUN.matcher(value).matches() ? "'" + value : value;
  }

  /** A cell as it was before {@link #write}. */
  public static String read(String cell) {
    return GUARDED.matcher(cell).matches() ? cell.substring(1) : cell;
  }
}
