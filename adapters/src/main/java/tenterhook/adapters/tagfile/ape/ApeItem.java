package tenterhook.adapters.tagfile.ape;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import tenterhook.adapters.tagfile.bytes.ByteWriter;

/**
 * An item of an APE tag: the length of its value, flags, its key and a zero, and its value.
 *
 * @param key what it is called; upper and lower case are the same
 * @param bytes all of it as it stands in the file
 */
record ApeItem(String key, byte[] bytes) {
  private static final int HEAD = 8;
  private static final int KIND = 3;

  /** The length of the item that begins somewhere; -1 when there is none that fits. */
  static int length(ByteBuffer in, int at, int end) {
    if (at + HEAD + 2 > end) {
      return -1;
    }
    long value = Integer.toUnsignedLong(in.getInt(at));
    int zero = at + HEAD;
    while (zero < end && in.get(zero) != 0) {
      zero++;
    }
    boolean fits = zero > at + HEAD && zero < end && value <= end - zero - 1L;
    return fits ? (int) (zero + 1 - at + value) : -1;
  }

  static ApeItem parse(byte[] bytes) {
    int zero = HEAD;
    while (bytes[zero] != 0) {
      zero++;
    }
    return new ApeItem(new String(bytes, HEAD, zero - HEAD, StandardCharsets.ISO_8859_1), bytes);
  }

  static ApeItem of(String key, List<String> texts) {
    return of(key, String.join("\0", texts).getBytes(StandardCharsets.UTF_8), 0);
  }

  static ApeItem of(String key, byte[] value, int flags) {
    byte[] bytes =
        ByteWriter.littleEnd()
            .int32(value.length)
            .int32(flags)
            .letters(key)
            .int8(0)
            .bytes(value)
            .toBytes();
    return new ApeItem(key, bytes);
  }

  boolean is(String name) {
    return key.equalsIgnoreCase(name);
  }

  private int flags() {
    return ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).getInt(4);
  }

  boolean isText() {
    return (flags() >> 1 & KIND) == 0;
  }

  /** Whether it is the text of a name. */
  boolean isText(String name) {
    return is(name) && isText();
  }

  private byte[] value() {
    return Arrays.copyOfRange(bytes, HEAD + key.length() + 1, bytes.length);
  }

  List<String> values() {
    return List.of(new String(value(), StandardCharsets.UTF_8).split("\0"));
  }

  ApeItem with(List<String> texts) {
    return of(key, String.join("\0", texts).getBytes(StandardCharsets.UTF_8), flags());
  }

  /** The picture behind the name of its file. */
  byte[] picture() {
    byte[] value = value();
    int zero = 0;
    while (zero < value.length && value[zero] != 0) {
      zero++;
    }
    return Arrays.copyOfRange(value, Math.min(zero + 1, value.length), value.length);
  }
}
