package tenterhook.core.field;

import java.util.Optional;

/**
 * One attribute that a track has: its name, type, home and place in the Weave.
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

  Field(
      String key,
      String label,
      FieldType<T> type,
      FieldOrigin origin,
      int index,
      String weaveGroup) {
    this.key = key;
    this.label = label;
    this.type = type;
    this.origin = origin;
    this.index = index;
    this.weaveGroup = weaveGroup;
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

  /** Its place in the catalogue, from 0 without gaps. */
  public int index() {
    return index;
  }

  /** The head under which the Weave counts its holes, or empty when it does not. */
  public Optional<String> weaveGroup() {
    return weaveGroup.isEmpty() ? Optional.empty() : Optional.of(weaveGroup);
  }

  /** Whether a person may edit it in a table or panel. */
  public boolean editable() {
    return origin == FieldOrigin.FILE && this != Fields.ARTWORK;
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
