package tenterhook.core.gig;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import org.apache.commons.text.similarity.LevenshteinDistance;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.core.catalogue.Facts;
import tenterhook.core.catalogue.Matcher;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.text.Romanized;
import tenterhook.core.track.Column;
import tenterhook.core.track.Snapshot;

/**
 * The collection as a catalogue for wishes: finds recordings by words that may be misspelled, in
 * another script or in any order, and says how sure each is. Files of one recording count as one.
 */
public final class WishIndex {
  private static final int CANDIDATES = 60;
  private static final int COMMON = 2_000;

  /** As much as two rare words. */
  private static final double RUN_TOGETHER = 20;

  private static final RoaringBitmap NONE = new RoaringBitmap();
  private static final double SECONDS_APART = 9;
  private static final LevenshteinDistance ONE = new LevenshteinDistance(1);
  private static final LevenshteinDistance TWO = new LevenshteinDistance(2);

  /** What the index is made of. */
  private static final List<Field<?>> READ =
      List.of(
          Fields.LIFECYCLE,
          Fields.STATE,
          Fields.PATH,
          Fields.ARTIST,
          Fields.TITLE,
          Fields.DURATION);

  private final List<Column> columns;
  private final Map<String, List<Offer>> told = new ConcurrentHashMap<>();
  private final List<WishReading.Names> recordings = new ArrayList<>();
  private final List<List<Integer>> files = new ArrayList<>();
  private final Map<String, RoaringBitmap> byWord = new HashMap<>();
  private final Map<String, RoaringBitmap> byWholeTitle = new HashMap<>();
  private final Map<String, List<String>> byTriple = new HashMap<>();
  private final Map<String, List<String>> bySound = new HashMap<>();

  /**
   * A recording that a wish may be.
   *
   * @param tracks its files, those that are there first
   * @param certainty 0 to 100: how many of 100 such answers are what was meant
   * @param reason what speaks for and against it, in words
   */
  public record Offer(List<Integer> tracks, int certainty, String reason) {
    /** Copies. */
    public Offer {
      tracks = List.copyOf(tracks);
    }
  }

  private WishIndex(List<Column> columns) {
    this.columns = columns;
  }

  private static List<Column> columns(Snapshot snapshot) {
    return READ.stream().map(snapshot::column).toList();
  }

  /** Whether another moment of the collection would give the same index. */
  public boolean holdsFor(Snapshot snapshot) {
    List<Column> now = columns(snapshot);
    return IntStream.range(0, now.size()).allMatch(i -> now.get(i) == columns.get(i));
  }

