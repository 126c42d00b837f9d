package tenterhook.core.genre;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import tenterhook.core.text.Fold;

/**
 * The DJ's own order of genres. Immutable; every edit gives another one.
 *
 * @param becomes a spelling, folded, to the genre that it becomes; kept for later arrivals
 * @param parents a genre to the one that it is part of; no circles
 */
public record Genres(Map<String, String> becomes, Map<String, String> parents) {
  /** Nothing settled. */
  public static final Genres NONE = new Genres(Map.of(), Map.of());

  /** Checks that no genre is part of itself, and copies. */
  public Genres {
    TreeMap<String, String> spellings = new TreeMap<>();
    becomes.forEach((from, to) -> spellings.put(Fold.fold(from), to));
    becomes = Collections.unmodifiableMap(spellings);
    parents = Collections.unmodifiableMap(new TreeMap<>(parents));
    for (String child : parents.keySet()) {
      Set<String> way = new LinkedHashSet<>();
      for (String at = child; at != null; at = parents.get(at)) {
        if (!way.add(at)) {
          throw new IllegalArgumentException(
              "'" + child + "' would be part of itself: " + String.join(" › ", way));
        }
      }
    }
  }

  /** The same with one more spelling settled. */
  public Genres with(String spelling, String genre) {
    TreeMap<String, String> more = new TreeMap<>(becomes);
    more.put(Fold.fold(spelling), genre);
    return new Genres(more, parents);
  }

  /**
   * The same with a genre made part of another.
   *
   * @param child the part
   * @param parent what it is part of; empty to let it stand by itself
   * @throws IllegalArgumentException when that would be a circle
   */
  public Genres under(String child, String parent) {
    TreeMap<String, String> more = new TreeMap<>(parents);
    if (parent.isBlank()) {
      more.remove(child);
    } else {
      more.put(child, parent);
    }
    return new Genres(becomes, more);
  }

  /** What a spelling was settled to become; empty when nothing was. */
  public Optional<String> settled(String spelling) {
    return Optional.ofNullable(becomes.get(Fold.fold(spelling)));
  }

  /** The genres that a genre is part of, the nearest first; none for one that stands by itself. */
  public List<String> above(String genre) {
    List<String> found = new ArrayList<>();
    for (Map.Entry<String, String> one : parents.entrySet()) {
      if (Fold.fold(one.getKey()).equals(Fold.fold(genre))) {
        for (String at = one.getValue(); at != null; at = parents.get(at)) {
          found.add(at);
        }
      }
    }
    return found;
  }
}
