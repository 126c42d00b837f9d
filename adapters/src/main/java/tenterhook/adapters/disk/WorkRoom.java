package tenterhook.adapters.disk;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;

/**
 * The folder beside a file in which its replacement is made, so that the last step is a rename on
 * one disk. It can be made only once at a time, so it also keeps two programs from replacing one
 * file at once. Whose it is stands in it; only its maker clears it, and only of what it made.
 */
final class WorkRoom {
  /** How its name begins; scans pass it by. */
  static final String PREFIX = ".tenterhook-writing";

  private static final String OWNER = "owner";

  private final FileCalls calls;
  private final Path folder;
  private final String token;
  private final String ending;

  /**
   * The room of a file.
   *
   * @param file by its real path
   * @param token names the step that works in it, and no other
   */
  WorkRoom(FileCalls calls, Path file, String token) {
    String name = file.getFileName().toString();
    byte[] hash = SafeFiles.newDigest().digest(name.getBytes(StandardCharsets.UTF_8));
    int dot = name.lastIndexOf('.');
    this.calls = calls;
    this.folder = file.resolveSibling(PREFIX + "-" + HexFormat.of().formatHex(hash, 0, 6));
    this.token = token;
    this.ending = dot < 0 ? "" : name.substring(dot);
  }

  static boolean isRoom(Path folder) {
    return folder.getFileName() != null && folder.getFileName().toString().startsWith(PREFIX);
  }

  Path folder() {
    return folder;
  }

  /** Where the copy of the file is made; files beside it whose names begin so are ours as well. */
  Path copy() {
    return folder.resolve("copy" + ending);
  }

  /**
   * Makes it.
   *
   * @throws IOException when something of its name is there, be it a link; it is not touched
   */
  void make() throws IOException {
    try {
      calls.makeFolder(folder);
    } catch (FileAlreadyExistsException taken) {
      throw new IOException(
          "another program is writing this file, or was stopped while it did: "
              + folder
              + (owner().isEmpty() ? " is not this program's; take it away first" : " is there"),
          taken);
    }
    calls.makeFile(folder.resolve(OWNER), token);
  }

  private String owner() {
    try {
      return Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS)
          ? Files.readString(folder.resolve(OWNER))
          : "";
    } catch (IOException none) {
      return "";
    }
  }

  /** Whether it is there and may be cleared: made by this step, or empty. */
  boolean isOurs() {
    if (!Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS)) {
      return false;
    }
    String owner = owner();
    // a name that was cut short is still the beginning of ours
    return owner.isEmpty() ? isBare() : token.startsWith(owner);
  }

  private boolean isBare() {
    try (DirectoryStream<Path> all = Files.newDirectoryStream(folder)) {
      for (Path one : all) {
        if (!one.getFileName().toString().equals(OWNER)) {
          return false;
        }
      }
      return true;
    } catch (IOException unreadable) {
      return false;
    }
  }

  /**
   * Removes what this step made in it, and the room itself. A link, and any file of another name,
   * stays; another step's room is left alone.
   *
   * @throws IOException when something of ours stays
   */
  void clear() throws IOException {
    if (!isOurs()) {
      return;
    }
    List<Path> ours = ours();
    for (Path one : ours) {
      calls.delete(one);
    }
    calls.delete(folder); // refuses a folder that is not empty
  }

  private List<Path> ours() throws IOException {
    List<Path> ours = new ArrayList<>();
    try (DirectoryStream<Path> left = Files.newDirectoryStream(folder, "copy*")) {
      for (Path one : left) {
        if (Files.isRegularFile(one, LinkOption.NOFOLLOW_LINKS)) {
          ours.add(one);
        }
      }
    }
    if (Files.isRegularFile(folder.resolve(OWNER), LinkOption.NOFOLLOW_LINKS)) {
      ours.add(folder.resolve(OWNER));
    }
    return ours;
  }
}
