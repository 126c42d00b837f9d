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
  private @Nullable String id3;
  private String vorbis = "";
  private String mp4 = "";
  private String ape = "";
  private String info = "";
  private String aiff = "";
  private boolean inId3v1;
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

  /** Says where it stands in tags; several names of a format are separated by {@code |}. */
  FieldSpec<T> tags(String id3Frames, String vorbisNames, String mp4Items) {
    this.id3 = id3Frames;
    this.vorbis = vorbisNames;
    this.mp4 = mp4Items;
    return this;
  }

  /** Says which keys of an APEv2 tag it has, if not the names of its Vorbis comments. */
  FieldSpec<T> ape(String keys) {
    this.ape = keys;
    return this;
  }

  /** Says which chunks of the INFO list of a WAV file hold it. */
  FieldSpec<T> info(String chunks) {
    this.info = chunks;
    return this;
  }

  /** Says which text chunk of an AIFF file holds it. */
  FieldSpec<T> aiff(String chunk) {
    this.aiff = chunk;
    return this;
  }

  /** Says that the short tag of ID3v1 has a place for it. */
  FieldSpec<T> inId3v1() {
    this.inId3v1 = true;
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
    return Optional.ofNullable(id3)
        .map(
            frames ->
                new TagNames(
                    names(frames),
                    names(vorbis),
                    names(mp4),
                    names(ape.isEmpty() ? vorbis : ape),
                    names(info),
                    names(aiff),
                    inId3v1));
  }

  private static List<String> names(String separated) {
    return separated.isEmpty() ? List.of() : List.of(separated.split("\\|"));
  }
}
