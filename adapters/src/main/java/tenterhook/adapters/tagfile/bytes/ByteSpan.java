package tenterhook.adapters.tagfile.bytes;

/**
 * A stretch of a file.
 *
 * @param from first byte
 * @param to behind its last byte
 */
public record ByteSpan(long from, long to) {
  /** Checks. */
  public ByteSpan {
    if (from < 0 || to < from) {
      throw new IllegalArgumentException("a range from " + from + " to " + to);
    }
  }

  /** How many bytes it has. */
  public long length() {
    return to - from;
  }
}
