package tenterhook.adapters.disk;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** In which state this program left the files that it altered last, so that a watch knows them. */
final class OwnWrites {
  private static final int MOST = 20_000;

  private static final Map<Path, Optional<FileIdentity>> LEFT =
      Collections.synchronizedMap(
          new LinkedHashMap<>() {
            @Override
            protected boolean removeEldestEntry(Map.Entry<Path, Optional<FileIdentity>> eldest) {
              return size() > MOST;
            }
          });

  private OwnWrites() {}

  /** Notes a path as the program leaves it, be it without a file. */
  static void note(Path path) {
    LEFT.put(path, now(path));
  }

  /** Whether a path is as this program left it. */
  static boolean asLeft(Path path) {
    Optional<FileIdentity> left = LEFT.get(path);
    return left != null && left.equals(now(path));
  }

  private static Optional<FileIdentity> now(Path path) {
    try {
      return Optional.of(FileIdentity.of(path));
    } catch (IOException none) {
      return Optional.empty();
    }
  }
}
