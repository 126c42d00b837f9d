package tenterhook.adapters.disk;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;

/** Whether the disk of a folder is there. */
public final class DiskPresence {
  private DiskPresence() {}

  /** Whether a folder is there and has anything in it: an empty one is where a disk would be. */
  public static boolean connected(Path folder) {
    try (Stream<Path> inside = Files.list(folder)) {
      return inside.findAny().isPresent();
    } catch (IOException | UncheckedIOException gone) {
      return false;
    }
  }
}
