package tenterhook.adapters.catalogue;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.adapters.disk.BoundedText;
import tenterhook.adapters.disk.FileExtensions;
import tenterhook.adapters.disk.MusicWalk;
import tenterhook.adapters.playlist.CsvTable;
import tenterhook.adapters.playlist.Playlist;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.adapters.tagfile.ArtworkImages;
import tenterhook.adapters.tagfile.Reading;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.catalogue.Catalogue;
import tenterhook.core.catalogue.CatalogueBook;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.numbers.Years;

/**
 * Catalogues that are files: JSON in the form of the service's answers, a CSV table, a playlist
 * (XSPF, JSPF, M3U8), or a folder of tagged music. They are only read, never written.
 */
public final class CatalogueFiles {
  private static final ObjectMapper JSON = new ObjectMapper();

  /** 64 MB hold some 300,000 recordings. */
  private static final long MOST = 64L << 20;

  private static final Pattern CLOCK = Pattern.compile("(?:(\\d{1,2}):)?(\\d{1,3}):(\\d{2})");

  private static final Map<String, String> COLUMNS =
      Map.ofEntries(
          Map.entry("id", "id"),
          Map.entry("artist", "artist"),
          Map.entry("creator", "artist"),
          Map.entry("title", "title"),
          Map.entry("song", "title"),
          Map.entry("album", "album"),
          Map.entry("release", "album"),
          Map.entry("year", "year"),
          Map.entry("date", "year"),
          Map.entry("genre", "genre"),
          Map.entry("track", "track"),
          Map.entry("number", "track"),
          Map.entry("tracktotal", "trackTotal"),
          Map.entry("track total", "trackTotal"),
          Map.entry("seconds", "seconds"),
          Map.entry("length", "seconds"),
          Map.entry("duration", "seconds"),
          Map.entry("artwork", "artwork"),
          Map.entry("cover", "artwork"));

  private CatalogueFiles() {}

  /**
   * What a file or folder held.
   *
   * @param entries each with artist and title
   * @param unusable how many lines or files have no artist or no title, or cannot be read
   */
  public record Held(List<CatalogueEntry> entries, int unusable) {
    /** Copies. */
    public Held {
      entries = List.copyOf(entries);
    }
  }

  /** A catalogue of what was read, with the covers that it names. */
  static Catalogue catalogue(Held held) {
    CatalogueBook book = CatalogueBook.of(held.entries());
    Set<String> covers = new HashSet<>();
    book.entries().forEach(e -> covers.add(e.artwork()));
    return new Catalogue() {
      @Override
      public List<CatalogueEntry> search(List<String> words) {
        return book.search(words);
      }

      @Override
      public List<CatalogueEntry> album(String album, String artist) {
        return book.album(album, artist);
      }

      @Override
      public Optional<byte[]> artwork(CatalogueEntry entry) throws Unanswered {
        boolean mine = !entry.artwork().isEmpty() && covers.contains(entry.artwork());
        return mine ? cover(Path.of(entry.artwork())) : Optional.empty();
      }
    };
  }

  /** The picture in a music file, or the picture that a file is. */
  private static Optional<byte[]> cover(Path file) throws Catalogue.Unanswered {
    try {
      return FileExtensions.isMusic(file)
          ? TagFiles.picture(file)
          : Optional.of(BoundedText.bytes(file, ArtworkImages.MOST_BYTES));
    } catch (IOException | Unreadable gone) {
      throw new Catalogue.Unanswered(
          "the cover " + file + " cannot be read: " + gone.getMessage() + "; it is left out");
    }
  }

  /**
   * Reads a catalogue.
   *
   * @param source a file of one of the forms above, or a folder
   * @param progress told of the files of a folder; a stop leaves out the rest
   * @throws IOException when it is not there, is of no known form or is damaged; it says which file
   */
  public static Held read(Path source, Progress progress) throws IOException {
    if (Files.isDirectory(source)) {
      return folder(source, progress);
    }
    String name = source.getFileName().toString().toLowerCase(Locale.ROOT);
    try {
      if (name.endsWith(".json")) {
        return json(BoundedText.read(source, MOST), source);
      }
      if (name.endsWith(".csv")) {
        return rows(
            CsvTable.rows(BoundedText.read(source, MOST), COLUMNS, List.of("title")), source);
      }
    } catch (IOException broken) {
      throw broken instanceof java.nio.file.FileSystemException
          ? broken
          : new IOException(source.getFileName() + " " + broken.getMessage(), broken);
    }
    if (PlaylistFile.of(source).isEmpty()) {
      throw new IOException(
          source.getFileName()
              + " is no catalogue known here: json, csv, xspf, jspf, m3u8, or a folder of music");
    }
    return playlist(PlaylistFile.read(source));
  }

