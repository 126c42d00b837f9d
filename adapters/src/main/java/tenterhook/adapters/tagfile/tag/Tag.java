package tenterhook.adapters.tagfile.tag;

import java.util.List;
import java.util.Optional;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;

/**
 * A tag of a music file: a list of entries that keep their bytes. A tag is a value; changing one
 * gives another, in which only the entries of the changed field are others.
 */
public interface Tag {
  /** The name of the tag as a DJ may be told it, such as {@code ID3v2.3}. */
  String name();

  /** All entries in the order of the file, foreign ones included; padding is none. */
  List<TagEntry> entries();

  /**
   * What the tag holds of a field, each place apart; the first is the one that is shown. Empty when
   * it holds nothing.
   *
   * @param field a field that stands in tags and is no picture
   */
  List<PlaceValues> held(Field<?> field);

  /** Whether the format has a place for a field. */
  boolean canHold(Field<?> field);

  /**
   * The tag with a field set in every place that holds it, or in the first that can, as far as its
   * format allows: what was asked is there if {@link #held} says so afterwards.
   *
   * @param field a field that {@link #canHold} allows
   * @param values in their order; empty takes the field away
   */
  Tag with(Field<?> field, List<String> values);

  /** The bytes of the picture that is nearest to a cover: one in front, of no kind, of any. */
  default Optional<byte[]> picture() {
    return Optional.empty();
  }

  /** Whether the format has a place for pictures. */
  default boolean holdsPictures() {
    return false;
  }

  /**
   * The tag with another front cover; other pictures stay.
   *
   * @param picture the new one, or empty to take the old one away
   */
  default Tag withPicture(Optional<Picture> picture) {
    return this;
  }

  /** How often it says that the track was played, 0 for never. */
  default long plays() {
    return 0;
  }

  /** The values of a field in the place that is shown; empty when the tag holds nothing. */
  default List<String> values(Field<?> field) {
    List<PlaceValues> held = held(field);
    return held.isEmpty() ? List.of() : held.getFirst().values();
  }

  /** The raw text of a field in the place that is shown; empty when the tag holds nothing. */
  default String raw(Field<?> field) {
    return raw(field, held(field));
  }

  /**
   * The raw text of a field in the first of places. A field that has one value only is the first
   * that is there.
   */
  static String raw(Field<?> field, List<PlaceValues> held) {
    if (held.isEmpty()) {
      return "";
    }
    List<String> values = held.getFirst().values();
    return field.type().several()
        ? String.join(String.valueOf(FieldType.SEPARATOR), values)
        : values.getFirst();
  }
}
