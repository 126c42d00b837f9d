package tenterhook.backstage.tagfile;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.HexFormat;

/**
 * The hash of what sounds in a file, apart from its tags. Two files that differ in tags only have
 * the same payload hash. Container layouts: ID3v2 (id3.org), FLAC (RFC 9639), Ogg (RFC 3533), ISO
 * base media (ISO 14496-12), RIFF, AIFF.
 */
public final class AudioPayload {
  private static final int CHUNK = 1 << 16;

  private AudioPayload() {}

  /**
   * The payload's hash.
   *
   * @param file a music file of a known format
   * @return lower-case hex SHA-256
   * @throws IOException when the file cannot be read or has no payload where its format says
   */
  public static String hash(Path file) throws IOException {
    MessageDigest digest = Pictures.newDigest();
    try (RandomAccessFile in = new RandomAccessFile(file.toFile(), "r")) {
      byte[] head = new byte[12];
      in.readFully(head);
      String magic = new String(head, 0, 4, StandardCharsets.ISO_8859_1);
      switch (magic) {
        case "fLaC" -> span(in, digest, afterFlacBlocks(in), in.length());
        case "OggS" -> OggPages.hashPackets(in, digest);
        case "RIFF" -> chunk(in, digest, "data", false);
        case "FORM" -> chunk(in, digest, "SSND", true);
        default -> {
          if (new String(head, 4, 4, StandardCharsets.ISO_8859_1).equals("ftyp")) {
            boxes(in, digest);
          } else {
            mpeg(in, digest, head);
          }
        }
      }
    }
    return HexFormat.of().formatHex(digest.digest());
  }

  private static void mpeg(RandomAccessFile in, MessageDigest digest, byte[] head)
      throws IOException {
    long start = 0;
    if (head[0] == 'I' && head[1] == 'D' && head[2] == '3') {
      start =
          10L
              + ((head[6] & 127) << 21
                  | (head[7] & 127) << 14
                  | (head[8] & 127) << 7
                  | head[9] & 127);
    }
    long end = in.length();
    if (end >= 128) {
      in.seek(end - 128);
      if (in.read() == 'T' && in.read() == 'A' && in.read() == 'G') {
        end -= 128;
      }
    }
    start = skipZeros(in, start, end);
    span(in, digest, start, end);
  }

  /** Padding behind a tag is not sound. */
  private static long skipZeros(RandomAccessFile in, long start, long end) throws IOException {
    byte[] buffer = new byte[CHUNK];
    long at = start;
    in.seek(at);
    while (at < end) {
      int got = in.read(buffer, 0, (int) Math.min(CHUNK, end - at));
      for (int i = 0; i < got; i++) {
        if (buffer[i] != 0) {
          return at + i;
        }
      }
      if (got <= 0) {
        break;
      }
      at += got;
    }
    return start;
  }

  private static long afterFlacBlocks(RandomAccessFile in) throws IOException {
    long at = 4;
    while (true) {
      in.seek(at);
      int head = in.readInt();
      at += 4 + (head & 0xFFFFFF);
      if (head < 0) {
        return at;
      }
    }
  }

  private static void chunk(RandomAccessFile in, MessageDigest digest, String name, boolean big)
      throws IOException {
    long at = 12;
    while (at + 8 <= in.length()) {
      in.seek(at);
      byte[] id = new byte[4];
      in.readFully(id);
      int raw = in.readInt();
      long size = Integer.toUnsignedLong(big ? raw : Integer.reverseBytes(raw));
      if (new String(id, StandardCharsets.ISO_8859_1).equals(name)) {
        span(in, digest, at + 8, Math.min(at + 8 + size, in.length()));
        return;
      }
      at += 8 + size + (size & 1);
    }
    throw new IOException("no " + name + " chunk");
  }

  private static void boxes(RandomAccessFile in, MessageDigest digest) throws IOException {
    long at = 0;
    boolean found = false;
    while (at + 8 <= in.length()) {
      in.seek(at);
      long size = Integer.toUnsignedLong(in.readInt());
      byte[] type = new byte[4];
      in.readFully(type);
      long head = 8;
      if (size == 1) {
        size = in.readLong();
        head = 16;
      } else if (size == 0) {
        size = in.length() - at;
      }
      if (size < head) {
        throw new IOException("a box of impossible size");
      }
      if (new String(type, StandardCharsets.ISO_8859_1).equals("mdat")) {
        span(in, digest, at + head, Math.min(at + size, in.length()));
        found = true;
      }
      at += size;
    }
    if (!found) {
      throw new IOException("no mdat box");
    }
  }

  private static void span(RandomAccessFile in, MessageDigest digest, long from, long to)
      throws IOException {
    if (from > to) {
      throw new IOException("the file ends before its sound begins");
    }
    byte[] buffer = new byte[CHUNK];
    in.seek(from);
    long left = to - from;
    while (left > 0) {
      int got = in.read(buffer, 0, (int) Math.min(CHUNK, left));
      if (got < 0) {
        throw new IOException("the file ends early");
      }
      digest.update(buffer, 0, got);
      left -= got;
    }
  }
}
