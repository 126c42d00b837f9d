package tenterhook.backstage.playlist;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Playlists in the M3U form with UTF-8 text. */
public final class M3u8 {
  private M3u8() {}

  /**
   * One line of a playlist.
   *
   * @param file absolute path of the music file
   * @param name "Artist – Title"
   * @param seconds length, or -1 when not known
   */
  public record Entry(Path file, String name, long seconds) {}

  /**
   * Writes a playlist; an older file of the name is replaced only when the new one is complete.
   *
   * @param target the playlist file
   * @param entries in order
   * @param relative whether paths start from the playlist's folder
   */
  public static void write(Path target, List<Entry> entries, boolean relative) throws IOException {
    StringBuilder text = new StringBuilder("#EXTM3U\n");
    Path folder = target.toAbsolutePath().getParent();
    for (Entry entry : entries) {
      Path file = relative ? relative(folder, entry.file()) : entry.file();
      String name = entry.name().replaceAll("[\\r\\n]+", " ");
      text.append(String.format(Locale.ROOT, "#EXTINF:%d,%s%n", entry.seconds(), name));
      text.append(file.toString().replace('\\', '/')).append('\n');
    }
    Files.createDirectories(folder);
    Path part = target.resolveSibling(target.getFileName() + ".part");
    Files.writeString(part, text.toString(), StandardCharsets.UTF_8);
    Files.move(part, target, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
  }

  private static Path relative(Path folder, Path file) {
    return folder.getRoot() != null && folder.getRoot().equals(file.getRoot())
        ? folder.relativize(file)
        : file;
  }

  /**
   * Reads a playlist.
   *
   * @param source the playlist file
   * @return absolute paths in order; whether a file is there is for the caller to see
   */
  public static List<Path> read(Path source) throws IOException {
    Path folder = source.toAbsolutePath().getParent();
    List<Path> files = new ArrayList<>();
    for (String line : Files.readString(source, StandardCharsets.UTF_8).split("\\R")) {
      String path = line.strip();
      if (path.startsWith("\uFEFF")) {
        path = path.substring(1);
      }
      if (!path.isEmpty() && !path.startsWith("#")) {
        files.add(folder.resolve(path).normalize());
      }
    }
    return files;
  }
}
