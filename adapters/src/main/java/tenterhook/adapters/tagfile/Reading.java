package tenterhook.adapters.tagfile;

import java.util.Map;
import tenterhook.core.field.Field;

/**
 * What a music file says of itself.
 *
 * @param values raw values by field: tags, artwork and technical data; fields without a value are
 *     left out
 */
public record Reading(Map<Field<?>, String> values) {
  /** Copies. */
  public Reading {
    values = Map.copyOf(values);
  }

  /** A field's raw value, empty for none. */
  public String raw(Field<?> field) {
    return values.getOrDefault(field, "");
  }
}
