package tenterhook.core.track;

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

  private static Comparator<Integer> values(Snapshot snapshot, Field<?> field, boolean falling) {
    Column column = snapshot.column(field);
    Dictionary dictionary = column.dictionary();
    return (a, b) -> {
      int x = column.number(a);
      int y = column.number(b);
      if (x == y) {
        return 0;
      }
      boolean holeX = isBlank(dictionary, x, field);
      boolean holeY = isBlank(dictionary, y, field);
      if (holeX || holeY) {
        return holeX && holeY ? 0 : holeX ? 1 : -1;
      }
      int compared =
          field.type().numeric()
              ? Double.compare(dictionary.value(x, field.type()), dictionary.value(y, field.type()))
              : dictionary.folded(x).compareTo(dictionary.folded(y));
      return falling ? -compared : compared;
    };
  }

  private static boolean isBlank(Dictionary dictionary, int number, Field<?> field) {
    return field.type().numeric()
        ? Double.isNaN(dictionary.value(number, field.type()))
        : dictionary.text(number).isEmpty();
  }
}
