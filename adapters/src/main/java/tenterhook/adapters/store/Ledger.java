package tenterhook.adapters.store;

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
  private final UndoneSteps undone;

  /** The ledger in a store. */
  public Ledger(Store store) {
    this.store = store;
    this.undone = new UndoneSteps(store);
  }

  /**
   * Enters a change as open.
   *
   * @param change what is going to be done
   * @param at when
   * @param undoes the number of the change it takes back, 0 for none
   * @return its number
   * @throws StoreBroken when the database cannot be read or written
   */
  public long open(Change change, Instant at, long undoes) {
    return store.inTransaction(db -> entered(change, at, undoes));
  }

  private long entered(Change change, Instant at, long undoes) {
    long number =
        store
            .first(
                "INSERT INTO change (at, title, undoes, leader) VALUES (?, ?, ?, ?) RETURNING"
                    + " number",
                row -> row.getLong(1),
                at.toString(),
                change.title(),
                undoes,
                change.leader())
            .orElseThrow();
    List<Object[]> edits = new ArrayList<>();
    for (Edit edit : change.edits()) {
      edits.add(LedgerRows.row(number, edits.size(), edit));
    }
    store.batch("INSERT INTO edit VALUES (?, ?, ?, ?, ?, ?, ?)", edits);
    store.update(
        "INSERT INTO step (change, track, status) SELECT DISTINCT change, track, 'open' FROM edit"
            + " WHERE change = ?",
        number);
    return number;
  }

  /**
   * The change that last moved each track's file into a root, by the track.
   *
   * @param root such as the holding bay
   * @throws StoreBroken when the database cannot be read or written
   */
  public Map<Integer, Long> lastMovesInto(String root) {
    String start = root + "\n";
    Map<Integer, Long> moves = new HashMap<>();
    store.each(
        "SELECT track, MAX(change) FROM edit WHERE kind = 'move' AND substr(after, 1, ?) = ? GROUP"
            + " BY track",
        row -> moves.put(row.getInt(1), row.getLong(2)),
        start.length(),
        start);
    return moves;
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
   * @throws StoreBroken when the database cannot be read or written
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
          undone.mark(number);
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
    List<Object[]> rows = new ArrayList<>();
    tracks.forEach((int track) -> rows.add(new Object[] {number, track}));
    store.batch(sql, rows);
  }

  /**
   * Ends undo of a change: it stays in the ledger, and can no longer be taken back.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public void seal(long change) {
    store.together(
        () -> {
          store.update(
              "UPDATE step SET status = 'sealed' WHERE change = ? AND status = 'done'", change);
          store.update("UPDATE change SET remaining = 0 WHERE number = ?", change);
        });
  }

  /**
   * The change that a change takes back, 0 for none.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public long undoes(long change) {
    return undone.undoes(change);
  }

  /**
   * The track without which a change made no sense, such as a survivor; 0 for none.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public int leader(long change) {
    return store
        .first("SELECT leader FROM change WHERE number = ?", row -> row.getInt(1), change)
        .orElse(0);
  }

  /**
   * The tracks of which it is not known yet whether a change reached their files.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public RoaringBitmap open(long change) {
    return tracks(
        "SELECT track FROM step WHERE change = ? AND status = 'open' AND track <> 0", change);
  }

  /**
   * The tracks of which any change is not yet known to have reached their files.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public RoaringBitmap waiting() {
    return tracks("SELECT track FROM step WHERE status = 'open' AND track > 0");
  }

  /**
   * The tracks on which a change holds and can be taken back; 0 among them for crates and codes.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public RoaringBitmap holding(long change) {
    return tracks(
        "SELECT track FROM step WHERE change = ? AND status = 'done' AND undone_by = 0", change);
  }

  private RoaringBitmap tracks(String sql, Object... values) {
    RoaringBitmap tracks = new RoaringBitmap();
    store.each(sql, row -> tracks.add(row.getInt(1)), values);
    return tracks;
  }

  /**
   * The numbers of changes that are not yet confirmed on all tracks, the oldest first.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public List<Long> interrupted() {
    return store.list(
        "SELECT number FROM change WHERE open = 1 ORDER BY number", row -> row.getLong(1));
  }

  /**
   * All entries, the newest first.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public List<LedgerEntry> entries() {
    return store.list(
        "SELECT number, at, title, tracks, undoes, undone_by, remaining FROM change WHERE open = 0"
            + " OR tracks > 0 ORDER BY number DESC",
        LedgerRows::entry);
  }

  /**
   * The edits of a change as they were made, without those that were refused.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public Optional<Change> change(long number) {
    List<Edit> edits =
        store.list(
            "SELECT kind, track, field, before, after FROM edit WHERE change = ? ORDER BY seq",
            LedgerRows::edit,
            number);
    return edits.isEmpty()
        ? Optional.empty()
        : store.first(
            "SELECT title FROM change WHERE number = ?",
            row -> new Change(row.getString(1), true, edits),
            number);
  }
}
