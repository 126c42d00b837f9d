package tenterhook.adapters.tagfile.tag;

import java.util.List;

/**
 * What one place in a tag holds of a field.
 *
 * @param place the name of the place, such as {@code TPE1} or {@code INITIALKEY}
 * @param values in the order of the file, at least one, none empty
 */
public record PlaceValues(String place, List<String> values) {
  /** Copies. */
  public PlaceValues {
    values = List.copyOf(values);
  }
}
