package tenterhook.adapters.tagfile.id3;

import java.io.ByteArrayOutputStream;
import java.util.Arrays;

/**
 * Unsynchronisation (ID3v2.4 structure, 6.1): a zero behind every {@code FF} that could be taken
 * for the beginning of sound.
 */
final class Unsync {
  private Unsync() {}

  /** Whether a byte is a zero that was put in. */
  private static boolean putIn(byte[] bytes, int at) {
    return at > 0 && bytes[at] == 0 && bytes[at - 1] == -1;
  }

  /** Bytes with the zeros taken out. */
  static byte[] decode(byte[] bytes) {
    byte[] out = new byte[bytes.length];
    int length = 0;
    for (int i = 0; i < bytes.length; i++) {
      if (!putIn(bytes, i)) {
        out[length++] = bytes[i];
      }
    }
    return Arrays.copyOf(out, length);
  }

  /**
   * Where each byte that {@link #decode} gives stands in what was given to it; one entry more for
   * the end.
   */
  static int[] places(byte[] bytes) {
    int[] places = new int[bytes.length + 1];
    int length = 0;
    for (int i = 0; i < bytes.length; i++) {
      if (!putIn(bytes, i)) {
        places[length++] = i;
      }
    }
    places[length] = bytes.length;
    return Arrays.copyOf(places, length + 1);
  }

  /** Bytes with the zeros put in; one behind a last {@code FF} too, whatever follows. */
  static byte[] encode(byte[] bytes) {
    ByteArrayOutputStream out = new ByteArrayOutputStream(bytes.length + 16);
    for (int i = 0; i < bytes.length; i++) {
      out.write(bytes[i]);
      boolean last = i + 1 == bytes.length;
      if (bytes[i] == -1 && (last || bytes[i + 1] == 0 || (bytes[i + 1] & 0xE0) == 0xE0)) {
        out.write(0);
      }
    }
    return out.toByteArray();
  }
}
