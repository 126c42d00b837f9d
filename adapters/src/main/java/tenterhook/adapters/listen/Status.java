package tenterhook.adapters.listen;

import java.nio.file.Path;
import java.util.Optional;

/**
 * What the player is doing.
 *
 * @param state which of the few
 * @param file what is loaded, if anything
 * @param seconds the moment that is heard
 * @param length in seconds, as far as the file claims it; 0 when nothing is loaded
 * @param loop the stretch that is repeated, if any
 * @param trouble why it does not play on, in plain words; empty when it does
 * @param silent whether nothing can be heard since there is no device
 */
public record Status(
    State state,
    Optional<Path> file,
    double seconds,
    double length,
    Optional<Loop> loop,
    String trouble,
    boolean silent) {
  /** What it may be doing. */
  public enum State {
    /** Nothing is loaded. */
    EMPTY,
    /** A track stands still. */
    PAUSED,
    /** A track is heard. */
    PLAYING,
    /** A track was heard to its end. */
    ENDED,
    /** A file could not be played, or not to its end. */
    TROUBLE
  }

  /**
   * A stretch that is repeated.
   *
   * @param fromSeconds where it begins
   * @param toSeconds where it goes back
   */
  public record Loop(double fromSeconds, double toSeconds) {
    /** Checks. */
    public Loop {
      if (!(fromSeconds >= 0 && toSeconds > fromSeconds)) {
        throw new IllegalArgumentException("a loop from " + fromSeconds + " to " + toSeconds);
      }
    }
  }
}
