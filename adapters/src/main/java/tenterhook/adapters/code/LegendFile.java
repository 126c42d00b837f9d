package tenterhook.adapters.code;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.text.StringEscapeUtils;
import tenterhook.adapters.disk.BoundedText;
import tenterhook.adapters.disk.WrittenFiles;
import tenterhook.adapters.playlist.CsvCells;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;

/** The legend on disk, by the file's ending: CSV (RFC 4180), Markdown, or one page of HTML. */
public enum LegendFile {
  /** A table, a line a code; can be read back. */
  CSV("csv") {
    @Override
    String text(Codebook codebook, String title) {
      return csv(codebook);
    }
  },
  /** Markdown with a table a facet. */
  MARKDOWN("md") {
    @Override
    String text(Codebook codebook, String title) {
      return markdown(codebook, title);
    }
  },
  /** One page to print and keep by the decks. */
  PAGE("html") {
    @Override
    String text(Codebook codebook, String title) {
      return page(codebook, title);
    }
  };

  private static final String[] HEADS = {
    "facet", "question", "many", "demanded", "code", "meaning", "key", "synonyms", "retired", "rule"
  };
  private static final String STYLE =
      """
      @page { size: A4; margin: 14mm }
      body { font: 11pt/1.35 sans-serif; color: #26221d; margin: 0 auto; max-width: 190mm }
      h1 { font: bold 17pt serif; color: #54402f; margin: 0 0 2mm }
      main { columns: 2; column-gap: 10mm }
      section { break-inside: avoid; margin: 0 0 5mm }
      h2 { font-size: 12pt; margin: 0 0 1mm; border-bottom: 1px solid #54402f }
      h2 small { font-weight: normal; color: #6e6356 }
      table { border-collapse: collapse; width: 100% }
      td { padding: .6mm 2mm .6mm 0; vertical-align: top }
      td:first-child { font-family: monospace; font-weight: bold; white-space: nowrap; width: 18mm }
      """;

  private final String ending;

  LegendFile(String ending) {
    this.ending = ending;
  }

  abstract String text(Codebook codebook, String title);

  /** The ending of files of this form, without the dot. */
  public String ending() {
    return ending;
  }

