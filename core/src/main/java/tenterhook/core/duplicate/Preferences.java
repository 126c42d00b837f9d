package tenterhook.core.duplicate;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import tenterhook.core.duplicate.Preference.Criterion;

/**
 * The DJ's order of what makes one copy better than another.
 *
 * @param lines the first that tells the best copy apart decides
 */
public record Preferences(List<Preference> lines) {
  /** What there is without any work of the DJ's. */
  public static final Preferences USUAL =
      new Preferences(
          List.of(
              Preference.of(Criterion.GUARDED),
              Preference.of(Criterion.LOSSLESS),
              Preference.of(Criterion.QUALITY),
              Preference.of(Criterion.BITRATE),
              Preference.of(Criterion.ARTWORK),
              Preference.of(Criterion.FIELDS),
              Preference.of(Criterion.PLAYS),
              Preference.of(Criterion.CRATES),
              Preference.of(Criterion.OLDEST),
              Preference.of(Criterion.PLAIN_NAME)));

  /** Copies; a line that stands twice counts once. */
  public Preferences {
    lines = List.copyOf(new LinkedHashSet<>(lines));
  }

  /**
   * Copies in order.
   *
   * @param tracks the best first; those that nothing tells apart by their id
   * @param decidedBy the line that set the best apart from all others; empty for a tie
   */
  record Ranking(List<Integer> tracks, Optional<Preference> decidedBy) {
    /** Copies. */
    public Ranking {
      tracks = List.copyOf(tracks);
    }
  }

  /**
   * Puts copies in order.
   *
   * @param ground what is known of them
   * @param copies one or more ids
   */
  Ranking rank(PreferenceContext context, List<Integer> copies) {
    List<Integer> best = new ArrayList<>(copies);
    Optional<Preference> decided = Optional.empty();
    Map<Integer, double[]> worths = new LinkedHashMap<>();
    copies.forEach(id -> worths.put(id, worths(context, id)));
    for (int l = 0; l < lines.size() && best.size() > 1; l++) {
      int line = l;
      double most = best.stream().mapToDouble(id -> worths.get(id)[line]).max().orElse(0);
      best.removeIf(id -> worths.get(id)[line] < most);
      decided = best.size() == 1 ? Optional.of(lines.get(l)) : Optional.empty();
    }
    List<Integer> order = new ArrayList<>(copies);
    order.sort(
        (a, b) -> {
          int unlike = -Arrays.compare(worths.get(a), worths.get(b));
          return unlike != 0 ? unlike : Integer.compare(a, b);
        });
    return new Ranking(order, decided);
  }

  private double[] worths(PreferenceContext context, int id) {
    return lines.stream().mapToDouble(line -> line.worth(context, id)).toArray();
  }

  /**
   * How many groups each line decides, in the order of the lines.
   *
   * @param groups as they were ranked by these preferences
   */
  public Map<Preference, Integer> effect(List<Group> groups) {
    Map<Preference, Integer> effect = new LinkedHashMap<>();
    lines.forEach(line -> effect.put(line, 0));
    groups.forEach(g -> g.decidedBy().ifPresent(p -> effect.merge(p, 1, Integer::sum)));
    return effect;
  }

  /** The same with a line at another place; both places from 0. */
  public Preferences moved(int from, int to) {
    List<Preference> order = new ArrayList<>(lines);
    order.add(to, order.remove(from));
    return new Preferences(order);
  }

  /** The same with one more line at the end. */
  public Preferences plus(Preference line) {
    List<Preference> more = new ArrayList<>(lines);
    more.add(line);
    return new Preferences(more);
  }

  /** The same without a line. */
  public Preferences minus(Preference line) {
    return new Preferences(lines.stream().filter(l -> !l.equals(line)).toList());
  }

  /**
   * Reads what {@link #toString} writes: {@code lossless, quality, root:Rink}.
   *
   * @throws IllegalArgumentException when a line is not known
   */
  public static Preferences parse(String text) {
    return new Preferences(
        Arrays.stream(text.split(","))
            .map(String::strip)
            .filter(t -> !t.isEmpty())
            .map(Preference::parse)
            .toList());
  }

  @Override
  public String toString() {
    return lines.stream().map(Preference::toString).collect(Collectors.joining(", "));
  }
}
