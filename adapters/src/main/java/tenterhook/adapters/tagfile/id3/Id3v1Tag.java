package tenterhook.adapters.tagfile.id3;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import tenterhook.adapters.tagfile.tag.LocalText;
import tenterhook.adapters.tagfile.tag.NumberedGenres;
import tenterhook.adapters.tagfile.tag.PlaceValues;
import tenterhook.adapters.tagfile.tag.Tag;
import tenterhook.adapters.tagfile.tag.TagEntry;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.TagNames;
import tenterhook.core.text.CodePages;

/**
 * The short tag of ID3v1 at the end of a file: 128 bytes with texts of 30 letters; in version 1.1
 * the comment has 28 and a track number stands behind it.
 */
public final class Id3v1Tag implements Tag {
  /** The length of every such tag. */
  public static final int LENGTH = 128;

  private static final int TRACK = 126;
  private static final int GENRE = 127;
  private static final int NO_GENRE = 255;

  /** A text in the tag. */
  private record Slot(String name, int from, int length) {}

  private final byte[] bytes;

  private Id3v1Tag(byte[] bytes) {
    this.bytes = bytes;
  }

  /** A tag that says nothing. */
  public static Id3v1Tag empty() {
    byte[] bytes = Arrays.copyOf("TAG".getBytes(StandardCharsets.US_ASCII), LENGTH);
    bytes[GENRE] = (byte) NO_GENRE;
    return new Id3v1Tag(bytes);
  }

  /** The tag of {@value #LENGTH} bytes. */
  public static Id3v1Tag parse(byte[] bytes) {
    return new Id3v1Tag(bytes);
  }

  /** Whether a tag begins with these letters. */
  public static boolean begins(String letters) {
    return letters.startsWith("TAG") && !letters.startsWith("TAG+");
  }

  /** A text with question marks for all letters but those of Latin-1. */
  public static String plain(String text) {
    return new String(text.getBytes(StandardCharsets.ISO_8859_1), StandardCharsets.ISO_8859_1);
  }

  /** The tag as it is written. */
  public byte[] render() {
    return bytes.clone();
  }

  @Override
  public String name() {
    return "ID3v1";
  }

  private boolean hasTrack() {
    return bytes[TRACK - 1] == 0 && bytes[TRACK] != 0;
  }

  private Slot slot(Field<?> field) {
    if (field == Fields.TITLE) {
      return new Slot("title", 3, 30);
    }
    if (field == Fields.ARTIST) {
      return new Slot("artist", 33, 30);
    }
    if (field == Fields.ALBUM) {
      return new Slot("album", 63, 30);
    }
    return field == Fields.YEAR
        ? new Slot("year", 93, 4)
        : new Slot("comment", 97, hasTrack() ? 28 : 30);
  }

  @Override
  public List<TagEntry> entries() {
    List<TagEntry> entries = new ArrayList<>();
    for (Field<?> field :
        List.of(Fields.TITLE, Fields.ARTIST, Fields.ALBUM, Fields.YEAR, Fields.COMMENT)) {
      Slot slot = slot(field);
      entries.add(entry(slot.name(), slot.from(), slot.from() + slot.length()));
    }
    if (hasTrack()) {
      entries.add(entry("track", TRACK - 1, TRACK + 1));
    }
    entries.add(entry("genre", GENRE, LENGTH));
    return entries;
  }

  private TagEntry entry(String name, int from, int to) {
    return new TagEntry(name, Arrays.copyOfRange(bytes, from, to));
  }

  @Override
  public boolean canHold(Field<?> field) {
    return field.tags().filter(TagNames::inId3v1).isPresent();
  }

  @Override
  public List<PlaceValues> held(Field<?> field) {
    String value = canHold(field) ? value(field) : "";
    return value.isEmpty() ? List.of() : List.of(new PlaceValues(name(), List.of(value)));
  }

  private String value(Field<?> field) {
    if (field == Fields.TRACK) {
      return hasTrack() ? String.valueOf(bytes[TRACK] & 0xFF) : "";
    }
    return field == Fields.GENRE
        ? NumberedGenres.name(bytes[GENRE] & 0xFF)
        : LocalText.decode(text(slot(field))).stripTrailing();
  }

  private byte[] text(Slot slot) {
    int end = slot.from();
    while (end < slot.from() + slot.length() && bytes[end] != 0) {
      end++;
    }
    return Arrays.copyOfRange(bytes, slot.from(), end);
  }

  @Override
  public Tag with(Field<?> field, List<String> values) {
    String value = values.isEmpty() ? "" : values.getFirst();
    byte[] next = bytes.clone();
    if (field == Fields.TRACK) {
      boolean fits = value.matches("\\d{1,3}") && Integer.parseInt(value) < 256;
      int number = fits ? Integer.parseInt(value) : 0;
      if (hasTrack() || number > 0) {
        next[TRACK - 1] = 0;
        next[TRACK] = (byte) number;
      }
    } else if (field == Fields.GENRE) {
      int number = value.isEmpty() ? NO_GENRE : NumberedGenres.number(value);
      next[GENRE] = (byte) (number < 0 ? NO_GENRE : number);
    } else {
      put(next, slot(field), value);
    }
    return new Id3v1Tag(next);
  }

  /** What does not fit is cut off; letters that it does not have become question marks. */
  private void put(byte[] into, Slot slot, String value) {
    byte[] old = text(slot);
    byte filler = (byte) (old.length == slot.length() && old[old.length - 1] == ' ' ? ' ' : 0);
    byte[] text =
        CodePages.encoded(
                value, LocalText.ascii(old) ? StandardCharsets.ISO_8859_1 : LocalText.charset(old))
            .orElseGet(() -> value.getBytes(StandardCharsets.ISO_8859_1));
    Arrays.fill(into, slot.from(), slot.from() + slot.length(), filler);
    System.arraycopy(text, 0, into, slot.from(), Math.min(text.length, slot.length()));
  }
}
