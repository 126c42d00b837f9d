package tenterhook.bench.loss;

/** An invariant that did not hold: the campaign ends with it. */
final class LostMusic extends RuntimeException {
  LostMusic(String message) {
    super(message);
  }

  LostMusic(String message, Throwable cause) {
    super(message, cause);
  }

  /** Ends the campaign unless something holds. */
  static void unless(boolean holds, String message) {
    if (!holds) {
      throw new LostMusic(message);
    }
  }
}
