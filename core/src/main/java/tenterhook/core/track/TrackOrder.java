package tenterhook.core.track;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/** Orders tracks by fields; holes always stand last, equal ones by id. */
public final class TrackOrder {
  private TrackOrder() {}

  /**
   * One field of an order.
   *
   * @param field its key or label
   * @param falling whether the highest stands first
   */
  public record Key(String field, boolean falling) {
    /** Checks the field. */
    public Key {
      Fields.named(field)
          .orElseThrow(() -> new IllegalArgumentException("no field is called '" + field + "'"));
    }

    /** The field. */
    public Field<?> target() {
      return Fields.named(field).orElseThrow();
    }
  }

  /**
   * The order of a field.
   *
   * @param snapshot whose values are compared
   * @param field which attribute
   * @param falling whether the highest stands first
   */
  public static Comparator<Integer> by(Snapshot snapshot, Field<?> field, boolean falling) {
    return values(snapshot, field, falling).thenComparing(Comparator.naturalOrder());
  }

  /**
   * The order of several fields: the first that differs decides.
   *
   * @param snapshot whose values are compared
   * @param keys in the order they are asked; none orders by id
   */
  public static Comparator<Integer> by(Snapshot snapshot, List<Key> keys) {
    Comparator<Integer> order = (a, b) -> 0;
    for (Key key : keys) {
      order = order.thenComparing(values(snapshot, key.target(), key.falling()));
    }
    return order.thenComparing(Comparator.naturalOrder());
  }

  /** Compares the places that values have in the order of their field; holes stand last. */
  private static Comparator<Integer> values(Snapshot snapshot, Field<?> field, boolean falling) {
    Column column = snapshot.column(field);
    int[] places = column.dictionary().places(field.type());
    return (a, b) ->
        Integer.compare(
            place(places[column.number(a)], falling), place(places[column.number(b)], falling));
  }

  private static int place(int place, boolean falling) {
    if (place < 0) {
      return Integer.MAX_VALUE;
    }
    return falling ? Integer.MAX_VALUE - 1 - place : place;
  }

  /**
   * Tracks in the order of several fields, equal ones by id; quicker than to sort by a comparator.
   *
   * @param snapshot whose values are compared
   * @param ids the tracks, in any order; not altered
   * @param keys the first that differs decides; none orders by id
   * @return the same tracks in order
   */
  static int[] sorted(Snapshot snapshot, int[] ids, List<Key> keys) {
    int[] sorted = ids.clone();
    Arrays.sort(sorted);
    for (Key key : keys.reversed()) {
      sorted = stable(snapshot, sorted, key);
    }
    return sorted;
  }

  /** Sorts by one key and leaves equal tracks in the order in which they stand. */
  private static int[] stable(Snapshot snapshot, int[] ids, Key key) {
    Column column = snapshot.column(key.target());
    int[] places = column.dictionary().places(key.target().type());
    long[] keys = new long[ids.length];
    for (int i = 0; i < ids.length; i++) {
      keys[i] = (long) place(places[column.number(ids[i])], key.falling()) << Integer.SIZE | i;
    }
    Arrays.sort(keys);
    int[] sorted = new int[ids.length];
    for (int i = 0; i < ids.length; i++) {
      sorted[i] = ids[(int) keys[i]];
    }
    return sorted;
  }
}
