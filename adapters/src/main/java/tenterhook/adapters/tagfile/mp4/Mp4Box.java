package tenterhook.adapters.tagfile.mp4;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.tagfile.bytes.ByteSpan;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.bytes.Malformed;

/**
 * A box (ISO 14496-12, 4.2).
 *
 * @param type four letters
 * @param at where its head begins
 * @param from where its content begins
 * @param to behind its content
 */
record Mp4Box(String type, long at, long from, long to) {
  private static final int MOST = 100_000;
  private static final int HEAD = 8;
  private static final int LONG_HEAD = 16;

  /**
   * The boxes between two places, in order. What is behind the last whole one is left out.
   *
   * @throws Malformed when one says that it has an impossible size
   * @throws IOException when the file cannot be read
   */
  static List<Mp4Box> in(FileBytes in, long from, long to) throws IOException {
    List<Mp4Box> boxes = new ArrayList<>();
    long at = from;
    while (at + HEAD <= to) {
      Mp4Box box = at(in, at, to);
      boxes.add(box);
      at = box.to();
      if (boxes.size() > MOST) {
        throw new Malformed("it is said to have more parts than any program writes");
      }
    }
    return boxes;
  }

  private static Mp4Box at(FileBytes in, long at, long to) throws IOException {
    ByteBuffer head = in.buffer(at, Math.min(LONG_HEAD, to - at));
    long size = Integer.toUnsignedLong(head.getInt());
    byte[] letters = new byte[4];
    head.get(letters);
    String type = new String(letters, StandardCharsets.ISO_8859_1);
    long length = HEAD;
    if (size == 1 && head.remaining() >= 8) {
      size = head.getLong();
      length = LONG_HEAD;
    } else if (size == 0) {
      size = to - at;
    }
    if (size < length) {
      throw new Malformed("a box of it is said to be smaller than its own head");
    }
    boolean cut = size > to - at;
    if (cut && !type.equals("mdat")) {
      throw Malformed.cut("the part \"" + printable(type) + "\" of it", size, to - at);
    }
    return new Mp4Box(type, at, at + length, cut ? to : at + size);
  }

  private static String printable(String type) {
    return type.replaceAll("[^ -~©]", "?");
  }

  /** The boxes in it, behind some bytes of its own. */
  List<Mp4Box> children(FileBytes in, int own) throws IOException {
    return in(in, Math.min(from + own, to), to);
  }

  /** The first box in it that has a type. */
  Optional<Mp4Box> child(FileBytes in, String wanted) throws IOException {
    return children(in, 0).stream().filter(b -> b.type().equals(wanted)).findFirst();
  }

  /** The first box along a way of types. */
  static Optional<Mp4Box> deeper(FileBytes in, Mp4Box box, String... types) throws IOException {
    Optional<Mp4Box> at = Optional.of(box);
    for (String type : types) {
      at = at.isPresent() ? at.get().child(in, type) : at;
    }
    return at;
  }

  /** How many bytes its head has. */
  int headLength() {
    return (int) (from - at);
  }

  long length() {
    return to - at;
  }

  ByteSpan content() {
    return new ByteSpan(from, to);
  }
}