  private static Held json(String text, Path source) throws IOException {
    JsonNode root;
    try {
      root = JSON.readTree(text);
    } catch (JsonProcessingException broken) {
      throw new IOException(
          "is no whole JSON text: line "
              + (broken.getLocation() == null ? "1" : broken.getLocation().getLineNr()),
          broken);
    }
    JsonNode list = root.isArray() ? root : root.path("entries");
    if (!list.isArray()) {
      throw new IOException("holds no list \"entries\"; docs/catalogue.md shows the form");
    }
    Collected collected = new Collected();
    for (JsonNode one : list) {
      try {
        CatalogueEntry entry = CatalogueJson.read(one, "f" + collected.seen);
        collected.add(entry.withArtwork(beside(source, entry.artwork())));
      } catch (IllegalArgumentException negative) {
        collected.leaveOut();
      }
    }
    return collected.held();
  }

  private static Held rows(List<Map<String, String>> rows, Path source) {
    Collected collected = new Collected();
    for (Map<String, String> row : rows) {
      String id = row.getOrDefault("id", "");
      collected.add(
          new CatalogueEntry(
              id.isBlank() ? "f" + collected.seen : id,
              row.getOrDefault("artist", ""),
              row.getOrDefault("title", ""),
              row.getOrDefault("album", ""),
              year(row.getOrDefault("year", "")),
              row.getOrDefault("genre", ""),
              number(row.getOrDefault("track", "")),
              number(row.getOrDefault("trackTotal", "")),
              seconds(row.getOrDefault("seconds", "")),
              beside(source, row.getOrDefault("artwork", ""))));
    }
    return collected.held();
  }

  /** The path of a picture that a file names; only what lies beside it or below. */
  private static String beside(Path source, String picture) {
    try {
      Path folder = source.toAbsolutePath().normalize().getParent();
      Path path = folder.resolve(picture).normalize();
      return picture.isBlank() || !path.startsWith(folder) ? "" : path.toString();
    } catch (InvalidPathException none) {
      return "";
    }
  }

  private static Held playlist(Playlist playlist) {
    Collected collected = new Collected();
    for (Playlist.Entry line : playlist.entries()) {
      collected.add(
          new CatalogueEntry(
              "f" + collected.seen,
              line.artist(),
              line.title(),
              line.album(),
              0,
              "",
              0,
              0,
              Math.max(0, line.seconds())));
    }
    return collected.held();
  }

  private static Held folder(Path folder, Progress progress) throws IOException {
    List<MusicWalk.Found> files = MusicWalk.walk(folder, progress).files();
    Collected collected = new Collected();
    for (MusicWalk.Found file : files) {
      if (progress.stopped()) {
        break;
      }
      progress.at(collected.seen, files.size(), file.path().getFileName().toString());
      try {
        collected.add(entry("f" + collected.seen, file.path()));
      } catch (Unreadable damaged) {
        collected.leaveOut();
      }
    }
    return collected.held();
  }

  private static CatalogueEntry entry(String id, Path file) throws Unreadable {
    Reading reading = TagFiles.read(file);
    return new CatalogueEntry(
        id,
        reading.raw(Fields.ARTIST),
        reading.raw(Fields.TITLE),
        reading.raw(Fields.ALBUM),
        number(reading, Fields.YEAR),
        reading.raw(Fields.GENRE),
        number(reading, Fields.TRACK),
        number(reading, Fields.TRACK_TOTAL),
        Fields.DURATION.type().parse(reading.raw(Fields.DURATION)).orElse(0.0),
        reading.raw(Fields.ARTWORK).isEmpty() ? "" : file.toString());
  }

  private static int number(Reading reading, Field<Integer> field) {
    return Math.max(0, field.type().parse(reading.raw(field)).orElse(0));
  }

  /** The year that a date of any form names; 0 for none. */
  private static int year(String text) {
    return Fields.YEAR.type().parse(text).or(() -> Years.dates(text).findFirst()).orElse(0);
  }

  /** A number, alone or before its total, as in {@code 3/12}; 0 for none. */
  private static int number(String text) {
    return Fields.TRACK.type().parse(text.split("/", 2)[0]).orElse(0);
  }

  /** Seconds, or minutes and seconds such as {@code 3:25}; 0 for what is neither. */
  private static double seconds(String text) {
    Matcher clock = CLOCK.matcher(text.strip());
    if (!clock.matches()) {
      return Fields.DURATION.type().parse(text).orElse(0.0);
    }
    int hours = clock.group(1) == null ? 0 : Integer.parseInt(clock.group(1));
    int minutes = Integer.parseInt(clock.group(2));
    return (hours * 60 + minutes) * 60 + Integer.parseInt(clock.group(3));
  }

  /** Takes what can be looked up and counts what cannot. */
  private static final class Collected {
    private final List<CatalogueEntry> entries = new ArrayList<>();
    private int seen;

    private void add(CatalogueEntry entry) {
      seen++;
      if (!entry.artist().isBlank() && !entry.title().isBlank()) {
        entries.add(entry);
      }
    }

    private void leaveOut() {
      seen++;
    }

    private Held held() {
      return new Held(entries, seen - entries.size());
    }
  }
}
