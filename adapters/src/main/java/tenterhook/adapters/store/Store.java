package tenterhook.adapters.store;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
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
import org.apache.commons.dbutils.QueryRunner;
import org.jspecify.annotations.Nullable;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/**
 * The collection's database: one SQLite file with a write-ahead log, held by one program at a time.
 * Every method is one transaction unless it is called inside {@link #together}.
 */
public final class Store implements AutoCloseable {
  /** The database's file name in the collection's folder. */
  public static final String FILE = "collection.db";

  /** Says what the database says and no more: a message must not hold what was to be stored. */
  private static final QueryRunner RUNNER =
      new QueryRunner(true) {
        @Override
        protected void rethrow(SQLException trouble, String sql, Object... values)
            throws SQLException {
          throw trouble;
        }
      };

  private final Connection db;
  private final DatabaseFile file;
  private final ColumnCache columns;
  private final List<String> problems;
  private final CollectionLock lock;

  /** The tracks as they were found in the column cache. */
  private @Nullable Snapshot cached;

  /** Whether the database failed once, so that what is in memory may not stand in it. */
  private boolean broken;

  private Store(
      Connection db,
      DatabaseFile file,
      ColumnCache columns,
      List<String> problems,
      CollectionLock lock) {
    this.db = db;
    this.file = file;
    this.columns = columns;
    this.problems = List.copyOf(problems);
    this.lock = lock;
  }

  /**
   * Where the collection is that a person means by a folder: the demo keeps its own in a folder
   * {@code collection} beside its music, and the whole may be named for it.
   */
  public static Path meant(Path folder) {
    Path named = folder.toAbsolutePath().normalize();
    Path inside = named.resolve("collection");
    boolean beside = !Files.exists(named.resolve(FILE)) && Files.exists(inside.resolve(FILE));
    return beside ? inside : named;
  }

  /**
   * Opens or makes the database in a folder.
   *
   * @param folder of the collection; made when it is not there
   * @throws CollectionRefused when it is in use, newer or damaged; it is then not touched
   */
  public static Store open(Path folder) throws CollectionRefused {
    CollectionLock lock = CollectionLock.take(folder);
    try {
      return open(folder, lock);
    } catch (IOException | SQLException trouble) {
      lock.release();
      throw CollectionRefused.untouched(folder, trouble);
    } catch (CollectionRefused refused) {
      lock.release();
      throw refused;
    }
  }

