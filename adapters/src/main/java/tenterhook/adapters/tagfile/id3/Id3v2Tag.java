package tenterhook.adapters.tagfile.id3;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tenterhook.adapters.tagfile.bytes.ByteWriter;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.adapters.tagfile.tag.Padding;
import tenterhook.adapters.tagfile.tag.Picture;
import tenterhook.adapters.tagfile.tag.PlaceValues;
import tenterhook.adapters.tagfile.tag.Tag;
import tenterhook.adapters.tagfile.tag.TagEntry;
import tenterhook.core.field.Field;

/**
 * A tag of ID3v2.2, 2.3 or 2.4 (id3.org, 1998 to 2000): a header, perhaps an extended one, frames,
 * and padding or a footer.
 */
public final class Id3v2Tag implements Tag {
  /** The length of a header. */
  public static final int HEAD = 10;

  private static final int UNSYNC = 0x80;
  private static final int EXTENDED = 0x40;
  private static final int PACKED_2 = 0x40;
  private static final int FOOTER = 0x10;
  private static final int MOST = 1 << 28;

  private final FrameForm form;
  private final int revision;
  private final int flags;
  private final ExtendedHeader extended;
  private final List<Id3Frame> frames;
  private final Set<String> ids = new HashSet<>();
  private final byte[] rest;
  private final int space;

  private Id3v2Tag(
      FrameForm form,
      int revision,
      int flags,
      ExtendedHeader extended,
      List<Id3Frame> frames,
      byte[] rest,
      int space) {
    this.form = form;
    this.revision = revision;
    this.flags = flags;
    this.extended = extended;
    this.frames = List.copyOf(frames);
    for (Id3Frame frame : frames) {
      ids.add(frame.id());
    }
    this.rest = rest;
    this.space = space;
  }

  /** A tag without a frame, of the version that most players read. */
  public static Id3v2Tag fresh() {
    return empty(3);
  }

  /** A tag without a frame. */
  public static Id3v2Tag empty(int version) {
    FrameForm form = new FrameForm(version, false, false);
    return new Id3v2Tag(form, 0, 0, ExtendedHeader.NONE, List.of(), new byte[0], 0);
  }

  /** Whether a tag begins with these bytes. */
  public static boolean begins(byte[] head) {
    return head.length >= HEAD
        && head[0] == 'I'
        && head[1] == 'D'
        && head[2] == '3'
        && head[3] != -1
        && (head[6] | head[7] | head[8] | head[9]) >= 0;
  }

  /** The length that a tag has by its header, header and footer included. */
  public static long length(byte[] head) {
    boolean footer = head[3] == 4 && (head[5] & FOOTER) != 0;
    return HEAD + FrameForm.number(head, 6, 4, 7) + (footer ? HEAD : 0);
  }

  /**
   * Reads a tag.
   *
   * @param bytes all of it, with its header
   * @throws Malformed when it is of a version that nobody knows, or packed as a whole
   */
  public static Id3v2Tag parse(byte[] bytes) throws Malformed {
    int version = bytes[3];
    if (version < 2 || version > 4) {
      throw new Malformed("its tag is of an unknown version, ID3v2." + version);
    }
    if (version == 2 && (bytes[5] & PACKED_2) != 0) {
      throw new Malformed("its tag is packed in a way that no standard describes");
    }
    boolean footer = version == 4 && (bytes[5] & FOOTER) != 0;
    byte[] body = Arrays.copyOfRange(bytes, HEAD, bytes.length - (footer ? HEAD : 0));
    return new Id3v2Parser(version, bytes[5], body).parse(bytes[4], bytes.length);
  }

  static Id3v2Tag of(
      FrameForm form,
      int revision,
      int flags,
      ExtendedHeader extended,
      List<Id3Frame> frames,
      byte[] rest,
      int space) {
    return new Id3v2Tag(form, revision, flags, extended, frames, rest, space);
  }

  static boolean unsync(int flags) {
    return (flags & UNSYNC) != 0;
  }

  static boolean hasExtended(int flags, int version) {
    return version > 2 && (flags & EXTENDED) != 0;
  }

  FrameForm form() {
    return form;
  }

  int version() {
    return form.version();
  }

  /** Whether it has a frame of an identifier, as version 4 calls it. */
  boolean has(String id) {
    return ids.contains(FrameIds.in(id, form.version()));
  }

  List<Id3Frame> frames() {
    return frames;
  }

  Id3v2Tag withFrames(List<Id3Frame> others) {
    return new Id3v2Tag(form, revision, flags, extended, others, rest, space);
  }

  @Override
  public String name() {
    return "ID3v2." + form.version();
  }

  @Override
  public List<TagEntry> entries() {
    List<TagEntry> entries = new ArrayList<>();
    frames.forEach(f -> entries.add(f.entry()));
    if (rest.length > 0) {
      entries.add(new TagEntry("what is no frame", rest));
    }
    return entries;
  }

  @Override
  public List<PlaceValues> held(Field<?> field) {
    return new FrameFields(this).held(field);
  }

  @Override
  public boolean canHold(Field<?> field) {
    return field.tags().isPresent();
  }

  @Override
  public Tag with(Field<?> field, List<String> values) {
    return new FrameFields(this).with(field, values);
  }

  @Override
  public boolean holdsPictures() {
    return true;
  }

  @Override
  public Optional<byte[]> picture() {
    if (!has("APIC")) {
      return Optional.empty();
    }
    return AttachedPicture.front(frames).map(AttachedPicture::image);
  }

  @Override
  public Tag withPicture(Optional<Picture> picture) {
    return withFrames(AttachedPicture.replaced(frames, form, picture));
  }

  @Override
  public long plays() {
    return has("POPM") || has("PCNT") ? Popularimeter.plays(frames) : 0;
  }

  /**
   * The tag as it is written. It keeps the space that it had where it fits into that, and where not
   * too much of it would be left over.
   *
   * @throws Malformed when it is larger than its format can say
   */
  public byte[] render() throws Malformed {
    ByteWriter content = ByteWriter.bigEnd();
    for (Id3Frame frame : frames) {
      content.bytes(frame.bytes());
    }
    content.bytes(rest);
    boolean footer = form.version() == 4 && (flags & FOOTER) != 0;
    int used = HEAD + extended.length() + content.size();
    int padding = footer ? 0 : Padding.behind(used, space);
    byte[] frameBytes = content.toBytes();
    byte[] before = extended.rendered(form, frameBytes, padding);
    int size = before.length + frameBytes.length + padding;
    if (size >= MOST) {
      throw new Malformed("its tag would be larger than the 256 MB that its format allows");
    }
    ByteWriter out = ByteWriter.bigEnd().letters("ID3");
    head(out, size).bytes(before).bytes(frameBytes).zeros(padding);
    return footer ? head(out.letters("3DI"), size).toBytes() : out.toBytes();
  }

  private ByteWriter head(ByteWriter out, int size) {
    return out.int8(form.version()).int8(revision).int8(flags).bytes(FrameForm.bytes(size, 4, 7));
  }
}
