package tenterhook.adapters.playlist;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.text.StringEscapeUtils;
import tenterhook.adapters.disk.WrittenFiles;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;

/** A list of tracks on disk as its table shows it, by the file's ending: CSV, or a page of HTML. */
public enum ListFile {
  /** A table with a line of headings (RFC 4180). */
  TABLE("csv") {
    @Override
    String text(String title, List<Field<?>> fields, Snapshot snapshot, TrackIds ids)
        throws IOException {
      StringBuilder text = new StringBuilder();
      CSVPrinter table = new CSVPrinter(text, CSVFormat.RFC4180);
      table.printRecord(fields.stream().map(Field::label));
      for (int id : ids) {
        table.printRecord(fields.stream().map(f -> CsvCells.write(cell(snapshot, id, f))));
      }
      return text.toString();
    }
  },
  /** One file to print: lines do not break across pages, headings stand on each. */
  PAGE("html") {
    @Override
    String text(String title, List<Field<?>> fields, Snapshot snapshot, TrackIds ids) {
      return page(title, fields, snapshot, ids);
    }
  };

  private static final String STYLE =
      """
      @page { size: A4 landscape; margin: 12mm }
      body { font: 9.5pt/1.3 sans-serif; color: #26221d; margin: 0 auto }
      h1 { font: bold 16pt serif; color: #54402f; margin: 0 0 1mm }
      p { color: #6e6356; margin: 0 0 4mm }
      table { border-collapse: collapse; width: 100% }
      thead { display: table-header-group }
      tr { break-inside: avoid }
      th { text-align: left; border-bottom: 1.5px solid #54402f; padding: 0 2mm 1mm 0 }
      td { border-bottom: 1px solid #d8ccb9; padding: .8mm 2mm .8mm 0; vertical-align: top }
      td:first-child, th:first-child { color: #6e6356; text-align: right }
      """;

  private final String ending;

  ListFile(String ending) {
    this.ending = ending;
  }

  abstract String text(String title, List<Field<?>> fields, Snapshot snapshot, TrackIds ids)
      throws IOException;

  /** The ending of files of this form, without the dot. */
  public String ending() {
    return ending;
  }

  /**
   * Writes a list; an older file of the name is replaced only when the new one is complete.
   *
   * @param target whose ending says the form
   * @param title above the list
   * @param fields the columns
   * @throws IOException when the disk refuses; an older file is then as it was
   * @throws IllegalArgumentException when no form has this ending
   */
  public static void write(
      Path target, String title, List<Field<?>> fields, Snapshot snapshot, TrackIds ids)
      throws IOException {
    String name = target.getFileName().toString().toLowerCase(Locale.ROOT);
    ListFile form =
        Arrays.stream(values())
            .filter(f -> name.endsWith("." + f.ending))
            .findFirst()
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "a list is written as .csv or .html, not " + target.getFileName()));
    WrittenFiles.write(target, form.text(title, fields, snapshot, ids));
  }

  /** Numbers as they are kept, so that a spreadsheet counts with them; other values as shown. */
  private static String cell(Snapshot snapshot, int id, Field<?> field) {
    return field.type().shape() == FieldType.Shape.NUMBER
        ? snapshot.raw(id, field)
        : snapshot.shown(id, field);
  }

  private static String page(String title, List<Field<?>> fields, Snapshot snapshot, TrackIds ids) {
    StringBuilder text = new StringBuilder("<!doctype html>\n<html><head><meta charset=\"utf-8\">");
    text.append("<title>").append(html(title)).append("</title>\n<style>\n").append(STYLE);
    text.append("</style></head>\n<body><h1>").append(html(title)).append("</h1>\n<p>");
    text.append(ids.size()).append(ids.size() == 1 ? " track" : " tracks");
    text.append("</p>\n<table><thead><tr><th></th>");
    fields.forEach(f -> text.append("<th>").append(html(f.label())).append("</th>"));
    text.append("</tr></thead>\n<tbody>\n");
    for (int i = 0; i < ids.size(); i++) {
      int id = ids.at(i);
      text.append("<tr><td>").append(i + 1).append("</td>");
      fields.forEach(f -> text.append("<td>").append(html(snapshot.shown(id, f))).append("</td>"));
      text.append("</tr>\n");
    }
    return text.append("</tbody></table></body></html>\n").toString();
  }

  private static String html(String text) {
    return StringEscapeUtils.escapeHtml4(text);
  }
}