  private static Store open(Path folder, CollectionLock lock)
      throws IOException, SQLException, CollectionRefused {
    DatabaseFile file = new DatabaseFile(folder);
    List<String> problems = file.isMissing() ? List.of(gone(file)) : List.of();
    Optional<String> sum = file.check();
    file.backUp(LocalDate.now(ZoneId.systemDefault()), "");
    ColumnCache columns = new ColumnCache(folder);
    Optional<Snapshot> cached = sum.flatMap(columns::read);
    Connection db = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve(FILE));
    try {
      if (prepare(db, folder, sum.isPresent())) {
        cached = Optional.empty();
      }
      file.opened();
    } catch (SQLException | CollectionRefused | IOException | RuntimeException refused) {
      db.close();
      throw refused;
    }
    Store store = new Store(db, file, columns, problems, lock);
    store.cached = cached.orElse(null);
    return store;
  }

  private static String gone(DatabaseFile file) throws IOException {
    return "the database was gone. Codebook and crates are taken from their files, and the holding"
        + " bay is as it was; scan the music to bring the tracks back. "
        + file.newestBackup()
            .map(b -> "Or close the program and put " + b + " in its place")
            .orElse("There is no copy of it");
  }

  /**
   * Makes the database ready. What is as it was closed, to the bit, need not be gone through by the
   * engine as well.
   *
   * @return whether it was brought to another form, so that its tracks may be others
   */
  private static boolean prepare(Connection db, Path folder, boolean asClosed)
      throws SQLException, CollectionRefused {
    try (Statement statement = db.createStatement()) {
      statement.execute("PRAGMA journal_mode = WAL");
      statement.execute("PRAGMA synchronous = FULL");
      if (!asClosed) {
        check(statement, folder);
      }
    }
    boolean older = Schema.isOlder(db);
    if (older) {
      keepOlder(db, folder);
    }
    Schema.bringUp(db);
    return older;
  }

  private static void check(Statement statement, Path folder)
      throws SQLException, CollectionRefused {
    try (ResultSet check = statement.executeQuery("PRAGMA quick_check")) {
      if (!check.next() || !check.getString(1).equals("ok")) {
        throw new CollectionRefused(
            "the database in " + folder + " is damaged; it was not touched");
      }
    }
  }

  /** Before its form changes, a copy of it is kept. */
  private static void keepOlder(Connection db, Path folder) throws SQLException {
    Path copy = folder.resolve(DatabaseFile.BACKUPS).resolve("before " + Schema.form() + ".db");
    try {
      Files.createDirectories(copy.getParent());
      if (!Files.exists(copy)) {
        RUNNER.update(db, "VACUUM INTO ?", copy.toString());
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
   * @throws StoreBroken when the database cannot be read or written
   */
  public synchronized void copyTo(Path copy) {
    try {
      RUNNER.update(db, "VACUUM INTO ?", copy.toString());
    } catch (SQLException trouble) {
      throw StoreBroken.by(trouble);
    }
  }

  /** Work on the database that may fail. */
  @FunctionalInterface
  interface DatabaseWork<T> {
    T on(Connection db) throws SQLException;
  }

  /** Does work in one transaction: all of it or nothing. */
  synchronized <T> T inTransaction(DatabaseWork<T> work) {
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
      broken = true;
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
   * @throws StoreBroken when the database cannot be read or written
   */
  public void together(Runnable work) {
    inTransaction(
        db -> {
          work.run();
          return true;
        });
  }

  /**
   * All tracks with their derived fields, where they are kept beside the database as it is now.
   *
   * @return empty when they have to be read from it
   */
  public Optional<Snapshot> cached() {
    return Optional.ofNullable(cached);
  }

  /**
   * All tracks, with empty derived fields.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public Snapshot load() {
    return StoredTracks.load(this);
  }

  /**
   * Stores values of tracks; tracks that are new are made.
   *
   * @param cells the values; derived fields are passed over
   * @throws StoreBroken when the database cannot be read or written
   */
  public void put(List<Cell> cells) {
    StoredTracks.put(this, cells);
  }

  /**
   * The named roots and where they are now.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public Map<String, Path> roots() {
    Map<String, Path> roots = new LinkedHashMap<>();
    each(
        "SELECT name, path FROM root ORDER BY name",
        row -> roots.put(row.getString(1), Path.of(row.getString(2))));
    return roots;
  }

  /**
   * Remembers where a root is.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public void putRoot(String name, Path path) {
    update(
        "INSERT INTO root VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET path = excluded.path",
        name,
        path.toString());
  }

  /**
   * Keeps a picture's bytes for undo and for later writing.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public void putPicture(String sha256, byte[] bytes) {
    update("INSERT OR IGNORE INTO picture VALUES (?, ?)", sha256, bytes);
  }

  /**
   * A kept picture.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public Optional<byte[]> picture(String sha256) {
    return bytes("SELECT bytes FROM picture WHERE sha256 = ?", sha256);
  }

  /** The bytes that a query for one text finds. */
  Optional<byte[]> bytes(String sql, String text) {
    return first(sql, row -> row.getBytes(1), text);
  }

  /**
   * A kept text, such as the codebook in JSON.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public Optional<String> document(String name) {
    return first("SELECT text FROM document WHERE name = ?", row -> row.getString(1), name);
  }

  /**
   * All kept texts whose names begin alike.
   *
   * @param prefix how they begin, without a wildcard in it
   * @return by the rest of the name
   * @throws StoreBroken when the database cannot be read or written
   */
  public Map<String, String> documents(String prefix) {
    Map<String, String> texts = new LinkedHashMap<>();
    each(
        "SELECT name, text FROM document WHERE name LIKE ? || '%'",
        row -> texts.put(row.getString(1).substring(prefix.length()), row.getString(2)), prefix);
    return texts;
  }

  /**
   * Keeps a text under a name.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
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

  /**
   * Notes how whole the collection is on a day; the day's last note stays.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public void putCompleteness(String day, double whole, int tracks) {
    update(
        "INSERT INTO course VALUES (?, ?, ?) ON CONFLICT (day) DO UPDATE SET whole ="
            + " excluded.whole, tracks = excluded.tracks",
        day,
        whole,
        tracks);
  }

  /**
   * How complete the collection was, first day first.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public List<Completeness> completenessHistory() {
    return list(
        "SELECT day, whole FROM course ORDER BY day",
        row -> new Completeness(row.getString(1), row.getDouble(2)));
  }

  /** Reads a row of what a query finds. */
  @FunctionalInterface
  interface RowReader<T> {
    T read(ResultSet row) throws SQLException;
  }

  /** Takes a row of what a query finds. */
  @FunctionalInterface
  interface RowTaker {
    void take(ResultSet row) throws SQLException;
  }

  /** Hands out all rows that a query finds, one by one as they are read. */
  void each(String sql, RowTaker each, Object... values) {
    inTransaction(
        db ->
            RUNNER.query(
                db,
                sql,
                rows -> {
                  while (rows.next()) {
                    each.take(rows);
                  }
                  return true;
                },
                values));
  }

  /** All rows that a query finds. */
  <T> List<T> list(String sql, RowReader<T> row, Object... values) {
    List<T> all = new ArrayList<>();
    each(sql, rows -> all.add(row.read(rows)), values);
    return all;
  }

  /** The first row that a query finds. */
  <T> Optional<T> first(String sql, RowReader<T> row, Object... values) {
    return inTransaction(
        db ->
            RUNNER.query(
                db,
                sql,
                rows -> rows.next() ? Optional.of(row.read(rows)) : Optional.<T>empty(),
                values));
  }

  void update(String sql, Object... values) {
    inTransaction(db -> RUNNER.update(db, sql, values));
  }

  /** Does the same with each of several rows of values. */
  void batch(String sql, List<Object[]> values) {
    inTransaction(db -> RUNNER.batch(db, sql, values.toArray(Object[][]::new)));
  }

  /**
   * Closes the database and keeps its tracks beside it, to be quick at the next opening.
   *
   * @param snapshot what the database holds, with its derived fields
   */
  public void close(Snapshot snapshot) {
    close(Optional.of(snapshot));
  }

  @Override
  public void close() {
    close(Optional.empty());
  }

  private void close(Optional<Snapshot> snapshot) {
    try {
      db.close();
      Optional<String> sum = file.closed();
      if (sum.isPresent() && snapshot.isPresent() && !broken) {
        keepColumns(snapshot.get(), sum.get());
      }
      lock.release();
    } catch (SQLException | IOException | CollectionRefused trouble) {
      throw new StoreBroken("the collection could not be closed cleanly", trouble);
    }
  }

  private void keepColumns(Snapshot snapshot, String sum) {
    try {
      if (snapshot == cached) {
        columns.keepFor(sum);
      } else {
        columns.write(snapshot, sum);
      }
    } catch (IOException noRoom) {
      // what could not be kept is read from the database
    }
  }
}
