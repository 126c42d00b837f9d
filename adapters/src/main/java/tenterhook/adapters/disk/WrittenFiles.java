package tenterhook.adapters.disk;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Map;
import java.util.TreeMap;

/**
 * What the program wrote into a folder of other people's files, such as playlists on a stick: a
 * file of a name may be replaced only while it holds the very bytes that the program wrote. What
 * another program put there, or edited since, stays. Kept in {@value #FILE} in the folder itself,
 * so that it goes with it.
 */
public final class WrittenFiles {
  /** The list of what was written, one hash and name a line. */
  public static final String FILE = ".tenterhook-written";

  private static final String HEAD = "files that Tenterhook wrote here and may replace";
  private static final long MOST = 16 << 20;

  private final Path folder;
  private final Map<String, String> sums = new TreeMap<>();

  /**
   * What was written into a folder.
   *
   * @throws IOException when its list cannot be read
   */
  public WrittenFiles(Path folder) throws IOException {
    this.folder = folder;
    Path list = folder.resolve(FILE);
    if (Files.exists(list)) {
      BoundedText.read(list, MOST)
          .lines()
          .skip(1)
          .map(line -> line.split("  ", 2))
          .filter(parts -> parts.length == 2)
          .forEach(parts -> sums.put(parts[1], parts[0]));
    }
  }

  /**
   * Whether a file of the folder may be written: nothing is there, or what the program wrote.
   *
   * @throws IOException when it cannot be read
   */
  public boolean mayWrite(Path file) throws IOException {
    if (!FileIdentity.taken(file)) {
      return true;
    }
    String known = sums.get(file.getFileName().toString());
    return known != null && Files.isRegularFile(file) && known.equals(SafeFiles.hash(file));
  }

  /**
   * Refuses to write over what is not the program's.
   *
   * @throws IOException with words that say so, or when it cannot be read
   */
  public void check(Path file) throws IOException {
    if (!mayWrite(file)) {
      throw new IOException(
          file
              + " is there already and was not written by this program, or was edited since; it was"
              + " left as it was. Choose another name or folder");
    }
  }

  /** Notes that a file holds what the program wrote; {@link #keep} makes it last. */
  public void wrote(Path file, String sha256) {
    sums.put(file.getFileName().toString(), sha256);
  }

  /**
   * Writes the list.
   *
   * @throws IOException when the disk refuses
   */
  public void keep() throws IOException {
    StringBuilder text = new StringBuilder(HEAD).append('\n');
    sums.forEach((name, sum) -> text.append(sum).append("  ").append(name).append('\n'));
    Path part = folder.resolve(FILE + ".part");
    Files.writeString(part, text, StandardCharsets.UTF_8);
    Files.move(part, folder.resolve(FILE), StandardCopyOption.REPLACE_EXISTING);
  }

  /**
   * Writes a text as a whole file, if it may be written.
   *
   * @throws IOException when it may not, or the disk refuses; an older file is then as it was
   */
  public static void write(Path file, String text) throws IOException {
    Path folder = file.toAbsolutePath().getParent();
    Files.createDirectories(folder);
    WrittenFiles written = new WrittenFiles(folder);
    written.check(file);
    Path part = Files.createTempFile(folder, ".tenterhook-", ".part");
    try {
      Files.writeString(part, text, StandardCharsets.UTF_8);
      FileCalls.SYSTEM.flush(part);
      written.check(file);
      Files.move(part, file, StandardCopyOption.REPLACE_EXISTING);
    } finally {
      Files.deleteIfExists(part);
    }
    FileCalls.SYSTEM.flushFolder(folder);
    written.wrote(file, SafeFiles.hash(file));
    written.keep();
  }
}
