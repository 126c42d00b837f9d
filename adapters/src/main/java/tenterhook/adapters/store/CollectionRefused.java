package tenterhook.adapters.store;

/** A collection that cannot be opened: in use elsewhere, made by a newer program, or damaged. */
public final class CollectionRefused extends Exception {
  /** Says why, and what to do. */
  public CollectionRefused(String message) {
    super(message);
  }

  /** Says why, and what was behind it. */
  public CollectionRefused(String message, Throwable cause) {
    super(message, cause);
  }
}