  /**
   * The form of a file by its ending.
   *
   * @throws IllegalArgumentException when there is none, with those that there are
   */
  public static LegendFile of(Path file) {
    String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
    return Arrays.stream(values())
        .filter(f -> name.endsWith("." + f.ending))
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "a codebook is written as .csv, .md or .html, not " + file.getFileName()));
  }

  /**
   * Writes the legend; an older file of the name is replaced only when the new one is complete.
   *
   * @throws IOException when the disk refuses; an older file is then as it was
   */
  public static void write(Path target, Codebook codebook, String title) throws IOException {
    String text = of(target).text(codebook, title);
    WrittenFiles.write(target, text);
  }

  private static String csv(Codebook codebook) {
    StringBuilder text = new StringBuilder();
    try (CSVPrinter rows =
        new CSVPrinter(text, CSVFormat.RFC4180.builder().setHeader(HEADS).get())) {
      for (Facet facet : codebook.facets()) {
        for (Code code : facet.codes()) {
          rows.printRecord(row(facet, code));
        }
      }
    } catch (IOException impossible) {
      throw new IllegalStateException("memory can always be written", impossible);
    }
    return text.toString();
  }

  private static List<String> row(Facet facet, Code code) {
    return List.of(
        CsvCells.write(facet.name()),
        CsvCells.write(facet.question()),
        yes(facet.many()),
        yes(facet.demanded()),
        CsvCells.write(code.token()),
        CsvCells.write(code.meaning()),
        CsvCells.write(code.key()),
        CsvCells.write(String.join(" ", code.synonyms())),
        yes(code.retired()),
        CsvCells.write(code.rule()));
  }

  private static String yes(boolean is) {
    return is ? "yes" : "";
  }

  private static String markdown(Codebook codebook, String title) {
    StringBuilder text = new StringBuilder("# " + title + "\n");
    for (Facet facet : codebook.facets()) {
      text.append("\n## ").append(facet.name()).append("\n\n");
      if (!facet.question().isBlank()) {
        text.append(facet.question()).append("\n\n");
      }
      text.append("| code | meaning |\n|---|---|\n");
      for (Code code : facet.given()) {
        String meaning = code.meaning().replace("|", "\\|");
        text.append("| `").append(code.token()).append("` | ").append(meaning).append(" |\n");
      }
    }
    return text.toString();
  }

  private static String page(Codebook codebook, String title) {
    StringBuilder text = new StringBuilder("<!doctype html>\n<html><head><meta charset=\"utf-8\">");
    text.append("<title>").append(html(title)).append("</title>\n<style>\n").append(STYLE);
    text.append("</style></head>\n<body><h1>").append(html(title)).append("</h1>\n<main>\n");
    for (Facet facet : codebook.facets()) {
      text.append("<section><h2>").append(html(facet.name()));
      text.append(" <small>").append(html(facet.question())).append("</small></h2><table>\n");
      for (Code code : facet.given()) {
        text.append("<tr><td>").append(html(code.token())).append("</td><td>");
        text.append(html(code.meaning())).append("</td></tr>\n");
      }
      text.append("</table></section>\n");
    }
    return text.append("</main></body></html>\n").toString();
  }

  private static String html(String text) {
    return StringEscapeUtils.escapeHtml4(text);
  }

  /**
   * Reads a table that {@link #CSV} wrote or a person made; only {@code facet} and {@code code}
   * must be there. What the table does not name stays in the codebook.
   *
   * @param source a CSV file with a line of headings
   * @param now the codebook that it is added to
   * @return the codebook with the table's facets and codes added or brought up to date
   * @throws IOException when it cannot be read
   * @throws IllegalArgumentException when it is no such table; the message says the line
   */
  public static Codebook read(Path source, Codebook now) throws IOException {
    String text = BoundedText.read(source, 4 << 20);
    CSVFormat form = form();
    String bare = text.startsWith("\uFEFF") ? text.substring(1) : text;
    try (CSVParser rows = CSVParser.parse(bare, form)) {
      if (!rows.getHeaderMap().containsKey("facet") || !rows.getHeaderMap().containsKey("code")) {
        throw new IllegalArgumentException("the first line must name the columns facet and code");
      }
      return with(now, rows);
    }
  }

  private static CSVFormat form() {
    return CSVFormat.RFC4180
        .builder()
        .setHeader()
        .setSkipHeaderRecord(true)
        .setIgnoreHeaderCase(true)
        .setTrim(true)
        .setIgnoreEmptyLines(true)
        .get();
  }

  private static Codebook with(Codebook now, CSVParser rows) {
    Codebook book = now;
    for (CSVRecord row : rows) {
      try {
        book = with(book, row);
      } catch (IllegalArgumentException wrong) {
        throw new IllegalArgumentException(
            "line " + (row.getRecordNumber() + 1) + ": " + wrong.getMessage(), wrong);
      }
    }
    return book;
  }

  private static Codebook with(Codebook book, CSVRecord row) {
    String name = CsvCells.read(row.get("facet"));
    Facet facet =
        book.facet(name).orElse(new Facet(name, "", !row.isMapped("many"), false, List.of()));
    Facet said =
        new Facet(
            facet.name(),
            value(row, "question", facet.question()),
            flag(row, "many", facet.many()),
            flag(row, "demanded", facet.demanded()),
            facet.codes());
    Code code = code(said, row);
    Facet after =
        said.code(code.token()).isPresent() ? said.with(code.token(), c -> code) : said.plus(code);
    return book.facet(name).isPresent() ? book.with(name, f -> after) : book.plus(after);
  }

  private static Code code(Facet said, CSVRecord row) {
    String token = CsvCells.read(row.get("code"));
    Code before = said.code(token).orElse(new Code(token, ""));
    return new Code(
        before.token(),
        value(row, "meaning", before.meaning()),
        value(row, "key", before.key()),
        row.isMapped("synonyms") ? words(row.get("synonyms")) : before.synonyms(),
        flag(row, "retired", before.retired()),
        value(row, "rule", before.rule()));
  }

  private static List<String> words(String cell) {
    return Arrays.stream(CsvCells.read(cell).split("\\s+")).filter(s -> !s.isEmpty()).toList();
  }

  private static String value(CSVRecord row, String column, String otherwise) {
    return row.isMapped(column) && row.isSet(column) ? CsvCells.read(row.get(column)) : otherwise;
  }

  private static boolean flag(CSVRecord row, String column, boolean otherwise) {
    String said = value(row, column, yes(otherwise)).toLowerCase(Locale.ROOT);
    return said.equals("yes") || said.equals("true") || said.equals("1") || said.equals("x");
  }
}
