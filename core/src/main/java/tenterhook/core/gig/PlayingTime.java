package tenterhook.core.gig;

import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Column;
import tenterhook.core.track.Snapshot;

/**
 * How long some tracks play, of which each counts once, kept in step: after a change only what
 * came, went or was altered is counted again. In whole microseconds, so that what is taken off is
 * to the last digit what was put on. Immutable.
 */
final class PlayingTime {
  private static final double MICROS_IN_A_MINUTE = 60e6;

  static final PlayingTime NONE =
      new PlayingTime(new RoaringBitmap(), new RoaringBitmap(), Snapshot.empty(), 0);

  private final RoaringBitmap tracks;
  private final RoaringBitmap playable;
  private final Snapshot snapshot;
  private final long micros;

  private PlayingTime(
      RoaringBitmap tracks, RoaringBitmap playable, Snapshot snapshot, long micros) {
    this.tracks = tracks;
    this.playable = playable;
    this.snapshot = snapshot;
    this.micros = micros;
  }

  /** The time of other tracks at another moment. */
  PlayingTime of(RoaringBitmap others, GigMoment moment) {
    RoaringBitmap touched = RoaringBitmap.xor(tracks, others);
    touched.or(RoaringBitmap.and(others, moment.changed()));
    RoaringBitmap off = RoaringBitmap.and(touched, playable);
    RoaringBitmap on = moment.playable(RoaringBitmap.and(touched, others));
    RoaringBitmap now = RoaringBitmap.andNot(playable, touched);
    now.or(on);
    return new PlayingTime(
        others, now, moment.snapshot(), micros - sum(off, snapshot) + sum(on, moment.snapshot()));
  }

  private static long sum(RoaringBitmap of, Snapshot snapshot) {
    Column seconds = snapshot.column(Fields.DURATION);
    return of.stream()
        .mapToDouble(id -> seconds.dictionary().value(seconds.number(id), Fields.DURATION.type()))
        .filter(s -> !Double.isNaN(s))
        .mapToLong(s -> Math.round(s * 1_000_000))
        .sum();
  }

  double minutes() {
    return micros / MICROS_IN_A_MINUTE;
  }
}
