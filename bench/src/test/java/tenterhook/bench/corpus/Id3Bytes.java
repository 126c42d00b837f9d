package tenterhook.bench.corpus;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.zip.CRC32;

/**
 * Writes tags of ID3v2.2 to ID3v2.4 (id3.org, 1998 to 2000).
 *
 * @param version 2, 3 or 4
 * @param encoding how texts are written: 0 Latin-1, 1 UTF-16 little end first, 11 the same with its
 *     big end first, 2 UTF-16 with its big end and without a mark, 3 UTF-8
 * @param style what else is about the tag
 */
record Id3Bytes(int version, int encoding, TagStyle style) {
  /** What a tag may have beside its frames. */
  enum TagStyle {
    PLAIN,
    TIGHT,
    UNSYNC,
    EXTENDED,
    FOOTER
  }

  private static final Map<String, String> SHORT =
      Map.ofEntries(
          Map.entry("TIT2", "TT2"),
          Map.entry("TPE1", "TP1"),
          Map.entry("TALB", "TAL"),
          Map.entry("TPE2", "TP2"),
          Map.entry("TCOM", "TCM"),
          Map.entry("TCON", "TCO"),
          Map.entry("TRCK", "TRK"),
          Map.entry("TPOS", "TPA"),
          Map.entry("TBPM", "TBP"),
          Map.entry("TKEY", "TKE"),
          Map.entry("TPUB", "TPB"),
          Map.entry("TYER", "TYE"),
          Map.entry("TDAT", "TDA"),
          Map.entry("TIT1", "TT1"),
          Map.entry("TIT3", "TT3"),
          Map.entry("TPE4", "TP4"),
          Map.entry("TLAN", "TLA"),
          Map.entry("COMM", "COM"),
          Map.entry("USLT", "ULT"),
          Map.entry("APIC", "PIC"),
          Map.entry("POPM", "POP"),
          Map.entry("TXXX", "TXX"),
          Map.entry("TCMP", "TCP"),
          Map.entry("UFID", "UFI"),
          Map.entry("GEOB", "GEO"),
          Map.entry("WOAR", "WAR"));

  private Charset charset() {
    return switch (encoding) {
      case 1 -> StandardCharsets.UTF_16LE;
      case 11, 2 -> StandardCharsets.UTF_16BE;
      case 3 -> StandardCharsets.UTF_8;
      default -> StandardCharsets.ISO_8859_1;
    };
  }

  private byte[] encodingByte() {
    return new byte[] {(byte) (encoding == 11 ? 1 : encoding)};
  }

  private byte[] words(String text) {
    boolean marked = encoding == 1 || encoding == 11;
    return (marked ? "\uFEFF" + text : text).getBytes(charset());
  }

  private byte[] end() {
    return new byte[encoding == 0 || encoding == 3 ? 1 : 2];
  }

  /** A text frame; several texts are separated by terminators. */
  byte[] text(String id, String... texts) {
    byte[] content = encodingByte();
    for (int i = 0; i < texts.length; i++) {
      content = TagBytes.joined(content, i > 0 ? end() : new byte[0], words(texts[i]));
    }
    return frame(id, content);
  }

  /** A text frame whose encoding is the plainest. */
  byte[] plain(String id, String... texts) {
    return new Id3Bytes(version, 0, style).text(id, texts);
  }

  /** A text with a description. */
  byte[] described(String description, String text) {
    return frame("TXXX", TagBytes.joined(encodingByte(), words(description), end(), words(text)));
  }

  /** A comment or lyrics. */
  byte[] spoken(String id, String language, String description, String text) {
    return frame(
        id,
        TagBytes.joined(
            encodingByte(),
            language.getBytes(StandardCharsets.US_ASCII),
            words(description),
            end(),
            words(text)));
  }

  /** A picture. */
  byte[] picture(int type, String description, byte[] image) {
    String form = version == 2 ? "JPG" : "image/jpeg\0";
    return frame(
        "APIC",
        TagBytes.joined(
            encodingByte(),
            form.getBytes(StandardCharsets.US_ASCII),
            new byte[] {(byte) type},
            words(description),
            end(),
            image));
  }

