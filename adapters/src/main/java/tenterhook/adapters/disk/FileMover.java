package tenterhook.adapters.disk;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import tenterhook.adapters.disk.SafeFiles.Ended;

/**
 * Moves files, on one disk and between two, without ever replacing one that is there, also not one
 * that appears at the last moment.
 */
final class FileMover {
  private final FileCalls calls;

  FileMover(FileCalls calls) {
    this.calls = calls;
  }

  /**
   * Moves a file; an existing one is never overwritten. Between disks the copy is flushed and
   * compared before the original goes.
   *
   * @param from where it is; a link is refused
   * @param to where it goes; folders are made
   * @param token names what it needs on the way, such as {@link SafeFiles#token} does
   * @return the file is at its new place
   * @throws IOException when the target is taken or the disk refuses; the file is then where it was
   */
  Ended move(Path from, Path to, String token) throws IOException {
    refuse(from, to);
    List<Path> made = makeFolders(to.getParent());
    List<String> open = new ArrayList<>();
    FilesInUse.letGo(from);
    try {
      if (!linked(from, to)) {
        moveWithoutLinks(from, to, token, open);
      } else {
        dropOldName(from, to, open);
      }
    } catch (IOException | RuntimeException | Error trouble) {
      removeFolders(made, trouble);
      throw trouble;
    } finally {
      OwnWrites.note(from);
      OwnWrites.note(to);
      FilesInUse.takeUp(from, FileIdentity.taken(from) ? from : to);
    }
    settleFolders(from, to, open);
    return new Ended(open, List.of(), made);
  }

  private static void refuse(Path from, Path to) throws IOException {
    if (Files.isSymbolicLink(from)) {
      throw new IOException(
          "it is a link to " + Files.readSymbolicLink(from) + "; move what it leads to");
    }
    if (!Files.isRegularFile(from)) {
      throw new NoSuchFileException(from.toString(), null, "is not there");
    }
    if (FileIdentity.taken(to)) {
      throw new FileAlreadyExistsException(to + " is taken; nothing was moved");
    }
  }

  private void settleFolders(Path from, Path to, List<String> open) {
    SafeFiles.settle(
        open, "its new folder could not be flushed", () -> calls.flushFolder(to.getParent()));
    SafeFiles.settle(
        open, "its old folder could not be flushed", () -> calls.flushFolder(from.getParent()));
  }

  private List<Path> makeFolders(Path folder) throws IOException {
    List<Path> missing = missing(folder);
    List<Path> made = new ArrayList<>();
    try {
      for (Path one : missing.reversed()) {
        calls.makeFolder(one);
        made.addFirst(one);
        calls.flushFolder(one.getParent());
      }
    } catch (IOException | RuntimeException trouble) {
      removeFolders(made, trouble);
      throw trouble;
    }
    return made;
  }

  private static List<Path> missing(Path folder) {
    List<Path> missing = new ArrayList<>();
    for (Path at = folder; at != null && !Files.isDirectory(at); at = at.getParent()) {
      missing.add(at);
    }
    return missing;
  }

  private void removeFolders(List<Path> deepestFirst, Throwable trouble) {
    try {
      for (Path one : deepestFirst) {
        calls.delete(one);
      }
    } catch (IOException | RuntimeException left) {
      trouble.addSuppressed(left);
    }
  }

  /** A second name is the one step that never replaces a file, on disks that know such names. */
  private boolean linked(Path from, Path to) throws IOException {
    try {
      calls.link(to, from);
      return true;
    } catch (FileAlreadyExistsException taken) {
      throw new FileAlreadyExistsException(to + " is taken; nothing was moved");
    } catch (IOException | UnsupportedOperationException noLinks) {
      return FileIdentity.same(from, to);
    }
  }

  private void dropOldName(Path from, Path to, List<String> open) throws IOException {
    try {
      calls.flushFolder(to.getParent());
      calls.delete(from);
    } catch (IOException trouble) {
      if (!FileIdentity.taken(from)) {
        open.add("the disk reported a trouble while it was moved: " + trouble.getMessage());
        return;
      }
      calls.delete(to); // back to the one name that it had
      throw trouble;
    }
  }

  /** The target's name is taken by a file of ours first, so that nobody else's can be replaced. */
  private void moveWithoutLinks(Path from, Path to, String token, List<String> open)
      throws IOException {
    makeHolder(to, token);
    try {
      try {
        calls.rename(from, to);
      } catch (AtomicMoveNotSupportedException otherDisk) {
        moveAcross(from, to, token, open);
      }
    } catch (IOException | RuntimeException | Error trouble) {
      if (FileIdentity.taken(from)) {
        dropHolder(to, token, trouble);
        throw trouble;
      }
      open.add("the disk reported a trouble while it was moved: " + trouble.getMessage());
    }
  }

