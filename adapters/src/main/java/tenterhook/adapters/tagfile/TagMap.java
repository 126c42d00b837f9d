package tenterhook.adapters.tagfile;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jaudiotagger.tag.FieldDataInvalidException;
import org.jaudiotagger.tag.FieldKey;
import org.jaudiotagger.tag.KeyNotFoundException;
import org.jaudiotagger.tag.Tag;
import org.jaudiotagger.tag.TagField;
import org.jaudiotagger.tag.TagTextField;
import org.jaudiotagger.tag.aiff.AiffTag;
import org.jaudiotagger.tag.flac.FlacTag;
import org.jaudiotagger.tag.id3.AbstractID3v2Frame;
import org.jaudiotagger.tag.id3.AbstractID3v2Tag;
import org.jaudiotagger.tag.id3.ID3v1Tag;
import org.jaudiotagger.tag.id3.ID3v22Tag;
import org.jaudiotagger.tag.id3.ID3v24FieldKey;
import org.jaudiotagger.tag.id3.ID3v24Frames;
import org.jaudiotagger.tag.id3.framebody.FrameBodyTXXX;
import org.jaudiotagger.tag.images.Artwork;
import org.jaudiotagger.tag.images.ArtworkFactory;
import org.jaudiotagger.tag.mp4.Mp4Tag;
import org.jaudiotagger.tag.mp4.field.Mp4TagReverseDnsField;
import org.jaudiotagger.tag.vorbiscomment.VorbisCommentTag;
import org.jaudiotagger.tag.wav.WavTag;
import org.jspecify.annotations.Nullable;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.field.TagNames;
import tenterhook.core.field.Trait;

/**
 * Finds a field in the tag of a file by the names that the catalogue of fields gives it, and turns
 * a raw value into a tag and back. Knows no field by itself but those whose values need turning.
 */
