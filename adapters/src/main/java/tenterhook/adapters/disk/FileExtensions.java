package tenterhook.adapters.disk;

import java.nio.file.Path;
import java.util.Locale;
import java.util.Set;

/** What the names of files say about what is in them. */
public final class FileExtensions {
  private static final Set<String> MUSIC =
      Set.of("mp3", "flac", "m4a", "mp4", "ogg", "oga", "opus", "wav", "aif", "aiff", "aifc");

  private FileExtensions() {}

  /** The extension of a file name, lower case, without the dot; empty for none. */
  public static String of(String fileName) {
    int dot = fileName.lastIndexOf('.');
    return dot < 0 ? "" : fileName.substring(dot + 1).toLowerCase(Locale.ROOT);
  }

  /** Whether a file's name says that it holds music; hidden files do not count. */
  public static boolean isMusic(Path file) {
    String name = file.getFileName() == null ? "" : file.getFileName().toString();
    return MUSIC.contains(of(name)) && !name.startsWith(".");
  }
}
