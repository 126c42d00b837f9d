package tenterhook.adapters.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import tenterhook.core.field.Field;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/** The table of tracks: a row a track, a column a field. */
final class StoredTracks {
  private static final int MOST_CELLS = 200_000;

  private StoredTracks() {}

  /** All tracks, with empty derived fields. */
  static Snapshot load(Store store) {
    Snapshot[] snapshot = {Snapshot.empty()};
    List<Cell> cells = new ArrayList<>();
    List<Field<?>> fields = Schema.stored();
    store.each(
        "SELECT id, " + Schema.columns() + " FROM track",
        row -> {
          read(row, fields, cells);
          if (cells.size() > MOST_CELLS) {
            snapshot[0] = snapshot[0].with(cells);
            cells.clear();
          }
        });
    return snapshot[0].with(cells);
  }

  private static void read(ResultSet row, List<Field<?>> fields, List<Cell> cells)
      throws SQLException {
    int id = row.getInt(1);
    for (int i = 0; i < fields.size(); i++) {
      String raw = row.getString(i + 2);
      if (!raw.isEmpty()) {
        cells.add(new Cell(id, fields.get(i), raw));
      }
    }
  }

  /** Stores values of tracks; tracks that are new are made, derived fields passed over. */
  static void put(Store store, List<Cell> cells) {
    Map<List<Field<?>>, List<Object[]>> byFields = byFields(cells);
    store.together(
        () -> {
          store.batch(
              "INSERT OR IGNORE INTO track (id) VALUES (?)",
              cells.stream().map(Cell::id).distinct().map(id -> new Object[] {id}).toList());
          byFields.forEach((fields, rows) -> store.batch(updating(fields), rows));
        });
  }

  private static String updating(List<Field<?>> fields) {
    return "UPDATE track SET "
        + fields.stream().map(f -> Schema.column(f) + " = ?").collect(Collectors.joining(", "))
        + " WHERE id = ?";
  }

  /** A row for each track: the values of the fields that are set together, and its id. */
  private static Map<List<Field<?>>, List<Object[]>> byFields(List<Cell> cells) {
    Set<Field<?>> stored = Set.copyOf(Schema.stored());
    Map<Integer, Map<Field<?>, String>> byTrack = new LinkedHashMap<>();
    for (Cell cell : cells) {
      if (stored.contains(cell.field())) {
        byTrack
            .computeIfAbsent(cell.id(), id -> new LinkedHashMap<>())
            .put(cell.field(), cell.raw());
      }
    }
    Map<List<Field<?>>, List<Object[]>> byFields = new LinkedHashMap<>();
    byTrack.forEach(
        (id, values) -> {
          List<Object> row = new ArrayList<>(values.values());
          row.add(id);
          byFields
              .computeIfAbsent(List.copyOf(values.keySet()), f -> new ArrayList<>())
              .add(row.toArray());
        });
    return byFields;
  }
}
