package tenterhook.adapters.store;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;
import java.util.zip.CRC32C;
import java.util.zip.CheckedOutputStream;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.SnapshotImage;

/**
 * All tracks as they were when the database was closed, column by column, so that opening need not
 * read them row by row. It only helps to be quick: the database is the truth. It holds for one
 * checksum of the database alone, and is passed over when a bit of it is another; it may be deleted
 * at any time and is made again.
 */
final class ColumnCache {
  private static final String COLUMNS = "columns.cache";
  private static final String STAMP = "columns.stamp";
  private static final String PART = ".part";
  private static final int BUFFER = 1 << 18;

  private final Path columns;
  private final Path stamp;

  ColumnCache(Path folder) {
    this.columns = folder.resolve(COLUMNS);
    this.stamp = folder.resolve(STAMP);
  }

  /**
   * The tracks.
   *
   * @param sum the checksum of the database, which was found to be right
   * @return empty when they are not kept for this state of the database
   */
  Optional<Snapshot> read(String sum) {
    try {
      List<String> lines = Files.exists(stamp) ? Files.readAllLines(stamp) : List.of();
      if (lines.size() != 2 || !lines.getFirst().equals(sum) || !Files.exists(columns)) {
        return Optional.empty();
      }
      byte[] bytes = Files.readAllBytes(columns);
      CRC32C crc = new CRC32C();
      crc.update(bytes, 0, bytes.length);
      return lines.getLast().equals(String.valueOf(crc.getValue()))
          ? SnapshotImage.read(ByteBuffer.wrap(bytes), "")
          : Optional.empty();
    } catch (IOException | BufferUnderflowException | IllegalArgumentException useless) {
      return Optional.empty(); // the database has it all
    }
  }

  /**
   * Keeps the tracks. A disk that is full leaves none.
   *
   * @param sum the checksum of the closed database that holds the same
   */
  void write(Snapshot snapshot, String sum) throws IOException {
    forget();
    CRC32C crc = new CRC32C();
    Path part = columns.resolveSibling(COLUMNS + PART);
    try (OutputStream out =
        new BufferedOutputStream(
            new CheckedOutputStream(Files.newOutputStream(part), crc), BUFFER)) {
      SnapshotImage.write(
          snapshot,
          "",
          bytes -> {
            try {
              out.write(bytes.array(), bytes.position(), bytes.remaining());
            } catch (IOException noRoom) {
              throw new UncheckedIOException(noRoom);
            }
          });
    } catch (UncheckedIOException noRoom) {
      throw noRoom.getCause();
    }
    Files.move(part, columns, StandardCopyOption.REPLACE_EXISTING);
    stamp(sum, String.valueOf(crc.getValue()));
  }

  /** The same tracks stand in a database with another checksum, since something else changed. */
  void keepFor(String sum) throws IOException {
    stamp(sum, Files.readAllLines(stamp).getLast());
  }

  private void stamp(String sum, String crc) throws IOException {
    Path part = stamp.resolveSibling(STAMP + PART);
    Files.writeString(part, sum + "\n" + crc + "\n", StandardCharsets.US_ASCII);
    Files.move(part, stamp, StandardCopyOption.REPLACE_EXISTING);
  }

  private void forget() throws IOException {
    Files.deleteIfExists(stamp);
  }
}
