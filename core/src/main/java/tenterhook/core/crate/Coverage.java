package tenterhook.core.crate;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.field.Fields;
import tenterhook.core.track.ItemKind;
import tenterhook.core.track.Snapshot;

/**
 * Two facets crossed: how many awake tracks carry a code of the one and a code of the other, so
 * that thin places are seen before the night. Immutable.
 */
public final class Coverage {
  private static final RoaringBitmap NONE = new RoaringBitmap();

  private final Facet rows;
  private final Facet columns;
  private final Map<String, Map<String, RoaringBitmap>> cells = new HashMap<>();

  /**
   * Counts a collection.
   *
   * @throws IllegalArgumentException when there is no such facet, or both are one
   */
  public Coverage(Snapshot snapshot, Codebook codebook, String rows, String columns) {
    this.rows = facet(codebook, rows);
    this.columns = facet(codebook, columns);
    if (this.rows.equals(this.columns)) {
      throw new IllegalArgumentException("a facet is not crossed with itself");
    }
    IntPredicate others = ItemKind.others(snapshot);
    snapshot
        .tracks(
            id ->
                snapshot.raw(id, Fields.RESTING).isEmpty()
                    && !snapshot.lost(id)
                    && !others.test(id))
        .forEach((int id) -> enter(id, snapshot.value(id, Fields.CODES).orElse(List.of())));
  }

  private static Facet facet(Codebook codebook, String name) {
    return codebook
        .facet(name)
        .orElseThrow(() -> new IllegalArgumentException("no facet '" + name + "'"));
  }

  private void enter(int id, List<String> codes) {
    for (String row : codes) {
      for (String column : codes) {
        if (rows.code(row).isPresent() && columns.code(column).isPresent()) {
          cells
              .computeIfAbsent(row, r -> new HashMap<>())
              .computeIfAbsent(column, c -> new RoaringBitmap())
              .add(id);
        }
      }
    }
  }

  /** The facet whose codes are rows. */
  public Facet rows() {
    return rows;
  }

  /** The facet whose codes are columns. */
  public Facet columns() {
    return columns;
  }

  /** The tracks that carry two codes. A copy. */
  public RoaringBitmap tracks(String row, String column) {
    return cells.getOrDefault(row, Map.of()).getOrDefault(column, NONE).clone();
  }

  /** How many tracks carry two codes. */
  public int count(String row, String column) {
    return cells.getOrDefault(row, Map.of()).getOrDefault(column, NONE).getCardinality();
  }

  /**
   * A place of the table.
   *
   * @param row token
   * @param column token
   */
  public record Crossing(String row, String column) {}
}
