package tenterhook.adapters.store;

import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.LedgerEntry;

/**
 * The history of every change. A change is entered before the first file is touched and stays open
 * until files and collection agree; an open one found at the start was interrupted.
 */
public final class Ledger {
  private final Store store;

  /** The ledger in a store. */
  public Ledger(Store store) {
    this.store = store;
  }

  /**
   * Enters a change as open.
   *
   * @param change what is going to be done
   * @param at when
   * @param undoes the number of the change it takes back, 0 for none
   * @return its number
   */
  public long open(Change change, Instant at, long undoes) {
    return store.inTransaction(
        db -> {
          long number;
          try (PreparedStatement insert =
              db.prepareStatement(
                  "INSERT INTO change (at, title, undoes, leader) VALUES (?, ?, ?, ?)"
                      + " RETURNING number")) {
            insert.setString(1, at.toString());
            insert.setString(2, change.title());
            insert.setLong(3, undoes);
            insert.setInt(4, change.leader());
            try (ResultSet rows = insert.executeQuery()) {
              rows.next();
              number = rows.getLong(1);
            }
          }
          try (PreparedStatement insert =
              db.prepareStatement("INSERT INTO edit VALUES (?, ?, ?, ?, ?, ?, ?)")) {
            for (int seq = 0; seq < change.edits().size(); seq++) {
              insert.setLong(1, number);
              insert.setInt(2, seq);
              LedgerEdits.bind(insert, change.edits().get(seq));
              insert.addBatch();
            }
            insert.executeBatch();
          }
          store.update(
              "INSERT INTO step (change, track, status) SELECT DISTINCT change, track, 'open'"
                  + " FROM edit WHERE change = ?",
              number);
          return number;
        });
  }

  /**
   * The change that last moved each track's file into a root, by the track.
   *
   * @param root such as the holding bay
   */
  public Map<Integer, Long> lastMovesInto(String root) {
    return store.inTransaction(
        db -> {
          Map<Integer, Long> moves = new HashMap<>();
          try (PreparedStatement query =
              db.prepareStatement(
                  "SELECT track, MAX(change) FROM edit WHERE kind = 'move'"
                      + " AND substr(after, 1, ?) = ? GROUP BY track")) {
            String start = root + "\n";
            query.setInt(1, start.length());
            query.setString(2, start);
            try (ResultSet rows = query.executeQuery()) {
              while (rows.next()) {
                moves.put(rows.getInt(1), rows.getLong(2));
              }
            }
          }
          return moves;
        });
  }

  /**
   * Closes a change as far as it is certain: what was refused leaves the ledger, what is not yet
   * confirmed stays open. A change of which nothing is left disappears; what is done of one that
   * takes another back is undone there from now on, track by track.
   *
   * @param number the change
   * @param refused the tracks to which nothing was done
   * @param unconfirmed the tracks whose files are to be asked again; 0 among them when edits that
   *     concern no track wait for these
   * @param keepOthers whether edits that concern no track were made
   */
  public void close(
      long number, RoaringBitmap refused, RoaringBitmap unconfirmed, boolean keepOthers) {
    store.together(
        () -> {
          drop(number, refused, unconfirmed, keepOthers);
          forEach(
              RoaringBitmap.andNot(open(number), unconfirmed),
              "UPDATE step SET status = 'done' WHERE change = ? AND track = ?",
              number);
          if (keepOthers) { // they concern no track, which is 0 here
            store.update("UPDATE step SET status = 'done' WHERE change = ? AND track = 0", number);
          }
          store.update(
              "UPDATE change SET open = EXISTS (SELECT 1 FROM step WHERE change = number AND status"
                  + " = 'open'), tracks = (SELECT COUNT(*) FROM step WHERE change = number AND"
                  + " track <> 0) WHERE number = ?",
              number);
          store.update(
              "DELETE FROM change WHERE number = ? AND NOT EXISTS (SELECT 1 FROM edit WHERE change"
                  + " = number)",
              number);
          markUndone(number);
        });
  }

  private void drop(
      long number, RoaringBitmap refused, RoaringBitmap unconfirmed, boolean keepOthers) {
    RoaringBitmap gone = refused.clone();
    if (!keepOthers && !unconfirmed.contains(0)) {
      gone.add(0);
    }
    forEach(gone, "DELETE FROM edit WHERE change = ? AND track = ?", number);
    forEach(gone, "DELETE FROM step WHERE change = ? AND track = ?", number);
  }

  private void forEach(RoaringBitmap tracks, String sql, long number) {
    store.inTransaction(
        db -> {
          try (PreparedStatement statement = db.prepareStatement(sql)) {
            for (int track : tracks) {
              statement.setLong(1, number);
              statement.setInt(2, track);
              statement.addBatch();
            }
            return statement.executeBatch();
          }
        });
  }

  /**
   * What a change took back: it is undone by it now, what that one had undone holds again, what
   * that had undone is undone again, and so on.
   */
  private void markUndone(long by) {
    String done = " AND track IN (SELECT track FROM step WHERE change = ? AND status = 'done')";
    long one = by;
    boolean undone = true;
    count(by);
    for (long next = undoes(one); next != 0; next = undoes(one)) {
      store.update(
          "UPDATE step SET undone_by = ? WHERE change = ? AND undone_by = ?" + done,
          undone ? one : 0,
          next,
          undone ? 0 : one,
          by);
      count(next);
      undone = !undone;
      one = next;
    }
  }

  /** On how many tracks a change holds, and by which change the last of it was taken back. */
  private void count(long change) {
    store.update(
        "UPDATE change SET remaining = (SELECT COUNT(*) FROM step WHERE step.change = number AND"
            + " status = 'done' AND step.undone_by = 0), undone_by = COALESCE((SELECT"
            + " MAX(step.undone_by) FROM step WHERE step.change = number AND NOT EXISTS (SELECT 1"
            + " FROM step WHERE step.change = number AND step.undone_by = 0)), 0) WHERE number ="
            + " ?",
        change);
  }

