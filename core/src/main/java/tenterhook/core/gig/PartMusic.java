package tenterhook.core.gig;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;
import tenterhook.core.track.TrackOrder;

/**
 * What a part of a gig holds at one moment.
 *
 * @param part the part; what stands in parts of it is not counted here
 * @param tracks those picked by hand in their order, then what the rule brings in, each once;
 *     nothing that is never played
 * @param banned those picked by hand that are never played, and so are left out
 */
public record PartMusic(GigPart part, TrackIds tracks, RoaringBitmap banned) {
  private static final List<TrackOrder.Key> USUAL =
      List.of(new TrackOrder.Key("artist", false), new TrackOrder.Key("title", false));

  /** Those picked by hand that the collection has. */
  static RoaringBitmap picked(GigPart part, Snapshot snapshot) {
    RoaringBitmap picked = new RoaringBitmap();
    part.tracks().stream().filter(snapshot::has).forEach(picked::add);
    return picked;
  }

  /**
   * The music of a part, put in its order.
   *
   * @param in all that it holds
   * @param found what the rule brings in, also where it is never played
   * @param banned those picked by hand that are never played
   */
  static PartMusic of(
      GigPart part,
      RoaringBitmap in,
      RoaringBitmap found,
      RoaringBitmap banned,
      Snapshot snapshot) {
    Set<Integer> tracks = new LinkedHashSet<>(part.tracks());
    tracks.removeIf(id -> !in.contains(id));
    List<TrackOrder.Key> order = part.order().isEmpty() ? USUAL : part.order();
    tracks.addAll(TrackIds.of(RoaringBitmap.and(in, found)).sorted(snapshot, order));
    return new PartMusic(part, TrackIds.copyOf(tracks), banned);
  }
}
