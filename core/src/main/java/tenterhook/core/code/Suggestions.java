package tenterhook.core.code;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tenterhook.core.field.Fields;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Snapshot;

/**
 * Likely codes for a track, from the tracks that the DJ coded: of the nine that are most like it,
 * so many carry the code (k nearest neighbours; T. Cover and P. Hart, "Nearest neighbor pattern
 * classification", IEEE Trans. Inf. Theory 13, 1967). Like is what agrees of artist, genre, tempo,
 * key, energy and year, each with a weight. Nothing is learned beyond the tracks themselves, and
 * nothing is written unasked. Immutable.
 */
public final class Suggestions {
  /** How many tracks are asked. */
  public static final int ASKED = 9;

  private static final double ARTIST = 3;
  private static final double GENRE = 3;
  private static final double TEMPO = 3;
  private static final double YEAR = 3;
  private static final double ENERGY = 1;
  private static final double KEY = 0.3;
  private static final double NEAR_BPM = 16;
  private static final double NEAR_YEARS = 8;
  private static final double NEAR_ENERGY = 40;
  private static final double MAJORITY = 0.5;

  private final Snapshot snapshot;
  private final Codebook codebook;
  private final Map<String, List<Example>> examples = new HashMap<>();

  /** What is compared of a track; numbers are NaN when not known. */
  private record Traits(
      String artist, String genre, double bpm, double year, double energy, String key) {
    static Traits of(Snapshot snapshot, int id) {
      double bpm = snapshot.value(id, Fields.BPM).orElse(Double.NaN);
      return new Traits(
          NameKey.of(snapshot.raw(id, Fields.ARTIST)),
          snapshot.value(id, Fields.GENRE).map(g -> NameKey.of(g.getFirst())).orElse(""),
          Double.isNaN(bpm) ? snapshot.value(id, Fields.MEASURED_BPM).orElse(Double.NaN) : bpm,
          snapshot.value(id, Fields.YEAR).map(Integer::doubleValue).orElse(Double.NaN),
          snapshot.value(id, Fields.ENERGY).map(Long::doubleValue).orElse(Double.NaN),
          snapshot.raw(id, Fields.KEY));
    }

    double likeness(Traits other) {
      return (same(artist, other.artist) ? ARTIST : 0)
          + (same(genre, other.genre) ? GENRE : 0)
          + (same(key, other.key) ? KEY : 0)
          + TEMPO * near(bpm, other.bpm, NEAR_BPM)
          + YEAR * near(year, other.year, NEAR_YEARS)
          + ENERGY * near(energy, other.energy, NEAR_ENERGY);
    }

    private static boolean same(String a, String b) {
      return !a.isEmpty() && a.equals(b);
    }

    /** 1 for equal, 0 from a distance on or when one is not known. */
    private static double near(double a, double b, double far) {
      double apart = Math.abs(a - b);
      return apart < far ? 1 - apart / far : 0;
    }
  }

  private record Example(int id, Traits traits, List<String> codes) {}

  /**
   * A likely code.
   *
   * @param facet the facet that the track has no code of
   * @param code a token
   * @param like how many of the tracks most like it carry the code
   * @param of how many were asked
   */
  public record Suggestion(String facet, String code, int like, int of) {}

  /**
   * How often suggestions are right, each coded track judged by all others (leave one out).
   *
   * @param facet which facet
   * @param tracks how many tracks carry a code of it
   * @param suggested for how many of them a code was suggested
   * @param right how often the first suggestion is one of the track's codes
   * @param commonest how often always naming the commonest code would be right
   */
  public record Rate(String facet, int tracks, int suggested, int right, int commonest) {}

  /** Learns from the tracks of a collection that carry codes. */
  public Suggestions(Snapshot snapshot, Codebook codebook) {
    this.snapshot = snapshot;
    this.codebook = codebook;
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              List<String> codes = snapshot.value(id, Fields.CODES).orElse(List.of());
              if (!codes.isEmpty()) {
                learn(id, codes);
              }
            });
  }

  private void learn(int id, List<String> codes) {
    Traits traits = Traits.of(snapshot, id);
    for (Facet facet : codebook.facets()) {
      List<String> own = codes.stream().filter(c -> facet.code(c).isPresent()).toList();
      if (!own.isEmpty()) {
        examples
            .computeIfAbsent(facet.name(), f -> new ArrayList<>())
            .add(new Example(id, traits, own));
      }
    }
  }

  /** The likely codes of a track, in the order of facets; facets that it has a code of are left. */
  public List<Suggestion> of(int id) {
    List<String> own = snapshot.value(id, Fields.CODES).orElse(List.of());
    Traits traits = Traits.of(snapshot, id);
    List<Suggestion> all = new ArrayList<>();
    for (Facet facet : codebook.facets()) {
      if (own.stream().noneMatch(c -> facet.code(c).isPresent())) {
        best(facet, id, traits).ifPresent(all::add);
      }
    }
    return all;
  }

  private Optional<Suggestion> best(Facet facet, int id, Traits traits) {
    List<Example> like =
        examples.getOrDefault(facet.name(), List.of()).stream()
            .filter(e -> e.id() != id)
            .map(e -> Map.entry(e.traits().likeness(traits), e))
            .filter(e -> e.getKey() > 0)
            .sorted(Comparator.comparingDouble(e -> -e.getKey()))
            .limit(ASKED)
            .map(Map.Entry::getValue)
            .toList();
    Map<String, Integer> votes = new HashMap<>();
    like.forEach(e -> e.codes().forEach(c -> votes.merge(c, 1, Integer::sum)));
    return facet.given().stream()
        .map(Code::token)
        .filter(votes::containsKey)
        .max(Comparator.comparingInt(votes::get))
        .filter(c -> votes.get(c) >= MAJORITY * like.size())
        .map(c -> new Suggestion(facet.name(), c, votes.get(c), like.size()));
  }

  /** How often suggestions of each facet are right. */
  public List<Rate> rates() {
    return codebook.facets().stream().map(this::rate).toList();
  }

  private Rate rate(Facet facet) {
    List<Example> all = examples.getOrDefault(facet.name(), List.of());
    int suggested = 0;
    int right = 0;
    Map<String, Integer> carriers = new HashMap<>();
    for (Example one : all) {
      one.codes().forEach(c -> carriers.merge(c, 1, Integer::sum));
      Optional<Suggestion> best = best(facet, one.id(), one.traits());
      suggested += best.isPresent() ? 1 : 0;
      right += best.filter(s -> one.codes().contains(s.code())).isPresent() ? 1 : 0;
    }
    int commonest = carriers.values().stream().max(Integer::compare).orElse(0);
    return new Rate(facet.name(), all.size(), suggested, right, commonest);
  }
}
