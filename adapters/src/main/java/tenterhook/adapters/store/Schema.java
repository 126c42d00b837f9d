package tenterhook.adapters.store;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldOrigin;
import tenterhook.core.field.Fields;

/**
 * The database's tables, by version. A version is never edited; a new one is appended. The columns
 * of table {@code track} follow the catalogue of fields and are added when a field is new.
 */
final class Schema {
  private static final String[] VERSIONS = {
    """
    CREATE TABLE root (name TEXT PRIMARY KEY, path TEXT NOT NULL);
    CREATE TABLE track (id INTEGER PRIMARY KEY);
    CREATE TABLE change (
      number INTEGER PRIMARY KEY AUTOINCREMENT, at TEXT NOT NULL, title TEXT NOT NULL,
      tracks INTEGER NOT NULL DEFAULT 0, undoes INTEGER NOT NULL DEFAULT 0,
      undone_by INTEGER NOT NULL DEFAULT 0, open INTEGER NOT NULL DEFAULT 1);
    CREATE TABLE edit (
      change INTEGER NOT NULL, seq INTEGER NOT NULL, kind TEXT NOT NULL, track INTEGER NOT NULL,
      field TEXT NOT NULL, before TEXT NOT NULL, after TEXT NOT NULL,
      PRIMARY KEY (change, seq)) WITHOUT ROWID;
    CREATE TABLE picture (sha256 TEXT PRIMARY KEY, bytes BLOB NOT NULL);
    CREATE TABLE course (day TEXT PRIMARY KEY, whole REAL NOT NULL, tracks INTEGER NOT NULL);
    CREATE TABLE document (name TEXT PRIMARY KEY, text TEXT NOT NULL);
    """,
    """
    CREATE TABLE measured (
      sound TEXT PRIMARY KEY, version INTEGER NOT NULL, numbers TEXT NOT NULL,
      overview BLOB NOT NULL, print BLOB NOT NULL) WITHOUT ROWID;
    """,
    """
    CREATE TABLE before (
      change INTEGER NOT NULL, track INTEGER NOT NULL, picture TEXT NOT NULL, delta BLOB NOT NULL,
      PRIMARY KEY (change, track));
    """,
    """
    CREATE TABLE step (
      change INTEGER NOT NULL, track INTEGER NOT NULL, status TEXT NOT NULL,
      undone_by INTEGER NOT NULL DEFAULT 0, PRIMARY KEY (change, track)) WITHOUT ROWID;
    INSERT INTO step SELECT DISTINCT change, track, CASE open WHEN 1 THEN 'open' ELSE 'done' END,
      undone_by FROM edit JOIN change ON number = change;
    CREATE INDEX step_open ON step (track) WHERE status = 'open';
    ALTER TABLE change ADD COLUMN remaining INTEGER NOT NULL DEFAULT 0;
    ALTER TABLE change ADD COLUMN leader INTEGER NOT NULL DEFAULT 0;
    UPDATE change SET remaining = (SELECT COUNT(*) FROM step WHERE step.change = number
      AND status = 'done' AND step.undone_by = 0);
    CREATE TABLE piece (sha256 TEXT PRIMARY KEY, bytes BLOB NOT NULL) WITHOUT ROWID;
    CREATE TABLE patch (
      track INTEGER NOT NULL, after TEXT NOT NULL, change INTEGER NOT NULL, before TEXT NOT NULL,
      picture TEXT NOT NULL, body BLOB NOT NULL, PRIMARY KEY (track, after, change));
    CREATE TABLE leftover (
      path TEXT PRIMARY KEY, token TEXT NOT NULL, source TEXT NOT NULL, track INTEGER NOT NULL);
    CREATE TABLE made_folder (
      change INTEGER NOT NULL, path TEXT NOT NULL, PRIMARY KEY (change, path));
    UPDATE track SET f_sound = '' WHERE f_codec IN ('aac', 'alac');
    """,
    """
    UPDATE edit SET field = 'lifecycle' WHERE field = 'standing';
    """
  };

  /** The version in which ways back got a form of their own, found by their files' hashes. */
  private static final int PATCHES = 4;

  /** The version in which what became of a track got the name that it has now. */
  private static final int LIFECYCLE = 5;

  private Schema() {}

  /** The fields that table {@code track} holds, in the order of the catalogue. */
  static List<Field<?>> stored() {
    return Fields.all().stream().filter(f -> f.origin() != FieldOrigin.DERIVED).toList();
  }

  static String column(Field<?> field) {
    return "f_" + field.key();
  }

  static String columns() {
    return stored().stream().map(Schema::column).collect(Collectors.joining(", "));
  }

  /** The form that this program writes, such as {@code form 5}. */
  static String form() {
    return "form " + VERSIONS.length;
  }

  /** Whether a database has an older form than the program's. */
  static boolean isOlder(Connection db) throws SQLException {
    int version = version(db);
    return version > 0 && version < VERSIONS.length;
  }

  /** Brings an older database up to date; refuses a newer one untouched. */
  static void bringUp(Connection db) throws SQLException, CollectionRefused {
    int version = version(db);
    if (version > VERSIONS.length) {
      throw new CollectionRefused(
          "this collection was made by a newer Tenterhook (form "
              + version
              + ", this one knows "
              + VERSIONS.length
              + "); it was not touched. Use the newer program.");
    }
    db.setAutoCommit(false);
    try (Statement statement = db.createStatement()) {
      for (int v = version + 1; v <= VERSIONS.length; v++) {
        bringUp(db, statement, v);
      }
      addColumns(statement);
      db.commit();
    } finally {
      db.setAutoCommit(true);
    }
  }

  private static void bringUp(Connection db, Statement statement, int to) throws SQLException {
    if (to == PATCHES) {
      addColumns(statement);
    }
    for (String sql : VERSIONS[to - 1].split(";\\s*\\n")) {
      if (!sql.isBlank()) {
        statement.executeUpdate(sql);
      }
    }
    if (to == PATCHES) {
      ReversePatches.takeOverFirstForm(db);
    }
    if (to == LIFECYCLE) {
      renameColumn(statement, "f_standing", "f_lifecycle");
    }
    statement.executeUpdate("PRAGMA user_version = " + to);
  }

  /** The new column may have been made already, since columns follow the catalogue of fields. */
  private static void renameColumn(Statement statement, String before, String after)
      throws SQLException {
    Set<String> there = columns(statement);
    if (there.contains(before) && there.contains(after)) {
      statement.executeUpdate("UPDATE track SET " + after + " = " + before);
      statement.executeUpdate("ALTER TABLE track DROP COLUMN " + before);
    } else if (there.contains(before)) {
      statement.executeUpdate("ALTER TABLE track RENAME COLUMN " + before + " TO " + after);
    }
  }

  private static Set<String> columns(Statement statement) throws SQLException {
    Set<String> there = new HashSet<>();
    try (ResultSet rows = statement.executeQuery("PRAGMA table_info(track)")) {
      while (rows.next()) {
        there.add(rows.getString("name"));
      }
    }
    return there;
  }

  private static int version(Connection db) throws SQLException {
    try (Statement statement = db.createStatement();
        ResultSet rows = statement.executeQuery("PRAGMA user_version")) {
      return rows.next() ? rows.getInt(1) : 0;
    }
  }

  private static void addColumns(Statement statement) throws SQLException {
    Set<String> there = columns(statement);
    for (Field<?> field : stored()) {
      if (!there.contains(column(field))) {
        statement.executeUpdate(
            "ALTER TABLE track ADD COLUMN " + column(field) + " TEXT NOT NULL DEFAULT ''");
      }
    }
  }
}
