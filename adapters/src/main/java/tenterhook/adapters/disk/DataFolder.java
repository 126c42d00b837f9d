package tenterhook.adapters.disk;

import java.nio.file.Path;
import java.util.Optional;

/**
 * Where the program keeps its own data, by the XDG Base Directory Specification: {@code
 * $XDG_DATA_HOME/tenterhook}, else {@code ~/.local/share/tenterhook}.
 */
public final class DataFolder {
  private DataFolder() {}

  /** The folder for this user; it may not be there yet. */
  public static Path ofUser() {
    return of(Optional.ofNullable(System.getenv("XDG_DATA_HOME")), System.getProperty("user.home"));
  }

  /** The specification has a path that is not absolute passed over. */
  static Path of(Optional<String> data, String home) {
    return data.filter(d -> !d.isBlank())
        .map(Path::of)
        .filter(Path::isAbsolute)
        .orElse(Path.of(home, ".local", "share"))
        .resolve("tenterhook");
  }
}
