package tenterhook.adapters.tagfile.id3;

import java.util.Arrays;
import java.util.zip.CRC32;

/**
 * The extended header of a tag (ID3v2.3, 3.2; ID3v2.4 structure, 3.2). What it says of padding and
 * its checksum of the frames are worked out anew when the tag is written; the rest of it stays.
 *
 * @param plain as it is meant; empty when there is none
 * @param raw as it stands in the file, which differs where the tag is unsynchronised
 */
record ExtendedHeader(byte[] plain, byte[] raw) {
  static final ExtendedHeader NONE = new ExtendedHeader(new byte[0], new byte[0]);

  private static final int CHECKSUM_3 = 0x80;
  private static final int UPDATE_4 = 0x40;
  private static final int CHECKSUM_4 = 0x20;

  /** Its length by its own word, but no more than there is. */
  static int length(int version, byte[] body) {
    if (body.length < 6) {
      return 0;
    }
    int said = FrameForm.number(body, 0, 4, version == 3 ? 8 : 7);
    long length = version == 3 ? said + 4L : said;
    return length >= 6 && length <= body.length ? (int) length : 0;
  }

  int length() {
    return raw.length;
  }

  /** The bytes of it for other frames and padding. */
  byte[] rendered(FrameForm form, byte[] frames, int padding) {
    byte[] next = plain.clone();
    CRC32 crc = new CRC32();
    crc.update(form.wholeUnsync() ? Unsync.decode(frames) : frames);
    if (form.version() == 3 && plain.length >= 10) {
      put(next, 6, FrameForm.bytes(padding, 4, 8));
      if ((plain[4] & CHECKSUM_3) != 0 && plain.length >= 14) {
        put(next, 10, FrameForm.bytes(crc.getValue(), 4, 8));
      }
    } else if (form.version() == 4 && plain.length >= 6 && (plain[5] & CHECKSUM_4) != 0) {
      crc.update(new byte[padding]);
      int at = 6 + ((plain[5] & UPDATE_4) != 0 ? 1 : 0);
      if (at + 6 <= plain.length) {
        put(next, at + 1, FrameForm.bytes(crc.getValue(), 5, 7));
      }
    }
    return Arrays.equals(next, plain) ? raw : form.wholeUnsync() ? Unsync.encode(next) : next;
  }

  private static void put(byte[] into, int at, byte[] bytes) {
    System.arraycopy(bytes, 0, into, at, bytes.length);
  }
}
