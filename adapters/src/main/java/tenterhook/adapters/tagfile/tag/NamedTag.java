package tenterhook.adapters.tagfile.tag;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import tenterhook.core.field.Field;

/** A tag whose entries are texts under a name, which the catalogue of fields knows. */
public interface NamedTag extends Tag {
  /** The names of a field, the first of which is written where there is none; empty for none. */
  List<String> names(Field<?> field);

  /**
   * What stands of a field under one of its names, in the order of the file; empty texts say
   * nothing.
   */
  List<String> valuesAt(Field<?> field, String name);

  /** The tag with other values of a field under one name. */
  NamedTag set(Field<?> field, String name, List<String> values);

  @Override
  default boolean canHold(Field<?> field) {
    return !names(field).isEmpty();
  }

  @Override
  default List<PlaceValues> held(Field<?> field) {
    List<PlaceValues> held = new ArrayList<>();
    for (String name : names(field)) {
      List<String> values = new ArrayList<>(valuesAt(field, name));
      values.removeIf(String::isEmpty);
      if (!values.isEmpty()) {
        held.add(new PlaceValues(name, values));
      }
    }
    return held;
  }

  @Override
  default NamedTag with(Field<?> field, List<String> values) {
    NamedTag next = this;
    for (PlaceValues place : held(field)) {
      next = next.set(field, place.place(), values);
    }
    // a place that cannot say the new value may have gone
    boolean missing = !values.isEmpty() && next.held(field).isEmpty();
    return missing ? next.set(field, names(field).getFirst(), values) : next;
  }

  /**
   * Entries of which those of one name are others.
   *
   * @param all the entries
   * @param named tells those of the name
   * @param made what comes in the place of the first of them, or behind all when there is none
   */
  static <T> List<T> replaced(List<T> all, Predicate<T> named, List<T> made) {
    List<T> next = new ArrayList<>();
    boolean written = false;
    for (T entry : all) {
      if (!named.test(entry)) {
        next.add(entry);
      } else if (!written) {
        written = true;
        next.addAll(made);
      }
    }
    if (!written) {
      next.addAll(made);
    }
    return next;
  }
}
