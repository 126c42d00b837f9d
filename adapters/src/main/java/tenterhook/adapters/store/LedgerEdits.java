package tenterhook.adapters.store;

import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;
import tenterhook.core.field.Fields;

/** How each kind of edit stands in a row of the ledger: a word, a track, a field, two texts. */
final class LedgerEdits {
  private LedgerEdits() {}

  /** Puts an edit into the places 3 to 7 of a statement that enters it. */
  static void bind(PreparedStatement insert, Edit edit) throws SQLException {
    switch (edit) {
      case Edit.SetField set ->
          bind(insert, "set", set.id(), set.field().key(), set.before(), set.after());
      case Edit.MoveFile move ->
          bind(insert, "move", move.id(), "", text(move.from()), text(move.to()));
      case Edit.Relocate point ->
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
      case Edit.SetRoot root -> bind(insert, "root", 0, root.name(), root.before(), root.after());
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

  /** The edit in a row of title, kind, track, field, before, after. */
  static Edit read(ResultSet rows) throws SQLException {
    int track = rows.getInt(3);
    String before = rows.getString(5);
    String after = rows.getString(6);
    return switch (rows.getString(2)) {
      case "set" -> new Edit.SetField(track, Fields.of(rows.getString(4)), before, after);
      case "move" -> new Edit.MoveFile(track, place(before), place(after));
      case "point" ->
          new Edit.Relocate(track, place(before), place(after), KeptJson.read(rows.getString(4)));
      case "crates" -> new Edit.SetCrates(CrateJson.fromIds(before), CrateJson.fromIds(after));
      case "root" -> new Edit.SetRoot(rows.getString(4), before, after);
      case "codebook" -> new Edit.SetCodebook(CodebookJson.read(before), CodebookJson.read(after));
      default ->
          throw new IllegalStateException("the ledger holds an unknown edit " + rows.getString(2));
    };
  }
}
