package tenterhook.core.measure;

/**
 * A key that was measured.
 *
 * @param key which
 * @param certainty 0 to 100
 */
public record KeyFound(MusicalKey key, int certainty) {
  /** Checks. */
  public KeyFound {
    if (certainty < 0 || certainty > 100) {
      throw new IllegalArgumentException("certainty " + certainty + " is not from 0 to 100");
    }
  }
}
