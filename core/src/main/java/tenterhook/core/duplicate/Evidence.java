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

  /** The weaker of two: a chain of evidence is as strong as its weakest link. */
  public Evidence and(Evidence other) {
    return compareTo(other) >= 0 ? this : other;
  }

  /** Whether it is at least as strong as another. */
  public boolean reaches(Evidence other) {
    return compareTo(other) <= 0;
  }
}
