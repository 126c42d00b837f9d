package tenterhook.adapters.tagfile;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.function.ObjIntConsumer;

/** Walks the pages of an Ogg file (RFC 3533). */
final class OggPages {
  private OggPages() {}

  /** Hashes every packet except the second, which holds the comments. */
  static void hashPackets(RandomAccessFile in, MessageDigest digest) throws IOException {
    walk(
        in,
        Integer.MAX_VALUE,
        (bytes, packet) -> {
          if (packet != 1) {
            digest.update(bytes);
          }
        });
  }

  /** The first packets, whole. */
  static byte[][] first(RandomAccessFile in, int count) throws IOException {
    ByteArrayOutputStream[] packets = new ByteArrayOutputStream[count];
    for (int i = 0; i < count; i++) {
      packets[i] = new ByteArrayOutputStream();
    }
    walk(
        in,
        count,
        (bytes, packet) -> {
          if (packet < count) {
            packets[packet].writeBytes(bytes);
          }
        });
    return arrays(packets);
  }

  private static byte[][] arrays(ByteArrayOutputStream[] packets) {
    byte[][] whole = new byte[packets.length][];
    for (int i = 0; i < packets.length; i++) {
      whole[i] = packets[i].toByteArray();
    }
    return whole;
  }

  private static void walk(RandomAccessFile in, int most, ObjIntConsumer<byte[]> piece)
      throws IOException {
    long at = 0;
    int packet = 0;
    byte[] head = new byte[27];
    while (at + 27 <= in.length() && packet < most) {
      in.seek(at);
      in.readFully(head);
      if (head[0] != 'O' || head[1] != 'g' || head[2] != 'g' || head[3] != 'S') {
        throw new IOException("an Ogg page does not begin where it should");
      }
      byte[] lacing = new byte[head[26] & 0xFF];
      in.readFully(lacing);
      long body = 0;
      for (byte lace : lacing) {
        int size = lace & 0xFF;
        byte[] bytes = new byte[size];
        in.readFully(bytes);
        piece.accept(bytes, packet);
        packet += size < 255 ? 1 : 0;
        body += size;
      }
      at += 27L + lacing.length + body;
    }
  }

  /** Takes in how long it is, and what the pages of its last stretch hold. */
  static void sample(RandomAccessFile in, MessageDigest digest) throws IOException {
    digest.update(Long.toString(lastGranule(in)).getBytes(StandardCharsets.US_ASCII));
    int window = (int) Math.min(in.length(), 1 << 16);
    byte[] tail = new byte[window];
    in.seek(in.length() - window);
    in.readFully(tail);
    int at = 0;
    while (at + 27 <= window) {
      if (tail[at] != 'O' || tail[at + 1] != 'g' || tail[at + 2] != 'g' || tail[at + 3] != 'S') {
        at++;
        continue;
      }
      int body = at + 27 + (tail[at + 26] & 0xFF);
      int end = body;
      for (int i = at + 27; i < Math.min(body, window); i++) {
        end += tail[i] & 0xFF;
      }
      boolean sounds = tail[at + 18] > 2 || tail[at + 19] != 0 || tail[at + 20] != 0;
      if (sounds && end <= window) {
        digest.update(tail, body, end - body);
      }
      at = Math.max(end, at + 27);
    }
  }

  /** The granule position of the last page: samples in all, or -1. */
  static long lastGranule(RandomAccessFile in) throws IOException {
    int window = (int) Math.min(in.length(), 1 << 17);
    byte[] tail = new byte[window];
    in.seek(in.length() - window);
    in.readFully(tail);
    for (int i = window - 27; i >= 0; i--) {
      if (tail[i] == 'O' && tail[i + 1] == 'g' && tail[i + 2] == 'g' && tail[i + 3] == 'S') {
        long granule = 0;
        for (int b = 7; b >= 0; b--) {
          granule = granule << 8 | tail[i + 6 + b] & 0xFF;
        }
        return granule;
      }
    }
    return -1;
  }
}
