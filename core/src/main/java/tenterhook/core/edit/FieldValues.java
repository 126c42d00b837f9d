package tenterhook.core.edit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Field;
import tenterhook.core.track.Column;
import tenterhook.core.track.Snapshot;

/**
 * The values that some tracks have in a field.
 *
 * @param distinct how many different ones, the empty one included
 * @param frequent the most frequent ones as they stand in the tag, most frequent first
 */
public record FieldValues(int distinct, List<String> frequent) {
  /** Copies. */
  public FieldValues {
    frequent = List.copyOf(frequent);
  }

  /**
   * Counts the values of tracks.
   *
   * @param most how many of the values are named
   */
  public static FieldValues of(Snapshot snapshot, RoaringBitmap ids, Field<?> field, int most) {
    Column column = snapshot.column(field);
    int[] counts = new int[column.dictionary().size()];
    ids.forEach((int id) -> counts[column.number(id)]++);
    List<Integer> numbers = new ArrayList<>();
    for (int number = 0; number < counts.length; number++) {
      if (counts[number] > 0) {
        numbers.add(number);
      }
    }
    List<String> frequent =
        numbers.stream()
            .sorted(Comparator.comparing((Integer number) -> -counts[number]))
            .limit(most)
            .map(column.dictionary()::text)
            .toList();
    return new FieldValues(numbers.size(), frequent);
  }
}
