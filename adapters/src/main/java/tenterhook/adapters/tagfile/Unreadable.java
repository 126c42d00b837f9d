package tenterhook.adapters.tagfile;

/** A file that cannot be read or written; the message says what happened in plain words. */
public final class Unreadable extends Exception {
  /** A trouble with a file. */
  public Unreadable(String message) {
    super(message);
  }

  /** A trouble with a file, and what was behind it. */
  public Unreadable(String message, Throwable cause) {
    super(message, cause);
  }
}
