package tenterhook.core.code;

import java.util.AbstractList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;
import java.util.TreeMap;

/**
 * Facets in order, with an index of their tokens and synonyms, upper and lower case alike: codes
 * are asked for once or more for each code of each track. Immutable.
 */
final class IndexedFacets extends AbstractList<Facet> implements RandomAccess {
  private final List<Facet> facets;
  private final Map<String, PlacedCode> codes = new TreeMap<>(String.CASE_INSENSITIVE_ORDER);

  /**
   * A code with its facet.
   *
   * @param place among all codes, in the order of facets and codes
   */
  record PlacedCode(Facet facet, Code code, int place) {}

  private IndexedFacets(Collection<Facet> facets) {
    this.facets = List.copyOf(facets);
    int place = 0;
    for (Facet facet : this.facets) {
      for (Code code : facet.codes()) {
        PlacedCode placed = new PlacedCode(facet, code, place++);
        codes.putIfAbsent(code.token(), placed);
        code.synonyms().forEach(s -> codes.putIfAbsent(s, placed));
      }
    }
  }

  static IndexedFacets copyOf(Collection<Facet> facets) {
    return facets instanceof IndexedFacets same ? same : new IndexedFacets(facets);
  }

  /** What a token or synonym means; empty for a stray. */
  Optional<PlacedCode> code(String token) {
    return Optional.ofNullable(codes.get(token));
  }

  @Override
  public Facet get(int index) {
    return facets.get(index);
  }

  @Override
  public int size() {
    return facets.size();
  }
}
