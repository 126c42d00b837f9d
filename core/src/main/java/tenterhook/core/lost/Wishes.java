package tenterhook.core.lost;

import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/**
 * Lost tracks that are no longer looked for, kept as a list of what to get again. They are out of
 * the collection, with all their data.
 */
public final class Wishes {
  private static final String WISHED = "wished";

  private Wishes() {}

  /** The tracks on the list. */
  public static RoaringBitmap of(Snapshot snapshot) {
    RoaringBitmap wished = new RoaringBitmap();
    RoaringBitmap.andNot(snapshot.known(), snapshot.tracks())
        .forEach(
            (int id) -> {
              if (snapshot.raw(id, Fields.LIFECYCLE).equals(WISHED)) {
                wished.add(id);
              }
            });
    return wished;
  }

  /** Puts lost tracks on the list; those that are not lost are left out. */
  public static Change add(Snapshot snapshot, RoaringBitmap ids) {
    return change(snapshot, RoaringBitmap.and(ids, LostFinder.lost(snapshot)), true);
  }

  /** Takes tracks off the list: they are lost tracks of the collection again. */
  public static Change takeBack(Snapshot snapshot, RoaringBitmap ids) {
    return change(snapshot, RoaringBitmap.and(ids, of(snapshot)), false);
  }

  private static Change change(Snapshot snapshot, RoaringBitmap ids, boolean wish) {
    String tracks =
        ids.getCardinality() == 1 ? "1 lost track" : ids.getCardinality() + " lost tracks";
    return new Change(
        wish ? "keeps " + tracks + " as wishes" : "takes " + tracks + " off the wish list",
        true,
        ids.stream()
            .mapToObj(
                id ->
                    (Edit)
                        new Edit.SetField(
                            id,
                            Fields.LIFECYCLE,
                            snapshot.raw(id, Fields.LIFECYCLE),
                            wish ? WISHED : ""))
            .toList());
  }
}
