package tenterhook.core.repair.engine;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.inspect.NameKeys;
import tenterhook.core.repair.inspect.Question;
import tenterhook.core.repair.numbers.Reissues;
import tenterhook.core.repair.spellings.GenreSpellings;
import tenterhook.core.repair.spellings.NameCluster;
import tenterhook.core.repair.spellings.NameCluster.Tally;
import tenterhook.core.text.Capitals;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Snapshot;

/**
 * Counts over the whole collection that inspectors ask for, kept in step track by track: spellings
 * of names, tempos of a genre, the earliest year of a song.
 *
 * <p>Names that are near one another are found by their deletions, as in symmetric-delete spelling
 * correction (W. Garbe, 2012): two keys within d edits share a form from which at most d letters of
 * the first eight are left out.
 */
final class NameIndex {
  private static final int PREFIX = 8;

  private final Map<Field<?>, FieldSpellings> names = new LinkedHashMap<>();
  private final Map<String, NumberCounts> tempos = new HashMap<>();
  private final Map<String, NumberCounts> years = new HashMap<>();

  /** The spellings of one field. */
  private static final class FieldSpellings {
    final Map<String, Map<String, Tally>> byKey = new HashMap<>();

    /**
     * By the hash of a shortened form: those who only share the hash are no slips of each other.
     */
    final Map<Integer, Set<String>> byDeletion = new HashMap<>();

    final Map<String, String> keyOf = new HashMap<>();
  }

  /** Counts the spellings of some fields. */
  NameIndex(List<Field<?>> spelled) {
    spelled.forEach(f -> names.put(f, new FieldSpellings()));
  }

  /** Counts a track in, or out again; says which questions may now have another answer. */
  void count(Snapshot snapshot, int id, int step, Consumer<Question> touched) {
    boolean guarded = !snapshot.raw(id, Fields.GUARDED).isEmpty();
    for (Field<?> field : names.keySet()) {
      for (String value : names(snapshot, id, field)) {
        name(field, value, step, guarded);
        if (field == Fields.ARTIST) {
          touched.accept(new Question(Question.Asked.ARTIST, knownKey(field, value)));
          touched.accept(new Question(Question.Asked.CAPITALED, knownKey(field, value)));
        }
      }
    }
    snapshot
        .value(id, Fields.BPM)
        .ifPresent(
            bpm -> {
              for (String genre : names(snapshot, id, Fields.GENRE)) {
                String key = knownKey(Fields.GENRE, genre);
                tally(tempos, key, (int) Math.round(bpm), step);
                touched.accept(new Question(Question.Asked.TEMPO, key));
              }
            });
    snapshot
        .value(id, Fields.YEAR)
        .ifPresent(
            year -> {
              String song =
                  NameKeys.song(snapshot.raw(id, Fields.ARTIST), snapshot.raw(id, Fields.TITLE));
              if (!Reissues.isReissue(snapshot, id)) {
                tally(years, song, year, step);
                touched.accept(new Question(Question.Asked.ORIGINAL, song));
              }
            });
  }

  /** A track's names in a field; joined genres count as their parts. */
  static List<String> names(Snapshot snapshot, int id, Field<?> field) {
    List<String> values = NameKeys.values(snapshot, id, field);
    return field == Fields.GENRE && values.stream().anyMatch(GenreSpellings::several)
        ? values.stream().flatMap(v -> GenreSpellings.parts(v).stream()).toList()
        : values;
  }

  private static void tally(Map<String, NumberCounts> map, String key, int value, int step) {
    map.compute(
        key,
        (k, counts) -> {
          NumberCounts now = (counts == null ? NumberCounts.NONE : counts).plus(value, step);
          return now.isEmpty() ? null : now;
        });
  }

  private void name(Field<?> field, String value, int step, boolean guarded) {
    String key = knownKey(field, value);
    if (key.isEmpty()) {
      return;
    }
    FieldSpellings known = names.get(field);
    Map<String, Tally> spellings = known.byKey.get(key);
    if (spellings == null) {
      spellings = new TreeMap<>();
      known.byKey.put(key, spellings);
      deletions(key).forEach(d -> known.byDeletion.merge(d, Set.of(key), SmallSets::union));
    }
    Tally tally = spellings.computeIfAbsent(value, v -> new Tally());
    tally.add(step, guarded);
    if (tally.tracks() == 0) {
      spellings.remove(value);
    }
    if (spellings.isEmpty()) {
      known.byKey.remove(key);
      deletions(key)
          .forEach(d -> known.byDeletion.computeIfPresent(d, (x, s) -> SmallSets.minus(s, key)));
    }
  }

