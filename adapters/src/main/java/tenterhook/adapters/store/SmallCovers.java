package tenterhook.adapters.store;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Arrays;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.disk.SafeFiles;

/**
 * Small pictures of covers, kept ready on disk in a database of their own. It only helps to be
 * quick: it may be deleted at any time, is made anew when it cannot be read, and a picture of which
 * a bit is another than when it was written is passed over. May be used by several threads.
 */
public final class SmallCovers implements AutoCloseable {
  private static final String FILE = "covers.cache";

  private final @Nullable Connection database;

  /**
   * The pictures of a collection; where the disk takes none, none are kept.
   *
   * @param folder of the collection
   */
  public SmallCovers(Path folder) {
    this.database = opened(folder.resolve(FILE));
  }

  private static @Nullable Connection opened(Path file) {
    try {
      return open(file);
    } catch (SQLException damaged) {
      try {
        Files.deleteIfExists(file);
        return open(file);
      } catch (IOException | SQLException noRoom) {
        return null; // pictures are read from the music then
      }
    }
  }

  private static Connection open(Path file) throws SQLException {
    Connection database = DriverManager.getConnection("jdbc:sqlite:" + file);
    try (Statement make = database.createStatement()) {
      make.execute("PRAGMA journal_mode=OFF");
      make.execute("PRAGMA synchronous=OFF");
      make.execute(
          "CREATE TABLE IF NOT EXISTS cover"
              + " (sha256 TEXT PRIMARY KEY, sum BLOB NOT NULL, bytes BLOB NOT NULL) WITHOUT ROWID");
      return database;
    } catch (SQLException damaged) {
      database.close();
      throw damaged;
    }
  }

  /**
   * A small picture.
   *
   * @param sha256 of the cover that it was made of
   * @return empty when it is not kept, or not as it was written
   */
  public synchronized Optional<byte[]> get(String sha256) {
    if (database == null) {
      return Optional.empty();
    }
    try (PreparedStatement ask =
        database.prepareStatement("SELECT sum, bytes FROM cover WHERE sha256 = ?")) {
      ask.setString(1, sha256);
      try (ResultSet row = ask.executeQuery()) {
        if (!row.next()) {
          return Optional.empty();
        }
        byte[] bytes = row.getBytes(2);
        return Arrays.equals(row.getBytes(1), sum(sha256, bytes))
            ? Optional.of(bytes)
            : Optional.empty();
      }
    } catch (SQLException damaged) {
      return Optional.empty();
    }
  }

  /**
   * Keeps a small picture; a full disk keeps none.
   *
   * @param sha256 of the cover that it was made of
   */
  public synchronized void put(String sha256, byte[] bytes) {
    if (database == null) {
      return;
    }
    try (PreparedStatement keep =
        database.prepareStatement("INSERT OR REPLACE INTO cover VALUES (?, ?, ?)")) {
      keep.setString(1, sha256);
      keep.setBytes(2, sum(sha256, bytes));
      keep.setBytes(3, bytes);
      keep.executeUpdate();
    } catch (SQLException noRoom) {
      return; // it is made again when it is wanted again
    }
  }

  /** Of the name as well, so that a picture is never shown under another's. */
  private static byte[] sum(String sha256, byte[] bytes) {
    MessageDigest digest = SafeFiles.newDigest();
    digest.update(sha256.getBytes(StandardCharsets.UTF_8));
    return digest.digest(bytes);
  }

  @Override
  public synchronized void close() {
    if (database != null) {
      try {
        database.close();
      } catch (SQLException damaged) {
        return; // nothing in it is missed
      }
    }
  }
}
