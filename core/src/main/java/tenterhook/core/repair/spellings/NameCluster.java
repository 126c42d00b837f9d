package tenterhook.core.repair.spellings;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The spellings of one name, which differ in case, accents or punctuation only, and the names that
 * are a slip of a letter away.
 */
public final class NameCluster {
  /** A name that stands on more tracks than this is no slip, however near it is to another. */
  public static final int MOST_SLIPS = 3;

  /** A slip is so many times rarer than what was meant. */
  private static final int RARER = 4;

  /** How often a spelling is used. */
  public static final class Tally {
    private int tracks;
    private int guarded;

    /** Counts a track in (1), or out again (-1). */
    public void add(int step, boolean onGuarded) {
      tracks += step;
      guarded += onGuarded ? step : 0;
    }

    /** On how many tracks it stands. */
    public int tracks() {
      return tracks;
    }

    int guarded() {
      return guarded;
    }
  }

  private final Map<String, Tally> spellings;
  private final Map<String, Map<String, Tally>> near;
  private final Set<String> settled;

  /**
   * A cluster.
   *
   * @param spellings the name's own spellings with counts; not altered
   * @param near keys of names a slip away, with their spellings
   * @param settled spellings that the DJ chose, which go before all others
   */
  public NameCluster(
      Map<String, Tally> spellings, Map<String, Map<String, Tally>> near, Set<String> settled) {
    this.spellings = spellings;
    this.near = near;
    this.settled = settled;
  }

  /** A name with how often it is used in all and its best spelling. */
  record Name(String best, int tracks, int bestTracks, boolean guarded) {}

  /** The spellings of the name itself. */
  public Set<String> spellings() {
    return spellings.keySet();
  }

  int tracks(String spelling) {
    return spellings.get(spelling).tracks();
  }

  /** The name itself. */
  Name own() {
    return name(spellings);
  }

  /**
   * Whether a spelling is surely not the right one: the best stands on twice as many tracks, or
   * this one differs from it in blanks only.
   */
  boolean isClear(String spelling, Name best) {
    return best.bestTracks() >= 2 * tracks(spelling)
        || spelling.strip().replaceAll("\\s+", " ").equals(best.best());
  }

  /** The name that was meant, when this one looks like a slip: near, not guarded, and rare. */
  Optional<Name> slipOf() {
    Name own = own();
    if (own.guarded() || own.tracks() > MOST_SLIPS) {
      return Optional.empty();
    }
    return near.values().stream()
        .map(this::name)
        .filter(big -> big.tracks() >= own.tracks() * RARER)
        .max(
            (a, b) ->
                a.tracks() != b.tracks() ? a.tracks() - b.tracks() : b.best().compareTo(a.best()));
  }

  private Name name(Map<String, Tally> some) {
    int tracks = 0;
    boolean guarded = false;
    String best = "";
    double bestScore = -1;
    for (Map.Entry<String, Tally> one : some.entrySet()) {
      boolean firm = one.getValue().guarded() > 0 || settled.contains(one.getKey());
      double score = (firm ? 1e6 : 0) + one.getValue().tracks() + looks(one.getKey());
      tracks += one.getValue().tracks();
      guarded |= firm;
      if (score > bestScore) {
        best = one.getKey();
        bestScore = score;
      }
    }
    return new Name(best, tracks, some.get(best).tracks(), guarded);
  }

  /** Between spellings that are used equally often: capitals, single blanks, article in front. */
  private static double looks(String text) {
    double score = 0.5;
    score -= text.equals(text.toLowerCase(Locale.ROOT)) ? 0.2 : 0;
    score -= text.equals(text.toUpperCase(Locale.ROOT)) ? 0.2 : 0;
    score -= text.contains("  ") || !text.equals(text.strip()) ? 0.2 : 0;
    score -= text.contains(", ") || text.contains("-") || text.contains("_") ? 0.1 : 0;
    score += text.contains(" ") ? 0.01 : 0;
    return score;
  }
}
