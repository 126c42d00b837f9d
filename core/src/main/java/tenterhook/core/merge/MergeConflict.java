package tenterhook.core.merge;

/** Two edits that cannot both hold; the message names what both of them concern. */
public final class MergeConflict extends Exception {
  /** A conflict. */
  public MergeConflict(String message) {
    super(message);
  }
}
