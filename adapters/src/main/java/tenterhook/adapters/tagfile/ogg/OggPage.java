package tenterhook.adapters.tagfile.ogg;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.Optional;
import tenterhook.adapters.disk.Splice;
import tenterhook.adapters.tagfile.bytes.FileBytes;

/**
 * A page (RFC 3533, 6).
 *
 * @param at where it begins in the file
 * @param bytes all of it
 */
record OggPage(long at, byte[] bytes) {
  static final int HEAD = 27;
  static final int CONTINUED = 1;
  static final int FIRST = 2;

  private static final int GRANULE = 6;
  private static final int SERIAL = 14;
  private static final int SEQUENCE = 18;
  private static final int CHECKSUM = 22;
  private static final int SEGMENTS = 26;
  private static final int[] CRC = table();

  /** The page at a place; empty when none begins there, or it is cut off. */
  static Optional<OggPage> at(FileBytes in, long at) throws IOException {
    if (in.length() - at < HEAD || !in.letters(at, 4).equals("OggS")) {
      return Optional.empty();
    }
    int segments = in.read(at + HEAD - 1, 1)[0] & 0xFF;
    if (in.length() - at < HEAD + segments) {
      return Optional.empty();
    }
    int body = 0;
    for (byte lace : in.read(at + HEAD, segments)) {
      body += lace & 0xFF;
    }
    long length = HEAD + (long) segments + body;
    return length > in.length() - at
        ? Optional.empty()
        : Optional.of(new OggPage(at, in.read(at, length)));
  }

  private ByteBuffer buffer() {
    return ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
  }

  long end() {
    return at + bytes.length;
  }

  boolean first() {
    return (bytes[5] & FIRST) != 0;
  }

  long granule() {
    return buffer().getLong(GRANULE);
  }

  int serial() {
    return buffer().getInt(SERIAL);
  }

  int sequence() {
    return buffer().getInt(SEQUENCE);
  }

  int segments() {
    return bytes[HEAD - 1] & 0xFF;
  }

  /** The length of a segment; one below 255 ends a packet. */
  int segment(int number) {
    return bytes[HEAD + number] & 0xFF;
  }

  int bodyAt() {
    return HEAD + segments();
  }

  /** Another number of the page in its stream, and the checksum that goes with it. */
  Splice numbered(int sequence) {
    byte[] next = bytes.clone();
    ByteBuffer.wrap(next).order(ByteOrder.LITTLE_ENDIAN).putInt(SEQUENCE, sequence);
    byte[] changed = Arrays.copyOfRange(signed(next), SEQUENCE, SEGMENTS);
    return new Splice(at + SEQUENCE, at + SEGMENTS, changed);
  }

  /** The bytes of a page with its checksum set. */
  static byte[] signed(byte[] page) {
    ByteBuffer numbers = ByteBuffer.wrap(page).order(ByteOrder.LITTLE_ENDIAN);
    numbers.putInt(CHECKSUM, 0);
    int crc = 0;
    for (byte b : page) {
      crc = crc << 8 ^ CRC[(crc >>> 24 ^ b) & 0xFF];
    }
    numbers.putInt(CHECKSUM, crc);
    return page;
  }

  /** The checksum's table: generator 04C11DB7, not reflected, which no class of the JDK has. */
  private static int[] table() {
    int[] table = new int[256];
    for (int i = 0; i < 256; i++) {
      int crc = i << 24;
      for (int bit = 0; bit < 8; bit++) {
        crc = crc << 1 ^ (crc < 0 ? 0x04C11DB7 : 0);
      }
      table[i] = crc;
    }
    return table;
  }
}
