package tenterhook.core.measure;

/**
 * A stretch of a recording that is much the same throughout.
 *
 * @param startSeconds where it begins
 * @param endSeconds where the next one begins, or sound ends
 * @param lufs its loudness, gates left out
 */
public record Passage(double startSeconds, double endSeconds, double lufs) {
  /** Checks. */
  public Passage {
    if (!(startSeconds >= 0 && endSeconds > startSeconds)) {
      throw new IllegalArgumentException("a passage from " + startSeconds + " to " + endSeconds);
    }
  }
}
