package tenterhook.adapters.execution;

import java.awt.Desktop;
import java.awt.GraphicsEnvironment;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/** Takes files that are no longer wanted. */
@FunctionalInterface
public interface Bin {
  /**
   * Takes one file away for good, or to where the system keeps what was thrown away.
   *
   * @throws IOException when the file is still there
   */
  void take(Path file) throws IOException;

  /** The system's bin; where there is none, files are deleted. */
  static Bin systemOrDelete() {
    return ofSystem().orElse(Files::delete);
  }

  /** The system's bin, or none where there is no desktop. */
  static Optional<Bin> ofSystem() {
    if (GraphicsEnvironment.isHeadless()
        || !Desktop.isDesktopSupported()
        || !Desktop.getDesktop().isSupported(Desktop.Action.MOVE_TO_TRASH)) {
      return Optional.empty();
    }
    return Optional.of(
        file -> {
          if (!Desktop.getDesktop().moveToTrash(file.toFile())) {
            throw new IOException("the bin does not take it");
          }
        });
  }
}
