package tenterhook.core.measure;

/**
 * A tempo that was measured.
 *
 * @param bpm beats a minute, from 60 to 185
 * @param certainty 0 to 100
 * @param alternativeBpm half or double, whichever is likelier
 * @param firstBeatSeconds the first beat of the grid, 0 or more
 */
public record TempoFound(
    double bpm, int certainty, double alternativeBpm, double firstBeatSeconds) {
  /** Checks. */
  public TempoFound {
    if (!(bpm > 0 && alternativeBpm > 0 && firstBeatSeconds >= 0)
        || certainty < 0
        || certainty > 100) {
      throw new IllegalArgumentException(
          bpm + " bpm, or " + alternativeBpm + ", from " + firstBeatSeconds + ", " + certainty);
    }
  }

  /** Seconds from beat to beat. */
  public double beatSeconds() {
    return 60 / bpm;
  }
}
