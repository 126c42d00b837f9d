package tenterhook.adapters.code;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import tenterhook.adapters.playlist.CsvCells;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;

/** The legend as a table of CSV (RFC 4180), which can be read back. */
final class LegendTable {
  private static final String[] HEADS = {
    "facet", "question", "many", "demanded", "code", "meaning", "key", "synonyms", "retired", "rule"
  };

  private LegendTable() {}

  /** The table of a codebook, a line a code. */
  static String write(Codebook codebook) {
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

  /** A codebook with what a table says of its facets and codes. */
  static Codebook read(String table, Codebook now) throws IOException {
    try (CSVParser rows = CSVParser.parse(table, form())) {
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
