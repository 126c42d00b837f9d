package tenterhook.adapters.disk;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileTime;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Which file lies at a path at one moment, and in which state, as far as the system tells without
 * opening it.
 *
 * @param key device and number of the file; null where the system has none
 * @param size in bytes
 * @param modified last modification
 * @param altered when anything of the file was altered, rights and names included; equal to {@code
 *     modified} where the system does not tell
 */
public record FileIdentity(@Nullable Object key, long size, FileTime modified, FileTime altered) {
  /**
   * The file at a path; links are followed.
   *
   * @throws IOException when there is none
   */
  public static FileIdentity of(Path file) throws IOException {
    BasicFileAttributes now = Files.readAttributes(file, BasicFileAttributes.class);
    return new FileIdentity(
        now.fileKey(), now.size(), now.lastModifiedTime(), altered(file, now.lastModifiedTime()));
  }

  private static FileTime altered(Path file, FileTime otherwise) throws IOException {
    return onUnix(file, "ctime") instanceof FileTime time ? time : otherwise;
  }

  private static @Nullable Object onUnix(Path file, String attribute) throws IOException {
    try {
      Map<String, Object> read = Files.readAttributes(file, "unix:" + attribute);
      return read.get(attribute);
    } catch (UnsupportedOperationException | IllegalArgumentException otherSystem) {
      return null;
    }
  }

  /** How many names a file has on its disk; 1 where the system does not tell. */
  public static int names(Path file) throws IOException {
    return onUnix(file, "nlink") instanceof Number count ? count.intValue() : 1;
  }

  /** Whether two paths lead to one file; false when either leads to none. */
  public static boolean same(Path one, Path other) {
    try {
      return Files.isSameFile(one, other);
    } catch (IOException notThere) {
      return false;
    }
  }

  /** Whether something has this name, be it a link that leads nowhere. */
  static boolean taken(Path path) {
    return Files.exists(path, LinkOption.NOFOLLOW_LINKS);
  }
}
