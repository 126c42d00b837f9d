package tenterhook.core.repair.numbers;

import java.util.ArrayList;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** Measured tempi and keys for tags that have none; nothing that contradicts a tag. */
public final class SoundFills {
  private SoundFills() {}

  /**
   * The change that fills what is empty.
   *
   * @param snapshot the collection
   * @param ids which tracks; lost and guarded ones are left out
   * @param certainFrom how sure a value must be, 0 to 100
   * @param title of the change, with the number of values in place of {@code {0}}
   */
  public static Change of(Snapshot snapshot, RoaringBitmap ids, int certainFrom, String title) {
    List<Edit> edits = new ArrayList<>();
    ids.forEach(
        (int id) -> {
          boolean open = snapshot.has(id) && !snapshot.lost(id);
          if (open && snapshot.raw(id, Fields.GUARDED).isEmpty()) {
            fill(snapshot, id, Fields.BPM, certainFrom, edits);
            fill(snapshot, id, Fields.KEY, certainFrom, edits);
          }
        });
    return Change.of(title.replace("{0}", String.valueOf(edits.size())), edits);
  }

  private static void fill(
      Snapshot snapshot, int id, Field<?> field, int certainFrom, List<Edit> edits) {
    String before = snapshot.raw(id, field);
    String after = BySound.value(snapshot, id, field);
    boolean sure = BySound.certainty(snapshot, id, field == Fields.BPM) >= certainFrom;
    if (before.isBlank() && !after.isEmpty() && sure) {
      edits.add(new SetField(id, field, before, after));
    }
  }
}
