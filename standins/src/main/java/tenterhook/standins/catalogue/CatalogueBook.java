package tenterhook.standins.catalogue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.core.text.Fold;
import tenterhook.core.text.NameKey;
import tenterhook.standins.demo.DemoRecordings;

/**
 * What the stand-in's service knows. An entry's id is {@code recording/release}: the same recording
 * stands there once for each release that it is on.
 */
public final class CatalogueBook {
  private static final int MADE_UP = 3000;
  private static final int MOST = 16;

  private final List<CatalogueEntry> entries;
  private final Map<String, List<Integer>> byWord = new HashMap<>();

  private CatalogueBook(List<CatalogueEntry> entries) {
    this.entries = List.copyOf(entries);
    for (int i = 0; i < entries.size(); i++) {
      for (String word : words(entries.get(i))) {
        byWord.computeIfAbsent(word, w -> new ArrayList<>()).add(i);
      }
    }
  }

  /**
   * The book that knows the demo of a size, and the made-up rest; always the same for that size.
   *
   * @param tracks the demo's size
   */
  public static CatalogueBook ofDemo(int tracks) {
    List<CatalogueEntry> all = new ArrayList<>(DemoRecordings.of(tracks));
    Random random = new Random(41);
    for (int i = 0; i < MADE_UP; i++) {
      all.add(MadeUp.recording(random, i));
    }
    List<CatalogueEntry> misses = new ArrayList<>();
    for (CatalogueEntry entry : all) {
      MadeUp.nearMisses(entry, random, misses::add);
    }
    all.addAll(misses);
    return new CatalogueBook(all);
  }

  /** All that it knows. */
  public List<CatalogueEntry> entries() {
    return entries;
  }

  private static Set<String> words(CatalogueEntry entry) {
    Set<String> words = new LinkedHashSet<>();
    for (String word : Fold.fold(entry.title() + " " + entry.artist()).split("[^\\p{L}\\p{N}]+")) {
      if (!word.isEmpty()) {
        words.add(word);
      }
    }
    return words;
  }

  /** The entries that share the most words; a rare word counts more than a common one. */
  public List<CatalogueEntry> search(List<String> words) {
    Map<Integer, Double> scores = new HashMap<>();
    for (String word : words) {
      List<Integer> having = byWord.getOrDefault(word, List.of());
      double weight = Math.log(1 + entries.size() / (1.0 + having.size()));
      having.forEach(i -> scores.merge(i, weight, Double::sum));
    }
    return scores.entrySet().stream()
        .sorted(
            Comparator.comparingDouble((Map.Entry<Integer, Double> e) -> -e.getValue())
                .thenComparing(Map.Entry::getKey))
        .limit(MOST)
        .map(e -> entries.get(e.getKey()))
        .toList();
  }

  /** All entries of a release, by number. */
  public List<CatalogueEntry> album(String album, String artist) {
    String name = NameKey.of(album);
    String by = NameKey.of(artist);
    return entries.stream()
        .filter(e -> NameKey.of(e.album()).equals(name))
        .filter(e -> by.isEmpty() || NameKey.of(e.artist()).equals(by))
        .sorted(Comparator.comparingInt(CatalogueEntry::track))
        .toList();
  }
}
