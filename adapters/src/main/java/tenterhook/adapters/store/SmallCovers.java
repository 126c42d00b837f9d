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

  private final Path file;
  private @Nullable Connection database;
  private boolean opened;

  /**
   * The pictures of a collection; where the disk takes none, none are kept. Nothing is opened
   * before a picture is wanted, so that who wants none need not wait for it.
   *
   * @param folder of the collection
   */
  public SmallCovers(Path folder) {
    this.file = folder.resolve(FILE);
  }

  private @Nullable Connection database() {
    if (!opened) {
      opened = true;
      database = opened(file);
    }
    return database;
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
    Connection ready = database();
    if (ready == null) {
      return Optional.empty();
    }
    try (PreparedStatement ask =
        ready.prepareStatement("SELECT sum, bytes FROM cover WHERE sha256 = ?")) {
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
    Connection ready = database();
    if (ready == null) {
      return;
    }
    try (PreparedStatement keep =
        ready.prepareStatement("INSERT OR REPLACE INTO cover VALUES (?, ?, ?)")) {
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
    opened = true; // who asks later gets nothing
    Connection open = database;
    database = null;
    if (open != null) {
      try {
        open.close();
      } catch (SQLException damaged) {
        return; // nothing in it is missed
      }
    }
  }
}
