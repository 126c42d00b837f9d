package tenterhook.adapters.disk;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributeView;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFileAttributes;

/**
 * Every single call by which the program alters a disk that holds users' files. All of them pass
 * through {@link #call}, so that a test can stop the program, or let the disk fail, before, after
 * and in the middle of each.
 */
public class FileCalls {
  /** The calls of this system, without anything in between. */
  public static final FileCalls SYSTEM = new FileCalls();

  /** For the system's calls, and for tests that put faults in between. */
  protected FileCalls() {}

  /** The kinds of calls. */
  public enum CallKind {
    MAKE_FOLDER,
    MAKE_FILE,
    COPY,
    WRITE,
    ATTRIBUTES,
    FLUSH,
    RENAME,
    LINK,
    DELETE,
    FLUSH_FOLDER,
    /** A transaction of the collection's database, which belongs between the others in order. */
    STORE
  }

  /** What a call does. */
  @FunctionalInterface
  public interface Action<E extends Exception> {
    /** Does it. */
    void run() throws IOException, E;
  }

  /**
   * Makes a call.
   *
   * @param kind of call
   * @param path what it alters
   * @param action does it
   * @throws IOException when the disk refuses
   * @throws E what the action throws besides
   */
  public <E extends Exception> void call(CallKind kind, Path path, Action<E> action)
      throws IOException, E {
    action.run();
  }

  /** Makes a folder that must not be there; a link of that name counts as being there. */
  final void makeFolder(Path folder) throws IOException {
    call(CallKind.MAKE_FOLDER, folder, () -> Files.createDirectory(folder));
  }

  /** Makes a file that must not be there, with a text. */
  final void makeFile(Path file, String text) throws IOException {
    call(
        CallKind.MAKE_FILE,
        file,
        () -> Files.writeString(file, text, StandardCharsets.UTF_8, StandardOpenOption.CREATE_NEW));
  }

  /** Copies a file with its attributes to a name that must not be taken. */
  final void copy(Path from, Path to) throws IOException {
    call(
        CallKind.COPY,
        to,
        () -> Files.copy(from, to, StandardCopyOption.COPY_ATTRIBUTES, LinkOption.NOFOLLOW_LINKS));
  }

  /** Gives a file the rights and the group of another. */
  final void takeRights(Path from, Path to) throws IOException {
    PosixFileAttributeView view = Files.getFileAttributeView(to, PosixFileAttributeView.class);
    if (view != null) {
      call(
          CallKind.ATTRIBUTES,
          to,
          () -> {
            PosixFileAttributes old = Files.readAttributes(from, PosixFileAttributes.class);
            view.setPermissions(old.permissions());
            if (!view.readAttributes().group().equals(old.group())) {
              view.setGroup(old.group());
            }
          });
    }
  }

  /** Gives a file the times of another. */
  final void takeTimes(Path from, Path to) throws IOException {
    call(
        CallKind.ATTRIBUTES,
        to,
        () -> {
          BasicFileAttributes old = Files.readAttributes(from, BasicFileAttributes.class);
          Files.getFileAttributeView(to, BasicFileAttributeView.class)
              .setTimes(old.lastModifiedTime(), old.lastAccessTime(), old.creationTime());
        });
  }

  /** Waits until the disk holds what a file holds. */
  final void flush(Path file) throws IOException {
    call(
        CallKind.FLUSH,
        file,
        () -> {
          try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
            channel.force(true);
          }
        });
  }

  /** Renames a file on its disk in one step; what has the new name is replaced. */
  final void rename(Path from, Path to) throws IOException {
    call(CallKind.RENAME, to, () -> Files.move(from, to, StandardCopyOption.ATOMIC_MOVE));
  }

  /** Gives a file a second name that must not be taken. */
  final void link(Path name, Path file) throws IOException {
    call(CallKind.LINK, name, () -> Files.createLink(name, file));
  }

  /** Removes a name. */
  final void delete(Path path) throws IOException {
    call(CallKind.DELETE, path, () -> Files.delete(path));
  }

  /** Waits until the disk holds the names of a folder; where a system cannot, it does it itself. */
  final void flushFolder(Path folder) throws IOException {
    call(
        CallKind.FLUSH_FOLDER,
        folder,
        () -> {
          if (System.getProperty("os.name").startsWith("Windows")) {
            return; // folders cannot be opened there; NTFS keeps its names in a journal
          }
          try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
          }
        });
  }
}
