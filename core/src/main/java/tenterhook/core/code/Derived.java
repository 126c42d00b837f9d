package tenterhook.core.code;

import java.util.ArrayList;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/** Keeps the computed fields (codes, strays, folder) in step with what they are computed from. */
public final class Derived {
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
    return cells.isEmpty() ? snapshot : snapshot.with(cells);
  }

  private static String folder(String path) {
    int cut = path.lastIndexOf('/');
    return cut < 0 ? "" : path.substring(0, cut);
  }
}
