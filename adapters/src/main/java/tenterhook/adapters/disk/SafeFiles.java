package tenterhook.adapters.disk;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.CopyOption;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.Stream;

/**
 * Replaces and moves users' files so that at every moment either the old or the new one is whole,
 * and nothing of another program's is overwritten or removed. What throws has altered nothing; what
 * returns has altered the file, and says whether all of it is certain.
 */
public final class SafeFiles {
  private static final MessageDigest DIGEST = lookedUp();

  private final FileCalls calls;
  private final FileMover mover;

  /** Works by these calls. */
  public SafeFiles(FileCalls calls) {
    this.calls = calls;
    this.mover = new FileMover(calls);
  }

  /** Changes a copy of a file in place. */
  @FunctionalInterface
  public interface Rewrite<E extends Exception> {
    /**
     * Changes the copy and checks it.
     *
     * @param copy to be changed; nobody else uses it, and files beside it whose names begin with
     *     its name's stem are removed afterwards
     * @throws IOException when it cannot be written
     * @throws E when the result is not as it should be
     */
    void on(Path copy) throws IOException, E;
  }

  /** A last look at a file right before it is replaced. */
  @FunctionalInterface
  public interface LastLook<E extends Exception> {
    /**
     * Throws when the file is not what it was.
     *
     * @throws IOException when it cannot be read
     * @throws E when it is another by now
     */
    void at(Path file) throws IOException, E;
  }

  /**
   * How an alteration ended that took place.
   *
   * @param open what is not certain of it, empty when all is
   * @param notes what else there is to know
   * @param made folders that had to be made, the deepest first
   */
  public record Ended(List<String> open, List<String> notes, List<Path> made) {
    /** Copies. */
    public Ended {
      open = List.copyOf(open);
      notes = List.copyOf(notes);
      made = List.copyOf(made);
    }
  }

  /**
   * Names one step of one change of one collection. No other step has it.
   *
   * @param collection a word of the collection's own
   * @param change number of the change
   * @param track the track
   */
  public static String token(String collection, long change, int track) {
    return ".tenterhook-" + collection + "-" + change + "-" + track;
  }

  /** Whether a name is that of a work room. */
  public static boolean isRoom(Path folder) {
    return WorkRoom.isRoom(folder);
  }

  /**
   * Replaces a file by a rewritten copy; times and rights stay. A link is followed, and what it
   * leads to is replaced.
   *
   * @param named the user's file
   * @param token made by {@link #token}
   * @param rewrite what to do to the copy
   * @param lastLook called when the copy is ready
   * @return the new bytes are in place
   * @throws IOException when the disk refuses, or another program changed the file meanwhile; the
   *     file is then as it was
   * @throws E when rewrite or last look refuse; the file is then as it was
   */
  public <E extends Exception> Ended replace(
      Path named, String token, Rewrite<E> rewrite, LastLook<E> lastLook) throws IOException, E {
    Path file = named.toRealPath();
    FileIdentity before = FileIdentity.of(file);
    if (!Files.isWritable(file)) {
      throw new IOException("the file is read-only; nothing was changed");
    }
    List<String> notes = new ArrayList<>();
    if (FileIdentity.names(file) > 1) {
      notes.add("has a second name on its disk, which keeps the file as it was");
    }
    WorkRoom room = new WorkRoom(calls, file, token);
    Path copy = room.copy();
    List<String> open = new ArrayList<>();
    try {
      room.make();
      calls.copy(file, copy);
      rewrite.on(copy);
      calls.takeRights(file, copy);
      calls.flush(copy);
      calls.takeTimes(file, copy);
      lastLook.at(file);
      if (!before.equals(FileIdentity.of(file))) {
        throw new IOException("another program changed it meanwhile; nothing was changed");
      }
      renameOver(copy, file, before, open);
    } catch (IOException | RuntimeException | Error trouble) {
      clearQuietly(room, trouble);
      throw trouble;
    } catch (Exception refused) {
      clearQuietly(room, refused);
      throw refused;
    }
    settle(open, "its folder could not be flushed", () -> calls.flushFolder(file.getParent()));
    settle(open, "the work room beside it could not be cleared", room::clear);
    return new Ended(open, notes, List.of());
  }

