package tenterhook.adapters.tagfile.ape;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.tag.FieldText;
import tenterhook.adapters.tagfile.tag.NamedTag;
import tenterhook.adapters.tagfile.tag.NumberPair;
import tenterhook.adapters.tagfile.tag.Picture;
import tenterhook.adapters.tagfile.tag.Tag;
import tenterhook.adapters.tagfile.tag.TagEntry;
import tenterhook.core.field.Field;
import tenterhook.core.field.TagNames;

/**
 * A tag of APEv1 or APEv2: items of a key and a value of UTF-8, several values separated by zeros,
 * between a header, which may be missing, and a footer.
 */
public final class ApeTag implements NamedTag {
  /** The length of a header or footer. */
  public static final int FOOT = 32;

  /** What a header or footer begins with. */
  public static final String MAGIC = "APETAGEX";

  private static final String COVER = "Cover Art (Front)";
  private static final int HAS_HEADER = 1 << 31;
  private static final int IS_HEADER = 1 << 29;
  private static final int VERSION_2 = 2000;
  private static final int BINARY = 1;

  private final byte[] foot;
  private final List<ApeItem> items;
  private final byte[] rest;

  private ApeTag(byte[] foot, List<ApeItem> items, byte[] rest) {
    this.foot = foot;
    this.items = List.copyOf(items);
    this.rest = rest;
  }

  /**
   * The length of the tag that ends with a footer, its header included.
   *
   * @param foot the footer
   */
  public static long length(byte[] foot) {
    ByteBuffer in = ByteBuffer.wrap(foot).order(ByteOrder.LITTLE_ENDIAN);
    boolean header = in.getInt(8) >= VERSION_2 && (in.getInt(20) & HAS_HEADER) != 0;
    return Integer.toUnsignedLong(in.getInt(12)) + (header ? FOOT : 0);
  }

  /** Whether these bytes are a footer, and no header. */
  public static boolean isFoot(byte[] bytes) {
    ByteBuffer in = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
    return new String(bytes, 0, 8, StandardCharsets.ISO_8859_1).equals(MAGIC)
        && (in.getInt(8) < VERSION_2 || (in.getInt(20) & IS_HEADER) == 0);
  }

  /** Whether a tag that was found by its header ends with its footer. */
  public static boolean endsWithFoot(byte[] tag) {
    return isFoot(Arrays.copyOfRange(tag, tag.length - FOOT, tag.length));
  }

  /**
   * Reads a tag.
   *
   * @param bytes all of it, from its header or first item to the end of its footer
   * @throws Malformed when it is of a version that nobody knows
   */
  public static ApeTag parse(byte[] bytes) throws Malformed {
    byte[] foot = Arrays.copyOfRange(bytes, bytes.length - FOOT, bytes.length);
    ByteBuffer in = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
    int version = ByteBuffer.wrap(foot).order(ByteOrder.LITTLE_ENDIAN).getInt(8);
    if (version != 1000 && version != VERSION_2) {
      throw new Malformed("its APE tag is of an unknown version, " + version);
    }
    int end = bytes.length - FOOT;
    int at = header(foot) ? FOOT : 0;
    List<ApeItem> items = new ArrayList<>();
    int most = ByteBuffer.wrap(foot).order(ByteOrder.LITTLE_ENDIAN).getInt(16);
    while (items.size() < most) {
      int length = ApeItem.length(in, at, end);
      if (length < 0) {
        break;
      }
      items.add(ApeItem.parse(Arrays.copyOfRange(bytes, at, at + length)));
      at += length;
    }
    return new ApeTag(foot, items, Arrays.copyOfRange(bytes, at, end));
  }

  private static boolean header(byte[] foot) {
    ByteBuffer in = ByteBuffer.wrap(foot).order(ByteOrder.LITTLE_ENDIAN);
    return in.getInt(8) >= VERSION_2 && (in.getInt(20) & HAS_HEADER) != 0;
  }

  /** The tag as it is written. */
  public byte[] render() {
    ByteWriter body = ByteWriter.littleEnd();
    items.forEach(i -> body.bytes(i.bytes()));
    body.bytes(rest);
    byte[] last = foot.clone();
    ByteBuffer numbers = ByteBuffer.wrap(last).order(ByteOrder.LITTLE_ENDIAN);
    numbers.putInt(12, body.size() + FOOT).putInt(16, items.size());
    ByteWriter out = ByteWriter.littleEnd();
    if (header(foot)) {
      byte[] first = last.clone();
      ByteBuffer.wrap(first)
          .order(ByteOrder.LITTLE_ENDIAN)
          .putInt(20, numbers.getInt(20) | IS_HEADER);
      out.bytes(first);
    }
    return out.bytes(body.toBytes()).bytes(last).toBytes();
  }

  @Override
  public String name() {
    return "APEv" + (version() / 1000);
  }

  private int version() {
    return ByteBuffer.wrap(foot).order(ByteOrder.LITTLE_ENDIAN).getInt(8);
  }

  @Override
  public List<TagEntry> entries() {
    List<TagEntry> entries = new ArrayList<>();
    items.forEach(i -> entries.add(new TagEntry(i.key(), i.bytes())));
    if (rest.length > 0) {
      entries.add(new TagEntry("what is no item", rest));
    }
    return entries;
  }

  @Override
  public List<String> names(Field<?> field) {
    return field.tags().map(TagNames::ape).orElse(List.of());
  }

  private List<ApeItem> items(String name) {
    return items.stream().filter(i -> i.isText(name)).toList();
  }

  @Override
  public List<String> valuesAt(Field<?> field, String name) {
    return FieldText.values(field, name, texts(NumberPair.plain(name)));
  }

  private List<String> texts(String name) {
    return items(name).stream().flatMap(i -> i.values().stream()).toList();
  }

  @Override
  public ApeTag set(Field<?> field, String name, List<String> values) {
    String key = NumberPair.plain(name);
    List<ApeItem> old = items(key);
    List<String> texts = FieldText.texts(field, name, values, texts(key));
    List<ApeItem> made =
        texts.isEmpty()
            ? List.of()
            : List.of(old.isEmpty() ? ApeItem.of(key, texts) : old.getFirst().with(texts));
    return new ApeTag(foot, NamedTag.replaced(items, i -> i.isText(key), made), rest);
  }

  @Override
  public boolean holdsPictures() {
    return true;
  }

  private Optional<ApeItem> cover() {
    return items.stream().filter(i -> i.is(COVER) && !i.isText()).findFirst();
  }

  @Override
  public Optional<byte[]> picture() {
    return cover().map(ApeItem::picture).filter(p -> p.length > 0);
  }

  @Override
  public Tag withPicture(Optional<Picture> picture) {
    List<ApeItem> next = new ArrayList<>(items);
    Optional<ApeItem> old = cover();
    int at = old.map(items::indexOf).orElse(items.size());
    old.ifPresent(next::remove);
    picture.ifPresent(
        p -> {
          String ending = p.mime().equals("image/png") ? "png" : "jpg";
          byte[] name = ("cover." + ending + "\0").getBytes(StandardCharsets.US_ASCII);
          byte[] value = ByteWriter.littleEnd().bytes(name).bytes(p.bytes()).toBytes();
          next.add(at, ApeItem.of(COVER, value, BINARY << 1));
        });
    return new ApeTag(foot, next, rest);
  }
}
