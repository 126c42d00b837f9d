package tenterhook.adapters.disk;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * How the collection writes down where a file lies below a folder: the names as the system has
 * them, with {@code /} between. A name is never altered: on systems where {@code \} is a letter
 * like any other it stays one.
 */
public final class RelativePaths {
  private RelativePaths() {}

  /**
   * The path of a file below a folder; empty for the folder itself.
   *
   * @throws IllegalArgumentException when it is not below it
   */
  public static String below(Path folder, Path file) {
    if (!file.startsWith(folder)) {
      throw new IllegalArgumentException(file + " is not below " + folder);
    }
    List<String> names = new ArrayList<>();
    for (int i = folder.getNameCount(); i < file.getNameCount(); i++) {
      names.add(file.getName(i).toString());
    }
    return String.join("/", names);
  }

  /**
   * Whether a path can be written down as text and be found again by it. It cannot where a name is
   * no text of the system's encoding.
   */
  public static boolean lasting(Path path) {
    try {
      return path.equals(path.getFileSystem().getPath(path.toString()));
    } catch (InvalidPathException noText) {
      return false;
    }
  }

  /** Whether this program, as it was started, can name every file of the system. */
  public static boolean allNamesReadable() {
    String encoding = System.getProperty("sun.jnu.encoding", "UTF-8");
    return System.getProperty("os.name").startsWith("Windows")
        || Charset.forName(encoding).equals(StandardCharsets.UTF_8);
  }

  /** The folders that lie in none of the others, or what is left of one that is gone. */
  public static List<Path> highest(Set<Path> folders) {
    List<Path> found = new ArrayList<>();
    for (Path folder : folders) {
      Path there = folder;
      while (!Files.isDirectory(there) && there.getParent() != null) {
        there = there.getParent();
      }
      Path mine = there;
      if (found.stream().noneMatch(mine::startsWith)) {
        found.removeIf(f -> f.startsWith(mine));
        found.add(mine);
      }
    }
    return found;
  }
}
