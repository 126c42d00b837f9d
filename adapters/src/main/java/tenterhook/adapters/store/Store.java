package tenterhook.adapters.store;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import tenterhook.core.field.Field;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/**
 * The collection's database: one SQLite file with a write-ahead log, held by one program at a time.
 * Every method is one transaction unless it is called inside {@link #together}.
 */
public final class Store implements AutoCloseable {
  /** The database's file name in the collection's folder. */
  public static final String FILE = "collection.db";

  private final Connection db;
  private final DatabaseFile file;
  private final List<String> problems;
  private final FileChannel lockFile;
  private final FileLock lock;

  private Store(
      Connection db,
      DatabaseFile file,
      List<String> problems,
      FileChannel lockFile,
      FileLock lock) {
    this.db = db;
    this.file = file;
    this.problems = List.copyOf(problems);
    this.lockFile = lockFile;
    this.lock = lock;
  }

  /**
   * Opens or makes the database in a folder.
   *
   * @param folder of the collection; made when it is not there
   * @throws CollectionRefused when it is in use, newer or damaged; it is then not touched
   */
  public static Store open(Path folder) throws CollectionRefused {
    FileChannel channel = null;
    try {
      Files.createDirectories(folder);
      channel =
          FileChannel.open(
              folder.resolve("collection.lock"),
              StandardOpenOption.CREATE,
              StandardOpenOption.WRITE);
      FileLock lock = tryLock(channel);
      if (lock == null) {
        channel.close();
        throw new CollectionRefused(
            "the collection in " + folder + " is open in another Tenterhook; close that one first");
      }
      DatabaseFile file = new DatabaseFile(folder);
      List<String> problems = new ArrayList<>();
      if (file.isMissing()) {
        problems.add(
            "the database was gone. Codebook and crates are taken from their files, and the holding"
                + " bay is as it was; scan the music to bring the tracks back. "
                + file.newestBackup()
                    .map(b -> "Or close the program and put " + b + " in its place")
                    .orElse("There is no copy of it"));
      }
      file.check();
      file.backUp(LocalDate.now(ZoneId.systemDefault()), "");
      Connection db = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve(FILE));
      try {
        prepare(db, folder);
        file.opened();
      } catch (SQLException | CollectionRefused | IOException | RuntimeException refused) {
        db.close();
        throw refused;
      }
      return new Store(db, file, problems, channel, lock);
    } catch (IOException | SQLException trouble) {
      close(channel);
      throw new CollectionRefused(
          "the collection in "
              + folder
              + " cannot be opened and was not touched: "
              + trouble.getMessage(),
          trouble);
    } catch (CollectionRefused refused) {
      close(channel);
      throw refused;
    }
  }

  private static void close(@Nullable FileChannel channel) throws CollectionRefused {
    try {
      if (channel != null) {
        channel.close();
      }
    } catch (IOException trouble) {
      throw new CollectionRefused("the lock cannot be released", trouble);
    }
  }

  private static @Nullable FileLock tryLock(FileChannel channel) throws IOException {
    try {
      return channel.tryLock();
    } catch (OverlappingFileLockException sameProgram) {
      return null;
    }
  }

  private static void prepare(Connection db, Path folder) throws SQLException, CollectionRefused {
    try (Statement statement = db.createStatement()) {
      statement.execute("PRAGMA journal_mode = WAL");
      statement.execute("PRAGMA synchronous = FULL");
      try (ResultSet check = statement.executeQuery("PRAGMA quick_check")) {
        if (!check.next() || !check.getString(1).equals("ok")) {
          throw new CollectionRefused(
              "the database in " + folder + " is damaged; it was not touched");
        }
      }
    }
    if (Schema.isOlder(db)) {
      keepOlder(db, folder);
    }
    Schema.bringUp(db);
  }

  /** Before its form changes, a copy of it is kept. */
  private static void keepOlder(Connection db, Path folder) throws SQLException {
    Path copy = folder.resolve(DatabaseFile.BACKUPS).resolve("before " + Schema.form() + ".db");
    try (PreparedStatement vacuum = db.prepareStatement("VACUUM INTO ?")) {
      Files.createDirectories(copy.getParent());
      if (!Files.exists(copy)) {
        vacuum.setString(1, copy.toString());
        vacuum.execute();
      }
    } catch (IOException trouble) {
      throw new SQLException("no copy could be made of the older database", trouble);
    }
  }

  /** What was wrong with the database when it was opened, in words. */
  public List<String> problems() {
    return problems;
  }

  /**
   * Writes a whole copy of the database, as it is at this moment, while it is open.
   *
   * @param copy must not be there
   */
  public synchronized void copyTo(Path copy) {
    try (PreparedStatement vacuum = db.prepareStatement("VACUUM INTO ?")) {
      vacuum.setString(1, copy.toString());
      vacuum.execute();
    } catch (SQLException trouble) {
      throw StoreBroken.by(trouble);
    }
  }

  /** Work on the database that may fail. */
  @FunctionalInterface
  interface Work<T> {
    T on(Connection db) throws SQLException;
  }

  /** Does work in one transaction: all of it or nothing. */
  synchronized <T> T inTransaction(Work<T> work) {
    boolean outermost = true;
    try {
      outermost = db.getAutoCommit();
      db.setAutoCommit(false);
      T result = work.on(db);
      if (outermost) {
        db.setAutoCommit(true); // commits
      }
      return result;
    } catch (SQLException trouble) {
      takeBack(outermost, trouble);
      throw StoreBroken.by(trouble);
    } catch (RuntimeException trouble) {
      takeBack(outermost, trouble);
      throw trouble;
    }
  }

  /** When a disk is full, the engine takes all back by itself and refuses to do it again. */
  private void takeBack(boolean outermost, Exception trouble) {
    try {
      db.rollback();
    } catch (SQLException done) {
      trouble.addSuppressed(done);
    }
    try {
      if (outermost) {
        db.setAutoCommit(true);
      }
    } catch (SQLException nothingOpen) {
      trouble.addSuppressed(nothingOpen);
    }
  }

  /**
   * Does several things as one transaction.
   *
   * @param work what to do; calls methods of this store
   */
  public void together(Runnable work) {
    inTransaction(
        db -> {
          work.run();
          return true;
        });
  }

  /** All tracks, with empty derived fields. */
  public Snapshot load() {
    return inTransaction(
        db -> {
          List<Field<?>> fields = Schema.stored();
          List<Cell> cells = new ArrayList<>();
          Snapshot snapshot = Snapshot.empty();
          try (Statement statement = db.createStatement();
              ResultSet rows =
                  statement.executeQuery("SELECT id, " + Schema.columns() + " FROM track")) {
            while (rows.next()) {
              int id = rows.getInt(1);
              for (int i = 0; i < fields.size(); i++) {
                String raw = rows.getString(i + 2);
                if (!raw.isEmpty()) {
                  cells.add(new Cell(id, fields.get(i), raw));
                }
              }
              if (cells.size() > 200_000) {
                snapshot = snapshot.with(cells);
                cells.clear();
              }
            }
          }
          return snapshot.with(cells);
        });
  }

  /**
   * Stores values of tracks; tracks that are new are made.
   *
   * @param cells the values; derived fields are passed over
   */
  public void put(List<Cell> cells) {
    Map<Field<?>, List<Cell>> byField = new LinkedHashMap<>();
    for (Cell cell : cells) {
      byField.computeIfAbsent(cell.field(), f -> new ArrayList<>()).add(cell);
    }
    byField.keySet().retainAll(Schema.stored());
    inTransaction(
        db -> {
          try (PreparedStatement make =
              db.prepareStatement("INSERT OR IGNORE INTO track (id) VALUES (?)")) {
            for (int id : cells.stream().map(Cell::id).distinct().toList()) {
              make.setInt(1, id);
              make.addBatch();
            }
            make.executeBatch();
          }
          for (Map.Entry<Field<?>, List<Cell>> one : byField.entrySet()) {
            String sql = "UPDATE track SET " + Schema.column(one.getKey()) + " = ? WHERE id = ?";
            try (PreparedStatement update = db.prepareStatement(sql)) {
              for (Cell cell : one.getValue()) {
                update.setString(1, cell.raw());
                update.setInt(2, cell.id());
                update.addBatch();
              }
              update.executeBatch();
            }
          }
          return true;
        });
  }

  /** The named roots and where they are now. */
  public Map<String, Path> roots() {
    return inTransaction(
        db -> {
          Map<String, Path> roots = new LinkedHashMap<>();
          try (Statement statement = db.createStatement();
              ResultSet rows =
                  statement.executeQuery("SELECT name, path FROM root ORDER BY name")) {
            while (rows.next()) {
              roots.put(rows.getString(1), Path.of(rows.getString(2)));
            }
          }
          return roots;
        });
  }

  /** Remembers where a root is. */
  public void putRoot(String name, Path path) {
    update(
        "INSERT INTO root VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET path = excluded.path",
        name,
        path.toString());
  }

  /** Keeps a picture's bytes for undo and for later writing. */
  public void putPicture(String sha256, byte[] bytes) {
    update("INSERT OR IGNORE INTO picture VALUES (?, ?)", sha256, bytes);
  }

  /** A kept picture. */
  public Optional<byte[]> picture(String sha256) {
    return bytes("SELECT bytes FROM picture WHERE sha256 = ?", sha256);
  }

  /** The bytes that a query for one text finds. */
  Optional<byte[]> bytes(String sql, String text) {
    return inTransaction(
        db -> {
          try (PreparedStatement query = db.prepareStatement(sql)) {
            query.setString(1, text);
            try (ResultSet rows = query.executeQuery()) {
              return rows.next() ? Optional.of(rows.getBytes(1)) : Optional.<byte[]>empty();
            }
          }
        });
  }

  /** A kept text, such as the codebook in JSON. */
  public Optional<String> document(String name) {
    return inTransaction(
        db -> {
          try (PreparedStatement query =
              db.prepareStatement("SELECT text FROM document WHERE name = ?")) {
            query.setString(1, name);
            try (ResultSet rows = query.executeQuery()) {
              return rows.next() ? Optional.of(rows.getString(1)) : Optional.<String>empty();
            }
          }
        });
  }

  /** Keeps a text under a name. */
  public void putDocument(String name, String text) {
    update(
        "INSERT INTO document VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET text = excluded.text",
        name,
        text);
  }

  /**
   * How complete the collection was on one day.
   *
   * @param day ISO date
   * @param whole share of values that were there, 0 to 1
   */
  public record Completeness(String day, double whole) {}

  /** Notes how whole the collection is on a day; the day's last note stays. */
  public void putCompleteness(String day, double whole, int tracks) {
    update(
        "INSERT INTO course VALUES (?, ?, ?) ON CONFLICT (day) DO UPDATE SET whole ="
            + " excluded.whole, tracks = excluded.tracks",
        day,
        whole,
        tracks);
  }

  /** How complete the collection was, first day first. */
  public List<Completeness> completenessHistory() {
    return inTransaction(
        db -> {
          List<Completeness> points = new ArrayList<>();
          try (Statement statement = db.createStatement();
              ResultSet rows =
                  statement.executeQuery("SELECT day, whole FROM course ORDER BY day")) {
            while (rows.next()) {
              points.add(new Completeness(rows.getString(1), rows.getDouble(2)));
            }
          }
          return points;
        });
  }

  void update(String sql, Object... values) {
    inTransaction(
        db -> {
          try (PreparedStatement update = db.prepareStatement(sql)) {
            for (int i = 0; i < values.length; i++) {
              update.setObject(i + 1, values[i]);
            }
            return update.executeUpdate();
          }
        });
  }

  @Override
  public void close() {
    try {
      db.close();
      file.closed();
      lock.release();
      lockFile.close();
    } catch (SQLException | IOException trouble) {
      throw new StoreBroken("the collection could not be closed cleanly", trouble);
    }
  }
}
