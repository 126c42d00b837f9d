package tenterhook.adapters.playlist;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * Reads CSV tables (RFC 4180) whose first line names the columns. The separator is the commonest of
 * comma, semicolon and tab in that line.
 */
public final class CsvTable {
  private CsvTable() {}

  /**
   * The rows of a table.
   *
   * @param text with or without a byte order mark
   * @param names which columns are wanted: the name that a table may use, in lower case, to the one
   *     that the rows get
   * @param needed the first line must name at least one of these
   * @return a value by name for each row; the first column of a name counts
   * @throws IOException when the columns are not named or the table is not whole
   */
  public static List<Map<String, String>> rows(
      String text, Map<String, String> names, List<String> needed) throws IOException {
    String bare = text.startsWith("\uFEFF") ? text.substring(1) : text;
    List<Map<String, String>> rows = new ArrayList<>();
    try (CSVParser parser = CSVParser.parse(new StringReader(bare), format(bare))) {
      List<String> columns = List.of();
      for (CSVRecord row : parser) {
        if (columns.isEmpty()) {
          columns = columns(row, names, needed);
        } else {
          rows.add(values(row, columns));
        }
      }
    } catch (java.io.UncheckedIOException broken) {
      throw new IOException("is no whole CSV table: " + broken.getMessage(), broken);
    }
    return rows;
  }

  private static CSVFormat format(String text) {
    return CSVFormat.RFC4180
        .builder()
        .setIgnoreEmptyLines(true)
        .setDelimiter(separator(text))
        .setTrim(true)
        .get();
  }

  private static char separator(String text) {
    String head = text.lines().findFirst().orElse("");
    char best = ',';
    for (char other : new char[] {';', '\t'}) {
      if (count(head, other) > count(head, best)) {
        best = other;
      }
    }
    return best;
  }

  private static long count(String text, char letter) {
    return text.chars().filter(c -> c == letter).count();
  }

  private static List<String> columns(
      CSVRecord head, Map<String, String> names, List<String> needed) throws IOException {
    List<String> columns =
        head.stream().map(c -> names.getOrDefault(c.strip().toLowerCase(Locale.ROOT), "")).toList();
    if (needed.stream().noneMatch(columns::contains)) {
      throw new IOException(
          "its first line must name its columns: artist and title"
              + (needed.contains("path") ? ", or path" : "")
              + "; it says "
              + String.join(", ", head));
    }
    return columns;
  }

  private static Map<String, String> values(CSVRecord row, List<String> columns) {
    Map<String, String> values = new HashMap<>();
    for (int i = 0; i < Math.min(row.size(), columns.size()); i++) {
      values.putIfAbsent(columns.get(i), CsvCells.read(row.get(i)));
    }
    return values;
  }
}
