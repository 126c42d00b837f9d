package tenterhook.core.edit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Finder;
import tenterhook.core.find.Parsed;
import tenterhook.core.track.Snapshot;

/**
 * Codes that follow from a track's data by their own rule, such as an era from the year. They fill
 * facets that the DJ gave no code of, and never take one away.
 */
public final class DerivedCodes {
  private final Snapshot snapshot;
  private final Codebook codebook;
  private final Map<String, RoaringBitmap> tracks = new LinkedHashMap<>();

  /**
   * The derived codes of a collection.
   *
   * @param finder answers the rules; a rule that cannot be read derives nothing
   */
  public DerivedCodes(Snapshot snapshot, Codebook codebook, Finder finder) {
    this.snapshot = snapshot;
    this.codebook = codebook;
    for (Facet facet : codebook.facets()) {
      for (Code code : facet.given()) {
        if (!code.rule().isEmpty()
            && FindParser.parse(code.rule(), codebook) instanceof Parsed.Good good) {
          tracks.put(code.token(), finder.find(good.query(), snapshot.tracks()));
        }
      }
    }
  }

  /** The codes that rules give a track in facets that it carries no code of. */
  public List<String> of(int id) {
    List<String> own = snapshot.value(id, Fields.CODES).orElse(List.of());
    List<String> derived = new ArrayList<>();
    for (Facet facet : codebook.facets()) {
      if (own.stream().noneMatch(c -> facet.code(c).isPresent())) {
        List<String> ruled =
            facet.given().stream()
                .map(Code::token)
                .filter(t -> tracks.containsKey(t) && tracks.get(t).contains(id))
                .toList();
        derived.addAll(facet.many() ? ruled : ruled.stream().limit(1).toList());
      }
    }
    return derived;
  }

  /** Writes what rules give some tracks into their files; empty when they give nothing. */
  public Change write(RoaringBitmap ids) {
    Field<?> field = codebook.notation().target();
    List<Edit> edits = new ArrayList<>();
    ids.forEach(
        (int id) -> {
          List<String> give = of(id);
          if (!give.isEmpty()) {
            String before = snapshot.raw(id, field);
            String after = codebook.rewritten(before, give, List.of());
            edits.add(new Edit.SetField(id, field, before, after));
          }
        });
    return new Change(
        "writes derived codes on " + edits.size() + (edits.size() == 1 ? " track" : " tracks"),
        edits.size() == 1,
        edits);
  }
}
