package tenterhook.core.derived;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Finder;
import tenterhook.core.find.NamedLists;
import tenterhook.core.find.Parsed;
import tenterhook.core.find.Query;
import tenterhook.core.track.Cell;
import tenterhook.core.track.ItemKind;
import tenterhook.core.track.Snapshot;

/**
 * Keeps the computed fields (codes, strays, folder, kind) in step with what they are computed from.
 */
public final class Derived {
  private static final int FEW = 64;
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);

  private Derived() {}

  /**
   * The snapshot with the computed fields of some tracks made anew.
   *
   * @param snapshot after the change
   * @param codebook the legend
   * @param ids the tracks that changed
   */
  public static Snapshot refreshed(Snapshot snapshot, Codebook codebook, RoaringBitmap ids) {
    List<Cell> cells = new ArrayList<>();
    ids.forEach(
        (int id) -> {
          String text = snapshot.raw(id, codebook.notation().target());
          cells.add(new Cell(id, Fields.CODES, String.join(SEPARATOR, codebook.codesIn(text))));
          cells.add(new Cell(id, Fields.STRAYS, String.join(SEPARATOR, codebook.straysIn(text))));
          cells.add(new Cell(id, Fields.FOLDER, folder(snapshot.raw(id, Fields.PATH))));
        });
    return ids.isEmpty() ? snapshot : withKinds(with(snapshot, cells), codebook, ids);
  }

  /** Most changes leave most computed fields as they are; what is there already is not set. */
  private static Snapshot with(Snapshot snapshot, List<Cell> cells) {
    List<Cell> other =
        cells.stream().filter(c -> !snapshot.raw(c.id(), c.field()).equals(c.raw())).toList();
    return other.isEmpty() ? snapshot : snapshot.with(other);
  }

  private static String folder(String path) {
    int cut = path.lastIndexOf('/');
    return cut < 0 ? "" : path.substring(0, cut);
  }

  /** The kinds come last: their rules may ask for codes. The first whose rule holds is taken. */
  private static Snapshot withKinds(Snapshot snapshot, Codebook codebook, RoaringBitmap ids) {
    Map<ItemKind, RoaringBitmap> found = new EnumMap<>(ItemKind.class);
    Finder finder = new Finder(snapshot, codebook, NamedLists.NONE, LocalDate.EPOCH);
    RoaringBitmap left = ids.clone();
    codebook
        .kinds()
        .rules()
        .forEach(
            (kind, rule) -> {
              RoaringBitmap one = found(finder, read(rule, codebook), left);
              found.put(kind, one);
              left.andNot(one);
            });
    found.put(ItemKind.TRACK, left);
    List<Cell> cells = new ArrayList<>();
    found.forEach(
        (kind, tracks) ->
            tracks.forEach((int id) -> cells.add(new Cell(id, Fields.KIND, kind.key()))));
    return with(snapshot, cells);
  }

  /** Few are asked one by one, which looks at no value of any other track. */
  private static RoaringBitmap found(Finder finder, Query query, RoaringBitmap ids) {
    if (ids.getLongCardinality() > FEW) {
      return finder.find(query, ids);
    }
    RoaringBitmap found = new RoaringBitmap();
    ids.forEach(
        (int id) -> {
          if (finder.holds(query, id)) {
            found.add(id);
          }
        });
    return found;
  }

  /** A rule that cannot be read any more, such as of a facet that is gone, holds for nothing. */
  private static Query read(String rule, Codebook codebook) {
    return FindParser.parse(rule, codebook) instanceof Parsed.Good good
        ? good.query()
        : new Query.Or(List.of());
  }
}
