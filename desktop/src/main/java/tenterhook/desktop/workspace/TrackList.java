package tenterhook.desktop.workspace;

import java.util.ArrayList;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;

/**
 * A list of tracks to be shown in a table.
 *
 * @param title what it is, such as {@code Rink/Doors · year missing}
 * @param ids in order
 * @param whole whether it is the whole collection
 */
public record TrackList(String title, List<Integer> ids, boolean whole) {
  /** Copies. */
  public TrackList {
    ids = List.copyOf(ids);
  }

  /** A list of a set, in the order of ids. */
  public static TrackList of(String title, RoaringBitmap set) {
    List<Integer> ids = new ArrayList<>(set.getCardinality());
    set.forEach((int id) -> ids.add(id));
    return new TrackList(title, ids, false);
  }
}
