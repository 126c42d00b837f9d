package tenterhook.adapters.tagfile.vorbis;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.tag.FieldText;
import tenterhook.adapters.tagfile.tag.NamedTag;
import tenterhook.adapters.tagfile.tag.NumberPair;
import tenterhook.adapters.tagfile.tag.Picture;
import tenterhook.adapters.tagfile.tag.PlaceValues;
import tenterhook.adapters.tagfile.tag.TagEntry;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.TagNames;

/**
 * Comments of the Vorbis I specification, 5: the name of who made the file, then lines such as
 * {@code TITLE=Cold Lamps} in UTF-8, whose names may repeat and are the same in upper and lower
 * case.
 */
public final class VorbisComment implements NamedTag {
  private static final String PICTURE = "METADATA_BLOCK_PICTURE";
  private static final String OLD_PICTURE = "COVERART";

  private final byte[] vendor;
  private final List<VorbisLine> lines;
  private final Set<String> known = new HashSet<>();

  private VorbisComment(byte[] vendor, List<VorbisLine> lines) {
    this.vendor = vendor;
    this.lines = List.copyOf(lines);
    for (VorbisLine line : lines) {
      known.add(line.name().toUpperCase(Locale.ROOT));
    }
  }

  /** Comments without a line, of a file that has none. */
  public static VorbisComment empty() {
    return new VorbisComment("tenterhook".getBytes(StandardCharsets.US_ASCII), List.of());
  }

  /**
   * Comments, and where they end.
   *
   * @param comment the comments
   * @param end behind their last byte
   */
  public record Read(VorbisComment comment, int end) {}

  /**
   * Reads comments.
   *
   * @param bytes a block or packet
   * @param from where the comments begin in it
   * @throws Malformed when they end before what they say of themselves
   */
  public static Read parse(byte[] bytes, int from) throws Malformed {
    ByteBuffer in = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).position(from);
    byte[] vendor = counted(in);
    long count = Integer.toUnsignedLong(number(in));
    if (count > in.remaining() / 4) {
      throw new Malformed(
          "its comments are said to be " + count + ", but there is no room for so many");
    }
    List<VorbisLine> lines = new ArrayList<>();
    for (long i = 0; i < count; i++) {
      lines.add(VorbisLine.parse(counted(in)));
    }
    return new Read(new VorbisComment(vendor, lines), in.position());
  }

  private static int number(ByteBuffer in) throws Malformed {
    if (in.remaining() < 4) {
      throw new Malformed("its comments end too early");
    }
    return in.getInt();
  }

  private static byte[] counted(ByteBuffer in) throws Malformed {
    long length = Integer.toUnsignedLong(number(in));
    if (length > in.remaining()) {
      throw Malformed.cut("a comment", length, in.remaining());
    }
    byte[] bytes = new byte[(int) length];
    in.get(bytes);
    return bytes;
  }

  /** The comments as they are written. */
  public byte[] render() {
    ByteWriter out = ByteWriter.littleEnd();
    out.int32(vendor.length).bytes(vendor).int32(lines.size());
    lines.forEach(l -> out.int32(l.bytes().length).bytes(l.bytes()));
    return out.toBytes();
  }

  @Override
  public String name() {
    return "Vorbis comments";
  }

  @Override
  public List<TagEntry> entries() {
    List<TagEntry> entries = new ArrayList<>();
    entries.add(new TagEntry("vendor", vendor));
    lines.forEach(l -> entries.add(new TagEntry(l.name(), l.bytes())));
    return entries;
  }

  @Override
  public List<String> names(Field<?> field) {
    return field.tags().map(TagNames::vorbis).orElse(List.of());
  }

  @Override
  public List<String> valuesAt(Field<?> field, String name) {
    return FieldText.values(field, name, texts(NumberPair.plain(name)));
  }

  private List<String> texts(String name) {
    if (!known.contains(name)) {
      return List.of();
    }
    return lines.stream().filter(l -> l.is(name)).map(VorbisLine::value).toList();
  }

  /** A description is no second place of a comment, but stands in for one. */
  @Override
  public List<PlaceValues> held(Field<?> field) {
    List<PlaceValues> held = NamedTag.super.held(field);
    return field == Fields.COMMENT && held.size() > 1 ? held.subList(0, 1) : held;
  }

  @Override
  public VorbisComment with(Field<?> field, List<String> values) {
    return (VorbisComment) NamedTag.super.with(field, values);
  }

  @Override
  public VorbisComment set(Field<?> field, String name, List<String> values) {
    String plain = NumberPair.plain(name);
    List<VorbisLine> old = lines.stream().filter(l -> l.is(plain)).toList();
    List<VorbisLine> made = made(field, name, values, old);
    return new VorbisComment(vendor, NamedTag.replaced(lines, l -> l.is(plain), made));
  }

  /**
   * A line whose text stays, such as a comment that a program left, keeps its bytes; another keeps
   * the spelling of the name in the line whose place it takes.
   */
  private static List<VorbisLine> made(
      Field<?> field, String name, List<String> values, List<VorbisLine> old) {
    Map<String, VorbisLine> before = new LinkedHashMap<>();
    old.forEach(l -> before.putIfAbsent(l.value(), l));
    List<String> said = old.stream().map(VorbisLine::value).toList();
    List<String> texts = FieldText.texts(field, name, values, said);
    List<VorbisLine> made = new ArrayList<>();
    for (int i = 0; i < texts.size(); i++) {
      String text = texts.get(i);
      int like = Math.min(i, old.size() - 1);
      String spelled = like < 0 ? NumberPair.plain(name) : old.get(like).name();
      VorbisLine stays = before.get(text);
      made.add(stays == null ? VorbisLine.of(spelled, text) : stays);
    }
    return made;
  }

  @Override
  public boolean holdsPictures() {
    return true;
  }

  /** A picture in a line of its own, and where it stands. */
  private record Embedded(int at, int type, byte[] image) {}

  private Optional<Embedded> front() {
    if (!known.contains(PICTURE) && !known.contains(OLD_PICTURE)) {
      return Optional.empty();
    }
    List<Embedded> all = new ArrayList<>();
    for (int i = 0; i < lines.size(); i++) {
      VorbisLine line = lines.get(i);
      int at = i;
      if (line.is(PICTURE)) {
        FlacPicture.parse(line.decoded())
            .ifPresent(p -> all.add(new Embedded(at, p.type(), p.image())));
      } else if (line.is(OLD_PICTURE) && line.decoded().length > 0) {
        all.add(new Embedded(at, 0, line.decoded()));
      }
    }
    return all.stream().min(Comparator.comparing(Embedded::type, Picture.NEAREST_TO_COVER));
  }

  @Override
  public Optional<byte[]> picture() {
    return front().map(Embedded::image);
  }

  @Override
  public VorbisComment withPicture(Optional<Picture> picture) {
    Optional<Embedded> old = front();
    List<VorbisLine> next = new ArrayList<>(lines);
    int at = old.map(Embedded::at).orElse(lines.size());
    int type = old.map(Embedded::type).orElse(Picture.FRONT);
    old.ifPresent(e -> next.remove(e.at()));
    picture.ifPresent(
        p -> next.add(at, VorbisLine.encoded(PICTURE, FlacPicture.render(p, type, new byte[0]))));
    return new VorbisComment(vendor, next);
  }
}
