package tenterhook.bench.corpus;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Writes the boxes of MP4 files (ISO 14496-12), and files of them from the boxes of another. */
final class Mp4Bytes {
  /** Where a file has its description, and how wide its tables are. */
  enum Layout {
    /** Behind the sound. */
    BEHIND,
    /** In front of the sound. */
    FRONT,
    /** In front, with free space between. */
    FRONT_FREE,
    /** In front, with offsets of 64 bits. */
    FRONT_WIDE
  }

  private static final List<String> HOLDERS = List.of("moov", "trak", "mdia", "minf", "stbl");

  private Mp4Bytes() {}

  static byte[] box(String type, byte[]... content) {
    byte[] all = TagBytes.joined(content);
    byte[] size = ByteBuffer.allocate(4).putInt(8 + all.length).array();
    return TagBytes.joined(size, type.getBytes(StandardCharsets.ISO_8859_1), all);
  }

  static byte[] data(int type, byte[] value) {
    return box("data", ByteBuffer.allocate(8).putInt(type).array(), value);
  }

  static byte[] text(String text) {
    return data(1, text.getBytes(StandardCharsets.UTF_8));
  }

  /** An item of one or several texts. */
  static byte[] item(String type, String... texts) {
    return box(type, Arrays.stream(texts).map(Mp4Bytes::text).toArray(byte[][]::new));
  }

  /** An item with a name of its own. */
  static byte[] own(String name, byte[]... data) {
    return box(
        "----",
        box("mean", new byte[4], VorbisBytes.line("com.apple.iTunes")),
        box("name", new byte[4], VorbisBytes.line(name)),
        TagBytes.joined(data));
  }

  /** User data with a list of items. */
  static byte[] userData(byte[] items, int free, boolean version) {
    byte[] handler = box("hdlr", new byte[8], VorbisBytes.line("mdirappl"), new byte[9]);
    byte[] space = free == 0 ? new byte[0] : box("free", new byte[free - 8]);
    byte[] own = new byte[version ? 4 : 0];
    return box("udta", box("meta", own, handler, box("ilst", items), space));
  }

  /** A file with other user data. */
  static byte[] file(byte[] plain, byte[] userData, Layout layout) {
    byte[] type = first(plain, "ftyp");
    byte[] sound = first(plain, "mdat");
    long was = place(plain, "mdat");
    byte[] free = layout == Layout.FRONT_FREE ? box("free", new byte[5000]) : new byte[0];
    byte[] movie = movie(first(plain, "moov"), userData, 0, layout == Layout.FRONT_WIDE);
    long at = layout == Layout.BEHIND ? type.length : type.length + movie.length + free.length;
    movie = movie(first(plain, "moov"), userData, at - was, layout == Layout.FRONT_WIDE);
    return layout == Layout.BEHIND
        ? TagBytes.joined(type, sound, movie)
        : TagBytes.joined(type, movie, free, sound);
  }

  /** A file whose sound is one fragment, as those are that come over the web in pieces. */
  static byte[] fragmented(byte[] plain, byte[] userData) {
    byte[] old = first(plain, "moov");
    byte[] sizes = within(old, "trak", "mdia", "minf", "stbl", "stsz");
    byte[] offsets = within(old, "trak", "mdia", "minf", "stbl", "stco");
    int count = ByteBuffer.wrap(sizes).getInt(16);
    List<byte[]> inside = new ArrayList<>();
    for (byte[] box : boxes(old, 8)) {
      if (!named(box, "udta")) {
        inside.add(emptied(box));
      }
    }
    inside.add(box("mvex", box("trex", numbers(0, 1, 1, 1024, 0, 0))));
    inside.add(userData);
    byte[] movie = box("moov", inside.toArray(byte[][]::new));
    int length = 8 + 16 + 8 + 16 + 20 + 4 * count;
    byte[] run = TagBytes.joined(numbers(0x201, count, length + 8), tail(sizes, 20));
    byte[] track = box("traf", box("tfhd", numbers(0x020000, 1)), box("trun", run));
    byte[] fragment = box("moof", box("mfhd", numbers(0, 1)), track);
    int from = ByteBuffer.wrap(offsets).getInt(16);
    long end = place(plain, "mdat") + first(plain, "mdat").length;
    byte[] sound = Arrays.copyOfRange(plain, from, (int) end);
    return TagBytes.joined(first(plain, "ftyp"), movie, fragment, box("mdat", sound));
  }

