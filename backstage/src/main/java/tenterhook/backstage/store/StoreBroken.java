package tenterhook.backstage.store;

/** The database does not do what it must; nothing that was not confirmed is kept. */
public final class StoreBroken extends RuntimeException {
  /** Says what failed. */
  public StoreBroken(String message, Throwable cause) {
    super(message, cause);
  }
}
