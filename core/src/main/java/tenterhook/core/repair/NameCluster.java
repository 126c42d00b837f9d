package tenterhook.core.repair;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tenterhook.core.repair.Census.Tally;
import tenterhook.core.text.NameKey;

/**
 * Spellings of names that are near one another: first those of one key, which differ in case,
 * accents or punctuation only, then keys that are a slip of the finger apart.
 */
final class NameCluster {
  /** A name that stands on more tracks than this is no slip, however near it is to another. */
  private static final int MOST_SLIPS = 3;

  private final Map<String, Map<String, Tally>> byKey;
  private final Set<String> settled;

  /**
   * A cluster.
   *
   * @param byKey keys to their spellings with counts; not altered
   * @param settled spellings that the DJ chose, which go before all others
   */
  NameCluster(Map<String, Map<String, Tally>> byKey, Set<String> settled) {
    this.byKey = byKey;
    this.settled = settled;
  }

  Set<String> keys() {
    return byKey.keySet();
  }

  /** All spellings with how many tracks have each. */
  Map<String, Integer> spellings() {
    Map<String, Integer> all = new LinkedHashMap<>();
    byKey.values().forEach(s -> s.forEach((text, tally) -> all.put(text, tally.tracks)));
    return all;
  }

  /** The spellings of one key. */
  Set<String> spellingsOf(String key) {
    return byKey.get(key).keySet();
  }

  /** A key with how often it is used in all and its best spelling. */
  record Name(String key, String best, int tracks, boolean guarded) {}

  /** The names, the most used first. */
  List<Name> names() {
    List<Name> found = new ArrayList<>();
    byKey.forEach(
        (key, spellings) -> {
          int tracks = spellings.values().stream().mapToInt(t -> t.tracks).sum();
          boolean guarded =
              spellings.entrySet().stream().anyMatch(s -> firm(s.getKey(), s.getValue()));
          found.add(new Name(key, best(spellings), tracks, guarded));
        });
    found.sort(
        (a, b) -> b.tracks() == a.tracks() ? a.key().compareTo(b.key()) : b.tracks() - a.tracks());
    return found;
  }

  /** The guarded spelling, else the most used one, else the one that looks most like a name. */
  private String best(Map<String, Tally> spellings) {
    String best = "";
    double bestScore = -1;
    for (Map.Entry<String, Tally> one : spellings.entrySet()) {
      double score =
          (firm(one.getKey(), one.getValue()) ? 1e6 : 0)
              + one.getValue().tracks
              + looks(one.getKey());
      if (score > bestScore) {
        best = one.getKey();
        bestScore = score;
      }
    }
    return best;
  }

  private boolean firm(String spelling, Tally tally) {
    return tally.guarded > 0 || settled.contains(spelling);
  }

  /** Between spellings that are used equally often: capitals, single blanks, article in front. */
  private static double looks(String text) {
    double score = 0.5;
    score -= text.equals(text.toLowerCase(java.util.Locale.ROOT)) ? 0.2 : 0;
    score -= text.equals(text.toUpperCase(java.util.Locale.ROOT)) ? 0.2 : 0;
    score -= text.contains("  ") || !text.equals(text.strip()) ? 0.2 : 0;
    score -= text.contains(", ") || text.contains("-") || text.contains("_") ? 0.1 : 0;
    score += text.contains(" ") ? 0.01 : 0;
    return score;
  }

  /** What each key becomes when slips are mended, and by how much the other outnumbers it. */
  Map<String, Name> slips() {
    List<Name> names = names();
    Map<String, Name> becomes = new LinkedHashMap<>();
    Map<String, Integer> counts = new LinkedHashMap<>();
    names.forEach(n -> counts.put(n.key(), n.tracks()));
    boolean moved = true;
    while (moved) {
      moved = false;
      for (Name small : names.reversed()) {
        if (becomes.containsKey(small.key())) {
          continue;
        }
        for (Name big : names) {
          boolean alive = !big.key().equals(small.key()) && !becomes.containsKey(big.key());
          if (alive && slip(small, counts.get(small.key()), big, counts.get(big.key()))) {
            becomes.put(small.key(), big);
            counts.merge(big.key(), counts.get(small.key()), Integer::sum);
            moved = true;
            break;
          }
        }
      }
    }
    becomes.replaceAll((key, name) -> last(becomes, name));
    return becomes;
  }

  private static Name last(Map<String, Name> becomes, Name name) {
    Name end = name;
    while (becomes.containsKey(end.key())) {
      end = becomes.get(end.key());
    }
    return end;
  }

  /** A name is a slip of another when it is near, not guarded, and rare beside it. */
  private static boolean slip(Name small, int smallTracks, Name big, int bigTracks) {
    return !small.guarded()
        && smallTracks <= MOST_SLIPS
        && smallTracks * 4 <= bigTracks
        && NameKey.near(small.key(), big.key());
  }
}
