package tenterhook.core.merge;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;

/**
 * Makes an edit, given as what was before and what is to be after, on what is now. What only one
 * side altered is taken from that side; what both altered alike is taken once.
 */
public final class ThreeWay {
  private ThreeWay() {}

  /** Merges one part. */
  @FunctionalInterface
  public interface PartMerge<T> {
    /**
     * The part after the edit.
     *
     * @throws MergeConflict when it was altered otherwise meanwhile
     */
    T merge(T before, T after, T now) throws MergeConflict;
  }

  /**
   * Merges a value that has no parts.
   *
   * @param what names it in the conflict, such as {@code the rule of crate Fast ska}
   * @throws MergeConflict when both sides altered it, and not alike
   */
  public static <T> T value(T before, T after, T now, String what) throws MergeConflict {
    if (now.equals(before) || now.equals(after)) {
      return after;
    }
    if (after.equals(before)) {
      return now;
    }
    throw new MergeConflict(what + " was changed meanwhile; it stays as it is");
  }

  /**
   * How the parts of a list are told apart.
   *
   * @param key of a part, unique in its list
   * @param named gives a part another key; a part that only its key changed was renamed
   * @param merge merges a part that is in all three
   * @param word what a part is, such as {@code crate}
   */
  public record PartKind<T>(
      Function<T, String> key, BiFunction<T, String, T> named, PartMerge<T> merge, String word) {}

  /**
   * Merges ordered lists of parts.
   *
   * @throws MergeConflict when a part was altered by both sides, and not alike
   */
  public static <T> List<T> list(List<T> before, List<T> after, List<T> now, PartKind<T> kind)
      throws MergeConflict {
    if (now.equals(before)) {
      return after;
    }
    return new ListMerge<>(before, after, now, kind).merged();
  }

  private static final class ListMerge<T> {
    private final PartKind<T> kind;
    private final Map<String, T> before;
    private final Map<String, T> after;
    private final Map<String, T> now;
    private final Map<String, String> renamed = new LinkedHashMap<>();

    ListMerge(List<T> before, List<T> after, List<T> now, PartKind<T> kind) throws MergeConflict {
      this.kind = kind;
      this.before = byKey(before);
      this.after = byKey(after);
      this.now = byKey(now);
    }

    private Map<String, T> byKey(List<T> parts) throws MergeConflict {
      Map<String, T> map = new LinkedHashMap<>();
      for (T part : parts) {
        if (map.put(kind.key().apply(part), part) != null) {
          throw new MergeConflict("a " + kind.word() + " is there twice; all stay as they are");
        }
      }
      return map;
    }

    List<T> merged() throws MergeConflict {
      findRenamed();
      List<T> merged = new ArrayList<>();
      for (Map.Entry<String, T> one : now.entrySet()) {
        kept(one.getKey(), one.getValue()).ifPresent(merged::add);
      }
      add(merged);
      return ordered(merged);
    }

    private void findRenamed() {
      for (String old : before.keySet()) {
        for (String other : after.keySet()) {
          boolean moved = !after.containsKey(old) && !before.containsKey(other);
          if (moved && kind.named().apply(before.get(old), other).equals(after.get(other))) {
            renamed.put(old, other);
          }
        }
      }
    }

    private Optional<T> kept(String key, T part) throws MergeConflict {
      String other = renamed.get(key);
      if (other != null) {
        if (now.containsKey(other)) {
          throw taken(other);
        }
        return Optional.of(kind.named().apply(part, other));
      }
      T old = before.get(key);
      T wanted = after.get(key);
      if (old == null) {
        if (wanted != null && !wanted.equals(part)) {
          throw taken(key);
        }
        return Optional.of(part);
      }
      if (wanted == null) {
        if (!part.equals(old)) {
          throw new MergeConflict(
              "the " + kind.word() + " " + key + " was changed meanwhile; it stays as it is");
        }
        return Optional.empty();
      }
      return Optional.of(kind.merge().merge(old, wanted, part));
    }

    private MergeConflict taken(String key) {
      return new MergeConflict(
          "there is another " + kind.word() + " " + key + " by now; all stay as they are");
    }

    /** New parts go behind the one that stands before them in the edit. */
    private void add(List<T> merged) throws MergeConflict {
      String previous = "";
      for (Map.Entry<String, T> one : after.entrySet()) {
        String key = one.getKey();
        boolean fresh = !before.containsKey(key) && !renamed.containsValue(key);
        if (before.containsKey(key) && !now.containsKey(key)) {
          if (!one.getValue().equals(before.get(key))) {
            throw new MergeConflict("the " + kind.word() + " " + key + " is no longer there");
          }
          continue;
        }
        if (fresh && !now.containsKey(key)) {
          merged.add(place(merged, previous), one.getValue());
        }
        previous = key;
      }
    }

    private int place(List<T> merged, String previous) {
      for (int i = 0; i < merged.size(); i++) {
        if (kind.key().apply(merged.get(i)).equals(previous)) {
          return i + 1;
        }
      }
      return previous.isEmpty() ? 0 : merged.size();
    }

    /** An order that only the edit altered is taken over for the parts that both know. */
    private List<T> ordered(List<T> merged) {
      List<String> known = new ArrayList<>(before.keySet());
      known.retainAll(after.keySet());
      known.retainAll(now.keySet());
      List<String> wanted = new ArrayList<>(after.keySet());
      wanted.retainAll(new HashSet<>(known));
      List<String> present = new ArrayList<>(now.keySet());
      present.retainAll(new HashSet<>(known));
      if (known.equals(wanted) || !known.equals(present)) {
        return merged;
      }
      Map<String, T> parts = new LinkedHashMap<>();
      merged.forEach(part -> parts.put(kind.key().apply(part), part));
      List<T> ordered = new ArrayList<>();
      int next = 0;
      for (String key : parts.keySet()) {
        ordered.add(parts.get(known.contains(key) ? wanted.get(next++) : key));
      }
      return ordered;
    }
  }
}
