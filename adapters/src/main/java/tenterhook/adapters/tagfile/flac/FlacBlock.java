package tenterhook.adapters.tagfile.flac;

/**
 * A metadata block (RFC 9639, 8).
 *
 * @param type what it holds
 * @param content without its head
 */
record FlacBlock(int type, byte[] content) {
  static final int STREAM_INFO = 0;
  static final int PADDING = 1;
  static final int COMMENT = 4;
  static final int PICTURE = 6;

  /** The length of a head. */
  static final int HEAD = 4;

  /** The largest length that a head can say. */
  static final int MOST = (1 << 24) - 1;

  String name() {
    return switch (type) {
      case STREAM_INFO -> "stream information";
      case 2 -> "application block";
      case 3 -> "table of places";
      case COMMENT -> "comments";
      case 5 -> "cue sheet";
      case PICTURE -> "picture";
      default -> "block of kind " + type;
    };
  }
}
