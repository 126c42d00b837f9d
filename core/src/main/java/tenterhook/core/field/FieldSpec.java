package tenterhook.core.field;

import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Says what a field is, line by line, until {@link #add} enters it in the catalogue. */
final class FieldSpec<T> {
  final String key;
  final FieldType<T> type;
  final FieldOrigin origin;
  final Set<Trait> traits = EnumSet.noneOf(Trait.class);
  String label;
  String weaveGroup = "";
  String unit = "";
  int since = 1;
  @Nullable TagNames tags;
  @Nullable Field<?> first;

  private final List<Field<?>> catalogue;

  /** A field whose label is its key in words: {@code albumArtist} is shown as "album artist". */
  FieldSpec(List<Field<?>> catalogue, String key, FieldType<T> type, FieldOrigin origin) {
    this.catalogue = catalogue;
    this.key = key;
    this.type = type;
    this.origin = origin;
    this.label = key.replaceAll("([A-Z])", " $1").toLowerCase(Locale.ROOT);
  }

  FieldSpec<T> label(String shown) {
    this.label = shown;
    return this;
  }

  /** Says which version of the catalogue brings it. */
  FieldSpec<T> since(int version) {
    this.since = version;
    return this;
  }

  /** Says in what its numbers count, such as {@code kbps}. */
  FieldSpec<T> unit(String name) {
    this.unit = name;
    return this;
  }

  /** Has the Weave count its holes under a head. */
  FieldSpec<T> woven(String group) {
    this.weaveGroup = group;
    return this;
  }

  FieldSpec<T> tags(String id3, String vorbis, String mp4) {
    return tags(new TagNames(id3, List.of(vorbis.split("\\|")), mp4, false));
  }

  /** The same, with a place in the short tag of ID3v1. */
  FieldSpec<T> shortTags(String id3, String vorbis, String mp4) {
    return tags(new TagNames(id3, List.of(vorbis.split("\\|")), mp4, true));
  }

  private FieldSpec<T> tags(TagNames names) {
    this.tags = names;
    return this;
  }

  /** Says that it tells of how many the number in another field is. */
  FieldSpec<T> totalOf(Field<?> number) {
    this.first = number;
    return this;
  }

  FieldSpec<T> traits(Trait... all) {
    traits.addAll(List.of(all));
    return this;
  }

  Field<T> add() {
    Field<T> field = new Field<>(this, catalogue.size());
    catalogue.add(field);
    return field;
  }

  Optional<TagNames> tagNames() {
    return Optional.ofNullable(tags);
  }
}
