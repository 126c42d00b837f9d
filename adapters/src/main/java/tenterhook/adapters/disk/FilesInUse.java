package tenterhook.adapters.disk;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;

/**
 * Who in this program keeps a music file open, such as the player. Some systems let no file be
 * replaced or moved that is open: whoever holds one is asked to close it right before, and opens it
 * again when it next reads.
 */
public final class FilesInUse {
  private static final List<Holder> HOLDERS = new CopyOnWriteArrayList<>();

  private FilesInUse() {}

  /** Keeps files open. */
  public interface Holder {
    /** Closes a file if it is held, and returns only when it is closed. */
    void letGo(Path file);

    /**
     * Opens a file again that it let go.
     *
     * @param file as it was called then
     * @param now where it is now
     */
    void takeUp(Path file, Path now);
  }

  /** Takes a holder in; it is asked until it is taken out. */
  public static void enter(Holder holder) {
    HOLDERS.add(holder);
  }

  /** Takes a holder out. */
  public static void leave(Holder holder) {
    HOLDERS.remove(holder);
  }

  static void letGo(Path file) {
    HOLDERS.forEach(holder -> holder.letGo(file));
  }

  static void takeUp(Path file, Path now) {
    HOLDERS.forEach(holder -> holder.takeUp(file, now));
  }
}