  /** A rating with a counter of so many bytes. */
  byte[] rating(String owner, int rating, int... counter) {
    byte[] count = new byte[counter.length];
    for (int i = 0; i < counter.length; i++) {
      count[i] = (byte) counter[i];
    }
    byte[] name = (owner + "\0").getBytes(StandardCharsets.US_ASCII);
    return frame("POPM", TagBytes.joined(name, new byte[] {(byte) rating}, count));
  }

  /** A frame of any content. */
  byte[] frame(String id, byte[] content) {
    return frame(id, content, 0);
  }

  /** A frame with a byte of status flags. */
  byte[] frame(String id, byte[] content, int status) {
    byte[] name =
        (version == 2 ? SHORT.getOrDefault(id, id) : id).getBytes(StandardCharsets.US_ASCII);
    boolean each = version == 4 && style == TagStyle.UNSYNC;
    byte[] body = each ? unsync(content) : content;
    byte[] head =
        switch (version) {
          case 2 -> ByteBuffer.allocate(4).putInt(body.length).array();
          case 3 -> ByteBuffer.allocate(4).putInt(body.length).array();
          default -> seven(body.length);
        };
    byte[] frame =
        version == 2
            ? TagBytes.joined(name, new byte[] {head[1], head[2], head[3]}, body)
            : TagBytes.joined(name, head, new byte[] {(byte) status, (byte) (each ? 2 : 0)}, body);
    return version < 4 && style == TagStyle.UNSYNC ? unsync(frame) : frame;
  }

  private static byte[] seven(int number) {
    return new byte[] {
      (byte) (number >> 21 & 127),
      (byte) (number >> 14 & 127),
      (byte) (number >> 7 & 127),
      (byte) (number & 127)
    };
  }

  private static byte[] unsync(byte[] bytes) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    for (int i = 0; i < bytes.length; i++) {
      out.write(bytes[i]);
      int next = i + 1 < bytes.length ? bytes[i + 1] & 0xFF : 0;
      if ((bytes[i] & 0xFF) == 0xFF && (next == 0 || next >= 0xE0)) {
        out.write(0);
      }
    }
    return out.toByteArray();
  }

  /** A whole tag. */
  byte[] tag(byte[] frames) {
    int padding = style == TagStyle.TIGHT || style == TagStyle.FOOTER ? 0 : 300;
    byte[] extended = style == TagStyle.EXTENDED ? extended(frames, padding) : new byte[0];
    int flags =
        switch (style) {
          case UNSYNC -> 0x80;
          case EXTENDED -> 0x40;
          case FOOTER -> 0x10;
          default -> 0;
        };
    byte[] body = TagBytes.joined(extended, frames, new byte[padding]);
    byte[] rest = TagBytes.joined(new byte[] {(byte) version, 0, (byte) flags}, seven(body.length));
    byte[] tag = TagBytes.joined("ID3".getBytes(StandardCharsets.US_ASCII), rest, body);
    return style == TagStyle.FOOTER
        ? TagBytes.joined(tag, "3DI".getBytes(StandardCharsets.US_ASCII), rest)
        : tag;
  }

  private byte[] extended(byte[] frames, int padding) {
    CRC32 crc = new CRC32();
    crc.update(frames);
    if (version == 3) {
      ByteBuffer out = ByteBuffer.allocate(14);
      out.putInt(10).putShort((short) 0x8000).putInt(padding).putInt((int) crc.getValue());
      return out.array();
    }
    crc.update(new byte[padding]);
    long sum = crc.getValue();
    ByteBuffer out = ByteBuffer.allocate(12);
    out.put(seven(12)).put((byte) 1).put((byte) 0x20).put((byte) 5);
    out.put((byte) (sum >> 28 & 127));
    return out.put(seven((int) (sum & 0xFFFFFFF))).array();
  }

  /** A tag of ID3v1; a track of 0 makes it one of version 1.0. */
  static byte[] old(
      String title,
      String artist,
      String album,
      String year,
      String comment,
      int track,
      int genre) {
    ByteBuffer out = ByteBuffer.allocate(128);
    out.put("TAG".getBytes(StandardCharsets.US_ASCII));
    String[] texts = {title, artist, album, year, comment};
    int[] at = {3, 33, 63, 93, 97};
    for (int i = 0; i < texts.length; i++) {
      out.position(at[i]).put(texts[i].getBytes(StandardCharsets.ISO_8859_1));
    }
    if (track > 0) {
      out.put(126, (byte) track);
    }
    return out.put(127, (byte) genre).array();
  }
}
