package tenterhook.core.duplicate;

import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleBiFunction;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** One line of the order in which copies are preferred; the first that tells them apart decides. */
record Preference(String words, ToDoubleBiFunction<Snapshot, Integer> worth) {
  static final Preference FIRST =
      new Preference("nothing tells them apart; first in the list", (s, id) -> -id);

  static final List<Preference> ORDER =
      List.of(
          new Preference("is guarded", (s, id) -> s.raw(id, Fields.GUARDED).isEmpty() ? 0 : 1),
          new Preference("most plays", (s, id) -> s.value(id, Fields.PLAYS).orElse(0)),
          new Preference("longest in the collection", (s, id) -> -added(s, id)),
          new Preference("deepest in folders", (s, id) -> depth(s, id)),
          new Preference("shortest file name", (s, id) -> -s.fileName(id).length()));

  private static double depth(Snapshot snapshot, int id) {
    return snapshot.raw(id, Fields.PATH).chars().filter(c -> c == '/').count();
  }

  private static double added(Snapshot snapshot, int id) {
    double days = Fields.ADDED.type().number(snapshot.raw(id, Fields.ADDED));
    return Double.isNaN(days) ? Double.MAX_VALUE : Math.floor(days);
  }

  boolean decides(Snapshot snapshot, List<Integer> same) {
    return same.stream().mapToDouble(id -> worth.applyAsDouble(snapshot, id)).distinct().count()
        > 1;
  }

  static Comparator<Integer> order(Snapshot snapshot) {
    Comparator<Integer> order = (a, b) -> 0;
    for (Preference line : ORDER) {
      order = order.thenComparing(id -> -line.worth.applyAsDouble(snapshot, id));
    }
    return order.thenComparing(Comparator.naturalOrder());
  }
}
