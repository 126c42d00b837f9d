package tenterhook.core.duplicate;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.duplicate.Criteria.CriteriaLine;
import tenterhook.core.field.Fields;
import tenterhook.core.text.NameKey;
import tenterhook.core.text.Versions;
import tenterhook.core.track.Snapshot;

/** Groups tracks by what their tags say. */
final class TagGroups {
  private static final Set<String> THE_SONG_ITSELF =
      Set.of("original", "originalmix", "originalversion", "albumversion", "singleversion");

  private final Snapshot snapshot;
  private final Criteria criteria;
  private final Map<String, String> cleaned = new HashMap<>();

  private TagGroups(Snapshot snapshot, Criteria criteria) {
    this.snapshot = snapshot;
    this.criteria = criteria;
  }

  /**
   * The groups of two or more.
   *
   * @param tracks which are looked at
   */
  static List<List<Integer>> of(Snapshot snapshot, RoaringBitmap tracks, Criteria criteria) {
    return new TagGroups(snapshot, criteria).groups(tracks);
  }

  /**
   * The versions that a title tells, in a form that can be compared. Guests are no version, nor is
   * what says that it is the song itself, such as {@code (Original Mix)}.
   */
  static String version(String title) {
    String told = Versions.of(Versions.withoutGuests(title));
    String version = told.isEmpty() ? "" : NameKey.plain(told);
    return THE_SONG_ITSELF.contains(version) ? "" : version;
  }

  private List<List<Integer>> groups(RoaringBitmap tracks) {
    Map<String, List<Integer>> byKey = new HashMap<>();
    tracks.forEach(
        (int id) -> {
          String key = key(id);
          if (!key.isEmpty()) {
            byKey.computeIfAbsent(key, k -> new ArrayList<>(2)).add(id);
          }
        });
    List<List<Integer>> groups = new ArrayList<>();
    for (List<Integer> same : byKey.values()) {
      if (same.size() > 1) {
        byVersion(same).stream()
            .filter(one -> one.size() > 1)
            .forEach(one -> groups.addAll(apart(one, 0)));
      }
    }
    groups.sort(Comparator.comparing(List::getFirst));
    return groups;
  }

  /** All that must be equal; empty when a field is. */
  private String key(int id) {
    StringBuilder key = new StringBuilder();
    for (CriteriaLine line : criteria.lines()) {
      String raw = snapshot.raw(id, line.field());
      if (raw.isEmpty()) {
        return "";
      }
      if (line.tolerance() == 0) {
        String part = line.clean() ? cleaned.computeIfAbsent(raw, line::key) : raw;
        if (part.isEmpty()) {
          return "";
        }
        key.append(part).append('\n');
      }
    }
    return key.append('\n').toString();
  }

  /** Versions are told last, since that takes longest and few tracks agree in all else. */
  private Collection<List<Integer>> byVersion(List<Integer> same) {
    return same.stream()
        .collect(Collectors.groupingBy(id -> version(snapshot.raw(id, Fields.TITLE))))
        .values();
  }

  /**
   * Splits by the lines with a tolerance. The first of a group in order sets its bounds, so that
   * none is further from it than the tolerance.
   */
  private List<List<Integer>> apart(List<Integer> same, int from) {
    for (int l = from; l < criteria.lines().size(); l++) {
      CriteriaLine line = criteria.lines().get(l);
      if (line.tolerance() > 0) {
        List<List<Integer>> groups = new ArrayList<>();
        for (List<Integer> near : near(same, line)) {
          groups.addAll(apart(near, l + 1));
        }
        return groups;
      }
    }
    return List.of(same);
  }

  private List<List<Integer>> near(List<Integer> same, CriteriaLine line) {
    List<Integer> order = new ArrayList<>(same);
    order.sort(Comparator.comparingDouble(id -> line.number(snapshot.raw(id, line.field()))));
    List<List<Integer>> groups = new ArrayList<>();
    List<Integer> group = new ArrayList<>();
    double first = 0;
    for (int id : order) {
      double value = line.number(snapshot.raw(id, line.field()));
      if (!group.isEmpty() && value - first > line.tolerance()) {
        groups.add(group);
        group = new ArrayList<>();
      }
      first = group.isEmpty() ? value : first;
      group.add(id);
    }
    groups.add(group);
    return groups.stream().filter(g -> g.size() > 1).toList();
  }
}
