package tenterhook.bench.corpus;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/** Writes tags of APEv1 and APEv2. */
final class ApeBytes {
  private ApeBytes() {}

  static byte[] item(String key, String... values) {
    return item(key, 0, String.join("\0", values).getBytes(StandardCharsets.UTF_8));
  }

  static byte[] item(String key, int flags, byte[] value) {
    ByteBuffer head = ByteBuffer.allocate(8).order(ByteOrder.LITTLE_ENDIAN);
    head.putInt(value.length).putInt(flags);
    byte[] name = (key + "\0").getBytes(StandardCharsets.US_ASCII);
    return TagBytes.joined(head.array(), name, value);
  }

  /** A tag; one of version 1 has no header. */
  static byte[] tag(int version, int count, byte[] items, boolean header) {
    byte[] foot = edge(version, count, items.length + 32, header ? 1 << 31 : 0);
    byte[] head = edge(version, count, items.length + 32, 1 << 31 | 1 << 29);
    return TagBytes.joined(header ? head : new byte[0], items, foot);
  }

  private static byte[] edge(int version, int count, int size, int flags) {
    ByteBuffer out = ByteBuffer.allocate(32).order(ByteOrder.LITTLE_ENDIAN);
    out.put("APETAGEX".getBytes(StandardCharsets.US_ASCII));
    return out.putInt(version).putInt(size).putInt(count).putInt(flags).array();
  }
}
