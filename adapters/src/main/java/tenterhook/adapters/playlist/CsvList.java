package tenterhook.adapters.playlist;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import tenterhook.adapters.playlist.Playlist.Entry;

/**
 * A table with a line of headings: {@code artist}, {@code title}, {@code album}, {@code seconds},
 * {@code path} are written; on reading other usual names of them are known too, and {@code date}.
 */
final class CsvList implements PlaylistFile.Form {
  private static final Map<String, String> NAMES =
      Map.ofEntries(
          Map.entry("artist", "artist"),
          Map.entry("creator", "artist"),
          Map.entry("title", "title"),
          Map.entry("track", "title"),
          Map.entry("song", "title"),
          Map.entry("album", "album"),
          Map.entry("seconds", "seconds"),
          Map.entry("path", "path"),
          Map.entry("file", "path"),
          Map.entry("location", "path"),
          Map.entry("date", "date"),
          Map.entry("night", "date"));

  @Override
  public String write(Playlist playlist, PlaylistFile.Paths paths) {
    StringWriter text = new StringWriter();
    try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
      csv.printRecord("artist", "title", "album", "seconds", "path");
      for (Entry e : playlist.entries()) {
        csv.printRecord(
            CsvCells.write(e.artist()),
            CsvCells.write(e.title()),
            CsvCells.write(e.album()),
            e.seconds() < 0 ? "" : e.seconds(),
            CsvCells.write(e.file().map(paths::of).orElse("")));
      }
    } catch (IOException impossible) {
      throw new IllegalStateException("a text takes everything", impossible);
    }
    return text.toString();
  }

  @Override
  public Playlist read(String text, String title, Path folder) throws IOException {
    CSVFormat format = format(text);
    List<Entry> entries = new ArrayList<>();
    Optional<LocalDate> date = Optional.empty();
    try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
      List<String> columns = List.of();
      for (CSVRecord row : parser) {
        if (columns.isEmpty()) {
          columns = columns(row);
        } else {
          Map<String, String> values = values(row, columns);
          Entry entry = entry(values, folder);
          if (!entry.name().isEmpty()) {
            entries.add(entry);
          }
          date = date.isPresent() ? date : PlaylistFile.dateIn(values.getOrDefault("date", ""));
        }
      }
    } catch (java.io.UncheckedIOException broken) {
      throw new IOException("is no whole CSV table: " + broken.getMessage(), broken);
    }
    return new Playlist(title, date, entries);
  }

  private static CSVFormat format(String text) {
    return CSVFormat.RFC4180
        .builder()
        .setIgnoreEmptyLines(true)
        .setDelimiter(separator(text))
        .setTrim(true)
        .get();
  }

  /** The commoner of comma, semicolon and tab in the first line. */
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

  private static List<String> columns(CSVRecord head) throws IOException {
    List<String> columns =
        head.stream().map(c -> NAMES.getOrDefault(c.strip().toLowerCase(Locale.ROOT), "")).toList();
    if (!columns.contains("path") && !columns.contains("title")) {
      throw new IOException(
          "its first line must name its columns: artist and title, or path; it says "
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

  private static Entry entry(Map<String, String> values, Path folder) {
    String seconds = values.getOrDefault("seconds", "");
    return new Entry(
        Optional.of(values.getOrDefault("path", ""))
            .filter(p -> !p.isEmpty())
            .flatMap(p -> M3u8.file(folder, p)),
        values.getOrDefault("artist", ""),
        values.getOrDefault("title", ""),
        values.getOrDefault("album", ""),
        seconds.matches("\\d{1,9}") ? Long.parseLong(seconds) : -1);
  }
}
