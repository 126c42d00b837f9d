package tenterhook.adapters.execution;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** Takes folders away that hold no file, and makes them again. */
public final class EmptyFolders {
  private EmptyFolders() {}

  /**
   * Takes empty folders away, and those below them. A folder that holds a file or a link by now
   * stays.
   *
   * @return the folders that are gone, so that {@link #putBack} can make them again
   */
  public static List<Path> remove(List<Path> folders) throws IOException {
    List<Path> gone = new ArrayList<>();
    for (Path folder : folders) {
      List<Path> deepestFirst;
      try (Stream<Path> below = Files.walk(folder)) {
        deepestFirst = below.sorted(Comparator.reverseOrder()).toList();
      }
      if (deepestFirst.stream().allMatch(f -> Files.isDirectory(f, LinkOption.NOFOLLOW_LINKS))) {
        for (Path one : deepestFirst) {
          Files.delete(one); // refuses a folder that is not empty
          gone.add(one);
        }
      }
    }
    return gone;
  }

  /** Makes folders again that {@link #remove} took away. */
  public static void putBack(List<Path> gone) throws IOException {
    for (Path folder : gone) {
      Files.createDirectories(folder);
    }
  }
}
