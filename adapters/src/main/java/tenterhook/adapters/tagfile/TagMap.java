package tenterhook.adapters.tagfile;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.jaudiotagger.tag.FieldDataInvalidException;
import org.jaudiotagger.tag.FieldKey;
import org.jaudiotagger.tag.KeyNotFoundException;
import org.jaudiotagger.tag.Tag;
import org.jaudiotagger.tag.id3.AbstractID3v2Tag;
import org.jaudiotagger.tag.id3.ID3v1Tag;
import org.jaudiotagger.tag.images.Artwork;
import org.jaudiotagger.tag.images.ArtworkFactory;
import org.jspecify.annotations.Nullable;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;

/** Which tag holds which field, and how a raw value becomes a tag and back. */
final class TagMap {
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);
  private static final Map<Field<?>, FieldKey> KEYS = keys();
  private static final Set<Field<?>> SHORT =
      Set.of(
          Fields.TITLE,
          Fields.ARTIST,
          Fields.ALBUM,
          Fields.YEAR,
          Fields.COMMENT,
          Fields.GENRE,
          Fields.TRACK);
  private static final Set<Field<?>> COUNTS =
      Set.of(Fields.TRACK, Fields.TRACK_TOTAL, Fields.DISC, Fields.DISC_TOTAL);

  private TagMap() {}

  private static Map<Field<?>, FieldKey> keys() {
    Map<Field<?>, FieldKey> map = new LinkedHashMap<>();
    map.put(Fields.ARTIST, FieldKey.ARTIST);
    map.put(Fields.TITLE, FieldKey.TITLE);
    map.put(Fields.ALBUM, FieldKey.ALBUM);
    map.put(Fields.ALBUM_ARTIST, FieldKey.ALBUM_ARTIST);
    map.put(Fields.COMPOSER, FieldKey.COMPOSER);
    map.put(Fields.LABEL, FieldKey.RECORD_LABEL);
    map.put(Fields.YEAR, FieldKey.YEAR);
    map.put(Fields.TRACK, FieldKey.TRACK);
    map.put(Fields.TRACK_TOTAL, FieldKey.TRACK_TOTAL);
    map.put(Fields.DISC, FieldKey.DISC_NO);
    map.put(Fields.DISC_TOTAL, FieldKey.DISC_TOTAL);
    map.put(Fields.BPM, FieldKey.BPM);
    map.put(Fields.KEY, FieldKey.KEY);
    map.put(Fields.RATING, FieldKey.RATING);
    map.put(Fields.GENRE, FieldKey.GENRE);
    map.put(Fields.COMMENT, FieldKey.COMMENT);
    map.put(Fields.GROUPING, FieldKey.GROUPING);
    map.put(Fields.LYRICS, FieldKey.LYRICS);
    return map;
  }

  static Set<Field<?>> fields() {
    return KEYS.keySet();
  }

  /** Whether the old short tag at the end of an mp3 has a place for a field. */
  static boolean inShortTag(Field<?> field) {
    return SHORT.contains(field);
  }

  /** The old short tag's values in a new tag; the library's own copy spells genres otherwise. */
  static <T extends Tag> T copied(Tag from, T to) throws FieldDataInvalidException {
    for (Field<?> field : SHORT) {
      String raw = read(from, field);
      if (!raw.isEmpty()) {
        write(to, field, raw);
      }
    }
    return to;
  }

  static String read(Tag tag, Field<?> field) {
    try {
      if (field == Fields.GENRE) {
        return String.join(
            SEPARATOR, tag.getAll(FieldKey.GENRE).stream().filter(g -> !g.isBlank()).toList());
      }
      String raw = tag.getFirst(KEYS.get(field));
      if (field == Fields.RATING) {
        return Ratings.fromTag(raw, tag);
      }
      return COUNTS.contains(field) && raw.equals("0") ? "" : raw;
    } catch (KeyNotFoundException | UnsupportedOperationException noPlace) {
      return "";
    }
  }

  static void write(Tag tag, Field<?> field, String raw) throws FieldDataInvalidException {
    FieldKey key = KEYS.get(field);
    if (tag instanceof ID3v1Tag && !SHORT.contains(field)) {
      return;
    }
    if (field == Fields.RATING && Ratings.writtenBesideCounter(tag, raw)) {
      return;
    }
    if (raw.isEmpty()) {
      delete(tag, field, key);
      return;
    }
    if (field == Fields.GENRE && !(tag instanceof ID3v1Tag)) {
      writeGenres(tag, raw);
      return;
    }
    if (field == Fields.YEAR) {
      delete(tag, field, key); // a whole date may stand in two frames, of which only one is set
    }
    tag.setField(key, field == Fields.RATING ? Ratings.toTag(raw, tag) : raw.split(SEPARATOR)[0]);
  }

  private static void writeGenres(Tag tag, String raw) throws FieldDataInvalidException {
    tag.deleteField(FieldKey.GENRE);
    for (String genre : raw.split(SEPARATOR)) {
      tag.addField(FieldKey.GENRE, genre);
    }
  }

  /** Numbers and totals share one tag in some formats: taking one away must leave the other. */
  private static void delete(Tag tag, Field<?> field, FieldKey key)
      throws FieldDataInvalidException {
    Field<?> partner = partner(field);
    String kept = partner == null || tag instanceof ID3v1Tag ? "" : read(tag, partner);
    tag.deleteField(key);
    if (partner != null && !kept.isEmpty() && !read(tag, partner).equals(kept)) {
      tag.setField(KEYS.get(partner), kept);
    }
  }

  private static @Nullable Field<?> partner(Field<?> field) {
    if (field == Fields.TRACK) {
      return Fields.TRACK_TOTAL;
    }
    if (field == Fields.TRACK_TOTAL) {
      return Fields.TRACK;
    }
    if (field == Fields.DISC) {
      return Fields.DISC_TOTAL;
    }
    return field == Fields.DISC_TOTAL ? Fields.DISC : null;
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
