package tenterhook.adapters.tagfile.id3;

import java.util.Arrays;
import java.util.List;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.tag.TagEntry;

/**
 * A frame with the bytes in which it stands in the file (ID3v2.4 structure, 4; ID3v2.3, 3.3).
 *
 * @param id three letters in version 2, else four
 * @param bytes its head and content as they stand in the file
 * @param form how the tag writes frames down
 */
record Id3Frame(String id, byte[] bytes, FrameForm form) {
  private static final int MOST_INFLATED = 1 << 25;

  /** What the flags of a frame say of its content; each is a bit of the second byte of flags. */
  private record Flags(int grouped, int packed, int secret, int unsync, int withLength) {
    static final Flags OF_3 = new Flags(0x20, 0x80, 0x40, 0, 0);
    static final Flags OF_4 = new Flags(0x40, 0x08, 0x04, 0x02, 0x01);
  }

  /** The frame as an entry. */
  TagEntry entry() {
    return new TagEntry(id, bytes);
  }

  /** Its content, unpacked; empty when it is encrypted or broken. */
  byte[] content() {
    byte[] plain = form.wholeUnsync() ? Unsync.decode(bytes) : bytes;
    if (form.version() == 2) {
      return Arrays.copyOfRange(plain, form.headLength(), plain.length);
    }
    Flags known = form.version() == 3 ? Flags.OF_3 : Flags.OF_4;
    int flags = plain[9];
    int skip = form.headLength();
    boolean packed = (flags & known.packed()) != 0;
    int declared = 0;
    if ((flags & known.secret()) != 0) {
      return new byte[0];
    }
    skip += form.version() == 4 && (flags & known.grouped()) != 0 ? 1 : 0;
    if ((packed && form.version() == 3 || (flags & known.withLength()) != 0)
        && skip + 4 <= plain.length) {
      declared = FrameForm.number(plain, skip, 4, form.version() == 3 ? 8 : 7);
      skip += 4;
    }
    skip += form.version() == 3 && (flags & known.grouped()) != 0 ? 1 : 0;
    byte[] content = Arrays.copyOfRange(plain, Math.min(skip, plain.length), plain.length);
    boolean unsync = (flags & known.unsync()) != 0 || form.unsync() && form.version() == 4;
    content = unsync ? Unsync.decode(content) : content;
    return packed ? inflated(content, declared) : content;
  }

  private static byte[] inflated(byte[] packed, int declared) {
    // what is packed is at most about a thousand times smaller (RFC 1951)
    long possible = Math.min(declared, 1032L * packed.length + 64);
    byte[] out = new byte[Math.clamp(possible, 0, MOST_INFLATED)];
    Inflater inflater = new Inflater();
    try {
      inflater.setInput(packed);
      return Arrays.copyOf(out, inflater.inflate(out));
    } catch (DataFormatException broken) {
      return new byte[0];
    } finally {
      inflater.end();
    }
  }

  /** The group that the frame belongs to as version 4 says it; -1 for none. */
  private int group() {
    if (form.version() != 4 || bytes.length < 11 || (bytes[9] & Flags.OF_4.grouped()) == 0) {
      return -1;
    }
    return bytes[10] & 0xFF;
  }

  /** The same frame with another content; it is neither packed nor unsynchronised by itself. */
  Id3Frame with(byte[] content) {
    byte status = form.version() == 2 || form.wholeUnsync() ? 0 : bytes[8];
    return made(id, content, form, status, group());
  }

  /** A new frame. */
  static Id3Frame of(String id, byte[] content, FrameForm form) {
    return made(id, content, form, (byte) 0, -1);
  }

  private static Id3Frame made(String id, byte[] content, FrameForm form, byte status, int group) {
    boolean unsync = form.unsync() && form.version() == 4;
    byte[] body = unsync ? Unsync.encode(content) : content;
    ByteWriter out = ByteWriter.bigEnd().letters(id);
    if (form.version() == 2) {
      out.bytes(FrameForm.bytes(body.length, 3, 8));
    } else {
      boolean seven = form.version() == 4 && !form.plainSizes();
      int length = body.length + (group >= 0 ? 1 : 0);
      out.bytes(FrameForm.bytes(length, 4, seven ? 7 : 8)).int8(status);
      out.int8((unsync ? Flags.OF_4.unsync() : 0) | (group >= 0 ? Flags.OF_4.grouped() : 0));
      if (group >= 0) {
        out.int8(group);
      }
    }
    byte[] bytes = out.bytes(body).toBytes();
    return new Id3Frame(id, form.wholeUnsync() ? Unsync.encode(bytes) : bytes, form);
  }

  /** The texts of a text frame. */
  List<String> texts() {
    byte[] content = content();
    return content.length == 0 ? List.of() : FrameText.decode(content[0], content, 1);
  }
}
