package tenterhook.core.code;

import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import tenterhook.core.genre.Genres;
import tenterhook.core.merge.MergeConflict;
import tenterhook.core.merge.ThreeWay;
import tenterhook.core.merge.ThreeWay.PartKind;

/** Makes an edit of the codebook on a codebook that was edited elsewhere meanwhile. */
public final class CodebookMerge {
  private static final PartKind<Code> CODES =
      new PartKind<>(
          Code::token,
          Code::named,
          (before, after, now) -> ThreeWay.value(before, after, now, "the code " + now.token()),
          "code");
  private static final PartKind<Facet> FACETS =
      new PartKind<>(Facet::name, CodebookMerge::named, CodebookMerge::facet, "facet");

  private CodebookMerge() {}

  /**
   * The codebook after an edit.
   *
   * @param before as it was when the edit was made
   * @param after as the edit left it
   * @param now as it is
   * @throws MergeConflict when the same part was altered otherwise meanwhile, or the result would
   *     not hold together
   */
  public static Codebook merge(Codebook before, Codebook after, Codebook now) throws MergeConflict {
    try {
      return new Codebook(
          ThreeWay.list(before.facets(), after.facets(), now.facets(), FACETS),
          ThreeWay.value(
              before.notation(), after.notation(), now.notation(), "how codes are written"),
          new Genres(
              map(before.genres().becomes(), after.genres().becomes(), now.genres().becomes()),
              map(before.genres().parents(), after.genres().parents(), now.genres().parents())),
          ignored(before.ignored(), after.ignored(), now.ignored()),
          ThreeWay.value(before.kinds(), after.kinds(), now.kinds(), "the kinds of items"));
    } catch (IllegalArgumentException apart) {
      throw new MergeConflict(apart.getMessage() + "; the codebook stays as it is");
    }
  }

  private static Facet named(Facet facet, String name) {
    return new Facet(name, facet.question(), facet.many(), facet.demanded(), facet.codes());
  }

  private static Facet facet(Facet before, Facet after, Facet now) throws MergeConflict {
    String what = "the facet " + now.name();
    return new Facet(
        now.name(),
        ThreeWay.value(before.question(), after.question(), now.question(), what),
        ThreeWay.value(before.many(), after.many(), now.many(), what),
        ThreeWay.value(before.demanded(), after.demanded(), now.demanded(), what),
        ThreeWay.list(before.codes(), after.codes(), now.codes(), CODES));
  }

  private static Map<String, String> map(
      Map<String, String> before, Map<String, String> after, Map<String, String> now)
      throws MergeConflict {
    Map<String, String> merged = new TreeMap<>(now);
    Set<String> keys = new TreeSet<>(before.keySet());
    keys.addAll(after.keySet());
    for (String key : keys) {
      String value =
          ThreeWay.value(
              before.getOrDefault(key, ""),
              after.getOrDefault(key, ""),
              now.getOrDefault(key, ""),
              "what is settled of genre " + key);
      if (value.isEmpty()) {
        merged.remove(key);
      } else {
        merged.put(key, value);
      }
    }
    return merged;
  }

  private static Set<String> ignored(Set<String> before, Set<String> after, Set<String> now) {
    Set<String> merged = new TreeSet<>(now);
    before.stream().filter(t -> !after.contains(t)).forEach(merged::remove);
    after.stream().filter(t -> !before.contains(t)).forEach(merged::add);
    return merged;
  }
}
