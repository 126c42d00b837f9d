package tenterhook.adapters.tagfile.mp4;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import tenterhook.adapters.tagfile.bytes.ByteWriter;

/**
 * An item of metadata with the bytes in which it stands in the file: a box that holds one box of
 * data for each value.
 *
 * @param name its four letters; {@code ----:mean:name} for an item with a name of its own
 * @param bytes all of it
 */
record Mp4Item(String name, byte[] bytes) {
  static final int BINARY = 0;
  static final int UTF8 = 1;
  static final int UTF16 = 2;
  static final int JPEG = 13;
  static final int PNG = 14;
  static final int INTEGER = 21;

  private static final String OWN = "----";
  private static final int HEAD = 8;
  private static final int DATA_HEAD = 16;

  /**
   * A value.
   *
   * @param type how it is to be read, such as {@link #UTF8}
   * @param head what stands in front of it: the head of its box, its type and locale
   * @param value the value itself
   */
  record Data(int type, byte[] head, byte[] value) {
    boolean isText() {
      return type == UTF8 || type == UTF16;
    }

    String text() {
      return new String(value, type == UTF16 ? StandardCharsets.UTF_16BE : StandardCharsets.UTF_8);
    }

    /** A number of up to eight bytes. */
    long number() {
      long number = 0;
      for (int i = 0; i < Math.min(8, value.length); i++) {
        number = number << 8 | value[i] & 0xFF;
      }
      return number;
    }
  }

  static Mp4Item parse(byte[] bytes) {
    String type = new String(bytes, 4, 4, StandardCharsets.ISO_8859_1);
    if (!type.equals(OWN)) {
      return new Mp4Item(type, bytes);
    }
    Mp4Item item = new Mp4Item(type, bytes);
    return new Mp4Item(OWN + ":" + item.words("mean") + ":" + item.words("name"), bytes);
  }

  /** The boxes in it: where each begins, and behind the last where it ends. */
  private List<Integer> boxes() {
    List<Integer> places = new ArrayList<>();
    ByteBuffer in = ByteBuffer.wrap(bytes);
    int at = HEAD;
    while (at + HEAD <= bytes.length) {
      long size = Integer.toUnsignedLong(in.getInt(at));
      if (size < HEAD || size > bytes.length - at) {
        break;
      }
      places.add(at);
      at += (int) size;
    }
    places.add(at);
    return places;
  }

  private String type(int at) {
    return new String(bytes, at + 4, 4, StandardCharsets.ISO_8859_1);
  }

  private String words(String box) {
    List<Integer> places = boxes();
    for (int i = 0; i + 1 < places.size(); i++) {
      int from = places.get(i) + HEAD + 4;
      if (type(places.get(i)).equals(box) && from <= places.get(i + 1)) {
        return new String(bytes, from, places.get(i + 1) - from, StandardCharsets.UTF_8);
      }
    }
    return "";
  }

  List<Data> data() {
    List<Data> all = new ArrayList<>();
    List<Integer> places = boxes();
    for (int i = 0; i + 1 < places.size(); i++) {
      int at = places.get(i);
      if (type(at).equals("data") && at + DATA_HEAD <= places.get(i + 1)) {
        int kind = ByteBuffer.wrap(bytes).getInt(at + HEAD) & 0xFFFFFF;
        byte[] head = Arrays.copyOfRange(bytes, at, at + DATA_HEAD);
        byte[] value = Arrays.copyOfRange(bytes, at + DATA_HEAD, places.get(i + 1));
        all.add(new Data(kind, head, value));
      }
    }
    return all;
  }

  /** The same item with other values; what names it stays. */
  Mp4Item with(List<Data> values) {
    ByteWriter out = ByteWriter.bigEnd();
    List<Integer> places = boxes();
    for (int i = 0; i + 1 < places.size(); i++) {
      if (!type(places.get(i)).equals("data")) {
        out.bytes(Arrays.copyOfRange(bytes, places.get(i), places.get(i + 1)));
      }
    }
    values.forEach(d -> out.bytes(rendered(d)));
    return new Mp4Item(name, box(type(0), out.toBytes()));
  }

  private static byte[] rendered(Data data) {
    byte[] head = data.head().clone();
    ByteBuffer.wrap(head).putInt(0, DATA_HEAD + data.value().length);
    return ByteWriter.bigEnd().bytes(head).bytes(data.value()).toBytes();
  }

  /** A value of no locale. */
  static Data data(int type, byte[] value) {
    byte[] head = ByteWriter.bigEnd().int32(0).letters("data").int32(type).int32(0).toBytes();
    return new Data(type, head, value);
  }

  /** A new item without values. */
  static Mp4Item of(String name) {
    if (!name.startsWith(OWN)) {
      return new Mp4Item(name, box(name, new byte[0]));
    }
    String[] parts = name.split(":", 3);
    byte[] content =
        ByteWriter.bigEnd()
            .bytes(box("mean", named(parts[1])))
            .bytes(box("name", named(parts[2])))
            .toBytes();
    return new Mp4Item(name, box(OWN, content));
  }

  private static byte[] named(String words) {
    return ByteWriter.bigEnd().int32(0).bytes(words.getBytes(StandardCharsets.UTF_8)).toBytes();
  }

  /** A box. */
  static byte[] box(String type, byte[] content) {
    return ByteWriter.bigEnd().int32(HEAD + content.length).letters(type).bytes(content).toBytes();
  }
}
