package tenterhook.standins.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import tenterhook.core.job.Progress;

/** The demo's music, made once for all tests of this module; each takes a copy. */
public final class SharedDemo {
  /** About how many tracks it has; whole albums included. */
  public static final int TRACKS = 120;

  private static Path made;

  private SharedDemo() {}

  /** Copies the music into a folder. */
  public static synchronized void copyTo(Path folder) throws IOException {
    if (made == null) {
      made = Files.createTempDirectory("demo");
      made.toFile().deleteOnExit();
      DemoMusic.make(made, TRACKS, Progress.SILENT);
    }
    List<Path> all;
    try (Stream<Path> files = Files.walk(made)) {
      all = files.toList();
    }
    for (Path from : all) {
      from.toFile().deleteOnExit();
      Path to = folder.resolve(made.relativize(from).toString());
      if (Files.isDirectory(from)) {
        Files.createDirectories(to);
      } else {
        Files.copy(from, to);
      }
    }
  }
}
