package tenterhook.core.gig;

import org.roaringbitmap.RoaringBitmap;

/**
 * Something that is not as it should be before the night.
 *
 * @param kind what it is
 * @param red whether the gig is not ready because of it
 * @param part the name of the part that it concerns; empty for the whole gig
 * @param tracks the tracks that it concerns; none for what is no track
 * @param words what is said of it
 */
public record GigFinding(Kind kind, boolean red, String part, RoaringBitmap tracks, String words) {
  /** Copies. */
  public GigFinding {
    tracks = tracks.clone();
  }

  /** What can be found. */
  public enum Kind {
    /** There are too few minutes of music that can be played. */
    TOO_SHORT,
    /** A must-play cannot be played, since its file is lost, away or no longer known. */
    MUST_PLAY_GONE,
    /** A must-play stands in no part, or not in the part in which it must be heard. */
    MUST_PLAY_UNPLACED,
    /** A must-play is never to be played. */
    MUST_PLAY_BANNED,
    /** Nothing is said of a wish yet. */
    WISH_OPEN,
    /** A wish is known, but its file is lost or away. */
    WISH_GONE,
    /** Picked by hand, but never to be played: left out. */
    SHUT_OUT,
    /** The same recording was picked more than once, in one part or in several. */
    TWICE,
    /** Picked by hand, but its file is lost or away. */
    GONE,
    /** It has a code that speaks of explicit words. */
    EXPLICIT,
    /** Not measured, so nothing is known of its loudness and true quality. */
    UNMEASURED,
    /** Much louder or quieter than the others of its part. */
    LOUDNESS,
    /** Its file claims a better sound than it has. */
    UPSCALED
  }
}
