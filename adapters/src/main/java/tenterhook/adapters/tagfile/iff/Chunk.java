package tenterhook.adapters.tagfile.iff;

import tenterhook.adapters.tagfile.bytes.ByteSpan;

/**
 * A chunk.
 *
 * @param id four letters
 * @param at where its head begins
 * @param to behind its content
 * @param next behind the byte that makes its length even, if that is there
 */
record Chunk(String id, long at, long to, long next) {
  /** The length of a head: letters and a length. */
  static final int HEAD = 8;

  long from() {
    return at + HEAD;
  }

  ByteSpan content() {
    return new ByteSpan(from(), to);
  }

  boolean is(String wanted) {
    return id.equals(wanted);
  }

  /** Whether it holds nothing and may go. */
  boolean isFiller() {
    return id.equalsIgnoreCase("JUNK") || id.equals("PAD ") || id.equals("FLLR");
  }
}
