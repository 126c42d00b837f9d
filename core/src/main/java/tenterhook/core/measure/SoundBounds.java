package tenterhook.core.measure;

/**
 * Where sound is.
 *
 * @param startSeconds first moment above -60 dB of full scale; 0 when all is silent
 * @param endSeconds behind the last such moment; 0 when all is silent
 * @param longestSilenceSeconds between start and end; the whole length when all is silent
 * @param clippings how often three samples or more in a row stand at full scale
 */
public record SoundBounds(
    double startSeconds, double endSeconds, double longestSilenceSeconds, int clippings) {
  /** Checks. */
  public SoundBounds {
    if (!(startSeconds >= 0 && endSeconds >= startSeconds) || clippings < 0) {
      throw new IllegalArgumentException(
          "start " + startSeconds + ", end " + endSeconds + ", clippings " + clippings);
    }
  }

  /** Whether nothing sounds at all. */
  public boolean silent() {
    return endSeconds == 0;
  }
}