  /** The same, remembered: the same spellings come again and again. */
  String knownKey(Field<?> field, String value) {
    return names.get(field).keyOf.computeIfAbsent(value, v -> NameKeys.key(field, v));
  }

  /** The hashes of a key with at most as many letters left out as it may have slips. */
  private static Set<Integer> deletions(String key) {
    Set<String> found = new HashSet<>();
    String prefix = key.substring(0, Math.min(PREFIX, key.length()));
    found.add(prefix);
    int most = NameKey.slips(key.length());
    if (most > 0) {
      shorten(prefix, found);
      if (most > 1) {
        Set.copyOf(found).forEach(f -> shorten(f, found));
      }
    }
    return found.stream().map(String::hashCode).collect(Collectors.toSet());
  }

  private static void shorten(String text, Set<String> found) {
    for (int i = 0; i < text.length(); i++) {
      found.add(text.substring(0, i) + text.substring(i + 1));
    }
  }

  /** A name of a field with the names that it may be a slip of; empty when it is not in use. */
  Optional<NameCluster> cluster(Field<?> field, String key, Set<String> settled) {
    FieldSpellings known = names.get(field);
    Map<String, Tally> spellings = known.byKey.get(key);
    if (spellings == null) {
      return Optional.empty();
    }
    Map<String, Map<String, Tally>> near = new TreeMap<>();
    if (tracks(spellings) <= NameCluster.MOST_SLIPS) {
      near(field, key).forEach(other -> near.put(other, known.byKey.get(other)));
    }
    return Optional.of(new NameCluster(spellings, near, settled));
  }

  private static int tracks(Map<String, Tally> spellings) {
    return spellings.values().stream().mapToInt(Tally::tracks).sum();
  }

  /** The names near a key that are rare enough to be slips of it. */
  Set<String> slipsNear(Field<?> field, String key) {
    Set<String> found = near(field, key);
    found.removeIf(k -> tracks(names.get(field).byKey.get(k)) > NameCluster.MOST_SLIPS);
    return found;
  }

  /** The keys that are a slip of a letter from a key, whether that is in use itself or not. */
  private Set<String> near(Field<?> field, String key) {
    FieldSpellings known = names.get(field);
    Set<String> tried = new HashSet<>();
    Set<String> found = new TreeSet<>();
    for (int deletion : NameKey.slips(key.length()) == 0 ? Set.<Integer>of() : deletions(key)) {
      for (String other : known.byDeletion.getOrDefault(deletion, Set.of())) {
        if (!other.equals(key) && tried.add(other) && NameKey.near(key, other)) {
          found.add(other);
        }
      }
    }
    return found;
  }

  /** All keys of a field. */
  Set<String> keys(Field<?> field) {
    return names.get(field).byKey.keySet();
  }

  /** The answer to a question now. */
  int answer(Question question) {
    return switch (question.kind()) {
      case ARTIST -> tracks(artists(question));
      case CAPITALED ->
          artists(question).entrySet().stream()
              .filter(e -> !Capitals.allLower(e.getKey()) && !Capitals.allUpper(e.getKey()))
              .mapToInt(e -> e.getValue().tracks())
              .sum();
      case TEMPO -> typicalTempo(tempos.getOrDefault(question.key(), NumberCounts.NONE));
      case ORIGINAL -> {
        NumberCounts known = years.get(question.key());
        yield known == null ? 0 : known.least();
      }
    };
  }

  private Map<String, Tally> artists(Question question) {
    return names.get(Fields.ARTIST).byKey.getOrDefault(question.key(), Map.of());
  }

  /** The middle tempo of a genre that keeps to one, or 0: half of its tracks within a quarter. */
  private static int typicalTempo(NumberCounts counts) {
    if (counts.total() < 8) {
      return 0;
    }
    int middle = counts.quantile(0.5);
    return counts.quantile(0.75) - counts.quantile(0.25) <= middle / 5 ? middle : 0;
  }
}
