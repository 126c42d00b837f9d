package tenterhook.desktop.workspace;

import java.util.List;
import java.util.Optional;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.find.Query;
import tenterhook.core.track.TrackIds;

/**
 * A list of tracks to be shown in a table.
 *
 * @param title what it is, such as {@code Rink/Doors · year missing}
 * @param ids in order
 * @param asked the query that gives the same tracks, also of later ones; empty where there is none
 */
public record TrackList(String title, TrackIds ids, Optional<Query> asked) {
  /** No track, under no name. */
  public static final TrackList NONE = new TrackList("", TrackIds.NONE);

  /** A list that no query gives. */
  public TrackList(String title, TrackIds ids) {
    this(title, ids, Optional.empty());
  }

  /** A list in an order of its own. */
  public TrackList(String title, List<Integer> ids) {
    this(title, TrackIds.copyOf(ids));
  }

  /** A list of a set, in the order of ids. */
  public static TrackList of(String title, RoaringBitmap set) {
    return new TrackList(title, TrackIds.of(set));
  }

  /** The same list, which a query gives. */
  public TrackList asking(Query query) {
    return new TrackList(title, ids, Optional.of(query));
  }

  /** Whether it is the whole collection. */
  public boolean whole() {
    return asked.filter(Query.ALL::equals).isPresent();
  }
}