final class TagMap {
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);
  private static final String OWN_FRAME = "TXXX:";
  private static final String OWN_ITEM = "----:";
  private static final Map<String, FieldKey> LIBRARY_KEYS = libraryKeys();

  private TagMap() {}

  /** The library's keys by the frame of ID3v2.4 that each stands for. */
  private static Map<String, FieldKey> libraryKeys() {
    Map<String, FieldKey> keys = new HashMap<>();
    keys.put("TRCK/2", FieldKey.TRACK_TOTAL);
    keys.put("TPOS/2", FieldKey.DISC_TOTAL);
    for (FieldKey key : FieldKey.values()) {
      ID3v24FieldKey frame = ID3v24Frames.getInstanceOf().getId3KeyFromGenericKey(key);
      if (frame != null) {
        String sub = frame.getSubId() == null ? "" : ":" + frame.getSubId();
        keys.putIfAbsent(frame.getFrameId() + sub, key);
      }
    }
    return Map.copyOf(keys);
  }

  /** The fields that have a place in tags. */
  static List<Field<?>> fields() {
    return Fields.inFile().stream().filter(f -> f.tags().isPresent()).toList();
  }

  private static TagNames names(Field<?> field) {
    return field.tags().orElseThrow(() -> new IllegalArgumentException(field + " is in no tag"));
  }

  /** The library's key of a field; null where a tag has it under a name of its own. */
  private static @Nullable FieldKey key(Field<?> field) {
    return LIBRARY_KEYS.get(names(field).id3());
  }

  /** Whether the old short tag at the end of an mp3 has a place for a field. */
  static boolean inShortTag(Field<?> field) {
    return field.tags().filter(TagNames::inId3v1).isPresent();
  }

  /** The old short tag's values in a new tag; the library's own copy spells genres otherwise. */
  static <T extends Tag> T copied(Tag from, T to) throws FieldDataInvalidException {
    for (Field<?> field : fields()) {
      String raw = inShortTag(field) ? read(from, field) : "";
      if (!raw.isEmpty()) {
        write(to, field, raw);
      }
    }
    return to;
  }

  static String read(Tag tag, Field<?> field) {
    try {
      List<String> all = values(tag, field);
      if (field.type().shape() == FieldType.Shape.LIST) {
        return String.join(SEPARATOR, all.stream().filter(v -> !v.isBlank()).toList());
      }
      String raw = all.isEmpty() ? "" : all.getFirst();
      if (field == Fields.RATING) {
        return Ratings.fromTag(raw, tag);
      }
      return field.is(Trait.PLACE_ON_ALBUM) && raw.equals("0") ? "" : raw;
    } catch (KeyNotFoundException | UnsupportedOperationException noPlace) {
      return "";
    }
  }

  private static List<String> values(Tag tag, Field<?> field) {
    Optional<VorbisCommentTag> comments = vorbis(tag);
    if (comments.isPresent()) {
      return names(field).vorbis().stream()
          .map(name -> texts(comments.get().getFields(name)))
          .filter(v -> !v.isEmpty())
          .findFirst()
          .orElse(List.of());
    }
    FieldKey key = key(field);
    if (key == null) {
      return texts(ownFields(tag, field));
    }
    return field.type().shape() == FieldType.Shape.LIST
        ? tag.getAll(key)
        : List.of(tag.getFirst(key));
  }

  private static List<String> texts(List<TagField> fields) {
    return fields.stream()
        .map(
            f ->
                f instanceof AbstractID3v2Frame frame
                        && frame.getBody() instanceof FrameBodyTXXX own
                    ? own.getText()
                    : f instanceof TagTextField text ? text.getContent() : "")
        .filter(v -> !v.isEmpty())
        .toList();
  }

  static void write(Tag tag, Field<?> field, String raw) throws FieldDataInvalidException {
    if (tag instanceof ID3v1Tag && !inShortTag(field)
        || field == Fields.RATING && Ratings.writtenBesideCounter(tag, raw)) {
      return;
    }
    List<String> values = raw.isEmpty() ? List.of() : inTag(tag, field, raw);
    write(tag, field, values);
  }

  private static void write(Tag tag, Field<?> field, List<String> values)
      throws FieldDataInvalidException {
    Optional<VorbisCommentTag> comments = vorbis(tag);
    FieldKey key = key(field);
    if (comments.isPresent()) {
      writeComments(comments.get(), names(field).vorbis(), values);
    } else if (key == null) {
      writeOwn(tag, field, values);
    } else if (values.isEmpty()) {
      delete(tag, field, key);
    } else {
      writeByKey(tag, field, key, values);
    }
  }

  /** A raw value as the tag spells it; only a list has more than one. */
  private static List<String> inTag(Tag tag, Field<?> field, String raw) {
    if (field == Fields.RATING) {
      return List.of(Ratings.toTag(raw, tag));
    }
    List<String> all = List.of(raw.split(SEPARATOR));
    boolean several = field.type().shape() == FieldType.Shape.LIST && !(tag instanceof ID3v1Tag);
    return several ? all : all.subList(0, 1);
  }

  /** No other name of the field is left with the old value. */
  private static void writeComments(
      VorbisCommentTag comments, List<String> names, List<String> values)
      throws FieldDataInvalidException {
    names.forEach(comments::deleteField);
    for (String value : values) {
      comments.addField(comments.createField(names.getFirst(), value));
    }
  }

  private static void writeByKey(Tag tag, Field<?> field, FieldKey key, List<String> values)
      throws FieldDataInvalidException {
    if (field == Fields.YEAR) {
      delete(tag, field, key); // a whole date may stand in two frames, of which only one is set
    }
    if (field.type().shape() == FieldType.Shape.LIST && !(tag instanceof ID3v1Tag)) {
      tag.deleteField(key);
      for (String value : values) {
        tag.addField(key, value);
      }
    } else {
      tag.setField(key, values.getFirst());
    }
  }

  /** The comments of a FLAC or Ogg Vorbis file; another tag is none. */
  private static Optional<VorbisCommentTag> vorbis(Tag tag) {
    return switch (tag) {
      case FlacTag flac -> Optional.ofNullable(flac.getVorbisCommentTag());
      case VorbisCommentTag comments -> Optional.of(comments);
      default -> Optional.empty();
    };
  }

  /** The ID3 tag inside the tag of a wav or aiff file; any other tag is itself. */
  static Tag id3(Tag tag) {
    return switch (tag) {
      case WavTag wav when wav.getID3Tag() != null -> wav.getID3Tag();
      case AiffTag aiff when aiff.getID3Tag() != null -> aiff.getID3Tag();
      default -> tag;
    };
  }

  private static String ownFrameId(AbstractID3v2Tag tag) {
    return tag instanceof ID3v22Tag ? "TXX" : "TXXX";
  }

  /** What stands in a tag under a name that no standard gives a frame or an item of its own. */
  private static List<TagField> ownFields(Tag tag, Field<?> field) {
    if (tag instanceof Mp4Tag mp4) {
      return mp4.getFields(names(field).mp4());
    }
    if (id3(tag) instanceof AbstractID3v2Tag frames) {
      return frames.getFields(ownFrameId(frames)).stream()
          .filter(f -> description(f).equalsIgnoreCase(ownName(field)))
          .toList();
    }
    return List.of();
  }

  private static String ownName(Field<?> field) {
    return names(field).id3().substring(OWN_FRAME.length());
  }

  private static String description(TagField field) {
    return field instanceof AbstractID3v2Frame frame && frame.getBody() instanceof FrameBodyTXXX own
        ? own.getDescription()
        : "";
  }

  private static void writeOwn(Tag tag, Field<?> field, List<String> values)
      throws FieldDataInvalidException {
    if (tag instanceof Mp4Tag mp4) {
      mp4.deleteField(names(field).mp4());
      String[] parts = names(field).mp4().substring(OWN_ITEM.length()).split(":", 2);
      for (String value : values) {
        mp4.addField(new Mp4TagReverseDnsField(names(field).mp4(), parts[0], parts[1], value));
      }
    } else if (id3(tag) instanceof AbstractID3v2Tag frames) {
      String id = ownFrameId(frames);
      List<TagField> others = new ArrayList<>(frames.getFields(id));
      others.removeAll(ownFields(tag, field));
      frames.removeFrame(id);
      for (TagField other : others) {
        frames.addField(other);
      }
      if (!values.isEmpty()) {
        AbstractID3v2Frame frame = frames.createFrame(id);
        FrameBodyTXXX own = (FrameBodyTXXX) frame.getBody();
        own.setDescription(ownName(field));
        own.setText(String.join(SEPARATOR, values));
        frames.addField(frame);
      }
    }
  }

  /** Numbers and totals share one tag in some formats: taking one away must leave the other. */
  private static void delete(Tag tag, Field<?> field, FieldKey key)
      throws FieldDataInvalidException {
    Optional<Field<?>> partner =
        tag instanceof ID3v1Tag
            ? Optional.empty()
            : field.totalOf().or(() -> Fields.totalOf(field));
    String kept = partner.map(p -> read(tag, p)).orElse("");
    tag.deleteField(key);
    if (!kept.isEmpty() && !read(tag, partner.orElseThrow()).equals(kept)) {
      writeByKey(tag, partner.orElseThrow(), key(partner.orElseThrow()), List.of(kept));
    }
  }

  /** The front cover: the first picture that says it is one, else the first. */
  static @Nullable Artwork picture(Tag tag) {
    if (tag instanceof ID3v1Tag) {
      return null;
    }
    List<Artwork> all = tag.getArtworkList();
    return all.stream()
        .filter(a -> a.getPictureType() == 3)
        .findFirst()
        .orElse(all.isEmpty() ? null : all.getFirst());
  }

  /** Puts a picture in the place of the front cover; other pictures stay. */
  static void setPicture(Tag tag, String raw, Function<String, byte[]> pictures)
      throws FieldDataInvalidException {
    if (tag instanceof ID3v1Tag) {
      return;
    }
    Artwork front = picture(tag);
    List<Artwork> others = new ArrayList<>(tag.getArtworkList());
    others.removeIf(a -> a == front || front != null && sameBytes(a, front));
    tag.deleteArtworkField();
    if (!raw.isEmpty()) {
      tenterhook.core.field.Artwork wanted =
          tenterhook.core.field.Artwork.parse(raw)
              .orElseThrow(() -> new IllegalArgumentException("not a picture: " + raw));
      Artwork art = ArtworkFactory.getNew();
      art.setBinaryData(pictures.apply(wanted.sha256()));
      art.setMimeType(wanted.mime());
      art.setPictureType(3);
      art.setDescription("");
      art.setWidth(wanted.width());
      art.setHeight(wanted.height());
      add(tag, art);
    }
    for (Artwork other : others) {
      add(tag, other);
    }
  }

  private static void add(Tag tag, Artwork art) throws FieldDataInvalidException {
    if (tag instanceof AbstractID3v2Tag || !tag.getArtworkList().isEmpty()) {
      tag.addField(art);
    } else {
      tag.setField(art);
    }
  }

  private static boolean sameBytes(Artwork a, Artwork b) {
    return java.util.Arrays.equals(a.getBinaryData(), b.getBinaryData());
  }
}
