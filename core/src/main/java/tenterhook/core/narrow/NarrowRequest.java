package tenterhook.core.narrow;

import java.util.Optional;
import java.util.Set;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.find.Finder;
import tenterhook.core.measure.MusicalKey;
import tenterhook.core.track.Snapshot;

/**
 * What is to be counted.
 *
 * @param snapshot the collection
 * @param finder answers conditions on it
 * @param list the tracks of the list, before any narrowing; not altered
 * @param narrowings what it is narrowed to
 * @param filter only values with these words are wanted; empty for all
 * @param whole groups of which all values are wanted
 * @param near a key whose neighbours are offered, such as that of the chosen track
 */
public record NarrowRequest(
    Snapshot snapshot,
    Finder finder,
    RoaringBitmap list,
    Narrowings narrowings,
    String filter,
    Set<NarrowGroup> whole,
    Optional<MusicalKey> near) {
  /** Copies. */
  public NarrowRequest {
    whole = Set.copyOf(whole);
  }
}
