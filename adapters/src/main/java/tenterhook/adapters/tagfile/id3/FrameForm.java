package tenterhook.adapters.tagfile.id3;

/**
 * How frames are written down in a tag.
 *
 * @param version 2, 3 or 4 for ID3v2.2 to ID3v2.4
 * @param unsync whether the header says that what follows is unsynchronised
 * @param plainSizes whether sizes of version 4 are plain numbers, as some programs wrote them, and
 *     not seven bits to the byte
 */
record FrameForm(int version, boolean unsync, boolean plainSizes) {
  /** Whether all of the tag is unsynchronised at once, and not each frame by itself. */
  boolean wholeUnsync() {
    return unsync && version < 4;
  }

  int idLength() {
    return version == 2 ? 3 : 4;
  }

  int headLength() {
    return version == 2 ? 6 : 10;
  }

  /** The length of the content of the frame whose head stands somewhere. */
  int contentLength(byte[] bytes, int at) {
    int from = at + idLength();
    if (version == 2) {
      return number(bytes, from, 3, 8);
    }
    return number(bytes, from, 4, version == 4 && !plainSizes ? 7 : 8);
  }

  /** A number of some bytes; beyond what an int holds it is the greatest int. */
  static int number(byte[] bytes, int from, int count, int bits) {
    long number = 0;
    for (int i = 0; i < count; i++) {
      number = number << bits | bytes[from + i] & (1 << bits) - 1;
    }
    return (int) Math.min(number, Integer.MAX_VALUE);
  }

  /** A number as bytes. */
  static byte[] bytes(long number, int count, int bits) {
    byte[] bytes = new byte[count];
    for (int i = 0; i < count; i++) {
      bytes[count - 1 - i] = (byte) (number >>> bits * i & (1 << bits) - 1);
    }
    return bytes;
  }

  /** Whether a frame may begin somewhere. */
  boolean isId(byte[] bytes, int at) {
    for (int i = at; i < at + idLength(); i++) {
      boolean capital = bytes[i] >= 'A' && bytes[i] <= 'Z';
      if (!capital && (i == at || bytes[i] < '0' || bytes[i] > '9')) {
        return false;
      }
    }
    return true;
  }
}