  private long number(String sql, long value) {
    return store.inTransaction(
        db -> {
          try (PreparedStatement query = db.prepareStatement(sql)) {
            query.setLong(1, value);
            try (ResultSet rows = query.executeQuery()) {
              return rows.next() ? rows.getLong(1) : 0L;
            }
          }
        });
  }

  /** Ends undo of a change: it stays in the ledger, and can no longer be taken back. */
  public void seal(long change) {
    store.together(
        () -> {
          store.update(
              "UPDATE step SET status = 'sealed' WHERE change = ? AND status = 'done'", change);
          store.update("UPDATE change SET remaining = 0 WHERE number = ?", change);
        });
  }

  /** How many bytes are kept so that changes can be taken back, pictures included. */
  public long historyBytes() {
    return number(
        "SELECT (SELECT COALESCE(SUM(LENGTH(body)), 0) FROM patch)"
            + " + (SELECT COALESCE(SUM(LENGTH(bytes)), 0) FROM piece)"
            + " + (SELECT COALESCE(SUM(LENGTH(before) + LENGTH(after)), 0) FROM edit)"
            + " + (SELECT COALESCE(SUM(LENGTH(bytes)), 0) FROM picture) WHERE ? = 0",
        0);
  }

  /**
   * Ends undo of the oldest changes and drops what was kept for it alone.
   *
   * @param upTo the last of them
   * @return how many bytes are no longer kept
   */
  public long shorten(long upTo) {
    long before = historyBytes();
    store.together(
        () -> {
          store.update(
              "UPDATE step SET status = 'sealed' WHERE change <= ? AND status = 'done'", upTo);
          store.update("UPDATE change SET remaining = 0 WHERE number <= ? AND open = 0", upTo);
          store.update(
              "DELETE FROM patch WHERE change <= ? AND change NOT IN (SELECT change FROM step WHERE"
                  + " status = 'open')",
              upTo);
          new ReversePatches(store).dropUnused();
        });
    return before - historyBytes();
  }

  /** The change that a change takes back, 0 for none. */
  public long undoes(long change) {
    return number("SELECT undoes FROM change WHERE number = ?", change);
  }

  /** The track without which a change made no sense, such as a survivor; 0 for none. */
  public int leader(long change) {
    return (int) number("SELECT leader FROM change WHERE number = ?", change);
  }

  /** The tracks of which it is not known yet whether a change reached their files. */
  public RoaringBitmap open(long change) {
    return tracks(
        "SELECT track FROM step WHERE change = ? AND status = 'open' AND track <> 0", change);
  }

  /** The tracks of which any change is not yet known to have reached their files. */
  public RoaringBitmap waiting() {
    return tracks("SELECT track FROM step WHERE status = 'open' AND track > ?", 0);
  }

  /**
   * The tracks on which a change holds and can be taken back; 0 among them for crates and codes.
   */
  public RoaringBitmap holding(long change) {
    return tracks(
        "SELECT track FROM step WHERE change = ? AND status = 'done' AND undone_by = 0", change);
  }

  private RoaringBitmap tracks(String sql, long change) {
    return store.inTransaction(
        db -> {
          RoaringBitmap tracks = new RoaringBitmap();
          try (PreparedStatement query = db.prepareStatement(sql)) {
            query.setLong(1, change);
            try (ResultSet rows = query.executeQuery()) {
              while (rows.next()) {
                tracks.add(rows.getInt(1));
              }
            }
          }
          return tracks;
        });
  }

  /** The numbers of changes that are not yet confirmed on all tracks, the oldest first. */
  public List<Long> interrupted() {
    return store.inTransaction(
        db -> {
          List<Long> numbers = new ArrayList<>();
          try (Statement statement = db.createStatement();
              ResultSet rows =
                  statement.executeQuery(
                      "SELECT number FROM change WHERE open = 1 ORDER BY number")) {
            while (rows.next()) {
              numbers.add(rows.getLong(1));
            }
          }
          return numbers;
        });
  }

  /** All entries, the newest first. */
  public List<LedgerEntry> entries() {
    return store.inTransaction(
        db -> {
          List<LedgerEntry> entries = new ArrayList<>();
          try (Statement statement = db.createStatement();
              ResultSet rows =
                  statement.executeQuery(
                      "SELECT number, at, title, tracks, undoes, undone_by, remaining FROM change"
                          + " WHERE open = 0 OR tracks > 0 ORDER BY number DESC")) {
            while (rows.next()) {
              entries.add(
                  new LedgerEntry(
                      rows.getLong(1),
                      Instant.parse(rows.getString(2)),
                      rows.getString(3),
                      rows.getInt(4),
                      rows.getLong(5),
                      rows.getLong(6),
                      rows.getInt(7)));
            }
          }
          return entries;
        });
  }

  /** The edits of a change as they were made, without those that were refused. */
  public Optional<Change> change(long number) {
    return store.inTransaction(
        db -> {
          List<Edit> edits = new ArrayList<>();
          String title = "";
          try (PreparedStatement query =
              db.prepareStatement(
                  "SELECT title, kind, track, field, before, after FROM edit JOIN change ON number"
                      + " = change WHERE change = ? ORDER BY seq")) {
            query.setLong(1, number);
            try (ResultSet rows = query.executeQuery()) {
              while (rows.next()) {
                title = rows.getString(1);
                edits.add(LedgerEdits.read(rows));
              }
            }
          }
          return edits.isEmpty() ? Optional.empty() : Optional.of(new Change(title, true, edits));
        });
  }
}
