package tenterhook.adapters.playlist;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.adapters.disk.BoundedText;
import tenterhook.adapters.disk.WrittenFiles;

/**
 * Playlists on disk in open forms: M3U with UTF-8 text, XSPF version 1 and its JSON twin JSPF
 * (xspf.org), and CSV (RFC 4180).
 */
public enum PlaylistFile {
  /** Lines of paths. */
  M3U8(new M3u8(), "m3u8", "m3u"),
  /** XML. */
  XSPF(new Xspf(), "xspf"),
  /** JSON. */
  JSPF(new Jspf(), "jspf"),
  /** A table with a line of headings. */
  CSV(new CsvList(), "csv");

  private static final Pattern DATE = Pattern.compile("(?<!\\d)(\\d{4}-\\d{2}-\\d{2})(?!\\d)");

  /** No list of a person is longer; 100,000 lines take some 15 MB. */
  private static final long MOST = 64L << 20;

  private final Form form;
  private final List<String> endings;

  PlaylistFile(Form form, String... endings) {
    this.form = form;
    this.endings = List.of(endings);
  }

  /** How one form is read and written. */
  interface Form {
    /** The playlist that a text holds; paths in it start from a folder. */
    Playlist read(String text, String title, Path folder) throws IOException;

    /** The text of a playlist. */
    String write(Playlist playlist, Paths paths);
  }

  /** How a file is named in a playlist. */
  @FunctionalInterface
  public interface Paths {
    /** The path to write, with {@code /} between its parts. */
    String of(Path file);

    /** Absolute paths. */
    static Paths absolute() {
      return file -> slashes(file.toAbsolutePath());
    }

    /** Paths from the folder of a playlist; those on another disk stay absolute. */
    static Paths from(Path playlist) {
      Path folder = playlist.toAbsolutePath().getParent();
      return file ->
          folder.getRoot() != null && folder.getRoot().equals(file.getRoot())
              ? slashes(folder.relativize(file))
              : slashes(file);
    }

    /**
     * Paths of another machine, on which a folder has another name; files outside of it stay
     * absolute.
     *
     * @param here the folder on this machine
     * @param there its name there, such as {@code D:/Music}
     */
    static Paths elsewhere(Path here, String there) {
      Path root = here.toAbsolutePath().normalize();
      String other = there.replaceFirst("[/\\\\]+$", "");
      return file ->
          file.toAbsolutePath().startsWith(root)
              ? other + "/" + slashes(root.relativize(file.toAbsolutePath()))
              : slashes(file.toAbsolutePath());
    }

    private static String slashes(Path path) {
      // where a stroke back is a letter of a name like any other, it stays
      return java.io.File.separatorChar == '/'
          ? path.toString()
          : path.toString().replace(java.io.File.separatorChar, '/');
    }
  }

  /** The ending of files of this form, without the dot. */
  public String ending() {
    return endings.getFirst();
  }

  /** The form that a file's ending says. */
  public static Optional<PlaylistFile> of(Path file) {
    String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
    return Arrays.stream(values())
        .filter(f -> f.endings.stream().anyMatch(e -> name.endsWith("." + e)))
        .findFirst();
  }

  /**
   * The form of a name such as {@code xspf}.
   *
   * @throws IllegalArgumentException when there is none, with those that there are
   */
  public static PlaylistFile named(String name) {
    return Arrays.stream(values())
        .filter(f -> f.endings.contains(name.toLowerCase(Locale.ROOT)))
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "playlists are written as m3u8, xspf, jspf or csv, not " + name));
  }

  /**
   * Reads a playlist of any form. The night is the date in the file, or the one in its name.
   *
   * @param source the file
   * @return absolute paths in order; whether a file is there is for the caller to see
   * @throws IOException when it cannot be read or is of no known form; it says which are
   */
  public static Playlist read(Path source) throws IOException {
    PlaylistFile kind =
        of(source)
            .orElseThrow(
                () ->
                    new IOException(
                        source.getFileName()
                            + " is none of the playlists known here: m3u8, m3u, xspf, jspf, csv"));
    String text = BoundedText.read(source, MOST);
    String bare = text.startsWith("\uFEFF") ? text.substring(1) : text;
    String name = source.getFileName().toString().replaceFirst("\\.[^.]+$", "");
    try {
      Playlist read = kind.form.read(bare, name, source.toAbsolutePath().getParent());
      return read.date().isPresent()
          ? read
          : new Playlist(read.title(), dateIn(name), read.entries());
    } catch (IOException broken) {
      throw new IOException(source.getFileName() + ": " + broken.getMessage(), broken);
    }
  }

  /** The first date such as 2026-03-07 in a text. */
  static Optional<LocalDate> dateIn(String text) {
    Matcher found = DATE.matcher(text);
    while (found.find()) {
      try {
        return Optional.of(LocalDate.parse(found.group(1)));
      } catch (java.time.format.DateTimeParseException notADay) {
        continue; // such as 2026-13-45: digits of something else
      }
    }
    return Optional.empty();
  }

  /**
   * Writes a playlist; an older file of the name is replaced only when the new one is complete, and
   * only if the program wrote it.
   *
   * @param target the file
   * @param playlist what to write
   * @param paths how its files are named
   * @throws IOException when the name is taken by what is not the program's, or the disk refuses;
   *     an older file is then as it was
   */
  public void write(Path target, Playlist playlist, Paths paths) throws IOException {
    WrittenFiles.write(target, form.write(playlist, paths));
  }
}
