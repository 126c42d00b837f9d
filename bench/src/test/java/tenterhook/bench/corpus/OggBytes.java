package tenterhook.bench.corpus;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Writes Ogg files (RFC 3533) anew from the packets of another. */
final class OggBytes {
  private final List<byte[]> headers = new ArrayList<>();
  private final List<byte[]> soundPages = new ArrayList<>();

  /**
   * Takes a file of one stream apart.
   *
   * @param count how many packets of headers it has
   */
  OggBytes(byte[] file, int count) {
    ByteArrayOutputStream open = new ByteArrayOutputStream();
    int at = 0;
    while (at < file.length) {
      int segments = file[at + 26] & 0xFF;
      int body = at + 27 + segments;
      int end = body;
      boolean sound = headers.size() >= count;
      for (int i = 0; i < segments; i++) {
        int length = file[at + 27 + i] & 0xFF;
        open.write(file, end, length);
        end += length;
        if (length < 255) {
          headers.add(open.toByteArray());
          open.reset();
        }
      }
      if (sound) {
        soundPages.add(Arrays.copyOfRange(file, at, end));
      }
      at = end;
    }
    while (headers.size() > count) {
      headers.removeLast();
    }
  }

  private OggBytes() {}

  /** Packets of which the first two are headers; each other one plays so many samples. */
  static OggBytes ofPackets(List<byte[]> packets, int samples) {
    OggBytes pages = new OggBytes();
    pages.headers.addAll(packets.subList(0, 2));
    for (int i = 2; i < packets.size(); i++) {
      byte[] packet = packets.get(i);
      int last = i + 1 == packets.size() ? 4 : 0;
      pages.soundPages.add(page(packet, 0, packet.length, last, (long) samples * (i - 1), 0, 0));
    }
    return pages;
  }

  /** The file with another packet of comments. */
  byte[] with(byte[] comments, int serial) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    int number = 0;
    out.writeBytes(page(headers.getFirst(), 0, headers.getFirst().length, 2, 0, serial, number++));
    for (int i = 1; i < headers.size(); i++) {
      byte[] packet = i == 1 ? comments : headers.get(i);
      int at = 0;
      boolean more = true;
      while (more) {
        int length = Math.min(packet.length - at, 255 * 255);
        more = length == 255 * 255;
        out.writeBytes(page(packet, at, length, at > 0 ? 1 : 0, more ? -1 : 0, serial, number++));
        at += length;
      }
    }
    for (byte[] page : soundPages) {
      out.writeBytes(numbered(page, serial, number++));
    }
    return out.toByteArray();
  }

  private static byte[] page(
      byte[] packet, int at, int length, int flags, long granule, int serial, int number) {
    boolean full = length == 255 * 255;
    int segments = full ? 255 : length / 255 + 1;
    ByteBuffer out = ByteBuffer.allocate(27 + segments + length).order(ByteOrder.LITTLE_ENDIAN);
    out.put(VorbisBytes.line("OggS")).put((byte) 0).put((byte) flags).putLong(granule);
    out.putInt(serial).putInt(number).putInt(0).put((byte) segments);
    for (int i = 0; i < segments; i++) {
      out.put((byte) Math.min(255, length - i * 255));
    }
    return signed(out.put(packet, at, length).array());
  }

  private static byte[] numbered(byte[] page, int serial, int number) {
    byte[] next = page.clone();
    ByteBuffer.wrap(next).order(ByteOrder.LITTLE_ENDIAN).putInt(14, serial).putInt(18, number);
    return signed(next);
  }

  /** The checksum bit by bit. */
  private static byte[] signed(byte[] page) {
    ByteBuffer numbers = ByteBuffer.wrap(page).order(ByteOrder.LITTLE_ENDIAN);
    numbers.putInt(22, 0);
    int crc = 0;
    for (byte b : page) {
      crc ^= b << 24;
      for (int bit = 0; bit < 8; bit++) {
        crc = crc << 1 ^ (crc < 0 ? 0x04C11DB7 : 0);
      }
    }
    numbers.putInt(22, crc);
    return page;
  }

  /** What the pages of a file hold, without their heads. */
  static byte[] bodies(byte[] file) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    int at = 0;
    while (at + 27 <= file.length) {
      int segments = file[at + 26] & 0xFF;
      int body = at + 27 + segments;
      int end = body;
      for (int i = 0; i < segments; i++) {
        end += file[at + 27 + i] & 0xFF;
      }
      out.write(file, body, end - body);
      at = end;
    }
    return out.toByteArray();
  }

  /** A stream of another kind that goes beside: one packet of headers, and one of nothing. */
  static byte[] foreignStart(int serial) {
    byte[] packet = VorbisBytes.line("made up, nothing that sounds");
    return page(packet, 0, packet.length, 2, 0, serial, 0);
  }
}
