package tenterhook.adapters.tagfile;

/**
 * A stretch of a file.
 *
 * @param from first byte
 * @param to behind its last byte
 */
record ByteSpan(long from, long to) {
  ByteSpan {
    if (from < 0 || to < from) {
      throw new IllegalArgumentException("a range from " + from + " to " + to);
    }
  }

  long length() {
    return to - from;
  }
}
