package tenterhook.adapters.tagfile.vorbis;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import tenterhook.adapters.tagfile.bytes.ByteWriter;

/**
 * A comment with the bytes in which it stands in the file.
 *
 * @param name what stands in front of the sign of equality, as it is spelled; all of it, and no
 *     value, where there is none
 * @param bytes name, sign and value
 */
record VorbisLine(String name, byte[] bytes) {
  static VorbisLine parse(byte[] bytes) {
    int sign = sign(bytes);
    int length = sign < 0 ? Math.min(bytes.length, 64) : sign;
    return new VorbisLine(new String(bytes, 0, length, StandardCharsets.UTF_8), bytes);
  }

  static VorbisLine of(String name, String value) {
    return new VorbisLine(name, (name + "=" + value).getBytes(StandardCharsets.UTF_8));
  }

  static VorbisLine encoded(String name, byte[] value) {
    byte[] text = Base64.getEncoder().encode(value);
    return new VorbisLine(
        name, ByteWriter.littleEnd().letters(name).int8('=').bytes(text).toBytes());
  }

  private static int sign(byte[] bytes) {
    for (int i = 0; i < bytes.length; i++) {
      if (bytes[i] == '=') {
        return i;
      }
    }
    return -1;
  }

  boolean is(String wanted) {
    return name.equalsIgnoreCase(wanted) && sign(bytes) >= 0;
  }

  String value() {
    int from = sign(bytes) + 1;
    return new String(bytes, from, bytes.length - from, StandardCharsets.UTF_8);
  }

  /** The bytes that its value stands for in Base64; none when it is broken. */
  byte[] decoded() {
    try {
      return Base64.getMimeDecoder().decode(value());
    } catch (IllegalArgumentException broken) {
      return new byte[0];
    }
  }
}