  /** Reads a collection; takes a while on large ones. */
  public static WishIndex of(Snapshot snapshot) {
    WishIndex index = new WishIndex(columns(snapshot));
    Map<String, List<CatalogueEntry>> same = new LinkedHashMap<>();
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              Facts facts = Facts.of(snapshot, id);
              CatalogueEntry entry =
                  new CatalogueEntry(
                      String.valueOf(id),
                      facts.artist(),
                      facts.title(),
                      "",
                      0,
                      "",
                      0,
                      0,
                      facts.seconds());
              WishReading.Names names = WishReading.Names.of(entry);
              String key =
                  String.join("", names.artist())
                      + '\n'
                      + String.join("", names.title())
                      + '\n'
                      + names.version().stream().sorted().toList();
              same.computeIfAbsent(key, k -> new ArrayList<>()).add(entry);
            });
    same.values().forEach(group -> index.add(group, snapshot));
    return index;
  }

  /** Files of one name are one recording while their lengths agree. */
  private void add(List<CatalogueEntry> group, Snapshot snapshot) {
    group.sort(Comparator.comparingDouble(CatalogueEntry::seconds));
    List<CatalogueEntry> alike = new ArrayList<>();
    for (CatalogueEntry entry : group) {
      if (!alike.isEmpty() && entry.seconds() - alike.getFirst().seconds() > SECONDS_APART) {
        addRecording(alike, snapshot);
        alike = new ArrayList<>();
      }
      alike.add(entry);
    }
    addRecording(alike, snapshot);
  }

  private void addRecording(List<CatalogueEntry> alike, Snapshot snapshot) {
    List<Integer> tracks =
        alike.stream()
            .map(e -> Integer.valueOf(e.id()))
            .sorted(Comparator.comparing(snapshot::lost).thenComparing(id -> id))
            .toList();
    WishReading.Names names = WishReading.Names.of(alike.getFirst());
    int number = recordings.size();
    recordings.add(names);
    files.add(tracks);
    names.title().forEach(w -> put(w, number));
    if (names.title().size() > 1) {
      byWholeTitle
          .computeIfAbsent(String.join("", names.title()), t -> new RoaringBitmap())
          .add(number);
    }
    names.artist().forEach(w -> put(w, number));
  }

  private void put(String word, int number) {
    RoaringBitmap known = byWord.get(word);
    if (known == null) {
      known = new RoaringBitmap();
      byWord.put(word, known);
      for (String triple : triples(word)) {
        byTriple.computeIfAbsent(triple, t -> new ArrayList<>()).add(word);
      }
      bySound.computeIfAbsent(Romanized.sound(word), s -> new ArrayList<>()).add(word);
    }
    known.add(number);
  }

  private static Set<String> triples(String word) {
    String padded = "^" + word + "$";
    Set<String> triples = new HashSet<>();
    for (int i = 0; i + 3 <= padded.length(); i++) {
      triples.add(padded.substring(i, i + 3));
    }
    return triples;
  }

  /** What wishes may be; those that are settled are not looked for. */
  public List<WishAnswer> answers(List<Wish> wishes) {
    return wishes.stream()
        .map(w -> new WishAnswer(w, w.open() ? offers(w.line()) : List.of()))
        .toList();
  }

  /**
   * What a wish may be; worked out once for each.
   *
   * @param wish as it was written
   * @return at most five recordings, the likeliest first; empty when the collection has nothing
   *     like it
   */
  public List<Offer> offers(String wish) {
    return told.computeIfAbsent(wish, this::workedOut);
  }

  private List<Offer> workedOut(String wish) {
    WishLine line = WishLine.of(wish);
    WishReading reading = new WishReading(line);
    List<WishReading.Read> read = new ArrayList<>();
    Map<String, List<Integer>> tracks = new HashMap<>();
    for (int number : candidates(line)) {
      Optional<WishReading.Read> one = reading.of(recordings.get(number));
      one.ifPresent(read::add);
      one.ifPresent(c -> tracks.put(c.compared().entry().id(), files.get(number)));
    }
    List<Matcher.Compared> compared = read.stream().map(one -> one.among(read)).toList();
    return Matcher.answer(compared).matches().stream()
        .map(m -> new Offer(tracks.get(m.entry().id()), m.certainty(), m.reason()))
        .toList();
  }

  /** Recordings that share words with the line, rare words counting more. */
  private List<Integer> candidates(WishLine line) {
    Map<Integer, Double> points = new HashMap<>();
    for (int i = 0; i < line.words().size(); i++) {
      String word = line.words().get(i).text();
      Map<String, Double> like = like(word);
      if (i + 1 < line.words().size()) {
        String joined = word + line.words().get(i + 1).text();
        if (byWord.containsKey(joined)) {
          like.put(joined, 1.0);
        }
      }
      Map<Integer, Double> best = new HashMap<>();
      like.forEach(
          (known, weight) -> {
            RoaringBitmap in = byWord.get(known);
            double rare = Math.log(1 + (double) recordings.size() / in.getCardinality());
            if (in.getCardinality() <= COMMON || like.size() == 1) {
              in.forEach((int n) -> best.merge(n, weight * rare, Math::max));
            }
          });
      best.forEach((n, p) -> points.merge(n, p, Double::sum));
      byWholeTitle
          .getOrDefault(word, NONE)
          .forEach((int n) -> points.merge(n, RUN_TOGETHER, Double::sum));
    }
    return points.entrySet().stream()
        .sorted(
            Map.Entry.<Integer, Double>comparingByValue()
                .reversed()
                .thenComparing(Map.Entry.comparingByKey()))
        .limit(CANDIDATES)
        .map(Map.Entry::getKey)
        .toList();
  }

  /** Words of the collection that this one may be, and how far each counts. */
  private Map<String, Double> like(String word) {
    Map<String, Double> like = new HashMap<>();
    bySound.getOrDefault(Romanized.sound(word), List.of()).forEach(w -> like.put(w, 0.5));
    if (word.length() > 3) {
      Map<String, Integer> shared = new HashMap<>();
      for (String triple : triples(word)) {
        byTriple.getOrDefault(triple, List.of()).forEach(w -> shared.merge(w, 1, Integer::sum));
      }
      LevenshteinDistance slips = word.length() > 5 ? TWO : ONE;
      shared.keySet().stream()
          .filter(w -> Math.abs(w.length() - word.length()) <= 2)
          .filter(w -> slips.apply(word, w) >= 0)
          .forEach(w -> like.put(w, 0.7));
    }
    if (byWord.containsKey(word)) {
      like.put(word, 1.0);
    }
    return like;
  }
}
