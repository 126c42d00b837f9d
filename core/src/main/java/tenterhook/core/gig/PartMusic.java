package tenterhook.core.gig;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.crate.CrateContents;
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

  /** The music of all parts at any depth, each before those in it. */
  public static List<PartMusic> of(Gig gig, Snapshot snapshot, CrateContents contents) {
    return gig.allParts().stream().map(p -> of(p, gig, snapshot, contents)).toList();
  }

  private static PartMusic of(GigPart part, Gig gig, Snapshot snapshot, CrateContents contents) {
    RoaringBitmap picked = new RoaringBitmap();
    part.tracks().stream().filter(snapshot::has).forEach(picked::add);
    RoaringBitmap banned = contents.banned(gig.never(), picked);
    Set<Integer> tracks = new LinkedHashSet<>(part.tracks());
    tracks.removeIf(id -> !picked.contains(id) || banned.contains(id));
    part.rule()
        .ifPresent(
            rule ->
                tracks.addAll(
                    TrackIds.of(contents.found(rule, gig.never()))
                        .sorted(snapshot, part.order().isEmpty() ? USUAL : part.order())));
    return new PartMusic(part, TrackIds.copyOf(tracks), banned);
  }
}
