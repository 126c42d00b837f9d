package tenterhook.core.weave;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.IntFunction;
import java.util.function.IntPredicate;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.track.Snapshot;

/** The collection's holes, counted by groups and attributes. Immutable. */
public final class Weave {
  private final Snapshot snapshot;
  private final Codebook codebook;
  private final WeaveBy by;
  private final List<WeaveColumn> columns;
  private final Map<String, Row> rows;
  private final Row total;

  /**
   * One row.
   *
   * @param group its name
   * @param tracks how many tracks it has
   * @param holes how many of them have a hole, by column
   */
  public record Row(String group, int tracks, List<Integer> holes) {
    /** Copies. */
    public Row {
      holes = List.copyOf(holes);
    }

    /** The share of values that are there, 0 to 1; 1 when the row has no track. */
    public double whole() {
      long all = (long) tracks * holes.size();
      return all == 0 ? 1 : 1 - holes.stream().mapToLong(Integer::longValue).sum() / (double) all;
    }
  }

  private Weave(
      Snapshot snapshot,
      Codebook codebook,
      WeaveBy by,
      List<WeaveColumn> columns,
      Map<String, Row> rows,
      Row total) {
    this.snapshot = snapshot;
    this.codebook = codebook;
    this.by = by;
    this.columns = columns;
    this.rows = rows;
    this.total = total;
  }

  /**
   * Counts a collection.
   *
   * @param snapshot the collection
   * @param codebook whose demanded facets are columns
   * @param by what the rows are
   */
  public static Weave of(Snapshot snapshot, Codebook codebook, WeaveBy by) {
    List<WeaveColumn> columns = WeaveColumn.all(codebook);
    Row total = row("all", new int[columns.size() + 1]);
    Weave none = new Weave(Snapshot.empty(), codebook, by, columns, Map.of(), total);
    return none.after(snapshot, snapshot.tracks());
  }

  /**
   * The count after tracks changed: only they are counted again.
   *
   * @param after the collection afterwards, under the same codebook
   * @param changed the tracks that may have changed
   */
  public Weave after(Snapshot after, RoaringBitmap changed) {
    Map<String, int[]> steps = new HashMap<>();
    count(steps, snapshot, RoaringBitmap.and(changed, snapshot.tracks()), -1);
    count(steps, after, RoaringBitmap.and(changed, after.tracks()), 1);
    Map<String, Row> next = new TreeMap<>(rows);
    int[] all = counts(total);
    steps.forEach(
        (group, step) -> {
          Row before = rows.get(group);
          int[] counts = before == null ? new int[step.length] : counts(before);
          add(step, counts);
          add(step, all);
          if (counts[0] > 0) {
            next.put(group, row(group, counts));
          } else {
            next.remove(group);
          }
        });
    return new Weave(after, codebook, by, columns, next, row("all", all));
  }

  private static void add(int[] step, int[] counts) {
    for (int i = 0; i < counts.length; i++) {
      counts[i] += step[i];
    }
  }

  private void count(Map<String, int[]> steps, Snapshot at, RoaringBitmap ids, int step) {
    int[] tracks = ids.toArray();
    int[][] rows = new int[tracks.length][];
    IntFunction<String> groups = by.groups(at);
    for (int i = 0; i < tracks.length; i++) {
      rows[i] = steps.computeIfAbsent(groups.apply(tracks[i]), g -> new int[columns.size() + 1]);
      rows[i][0] += step;
    }
    for (int c = 0; c < columns.size(); c++) {
      add(tracks, columns.get(c).holes(at, codebook), rows, c + 1, step);
    }
  }

  /** Column by column: one small loop is compiled long before all is counted. */
  private static void add(int[] tracks, IntPredicate hole, int[][] rows, int column, int step) {
    for (int i = 0; i < tracks.length; i++) {
      if (hole.test(tracks[i])) {
        rows[i][column] += step;
      }
    }
  }

  private static int[] counts(Row row) {
    int[] counts = new int[row.holes().size() + 1];
    counts[0] = row.tracks();
    for (int i = 1; i < counts.length; i++) {
      counts[i] = row.holes().get(i - 1);
    }
    return counts;
  }

  private static Row row(String group, int[] counts) {
    List<Integer> holes = Arrays.stream(counts).skip(1).boxed().toList();
    return new Row(group, counts[0], holes);
  }

  /** What the rows are. */
  public WeaveBy by() {
    return by;
  }

  /** The columns, left to right. */
  public List<WeaveColumn> columns() {
    return columns;
  }

  /** The rows in the order of their names. */
  public List<Row> rows() {
    return List.copyOf(rows.values());
  }

  /** All rows together, named {@code all}. */
  public Row total() {
    return total;
  }

  /** The tracks of a row. */
  public RoaringBitmap tracks(String group) {
    IntFunction<String> groups = by.groups(snapshot);
    return snapshot.tracks(id -> groups.apply(id).equals(group));
  }

  /** The tracks that have a hole in a column. */
  public RoaringBitmap holes(WeaveColumn column) {
    return snapshot.tracks(column.holes(snapshot, codebook));
  }
}