  private static byte[] numbers(int... numbers) {
    ByteBuffer out = ByteBuffer.allocate(4 * numbers.length);
    for (int number : numbers) {
      out.putInt(number);
    }
    return out.array();
  }

  private static byte[] tail(byte[] bytes, int from) {
    return Arrays.copyOfRange(bytes, from, bytes.length);
  }

  private static byte[] within(byte[] box, String... types) {
    byte[] at = box;
    for (String type : types) {
      at = boxes(at, 8).stream().filter(b -> named(b, type)).findFirst().orElseThrow();
    }
    return at;
  }

  /** A box in which the sample tables say nothing. */
  private static byte[] emptied(byte[] box) {
    String type = new String(box, 4, 4, StandardCharsets.ISO_8859_1);
    return switch (type) {
      case "stts", "stsc", "stco" -> box(type, new byte[8]);
      case "stsz" -> box(type, new byte[12]);
      default ->
          HOLDERS.contains(type)
              ? box(
                  type,
                  boxes(box, 8).stream()
                      .filter(b -> !named(b, "sgpd") && !named(b, "sbgp"))
                      .map(Mp4Bytes::emptied)
                      .toArray(byte[][]::new))
              : box;
    };
  }

  private static byte[] movie(byte[] old, byte[] userData, long shift, boolean wide) {
    List<byte[]> inside = new ArrayList<>();
    for (byte[] box : boxes(old, 8)) {
      if (!named(box, "udta")) {
        inside.add(moved(box, shift, wide));
      }
    }
    inside.add(userData);
    return box("moov", inside.toArray(byte[][]::new));
  }

  /** A box in which every offset of the sample tables is moved. */
  private static byte[] moved(byte[] box, long shift, boolean wide) {
    if (named(box, "stco")) {
      ByteBuffer in = ByteBuffer.wrap(box, 16, box.length - 16);
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      out.write(box, 8, 8);
      while (in.hasRemaining()) {
        long offset = Integer.toUnsignedLong(in.getInt()) + shift;
        byte[] bytes = ByteBuffer.allocate(8).putLong(offset).array();
        out.write(bytes, wide ? 0 : 4, wide ? 8 : 4);
      }
      return box(wide ? "co64" : "stco", out.toByteArray());
    }
    String type = new String(box, 4, 4, StandardCharsets.ISO_8859_1);
    return HOLDERS.contains(type)
        ? box(type, boxes(box, 8).stream().map(b -> moved(b, shift, wide)).toArray(byte[][]::new))
        : box;
  }

  private static List<byte[]> boxes(byte[] bytes, int from) {
    List<byte[]> boxes = new ArrayList<>();
    int at = from;
    while (at < bytes.length) {
      int size = ByteBuffer.wrap(bytes).getInt(at);
      boxes.add(Arrays.copyOfRange(bytes, at, at + size));
      at += size;
    }
    return boxes;
  }

  private static boolean named(byte[] box, String type) {
    return new String(box, 4, 4, StandardCharsets.ISO_8859_1).equals(type);
  }

  private static byte[] first(byte[] file, String type) {
    return boxes(file, 0).stream().filter(b -> named(b, type)).findFirst().orElseThrow();
  }

  private static long place(byte[] file, String type) {
    long at = 0;
    for (byte[] box : boxes(file, 0)) {
      if (named(box, type)) {
        return at;
      }
      at += box.length;
    }
    throw new IllegalArgumentException("no " + type);
  }
}
