package tenterhook.bench.corpus;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import tenterhook.bench.corpus.CorpusFile.FilePart;

/** Writes Vorbis comments (Vorbis I, 5) and pictures (RFC 9639, 8.8), and FLAC files of them. */
final class VorbisBytes {
  private VorbisBytes() {}

  static byte[] line(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  private static byte[] counted(byte[] bytes) {
    byte[] length =
        ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN).putInt(bytes.length).array();
    return TagBytes.joined(length, bytes);
  }

  /** All lines behind the name of who made the file. */
  static byte[] comment(String vendor, List<FilePart> lines) {
    byte[] all = counted(line(vendor));
    byte[] count =
        ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN).putInt(lines.size()).array();
    all = TagBytes.joined(all, count);
    for (FilePart line : lines) {
      all = TagBytes.joined(all, counted(line.bytes()));
    }
    return all;
  }

  /** The content of a block with a picture. */
  static byte[] picture(int type, String description, byte[] image) {
    byte[] mime = line("image/jpeg");
    byte[] words = line(description);
    ByteBuffer out = ByteBuffer.allocate(32 + mime.length + words.length + image.length);
    out.putInt(type).putInt(mime.length).put(mime).putInt(words.length).put(words);
    out.putInt(32).putInt(32).putInt(24).putInt(0).putInt(image.length).put(image);
    return out.array();
  }

  /** A picture in a line. */
  static byte[] pictureLine(int type, byte[] image) {
    String text = Base64.getEncoder().encodeToString(picture(type, "", image));
    return line("METADATA_BLOCK_PICTURE=" + text);
  }

  /** A block of FLAC. */
  static byte[] block(int type, byte[] content) {
    byte[] head = ByteBuffer.allocate(4).putInt(type << 24 | content.length).array();
    return TagBytes.joined(head, content);
  }

  /** A FLAC file with other blocks than its stream information. */
  static byte[] flac(byte[] plain, byte[]... blocks) {
    int at = 4;
    boolean last = false;
    while (!last) {
      int head = ByteBuffer.wrap(plain).getInt(at);
      last = head < 0;
      at += 4 + (head & 0xFFFFFF);
    }
    byte[] info = Arrays.copyOfRange(plain, 4, 4 + 4 + 34);
    info[0] = 0;
    byte[][] all = blocks.clone();
    all[all.length - 1] = all[all.length - 1].clone();
    all[all.length - 1][0] |= (byte) 0x80;
    byte[] sound = Arrays.copyOfRange(plain, at, plain.length);
    return TagBytes.joined(line("fLaC"), info, TagBytes.joined(all), sound);
  }
}
