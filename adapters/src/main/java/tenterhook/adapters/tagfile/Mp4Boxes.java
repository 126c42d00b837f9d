package tenterhook.adapters.tagfile;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** The boxes of an ISO base media file (ISO 14496-12, 4.2). */
final class Mp4Boxes {
  private static final int MOST = 100_000;

  private Mp4Boxes() {}

  /**
   * A box.
   *
   * @param type four letters
   * @param from where its content begins
   * @param to behind its content
   */
  record Box(String type, long from, long to) {}

  /**
   * The boxes between two places, in order.
   *
   * @throws IOException when one has an impossible size
   */
  static List<Box> in(RandomAccessFile in, long from, long to) throws IOException {
    List<Box> boxes = new ArrayList<>();
    long at = from;
    while (at + 8 <= to && boxes.size() < MOST) {
      in.seek(at);
      long size = Integer.toUnsignedLong(in.readInt());
      byte[] type = new byte[4];
      in.readFully(type);
      long head = 8;
      if (size == 1) {
        size = in.readLong();
        head = 16;
      } else if (size == 0) {
        size = to - at;
      }
      if (size < head || size > Long.MAX_VALUE - at) {
        throw new IOException("a box of impossible size");
      }
      String name = new String(type, StandardCharsets.ISO_8859_1);
      boxes.add(new Box(name, Math.min(at + head, to), Math.min(at + size, to)));
      at += size;
    }
    return boxes;
  }

  /** The boxes of a type that lie in another box. */
  static List<Box> inside(RandomAccessFile in, Box box, String type) throws IOException {
    return in(in, box.from(), box.to()).stream().filter(b -> b.type().equals(type)).toList();
  }
}
