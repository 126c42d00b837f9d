package tenterhook.core.repair.engine;

import java.util.HashSet;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Sets that nearly always have one element: such a one is kept as small as can be. */
final class SmallSets {
  private SmallSets() {}

  /** Both together; the first one may be altered for it, unless it has one element. */
  static <T> Set<T> union(Set<T> some, Set<T> more) {
    if (some.size() < 2) {
      return some.containsAll(more) ? some : some.isEmpty() ? Set.copyOf(more) : grown(some, more);
    }
    some.addAll(more);
    return some;
  }

  private static <T> Set<T> grown(Set<T> some, Set<T> more) {
    Set<T> all = new HashSet<>(some);
    all.addAll(more);
    return all;
  }

  /** Without an element, or null when nothing is left, so that a map lets go of it. */
  static <T> @Nullable Set<T> minus(Set<T> some, T one) {
    if (some.size() < 2) {
      return some.contains(one) ? null : some;
    }
    some.remove(one);
    return some.size() == 1 ? Set.copyOf(some) : some;
  }
}
