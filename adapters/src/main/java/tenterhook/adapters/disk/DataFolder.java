package tenterhook.adapters.disk;

import java.nio.file.Path;
import net.harawata.appdirs.AppDirsFactory;

/**
 * Where the program keeps its own data, as each system has it: on Linux by the XDG Base Directory
 * Specification ({@code $XDG_DATA_HOME/tenterhook}, else {@code ~/.local/share/tenterhook}), in the
 * library folder on macOS, in the local application data on Windows.
 */
public final class DataFolder {
  private static final String NAME = "tenterhook";

  private DataFolder() {}

  /** The folder for this user; it may not be there yet. */
  public static Path ofUser() {
    String named = System.getenv("XDG_DATA_HOME");
    boolean passedOver = named != null && !Path.of(named.strip()).isAbsolute();
    return passedOver
        ? Path.of(System.getProperty("user.home"), ".local", "share", NAME) // as XDG wants it
        : Path.of(AppDirsFactory.getInstance().getUserDataDir(NAME, null, NAME));
  }
}
