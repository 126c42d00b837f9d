package tenterhook.adapters.playlist;

import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.adapters.playlist.Playlist.Entry;

/** Lines of paths, with length and name in a comment line before each. */
final class M3u8 implements PlaylistFile.Form {
  private static final Pattern LENGTH = Pattern.compile("#EXTINF:\\s*(-?\\d{1,9})[^,]*,(.*)");

  @Override
  public String write(Playlist playlist, PlaylistFile.Paths paths) {
    StringBuilder text = new StringBuilder("#EXTM3U\n");
    for (Entry entry : playlist.entries()) {
      String name = entry.name().replaceAll("[\\r\\n]+", " ");
      text.append("#EXTINF:").append(entry.seconds()).append(',').append(name).append('\n');
      entry.file().ifPresent(file -> text.append(line(paths.of(file))).append('\n'));
    }
    return text.toString();
  }

  /** A path that begins like a comment is said from its folder. */
  private static String line(String path) {
    return path.startsWith("#") ? "./" + path : path;
  }

  @Override
  public Playlist read(String text, String title, Path folder) {
    List<Entry> entries = new ArrayList<>();
    String name = "";
    long seconds = -1;
    for (String line : text.split("\\R")) {
      String path = line.strip();
      Matcher length = LENGTH.matcher(path);
      if (length.matches()) {
        seconds = Long.parseLong(length.group(1));
        name = length.group(2).strip();
      } else if (!path.isEmpty() && !path.startsWith("#")) {
        entries.add(entry(folder, path, name, seconds));
        name = "";
        seconds = -1;
      }
    }
    return new Playlist(title, entries);
  }

  private static Entry entry(Path folder, String path, String name, long seconds) {
    String[] parts = name.split("\\s[–-]\\s", 2);
    String artist = parts.length == 2 ? parts[0] : "";
    return new Entry(file(folder, path), artist, parts[parts.length - 1], "", seconds);
  }

  /** The file of a path; empty when the line is an address or no path at all. */
  static Optional<Path> file(Path folder, String path) {
    try {
      if (path.startsWith("file:") || path.contains("://")) {
        return Xspf.file(folder, path);
      }
      Path file = folder.resolve(path).normalize();
      boolean ofWindows = path.indexOf('\\') >= 0 && !Files.exists(file);
      return Optional.of(ofWindows ? folder.resolve(path.replace('\\', '/')).normalize() : file);
    } catch (InvalidPathException noPath) {
      return Optional.empty();
    }
  }
}
