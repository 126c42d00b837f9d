package tenterhook.core.duplicate;

/** What says that files are copies of one another, the strongest first. */
public enum Evidence {
  /** The files are the same to the byte. */
  SAME_BYTES("same bytes"),
  /** What sounds is the same to the byte; the tags are not. */
  SAME_STREAM("same bytes but the tags"),
  /** The sound prints are of one recording, and the lengths agree. */
  SAME_SOUND("same sound"),
  /** Only what the tags say; nobody has listened. */
  SAME_TAGS("same tags only");

  private final String words;

  Evidence(String words) {
    this.words = words;
  }

  /** In words. */
  public String words() {
    return words;
  }

  /** The stronger of two. */
  public Evidence or(Evidence other) {
    return compareTo(other) <= 0 ? this : other;
  }
}
