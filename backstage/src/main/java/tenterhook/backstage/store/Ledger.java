package tenterhook.backstage.store;

import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
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
import tenterhook.core.change.Place;
import tenterhook.core.field.Fields;

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
                  "INSERT INTO change (at, title, undoes) VALUES (?, ?, ?) RETURNING number")) {
            insert.setString(1, at.toString());
            insert.setString(2, change.title());
            insert.setLong(3, undoes);
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
              bind(insert, change.edits().get(seq));
              insert.addBatch();
            }
            insert.executeBatch();
          }
          return number;
        });
  }

  private static void bind(PreparedStatement insert, Edit edit) throws SQLException {
    switch (edit) {
      case Edit.SetField set ->
          bind(insert, "set", set.id(), set.field().key(), set.before(), set.after());
      case Edit.MoveFile move ->
          bind(insert, "move", move.id(), "", text(move.from()), text(move.to()));
      case Edit.Repoint point ->
          bind(
              insert,
              "point",
              point.id(),
              KeptJson.write(point.kept()),
              text(point.from()),
              text(point.to()));
      case Edit.SetCrates crates ->
          bind(
              insert,
              "crates",
              0,
              "",
              CrateJson.byId(crates.before()),
              CrateJson.byId(crates.after()));
      case Edit.SetCodebook book ->
          bind(
              insert,
              "codebook",
              0,
              "",
              CodebookJson.write(book.before()),
              CodebookJson.write(book.after()));
    }
  }

  private static void bind(
      PreparedStatement insert, String kind, int track, String field, String before, String after)
      throws SQLException {
    insert.setString(3, kind);
    insert.setInt(4, track);
    insert.setString(5, field);
    insert.setString(6, before);
    insert.setString(7, after);
  }

  private static String text(Place place) {
    return place.root() + "\n" + place.path();
  }

  private static Place place(String text) {
    String[] parts = text.split("\n", 2);
    return new Place(parts[0], parts[1]);
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
   * Closes a change: what was refused leaves the ledger. One of which nothing is left disappears;
   * of any other, the change that it takes back, if it does, is undone by it from now on.
   *
   * @param number the change
   * @param undone the tracks that were refused
   * @param tracks how many tracks it altered
   * @param keepOthers whether edits that concern no track were made
   */
  public void close(long number, RoaringBitmap undone, int tracks, boolean keepOthers) {
    store.inTransaction(
        db -> {
          try (PreparedStatement delete =
              db.prepareStatement("DELETE FROM edit WHERE change = ? AND track = ?")) {
            List<Integer> gone = new ArrayList<>();
            undone.forEach((int id) -> gone.add(id));
            if (!keepOthers) {
              gone.add(0);
            }
            for (int id : gone) {
              delete.setLong(1, number);
              delete.setInt(2, id);
              delete.addBatch();
            }
            delete.executeBatch();
          }
          store.update("UPDATE change SET open = 0, tracks = ? WHERE number = ?", tracks, number);
          store.update(
              "DELETE FROM change WHERE number = ? AND NOT EXISTS (SELECT 1 FROM edit WHERE change"
                  + " = number)",
              number);
          markUndone(number);
          return true;
        });
  }

  /** What a change took back; taking back an undo lets the first hold again. */
  private void markUndone(long by) {
    String undone = "(SELECT undoes FROM change WHERE number = ?)";
    store.update(
        "UPDATE change SET undone_by = 0 WHERE number = (SELECT undoes FROM change WHERE number = "
            + undone
            + ")",
        by);
    store.update("UPDATE change SET undone_by = ? WHERE number = " + undone, by, by);
  }

  /** The numbers of changes that were interrupted. */
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
                      "SELECT number, at, title, tracks, undoes, undone_by FROM change"
                          + " WHERE open = 0 ORDER BY number DESC")) {
            while (rows.next()) {
              entries.add(
                  new LedgerEntry(
                      rows.getLong(1),
                      Instant.parse(rows.getString(2)),
                      rows.getString(3),
                      rows.getInt(4),
                      rows.getLong(5),
                      rows.getLong(6)));
            }
          }
          return entries;
        });
  }

  /** The edits of a change as they were made. */
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
                edits.add(edit(rows));
              }
            }
          }
          return edits.isEmpty() ? Optional.empty() : Optional.of(new Change(title, true, edits));
        });
  }

  private static Edit edit(ResultSet rows) throws SQLException {
    int track = rows.getInt(3);
    String before = rows.getString(5);
    String after = rows.getString(6);
    return switch (rows.getString(2)) {
      case "set" -> new Edit.SetField(track, Fields.of(rows.getString(4)), before, after);
      case "move" -> new Edit.MoveFile(track, place(before), place(after));
      case "point" ->
          new Edit.Repoint(track, place(before), place(after), KeptJson.read(rows.getString(4)));
      case "crates" -> new Edit.SetCrates(CrateJson.fromIds(before), CrateJson.fromIds(after));
      case "codebook" -> new Edit.SetCodebook(CodebookJson.read(before), CodebookJson.read(after));
      default ->
          throw new IllegalStateException("the ledger holds an unknown edit " + rows.getString(2));
    };
  }
}
