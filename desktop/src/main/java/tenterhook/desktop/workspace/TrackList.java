package tenterhook.desktop.workspace;

import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.track.TrackIds;

/**
 * A list of tracks to be shown in a table.
 *
 * @param title what it is, such as {@code Rink/Doors · year missing}
 * @param ids in order
 * @param whole whether it is the whole collection
 */
public record TrackList(String title, TrackIds ids, boolean whole) {
  /** No track, under no name. */
  public static final TrackList NONE = new TrackList("", TrackIds.NONE, false);

  /** A list in an order of its own. */
  public TrackList(String title, List<Integer> ids) {
    this(title, TrackIds.copyOf(ids), false);
  }

  /** A list of a set, in the order of ids. */
  public static TrackList of(String title, RoaringBitmap set) {
    return new TrackList(title, TrackIds.of(set), false);
  }
}
