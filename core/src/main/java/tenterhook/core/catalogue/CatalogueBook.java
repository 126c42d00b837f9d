package tenterhook.core.catalogue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tenterhook.core.text.Fold;
import tenterhook.core.text.NameKey;

/**
 * A catalogue whose entries are all in memory: a file's, or a service's. Words are weighed by how
 * rare they are (inverse document frequency). Never changes; safe in several threads.
 */
public final class CatalogueBook implements Catalogue {
  private static final int MOST = 16;

  private final List<CatalogueEntry> entries;
  private final Map<String, List<Integer>> byWord = new HashMap<>();
  private final Map<String, List<CatalogueEntry>> byAlbum = new HashMap<>();

  private CatalogueBook(List<CatalogueEntry> entries) {
    this.entries = List.copyOf(entries);
    for (int i = 0; i < entries.size(); i++) {
      CatalogueEntry entry = entries.get(i);
      for (String word : words(entry)) {
        byWord.computeIfAbsent(word, w -> new ArrayList<>()).add(i);
      }
      byAlbum.computeIfAbsent(NameKey.of(entry.album()), a -> new ArrayList<>()).add(entry);
    }
  }

  /** The catalogue of some entries. */
  public static CatalogueBook of(List<CatalogueEntry> entries) {
    return new CatalogueBook(entries);
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

  @Override
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

  @Override
  public List<CatalogueEntry> album(String album, String artist) {
    String by = NameKey.of(artist);
    return byAlbum.getOrDefault(NameKey.of(album), List.of()).stream()
        .filter(e -> by.isEmpty() || NameKey.of(e.artist()).equals(by))
        .sorted(Comparator.comparingInt(CatalogueEntry::track))
        .toList();
  }
}
