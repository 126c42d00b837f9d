package tenterhook.core.gig;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.track.Snapshot;

/**
 * What is known of a part of a gig at one moment. Immutable; the next moment's is made of it, and
 * only what changed is asked again.
 */
final class PartStanding {
  private final GigPart part;

  /** What the rule brings in, whether it is ever played or not. */
  private final RoaringBitmap found;

  private final RoaringBitmap banned;
  private final RoaringBitmap tracks;
  private final SoundTally sound;
  private final Snapshot snapshot;

  /** Its tracks in order, once somebody asked for them. */
  private volatile @Nullable PartMusic music;

  private PartStanding(
      GigPart part,
      RoaringBitmap found,
      RoaringBitmap banned,
      RoaringBitmap tracks,
      SoundTally sound,
      Snapshot snapshot,
      @Nullable PartMusic music) {
    this.part = part;
    this.found = found;
    this.banned = banned;
    this.tracks = tracks;
    this.sound = sound;
    this.snapshot = snapshot;
    this.music = music;
  }

  /**
   * The part at a moment.
   *
   * @param before what was known of the part of the same name, null for nothing
   */
  static PartStanding of(GigPart part, @Nullable PartStanding before, GigMoment moment) {
    Snapshot snapshot = moment.snapshot();
    Optional<RoaringBitmap> known =
        Optional.ofNullable(before)
            .filter(b -> b.part.rule().equals(part.rule()))
            .map(b -> b.found);
    RoaringBitmap found =
        part.rule().map(r -> moment.found(r, known)).orElseGet(RoaringBitmap::new);
    RoaringBitmap picked = PartMusic.picked(part, snapshot);
    RoaringBitmap banned = RoaringBitmap.and(picked, moment.banned());
    RoaringBitmap in = RoaringBitmap.or(picked, found);
    in.andNot(moment.banned());
    RoaringBitmap touched = in;
    if (before != null) {
      touched = RoaringBitmap.xor(in, before.tracks);
      touched.or(RoaringBitmap.and(in, moment.changed()));
      if (touched.isEmpty() && part.equals(before.part) && banned.equals(before.banned)) {
        return new PartStanding(part, found, banned, in, before.sound, snapshot, before.music);
      }
    }
    SoundTally sound = before == null ? SoundTally.NOTHING : before.sound;
    return new PartStanding(
        part,
        found,
        banned,
        in,
        sound.after(touched, moment.playable(RoaringBitmap.and(touched, in)), snapshot),
        snapshot,
        null);
  }

  GigPart part() {
    return part;
  }

  /** Its tracks without an order. */
  RoaringBitmap tracks() {
    return tracks;
  }

  RoaringBitmap banned() {
    return banned;
  }

  SoundTally sound() {
    return sound;
  }

  /** Its tracks in order. */
  PartMusic music() {
    PartMusic known = music;
    if (known == null) {
      known = PartMusic.of(part, tracks, found, banned, snapshot);
      music = known;
    }
    return known;
  }
}
