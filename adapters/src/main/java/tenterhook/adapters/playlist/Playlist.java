package tenterhook.adapters.playlist;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/**
 * A playlist as a file says it.
 *
 * @param title its name
 * @param date the night it is of, where the file says one
 * @param entries in order
 */
public record Playlist(String title, Optional<LocalDate> date, List<Entry> entries) {
  /** Copies. */
  public Playlist {
    entries = List.copyOf(entries);
  }

  /** A playlist of no night. */
  public Playlist(String title, List<Entry> entries) {
    this(title, Optional.empty(), entries);
  }

  /**
   * One line of a playlist.
   *
   * @param file absolute path of the music file; empty when only names are given
   * @param artist empty when not known
   * @param title empty when not known
   * @param album empty when not known
   * @param seconds length, or -1 when not known
   */
  public record Entry(
      Optional<Path> file, String artist, String title, String album, long seconds) {

    /** A file of which nothing else is known. */
    static Entry of(Path file) {
      return new Entry(Optional.of(file), "", "", "", -1);
    }

    /** "Artist – Title", or the file's name where both are missing. */
    public String name() {
      if (artist.isEmpty() && title.isEmpty()) {
        return file.map(f -> f.getFileName().toString()).orElse("");
      }
      return artist.isEmpty() ? title : artist + SEPARATOR + title;
    }

    /** The same line with another file. */
    public Entry at(Path other) {
      return new Entry(Optional.of(other), artist, title, album, seconds);
    }
  }

  /** What stands between artist and title where a form has but one text for both. */
  static final String SEPARATOR = " – ";
}
