package tenterhook.adapters.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import tenterhook.core.change.Edit;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.change.Place;
import tenterhook.core.field.Fields;

/**
 * Rows of the ledger: its entries, and each kind of edit as a word, a track, a field, two texts.
 */
final class LedgerRows {
  private LedgerRows() {}

  /** The seven values that enter an edit. */
  static Object[] row(long change, int seq, Edit edit) {
    return switch (edit) {
      case Edit.SetField set ->
          row(change, seq, "set", set.id(), set.field().key(), set.before(), set.after());
      case Edit.MoveFile move ->
          row(change, seq, "move", move.id(), "", text(move.from()), text(move.to()));
      case Edit.Relocate point -> {
        String kept = KeptJson.write(point.kept());
        yield row(change, seq, "point", point.id(), kept, text(point.from()), text(point.to()));
      }
      case Edit.SetCrates crates -> {
        String before = CrateJson.byId(crates.before());
        yield row(change, seq, "crates", 0, "", before, CrateJson.byId(crates.after()));
      }
      case Edit.SetGigs gigs -> {
        String before = GigJson.byId(gigs.before());
        yield row(change, seq, "gigs", 0, "", before, GigJson.byId(gigs.after()));
      }
      case Edit.SetRoot root ->
          row(change, seq, "root", 0, root.name(), root.before(), root.after());
      case Edit.SetCodebook book -> {
        String before = CodebookJson.write(book.before());
        yield row(change, seq, "codebook", 0, "", before, CodebookJson.write(book.after()));
      }
    };
  }

  private static Object[] row(Object... values) {
    return values;
  }

  private static String text(Place place) {
    return place.root() + "\n" + place.path();
  }

  private static Place place(String text) {
    String[] parts = text.split("\n", 2);
    return new Place(parts[0], parts[1]);
  }

  /** The edit in a row of kind, track, field, before, after. */
  static Edit edit(ResultSet row) throws SQLException {
    int track = row.getInt(2);
    String field = row.getString(3);
    String before = row.getString(4);
    String after = row.getString(5);
    return switch (row.getString(1)) {
      case "set" -> new Edit.SetField(track, Fields.of(field), before, after);
      case "move" -> new Edit.MoveFile(track, place(before), place(after));
      case "point" -> new Edit.Relocate(track, place(before), place(after), KeptJson.read(field));
      case "crates" -> new Edit.SetCrates(CrateJson.fromIds(before), CrateJson.fromIds(after));
      case "gigs" -> new Edit.SetGigs(GigJson.fromIds(before), GigJson.fromIds(after));
      case "root" -> new Edit.SetRoot(field, before, after);
      case "codebook" -> new Edit.SetCodebook(CodebookJson.read(before), CodebookJson.read(after));
      default ->
          throw new IllegalStateException("the ledger holds an unknown edit " + row.getString(1));
    };
  }

  /** A row of number, time, title, tracks, undoes, undone by and remaining. */
  static LedgerEntry entry(ResultSet row) throws SQLException {
    return new LedgerEntry(
        row.getLong(1),
        Instant.parse(row.getString(2)),
        row.getString(3),
        row.getInt(4),
        row.getLong(5),
        row.getLong(6),
        row.getInt(7));
  }
}
