package tenterhook.core.catalogue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tenterhook.core.text.NameKey;

/**
 * Several catalogues asked one after the other. Where two know the same recording on the same
 * release, the earlier is believed and the later is not heard; so one recording that both know does
 * not look like two. When one of them gives no answer, none is given: half an answer would let a
 * near miss look like the only one.
 */
public final class SeveralCatalogues implements Catalogue {
  private final List<Catalogue> inOrder;

  /** Catalogues, the most believed first. */
  public SeveralCatalogues(List<? extends Catalogue> inOrder) {
    this.inOrder = List.copyOf(inOrder);
  }

  @Override
  public List<CatalogueEntry> search(List<String> words) throws Unanswered, InterruptedException {
    List<List<CatalogueEntry>> answers = new ArrayList<>();
    for (Catalogue one : inOrder) {
      answers.add(one.search(words));
    }
    return joined(answers);
  }

  /** The release as the first catalogue that knows it says. */
  @Override
  public List<CatalogueEntry> album(String album, String artist)
      throws Unanswered, InterruptedException {
    for (Catalogue one : inOrder) {
      List<CatalogueEntry> known = one.album(album, artist);
      if (!known.isEmpty()) {
        return known;
      }
    }
    return List.of();
  }

  @Override
  public Optional<byte[]> artwork(CatalogueEntry entry) throws Unanswered, InterruptedException {
    for (Catalogue one : inOrder) {
      Optional<byte[]> cover = one.artwork(entry);
      if (cover.isPresent()) {
        return cover;
      }
    }
    return Optional.empty();
  }

  private static List<CatalogueEntry> joined(List<List<CatalogueEntry>> answers) {
    List<CatalogueEntry> joined = new ArrayList<>();
    Set<String> said = new HashSet<>();
    for (List<CatalogueEntry> answer : answers) {
      List<String> here = new ArrayList<>();
      for (CatalogueEntry entry : answer) {
        String name = name(entry);
        if (!said.contains(name)) {
          joined.add(entry);
        }
        here.add(name);
      }
      said.addAll(here); // within one catalogue, two of one name are two
    }
    return joined;
  }

  /** What two catalogues call alike: names as they are compared everywhere, letters apart. */
  private static String name(CatalogueEntry entry) {
    return NameKey.of(entry.artist())
        + "\n"
        + NameKey.of(entry.title())
        + "\n"
        + NameKey.of(entry.album());
  }
}