  /** A rename that reports a trouble may have taken place all the same: the disk is asked. */
  private void renameOver(Path copy, Path file, FileIdentity before, List<String> open)
      throws IOException {
    FilesInUse.letGo(file);
    try {
      calls.rename(copy, file);
    } catch (IOException trouble) {
      if (Files.exists(copy, LinkOption.NOFOLLOW_LINKS) || unchanged(file, before)) {
        throw trouble;
      }
      open.add("the disk reported a trouble while it was put in place: " + trouble.getMessage());
    } finally {
      OwnWrites.note(file);
      FilesInUse.takeUp(file, file);
    }
  }

  private static boolean unchanged(Path file, FileIdentity before) {
    try {
      return before.equals(FileIdentity.of(file));
    } catch (IOException away) {
      return false;
    }
  }

  static void settle(List<String> open, String what, FileCalls.Action<IOException> action) {
    try {
      action.run();
    } catch (IOException | RuntimeException trouble) {
      open.add(what + ": " + trouble.getMessage());
    }
  }

  private static void clearQuietly(WorkRoom room, Throwable trouble) {
    try {
      room.clear();
    } catch (IOException | RuntimeException left) {
      trouble.addSuppressed(left);
    }
  }

  /**
   * Removes what a replacement left beside a file. What is not of this step stays.
   *
   * @param file the file that was to be replaced
   * @param token as it was given to {@link #replace}
   * @throws IOException when something of it stays
   */
  public void clear(Path file, String token) throws IOException {
    new WorkRoom(calls, file.toRealPath(), token).clear();
  }

  /**
   * Moves a file; an existing one is never overwritten. Between disks the copy is flushed and
   * compared before the original goes.
   *
   * @param from where it is; a link is refused
   * @param to where it goes; folders are made
   * @param token made by {@link #token}
   * @return the file is at its new place
   * @throws IOException when the target is taken or the disk refuses; the file is then where it was
   */
  public Ended move(Path from, Path to, String token) throws IOException {
    return mover.move(from, to, token);
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
  public boolean finishMove(Path from, Path to, String token) throws IOException {
    return mover.finishMove(from, to, token);
  }

  /** Removes folders that are empty; the deepest come first. */
  public void removeEmpty(List<Path> deepestFirst) {
    mover.removeEmpty(deepestFirst);
  }

  /**
   * Whether something that did not take place left anything behind.
   *
   * @param file the file
   * @param to where it was to go; the file itself when it was to be replaced
   * @param token as it was given
   */
  public boolean leftBehind(Path file, Path to, String token) {
    return to.equals(file)
        ? new WorkRoom(calls, real(file), token).isOurs()
        : FileMover.leftBehind(file, to, token);
  }

  private static Path real(Path file) {
    try {
      return file.toRealPath();
    } catch (IOException notThere) {
      return file;
    }
  }

  /**
   * Removes what was left behind.
   *
   * @throws IOException when the disk refuses; asked again later
   */
  public void clearLeft(Path file, Path to, String token) throws IOException {
    if (to.equals(file)) {
      new WorkRoom(calls, real(file), token).clear();
    } else {
      mover.clearLeft(file, to, token);
    }
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
      FileCalls.SYSTEM.copy(from, part);
      FileCalls.SYSTEM.flush(part);
      FileMover.compare(from, part);
      Files.move(part, to, how);
      FileCalls.SYSTEM.flushFolder(to.toAbsolutePath().getParent());
    } finally {
      Files.deleteIfExists(part);
    }
  }

  /** Removes a folder of the program's own with all that is in it; never through a link. */
  public static void removeTree(Path folder) throws IOException {
    if (!Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS)) {
      return;
    }
    try (Stream<Path> all = Files.walk(folder)) {
      for (Path one : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(one);
      }
    }
  }

  /** Lower-case hex SHA-256 of a file's bytes. */
  public static String hash(Path file) throws IOException {
    MessageDigest digest = newDigest();
    byte[] buffer = new byte[1 << 16];
    try (InputStream in = Files.newInputStream(file)) {
      for (int got = in.read(buffer); got > 0; got = in.read(buffer)) {
        digest.update(buffer, 0, got);
      }
    }
    return HexFormat.of().formatHex(digest.digest());
  }

  /** A fresh SHA-256. */
  public static MessageDigest newDigest() {
    try {
      return (MessageDigest) DIGEST.clone(); // looking it up takes longer than a small hash
    } catch (CloneNotSupportedException impossible) {
      return lookedUp();
    }
  }

  private static MessageDigest lookedUp() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException missing) {
      throw new IllegalStateException("every Java has SHA-256", missing);
    }
  }
}
