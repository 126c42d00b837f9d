package tenterhook.adapters.tagfile;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import tenterhook.adapters.disk.SafeFiles;

/**
 * What sounds in a file, apart from its tags, as hashes. Two files that differ in tags only have
 * the same payload hash. Container layouts: ID3v2 (id3.org), FLAC (RFC 9639), Ogg (RFC 3533), ISO
 * base media (ISO 14496-12), RIFF, AIFF.
 */
public final class AudioPayload {
  private static final int CHUNK = 1 << 16;
  private static final int SAMPLE = 1 << 15;

  private AudioPayload() {}

  /**
   * What a file is recognised by without reading all of it.
   *
   * @param tags hash of all that does not sound, 16 hex digits: another when any tag is
   * @param sound hash of the length of what sounds and of two samples of it, 16 hex digits: the
   *     same after tags were rewritten, another for another recording
   */
  public record Seal(String tags, String sound) {}

  /**
   * The payload's hash. In ISO base media files it covers what the sample tables point to, in their
   * order, so that tables which point elsewhere are not the same sound.
   *
   * @param file a music file of a known format
   * @return lower-case hex SHA-256
   * @throws IOException when the file cannot be read or has no payload where its format says
   */
  public static String hash(Path file) throws IOException {
    MessageDigest digest = SafeFiles.newDigest();
    try (RandomAccessFile in = new RandomAccessFile(file.toFile(), "r")) {
      byte[] head = head(in);
      if (isOgg(head)) {
        OggPages.hashPackets(in, digest);
      } else {
        List<ByteSpan> samples = isMp4(head) ? SampleTables.spans(in) : List.of();
        for (ByteSpan span : samples.isEmpty() ? sounding(in, head) : samples) {
          span(in, digest, span);
        }
      }
    }
    return HexFormat.of().formatHex(digest.digest());
  }

  /**
   * The seal of a file.
   *
   * @param file a music file of a known format
   * @throws IOException when the file cannot be read or has no payload where its format says
   */
  public static Seal seal(Path file) throws IOException {
    MessageDigest tags = SafeFiles.newDigest();
    MessageDigest sound = SafeFiles.newDigest();
    try (RandomAccessFile in = new RandomAccessFile(file.toFile(), "r")) {
      byte[] head = head(in);
      if (isOgg(head)) {
        tags.update(OggPages.first(in, 2)[1]);
        OggPages.sample(in, sound);
      } else {
        List<ByteSpan> spans = sounding(in, head);
        for (ByteSpan span : outside(spans, in.length())) {
          span(in, tags, span);
        }
        sample(in, sound, spans);
      }
    }
    return new Seal(shortened(tags), shortened(sound));
  }

  private static String shortened(MessageDigest digest) {
    return HexFormat.of().formatHex(digest.digest(), 0, 8);
  }

  private static void sample(RandomAccessFile in, MessageDigest digest, List<ByteSpan> spans)
      throws IOException {
    for (ByteSpan span : spans) {
      digest.update(Long.toString(span.length()).getBytes(StandardCharsets.US_ASCII));
      long middle = span.from() + span.length() / 2;
      span(in, digest, new ByteSpan(span.from(), Math.min(span.from() + SAMPLE, span.to())));
      span(in, digest, new ByteSpan(middle, Math.min(middle + SAMPLE, span.to())));
    }
  }

  /** All of a file that is in no span; the spans are in order. */
  private static List<ByteSpan> outside(List<ByteSpan> spans, long length) {
    List<ByteSpan> rest = new ArrayList<>();
    long at = 0;
    for (ByteSpan span : spans) {
      rest.add(new ByteSpan(at, Math.max(at, span.from())));
      at = span.to();
    }
    rest.add(new ByteSpan(Math.min(at, length), length));
    return rest;
  }

  private static byte[] head(RandomAccessFile in) throws IOException {
    byte[] head = new byte[12];
    in.readFully(head);
    return head;
  }

  private static boolean isOgg(byte[] head) {
    return magic(head, 0).equals("OggS");
  }

  private static boolean isMp4(byte[] head) {
    return magic(head, 4).equals("ftyp");
  }

  private static String magic(byte[] head, int at) {
    return new String(head, at, 4, StandardCharsets.ISO_8859_1);
  }

  private static List<ByteSpan> sounding(RandomAccessFile in, byte[] head) throws IOException {
    return switch (magic(head, 0)) {
      case "fLaC" -> List.of(checked(afterFlacBlocks(in), in.length()));
      case "RIFF" -> List.of(chunk(in, "data", false));
      case "FORM" -> List.of(chunk(in, "SSND", true));
      default -> isMp4(head) ? boxes(in) : List.of(mpeg(in, head));
    };
  }

  private static ByteSpan checked(long from, long to) throws IOException {
    if (from > to) {
      throw new IOException("the file ends before its sound begins");
    }
    return new ByteSpan(from, to);
  }

  private static ByteSpan mpeg(RandomAccessFile in, byte[] head) throws IOException {
    long start = afterTag(head);
    long end = in.length();
    if (end >= 128) {
      in.seek(end - 128);
      if (in.read() == 'T' && in.read() == 'A' && in.read() == 'G') {
        end -= 128;
      }
    }
    return checked(skipZeros(in, start, end), end);
  }

  private static long afterTag(byte[] head) {
    long start = 0;
    if (head[0] == 'I' && head[1] == 'D' && head[2] == '3') {
      start =
          10L
              + ((head[6] & 127) << 21
                  | (head[7] & 127) << 14
                  | (head[8] & 127) << 7
                  | head[9] & 127);
    }
    return start;
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

  private static ByteSpan chunk(RandomAccessFile in, String name, boolean big) throws IOException {
    long at = 12;
    while (at + 8 <= in.length()) {
      in.seek(at);
      byte[] id = new byte[4];
      in.readFully(id);
      int raw = in.readInt();
      long size = Integer.toUnsignedLong(big ? raw : Integer.reverseBytes(raw));
      if (new String(id, StandardCharsets.ISO_8859_1).equals(name)) {
        return checked(at + 8, Math.min(at + 8 + size, in.length()));
      }
      at += 8 + size + (size & 1);
    }
    throw new IOException("no " + name + " chunk");
  }

  private static List<ByteSpan> boxes(RandomAccessFile in) throws IOException {
    List<ByteSpan> found = new ArrayList<>();
    for (Mp4Boxes.Box box : Mp4Boxes.in(in, 0, in.length())) {
      if (box.type().equals("mdat")) {
        found.add(new ByteSpan(box.from(), box.to()));
      }
    }
    if (found.isEmpty()) {
      throw new IOException("no mdat box");
    }
    return found;
  }

  private static void span(RandomAccessFile in, MessageDigest digest, ByteSpan span)
      throws IOException {
    byte[] buffer = new byte[(int) Math.min(CHUNK, Math.max(1, span.length()))];
    in.seek(span.from());
    long left = span.length();
    while (left > 0) {
      int got = in.read(buffer, 0, (int) Math.min(buffer.length, left));
      if (got < 0) {
        throw new IOException("the file ends early");
      }
      digest.update(buffer, 0, got);
      left -= got;
    }
  }
}
