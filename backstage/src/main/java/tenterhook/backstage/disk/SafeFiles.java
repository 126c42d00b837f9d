package tenterhook.backstage.disk;

import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.FileChannel;
import java.nio.file.CopyOption;
import java.nio.file.DirectoryStream;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributeView;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFileAttributes;
import java.security.MessageDigest;
import java.util.HexFormat;
import tenterhook.backstage.tagfile.Pictures;
import tenterhook.backstage.tagfile.Unreadable;

/**
 * Replaces and moves users' files so that at every moment either the old or the new one is whole. A
 * replacement is made in a folder {@value #WORKROOM} beside the file, so that the last step is a
 * rename on one disk.
 */
public final class SafeFiles {
  /** The folder beside a file in which its replacement is made; scans pass it by. */
  public static final String WORKROOM = ".tenterhook-writing";

  private static final CopyOption[] WITH_EVERYTHING = {
    StandardCopyOption.COPY_ATTRIBUTES, LinkOption.NOFOLLOW_LINKS
  };

  private SafeFiles() {}

  /** Changes a copy of a file in place. */
  @FunctionalInterface
  public interface Rewrite {
    /**
     * Changes the copy and checks it.
     *
     * @param copy to be changed; nobody else uses it
     * @throws IOException when it cannot be written
     * @throws Unreadable when the result is not as it should be
     */
    void on(Path copy) throws IOException, Unreadable;
  }

  /**
   * Replaces a file by a rewritten copy; times and rights stay. When anything fails the file is as
   * it was.
   *
   * @param file the user's file
   * @param rewrite what to do to the copy
   * @throws IOException when the disk refuses
   * @throws Unreadable when the rewritten copy is not as it should be
   */
  public static void replace(Path file, Rewrite rewrite) throws IOException, Unreadable {
    if (!Files.isWritable(file)) {
      throw new IOException("the file is read-only; nothing was changed");
    }
    Path room = Files.createDirectories(file.resolveSibling(WORKROOM));
    Path copy = room.resolve(file.getFileName());
    try {
      Files.copy(
          file, copy, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.COPY_ATTRIBUTES);
      rewrite.on(copy);
      keepAttributes(file, copy);
      try (FileChannel channel = FileChannel.open(copy, StandardOpenOption.WRITE)) {
        channel.force(true);
      }
      keepTimes(file, copy);
      Files.move(copy, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } finally {
      clear(room);
    }
  }

  private static void keepAttributes(Path from, Path to) throws IOException {
    PosixFileAttributeView view = Files.getFileAttributeView(to, PosixFileAttributeView.class);
    if (view != null) {
      PosixFileAttributes old = Files.readAttributes(from, PosixFileAttributes.class);
      view.setPermissions(old.permissions());
      if (!view.readAttributes().group().equals(old.group())) {
        view.setGroup(old.group());
      }
    }
  }

  private static void keepTimes(Path from, Path to) throws IOException {
    BasicFileAttributes old = Files.readAttributes(from, BasicFileAttributes.class);
    Files.getFileAttributeView(to, BasicFileAttributeView.class)
        .setTimes(old.lastModifiedTime(), old.lastAccessTime(), old.creationTime());
  }

  /**
   * Removes what an interrupted replacement left beside a file.
   *
   * @param room the work room; nothing happens when it is not there
   */
  public static void clear(Path room) throws IOException {
    if (!Files.isDirectory(room) || !room.getFileName().toString().equals(WORKROOM)) {
      return;
    }
    try (DirectoryStream<Path> left = Files.newDirectoryStream(room)) {
      for (Path one : left) {
        Files.deleteIfExists(one);
      }
    }
    Files.deleteIfExists(room);
  }

  /**
   * Moves a file; an existing one is never overwritten. Between disks the copy is flushed and
   * compared before the original goes.
   *
   * @param from where it is
   * @param to where it goes; folders are made
   * @throws IOException when the target is taken or the disk refuses; the file is then where it was
   */
  public static void move(Path from, Path to) throws IOException {
    Files.createDirectories(to.getParent());
    if (Files.exists(to, LinkOption.NOFOLLOW_LINKS)) {
      throw new FileAlreadyExistsException(to + " is taken; nothing was moved");
    }
    try {
      Files.move(from, to, StandardCopyOption.ATOMIC_MOVE);
    } catch (java.nio.file.AtomicMoveNotSupportedException otherDisk) {
      moveAcross(from, to);
    }
  }

  private static void moveAcross(Path from, Path to) throws IOException {
    copy(from, to);
    Files.delete(from);
  }

  /**
   * Copies a file; the copy is flushed and compared before it gets its name.
   *
   * @param from the original, which is only read
   * @param to the copy's name
   * @param how how it gets its name; an existing file is refused unless it says otherwise
   * @throws IOException when the disk refuses or the copy differs; nothing of it is left then
   */
  public static void copy(Path from, Path to, CopyOption... how) throws IOException {
    // a name that nobody else uses: what an interrupted copy left may go, somebody's own may not
    Path part = to.resolveSibling(to.getFileName() + ".tenterhook.part");
    try {
      Files.deleteIfExists(part);
      Files.copy(from, part, WITH_EVERYTHING);
      try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE)) {
        channel.force(true);
      }
      if (Files.mismatch(from, part) != -1) {
        throw new IOException("the copy differs from the original; nothing was changed");
      }
      Files.move(part, to, how);
    } finally {
      Files.deleteIfExists(part);
    }
  }

  /** Lower-case hex SHA-256 of a file's bytes. */
  public static String hash(Path file) throws IOException {
    MessageDigest digest = Pictures.newDigest();
    byte[] buffer = new byte[1 << 16];
    try (InputStream in = Files.newInputStream(file)) {
      for (int got = in.read(buffer); got > 0; got = in.read(buffer)) {
        digest.update(buffer, 0, got);
      }
    }
    return HexFormat.of().formatHex(digest.digest());
  }
}
