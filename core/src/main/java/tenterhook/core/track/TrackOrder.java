package tenterhook.core.track;

import java.util.Comparator;
import tenterhook.core.field.Field;

/** Orders tracks by a field; holes always stand last, equal ones by id. */
public final class TrackOrder {
  private TrackOrder() {}

  /**
   * The order of a field.
   *
   * @param snapshot whose values are compared
   * @param field which attribute
   * @param falling whether the highest stands first
   */
  public static Comparator<Integer> by(Snapshot snapshot, Field<?> field, boolean falling) {
    Column column = snapshot.column(field);
    Dictionary dictionary = column.dictionary();
    return (a, b) -> {
      int x = column.number(a);
      int y = column.number(b);
      if (x == y) {
        return Integer.compare(a, b);
      }
      boolean holeX = isBlank(dictionary, x, field);
      boolean holeY = isBlank(dictionary, y, field);
      if (holeX || holeY) {
        return holeX && holeY ? Integer.compare(a, b) : holeX ? 1 : -1;
      }
      int compared =
          field.type().numeric()
              ? Double.compare(dictionary.value(x, field.type()), dictionary.value(y, field.type()))
              : dictionary.folded(x).compareTo(dictionary.folded(y));
      return compared == 0 ? Integer.compare(a, b) : falling ? -compared : compared;
    };
  }

  private static boolean isBlank(Dictionary dictionary, int number, Field<?> field) {
    return field.type().numeric()
        ? Double.isNaN(dictionary.value(number, field.type()))
        : dictionary.text(number).isEmpty();
  }
}
