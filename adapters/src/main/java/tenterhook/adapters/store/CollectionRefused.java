package tenterhook.adapters.store;

import java.nio.file.Path;

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

  /** Says that a collection cannot be opened, and that it is as it was. */
  static CollectionRefused untouched(Path folder, Exception trouble) {
    return new CollectionRefused(
        "the collection in "
            + folder
            + " cannot be opened and was not touched: "
            + trouble.getMessage(),
        trouble);
  }
}
