package tenterhook.adapters.tagfile;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import tenterhook.adapters.tagfile.id3.Id3v1Tag;
import tenterhook.adapters.tagfile.tag.Picture;
import tenterhook.adapters.tagfile.tag.PlaceValues;
import tenterhook.adapters.tagfile.tag.Tag;
import tenterhook.adapters.tagfile.tag.TagEntry;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;

/**
 * All tags of a file as one. A field is shown as the first of them that holds it says; it is set in
 * every one that holds it, so that all stay in step, and else in the first that can hold it.
 *
 * @param tags in the order in which they are asked; a tag that the file did not have comes first
 */
record FileTags(List<Tag> tags) {
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);
  private static final List<Field<?>> FIELDS =
      Fields.inFile().stream().filter(f -> f.tags().isPresent()).toList();

  FileTags {
    tags = List.copyOf(tags);
  }

  /** The fields that stand in tags as text. */
  static List<Field<?>> fields() {
    return FIELDS;
  }

  /** The raw value of a field; empty for none. */
  String raw(Field<?> field) {
    for (Tag tag : tags) {
      String raw = tag.raw(field);
      if (!raw.isEmpty()) {
        return raw;
      }
    }
    return "";
  }

  /** The bytes of the front cover. */
  Optional<byte[]> picture() {
    return tags.stream().flatMap(t -> t.picture().stream()).findFirst();
  }

  /** How often the file says that it was played. */
  long plays() {
    return tags.stream().mapToLong(Tag::plays).max().orElse(0);
  }

  private static List<String> values(Field<?> field, String raw) {
    if (raw.isEmpty()) {
      return List.of();
    }
    return field.type().several() ? List.of(raw.split(SEPARATOR)) : List.of(raw);
  }

  /**
   * The tags with a field set.
   *
   * @param fresh a tag without entries, for a value that none of the tags can hold; empty where
   *     none may be added
   * @return tags of which {@link #raw} says whether they hold it
   */
  FileTags with(Field<?> field, String raw, Optional<Tag> fresh) {
    List<String> values = values(field, raw);
    FileTags next = each(t -> t.held(field).isEmpty() ? t : t.with(field, values));
    if (values.isEmpty() || next.raw(field).equals(raw)) {
      return next;
    }
    for (int i = 0; i < tags.size(); i++) {
      Tag tag = next.tags.get(i);
      Tag set = tag.canHold(field) ? tag.with(field, values) : tag;
      if (set.raw(field).equals(raw)) {
        return next.replaced(i, set);
      }
    }
    return fresh.map(f -> next.added(f).first(t -> t.with(field, values))).orElse(next);
  }

  /** The tags with another front cover, or without one. */
  FileTags withPicture(Optional<Picture> picture, Optional<Tag> fresh) {
    if (picture().isPresent() || picture.isEmpty()) {
      return each(t -> t.picture().isEmpty() ? t : t.withPicture(picture));
    }
    for (int i = 0; i < tags.size(); i++) {
      if (tags.get(i).holdsPictures()) {
        return replaced(i, tags.get(i).withPicture(picture));
      }
    }
    return fresh.map(f -> added(f).first(t -> t.withPicture(picture))).orElse(this);
  }

  private FileTags each(UnaryOperator<Tag> change) {
    return new FileTags(tags.stream().map(change).toList());
  }

  private FileTags replaced(int at, Tag tag) {
    List<Tag> next = new ArrayList<>(tags);
    next.set(at, tag);
    return new FileTags(next);
  }

  private FileTags first(UnaryOperator<Tag> change) {
    return replaced(0, change.apply(tags.getFirst()));
  }

  /**
   * A new tag in front. It takes over what the short tag of ID3v1 says, since most readers do not
   * look at that where there is a longer one.
   */
  private FileTags added(Tag fresh) {
    Tag filled = fresh;
    if (!tags.isEmpty() && tags.stream().allMatch(t -> t instanceof Id3v1Tag)) {
      for (Field<?> field : fields()) {
        if (!raw(field).isEmpty()) {
          filled = filled.with(field, values(field, raw(field)));
        }
      }
    }
    List<Tag> next = new ArrayList<>(tags);
    next.addFirst(filled);
    return new FileTags(next);
  }

  /**
   * The raw value of a field, and where the tags hold another one than that. Shortening is no
   * difference where a place holds no more.
   *
   * @param outOfStep gets each other value as the field's key, the place and the value, separated
   *     by {@code |}
   * @return empty for none
   */
  String raw(Field<?> field, List<String> outOfStep) {
    String raw = "";
    int places = 0;
    for (Tag tag : tags) {
      List<PlaceValues> held = tag.held(field);
      places += held.size();
      raw = raw.isEmpty() ? Tag.raw(field, held) : raw;
    }
    if (places > 1) {
      outOfStep(field, values(field, raw), outOfStep);
    }
    return raw;
  }

  private void outOfStep(Field<?> field, List<String> shown, List<String> all) {
    for (Tag tag : tags) {
      List<PlaceValues> held = tag.held(field);
      List<PlaceValues> wanted = held.isEmpty() ? held : tag.with(field, shown).held(field);
      for (PlaceValues here : held) {
        boolean inStep =
            wanted.stream().anyMatch(w -> w.place().equals(here.place()) && same(tag, w, here));
        if (!inStep) {
          String place = tag.name().equals(here.place()) ? tag.name() : here.place();
          all.add(field.key() + "|" + place + "|" + String.join("; ", here.values()));
        }
      }
    }
  }

  /** The short tag may have question marks for letters that it does not have. */
  private static boolean same(Tag tag, PlaceValues wanted, PlaceValues here) {
    return wanted.values().equals(here.values())
        || tag instanceof Id3v1Tag
            && Id3v1Tag.plain(wanted.values().getFirst())
                .equals(Id3v1Tag.plain(here.values().getFirst()));
  }

  /** All entries of all tags; a tag without any is none. */
  List<List<TagEntry>> entries() {
    return tags.stream().map(Tag::entries).filter(e -> !e.isEmpty()).toList();
  }
}
