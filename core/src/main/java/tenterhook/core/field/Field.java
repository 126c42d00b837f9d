package tenterhook.core.field;

import java.util.Optional;
import java.util.Set;

/**
 * One attribute that a track has: its name, type, origin, traits and place in the tags of a file.
 *
 * @param <T> the type of a readable value
 */
public final class Field<T> {
  private final String key;
  private final String label;
  private final FieldType<T> type;
  private final FieldOrigin origin;
  private final int index;
  private final String weaveGroup;
  private final String unit;
  private final int since;
  private final Set<Trait> traits;
  private final Optional<TagNames> tags;
  private final Optional<Field<?>> first;

  Field(FieldSpec<T> spec, int index) {
    this.key = spec.key;
    this.label = spec.label;
    this.type = spec.type;
    this.origin = spec.origin;
    this.index = index;
    this.weaveGroup = spec.weaveGroup;
    this.unit = spec.unit;
    this.since = spec.since;
    this.traits = Set.copyOf(spec.traits);
    this.tags = spec.tagNames();
    this.first = Optional.ofNullable(spec.first);
  }

  /**
   * The name in the find language, in files and on the command line, such as {@code albumArtist}.
   */
  public String key() {
    return key;
  }

  /** The name shown to the DJ, such as {@code album artist}. */
  public String label() {
    return label;
  }

  /** How its raw text is read. */
  public FieldType<T> type() {
    return type;
  }

  /** Where its value lives. */
  public FieldOrigin origin() {
    return origin;
  }

  /** In what its numbers count, such as {@code kbps}; empty where the field itself says it. */
  public String unit() {
    return unit;
  }

  /** The version of the catalogue that brought it; 1 for the first. */
  public int since() {
    return since;
  }

  /**
   * Whether it may have come after a codebook with a facet of its name: the name then goes on
   * meaning the facet.
   */
  public boolean givesWay() {
    return since > 1;
  }

  /** Its place in the catalogue, from 0 without gaps. */
  public int index() {
    return index;
  }

  /** The head under which the Weave counts its holes, or empty when it does not. */
  public Optional<String> weaveGroup() {
    return weaveGroup.isEmpty() ? Optional.empty() : Optional.of(weaveGroup);
  }

  /** Whether it is good for something. */
  public boolean is(Trait trait) {
    return traits.contains(trait);
  }

  /** Where it stands in tags; empty for the front cover and for fields that are in no tag. */
  public Optional<TagNames> tags() {
    return tags;
  }

  /** The field whose number this one is the total of, such as the track of a track total. */
  public Optional<Field<?>> totalOf() {
    return first;
  }

  /** Whether a person may edit it in a table or panel. */
  public boolean editable() {
    return origin == FieldOrigin.FILE && tags.isPresent();
  }

  /** Whether a person may give it a value at all: in the file, or kept by the program. */
  public boolean settable() {
    return editable() || is(Trait.SETTABLE);
  }

  /**
   * Whether a raw value is a hole: missing, or not usable as what the field is.
   *
   * @param raw text as it stands in the tag
   */
  public boolean isHole(String raw) {
    return type.parse(raw).isEmpty();
  }

  @Override
  public String toString() {
    return key;
  }
}
