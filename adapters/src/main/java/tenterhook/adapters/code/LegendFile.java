package tenterhook.adapters.code;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Locale;
import org.apache.commons.text.StringEscapeUtils;
import tenterhook.adapters.disk.BoundedText;
import tenterhook.adapters.disk.WrittenFiles;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;

/** The legend on disk, by the file's ending: CSV (RFC 4180), Markdown, or one page of HTML. */
public enum LegendFile {
  /** A table, a line a code; can be read back. */
  CSV("csv") {
    @Override
    String text(Codebook codebook, String title) {
      return LegendTable.write(codebook);
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
    return LegendTable.read(text.startsWith("\uFEFF") ? text.substring(1) : text, now);
  }
}
