package tenterhook.adapters.disk;

import java.io.IOException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.stream.Stream;

/**
 * A folder that behaves as a small disk of its own: no file can be linked or renamed into it or out
 * of it, it can be full, and it can be read-only.
 */
public class SimulatedDisk extends FileCalls {
  private static final Set<CallKind> FILLING =
      Set.of(CallKind.COPY, CallKind.WRITE, CallKind.MAKE_FILE, CallKind.MAKE_FOLDER);
  private final Path folder;
  private long size = Long.MAX_VALUE;
  private boolean readOnly;
  private boolean copied;

  /** The disk in a folder, which may be made later. */
  public SimulatedDisk(Path folder) {
    this.folder = folder;
  }

  /** How many bytes there may be on the disk. */
  public final void sized(long bytes) {
    size = bytes;
  }

  /** From now on nothing can be altered on it. */
  public final void readOnly() {
    readOnly = true;
  }

  @Override
  public <E extends Exception> void call(CallKind kind, Path path, Action<E> action)
      throws IOException, E {
    boolean here = kind != CallKind.STORE && isHere(path);
    if (here && readOnly) {
      throw new IOException(path + ": Read-only file system");
    }
    if (kind == CallKind.LINK || kind == CallKind.RENAME && !copied) {
      throw new AtomicMoveNotSupportedException("", path.toString(), "Invalid cross-device link");
    }
    action.run();
    if (kind == CallKind.COPY || kind == CallKind.RENAME) {
      copied = kind == CallKind.COPY;
    }
    if (here && FILLING.contains(kind) && used() > size) {
      cutShort(path);
      throw new IOException(path + ": No space left on device");
    }
  }

  private boolean isHere(Path path) throws IOException {
    Path at = path;
    while (!Files.exists(at)) {
      at = at.getParent();
    }
    Path real = Files.exists(folder) ? folder.toRealPath() : folder;
    return path.startsWith(folder) || at.toRealPath().startsWith(real);
  }

  private long used() throws IOException {
    if (!Files.exists(folder)) {
      return 0;
    }
    try (Stream<Path> files = Files.walk(folder)) {
      return files.mapToLong(f -> f.toFile().isFile() ? f.toFile().length() : 0).sum();
    }
  }

  private static void cutShort(Path path) throws IOException {
    if (Files.isRegularFile(path)) {
      Files.write(path, new byte[0]);
    }
  }
}
