package tenterhook.adapters.playlist;

import java.io.IOException;
import java.io.StringWriter;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
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
    List<Entry> entries = new ArrayList<>();
    Optional<LocalDate> date = Optional.empty();
    for (Map<String, String> values : CsvTable.rows(text, NAMES, List.of("path", "title"))) {
      Entry entry = entry(values, folder);
      if (!entry.name().isEmpty()) {
        entries.add(entry);
      }
      date = date.isPresent() ? date : PlaylistFile.dateIn(values.getOrDefault("date", ""));
    }
    return new Playlist(title, date, entries);
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