  /** What a full disk keeps of the holder is taken away again; what others put there stays. */
  private void makeHolder(Path to, String token) throws IOException {
    try {
      calls.makeFile(to, holder(token));
    } catch (FileAlreadyExistsException taken) {
      throw taken;
    } catch (IOException | RuntimeException | Error trouble) {
      dropHolder(to, token, trouble);
      throw trouble;
    }
  }

  private static String holder(String token) {
    return "place kept for a file that is being moved: " + token + "\n";
  }

  private void dropHolder(Path to, String token, Throwable trouble) {
    try {
      clearHolder(to, token);
    } catch (IOException | RuntimeException left) {
      trouble.addSuppressed(left);
    }
  }

  private void moveAcross(Path from, Path to, String token, List<String> open) throws IOException {
    Path part = part(to, token);
    try {
      calls.copy(from, part);
      calls.flush(part);
      compare(from, part);
      calls.rename(part, to);
    } catch (IOException | RuntimeException | Error trouble) {
      try {
        if (FileIdentity.taken(part)) {
          calls.delete(part);
        }
      } catch (IOException | RuntimeException left) {
        trouble.addSuppressed(left);
      }
      throw trouble;
    }
    calls.flushFolder(to.getParent());
    SafeFiles.settle(open, "the original could not be removed", () -> calls.delete(from));
  }

  private static Path part(Path to, String token) {
    return to.resolveSibling(token + ".part");
  }

  static void compare(Path from, Path copy) throws IOException {
    if (Files.mismatch(from, copy) != -1) {
      throw new IOException("the copy differs from the original; nothing was changed");
    }
  }

  /**
   * Brings a move to an end that was interrupted, where that is certain.
   *
   * @param from where the file was
   * @param to where it was to go
   * @param token as it was given to {@link #move}
   * @return whether the file is at its new place and at no other
   * @throws IOException when the disk refuses
   */
  boolean finishMove(Path from, Path to, String token) throws IOException {
    clearMove(to, token);
    boolean arrived = Files.isRegularFile(to, LinkOption.NOFOLLOW_LINKS);
    if (arrived && FileIdentity.taken(from)) {
      if (!FileIdentity.same(from, to) && Files.mismatch(from, to) != -1) {
        return false; // another program's file: the move had not come so far
      }
      calls.delete(from);
      calls.flushFolder(from.getParent());
    }
    return arrived;
  }

  /**
   * Removes what a move that did not take place left at its target and beside it.
   *
   * @throws IOException when the disk refuses
   */
  private void clearMove(Path to, String token) throws IOException {
    if (FileIdentity.taken(part(to, token))) {
      calls.delete(part(to, token));
    }
    clearHolder(to, token);
  }

  /**
   * Removes folders that are empty.
   *
   * @param deepestFirst those that are not empty, or not there, are left
   */
  void removeEmpty(List<Path> deepestFirst) {
    for (Path one : deepestFirst) {
      try {
        if (Files.isDirectory(one, LinkOption.NOFOLLOW_LINKS)) {
          calls.delete(one);
        }
      } catch (IOException inUse) {
        return; // what is above it is not empty either
      }
    }
  }

  private static boolean isHolder(Path to, String token) {
    byte[] ours = holder(token).getBytes(StandardCharsets.UTF_8);
    try {
      // one that was cut short is still the beginning of ours
      if (!Files.isRegularFile(to, LinkOption.NOFOLLOW_LINKS) || Files.size(to) > ours.length) {
        return false;
      }
      byte[] held = Files.readAllBytes(to);
      return Arrays.equals(held, Arrays.copyOf(ours, held.length));
    } catch (IOException unreadable) {
      return false;
    }
  }

  private void clearHolder(Path to, String token) throws IOException {
    if (isHolder(to, token)) {
      calls.delete(to);
    }
  }

  /**
   * Whether a move that did not take place left anything behind.
   *
   * @param source the file
   * @param path where it was to go
   * @param token as it was given
   */
  static boolean leftBehind(Path source, Path path, String token) {
    return FileIdentity.taken(part(path, token))
        || isHolder(path, token)
        || FileIdentity.same(source, path);
  }

  /**
   * Removes what was left behind.
   *
   * @throws IOException when the disk refuses; asked again later
   */
  void clearLeft(Path source, Path path, String token) throws IOException {
    clearMove(path, token);
    if (FileIdentity.taken(source) && FileIdentity.same(source, path)) {
      calls.delete(path); // the second name that the file had for a moment
    }
  }
}
