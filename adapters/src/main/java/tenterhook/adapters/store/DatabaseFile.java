package tenterhook.adapters.store;

import java.io.IOException;
import java.io.InputStream;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.zip.CRC32C;
import tenterhook.adapters.disk.MusicWalk;

/**
 * The database while nobody has it open: its checksum, by which flipped bits are noticed, and dated
 * copies of it. The checksum (CRC-32C, RFC 3720) is written when the database is closed, and taken
 * away when it is opened, so that it never speaks of another state.
 */
final class DatabaseFile {
  /** The folder of dated copies. */
  static final String BACKUPS = "backups";

  private static final String SUM = "collection.db.crc32c";
  private static final int KEPT = 7;

  private final Path folder;
  private final Path file;

  DatabaseFile(Path folder) {
    this.folder = folder;
    this.file = folder.resolve(Store.FILE);
  }

  /** Whether there is none, or an empty one, in a folder that was a collection's before. */
  boolean isMissing() throws IOException {
    boolean none = !Files.exists(file) || Files.size(file) == 0;
    return none
        && (Files.exists(folder.resolve("codebook.json"))
            || holdsAnything("crates")
            || holdsAnything("gigs")
            || holdsAnything(MusicWalk.HOLDING_BAY)
            || newestBackup().isPresent());
  }

  private boolean holdsAnything(String name) throws IOException {
    Path inside = folder.resolve(name);
    if (!Files.isDirectory(inside)) {
      return false;
    }
    try (DirectoryStream<Path> all = Files.newDirectoryStream(inside)) {
      return all.iterator().hasNext();
    }
  }

  /**
   * Compares the database with its checksum; one that was not closed in good order has none.
   *
   * @return the checksum, by which the database is known to be as it was closed; empty for none
   * @throws CollectionRefused when a bit of it is another than when it was closed
   */
  Optional<String> check() throws IOException, CollectionRefused {
    Path sum = folder.resolve(SUM);
    if (!Files.exists(sum)
        || !Files.exists(file)
        || Files.size(file) == 0
        || Files.exists(folder.resolve(Store.FILE + "-wal"))) {
      return Optional.empty();
    }
    String known = Files.readString(sum).strip();
    if (!known.equals(sum(file))) {
      throw new CollectionRefused(
          "the database "
              + file
              + " is not as it was written; the disk may be failing. It was not touched. "
              + newestBackup()
                  .map(
                      b ->
                          "The newest copy is "
                              + b
                              + ": put it in its place. To open the database as it is, take "
                              + sum.getFileName()
                              + " away")
                  .orElse("To open it as it is, take " + sum.getFileName() + " away"));
    }
    return Optional.of(known);
  }

  /** Takes the checksum away: the database is going to change. */
  void opened() throws IOException {
    Files.deleteIfExists(folder.resolve(SUM));
  }

  /**
   * Writes the checksum of the closed database.
   *
   * @return the checksum; empty when the database was not closed in good order
   */
  Optional<String> closed() throws IOException {
    if (!Files.exists(file) || Files.exists(folder.resolve(Store.FILE + "-wal"))) {
      return Optional.empty();
    }
    String sum = sum(file);
    Path part = folder.resolve(SUM + ".part");
    Files.writeString(part, sum + "\n", StandardCharsets.US_ASCII);
    Files.move(part, folder.resolve(SUM), StandardCopyOption.REPLACE_EXISTING);
    return Optional.of(sum);
  }

  private static String sum(Path file) throws IOException {
    CRC32C sum = new CRC32C();
    byte[] buffer = new byte[1 << 18];
    try (InputStream in = Files.newInputStream(file)) {
      for (int got = in.read(buffer); got > 0; got = in.read(buffer)) {
        sum.update(buffer, 0, got);
      }
    }
    return String.format("%08x %d", sum.getValue(), Files.size(file));
  }

  /**
   * Copies the database, which nobody has open, once a day and before its form changes; the newest
   * {@value #KEPT} copies of days are kept.
   *
   * @param today names the copy
   * @param why such as {@code before form 4}; empty for the daily copy
   */
  void backUp(LocalDate today, String why) throws IOException {
    if (!Files.exists(file)
        || Files.size(file) == 0
        || Files.exists(folder.resolve(Store.FILE + "-wal"))) {
      return;
    }
    Path backups = Files.createDirectories(folder.resolve(BACKUPS));
    Path copy = backups.resolve("collection " + today + (why.isEmpty() ? "" : " " + why) + ".db");
    if (!Files.exists(copy)) {
      Path part = backups.resolve(copy.getFileName() + ".part");
      Files.copy(file, part, StandardCopyOption.REPLACE_EXISTING);
      flush(part);
      Files.move(part, copy);
      prune();
    }
  }

  private static void flush(Path file) throws IOException {
    try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
      channel.force(true);
    }
  }

  private void prune() throws IOException {
    List<Path> daily =
        backups().stream()
            .filter(b -> b.getFileName().toString().matches("collection \\d{4}-\\d{2}-\\d{2}\\.db"))
            .toList();
    for (Path old : daily.subList(0, Math.max(0, daily.size() - KEPT))) {
      Files.delete(old);
    }
  }

  Optional<Path> newestBackup() throws IOException {
    List<Path> all = backups();
    return all.isEmpty() ? Optional.empty() : Optional.of(all.getLast());
  }

  private List<Path> backups() throws IOException {
    List<Path> all = new ArrayList<>();
    Path backups = folder.resolve(BACKUPS);
    if (Files.isDirectory(backups)) {
      try (DirectoryStream<Path> copies = Files.newDirectoryStream(backups, "collection *.db")) {
        copies.forEach(all::add);
      }
    }
    all.sort(Comparator.naturalOrder());
    return all;
  }
}
