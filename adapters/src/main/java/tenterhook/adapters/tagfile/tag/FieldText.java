package tenterhook.adapters.tagfile.tag;

import java.util.List;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.text.MachineText;

/** How the values of fields are spelled in tags whose entries are plain texts under a name. */
public final class FieldText {
  private FieldText() {}

  /** The values of a field in the texts under a name; see {@link #value}. */
  public static List<String> values(Field<?> field, String name, List<String> texts) {
    return texts.stream().map(t -> value(field, name, t)).toList();
  }

  /**
   * The value of a field in a text.
   *
   * @param name the name that the catalogue gives the field, perhaps with the mark of a second
   *     number
   * @param text as it stands in the tag
   * @return empty when it says nothing of the field
   */
  private static String value(Field<?> field, String name, String text) {
    if (field == Fields.RATING) {
      return StarRating.PERCENT.fromTag(text);
    }
    if (OwnText.oneOfSeveral(field)) {
      return MachineText.isAll(text) ? "" : text;
    }
    return NumberPair.of(field) ? NumberPair.parse(text).part(NumberPair.second(name)) : text;
  }

  /**
   * The texts that stand under a name once a field is set.
   *
   * @param name the name that the catalogue gives the field
   * @param values what the field is to be; empty takes it away
   * @param old the texts that stand there now
   */
  public static List<String> texts(
      Field<?> field, String name, List<String> values, List<String> old) {
    String value = values.isEmpty() ? "" : values.getFirst();
    if (field == Fields.RATING) {
      return StarRating.PERCENT.toTag(value).stream().mapToObj(String::valueOf).toList();
    }
    if (OwnText.oneOfSeveral(field)) {
      return OwnText.replaced(old, value);
    }
    if (NumberPair.of(field)) {
      NumberPair pair = NumberPair.parse(old.isEmpty() ? "" : old.getFirst());
      NumberPair next = pair.with(NumberPair.second(name), value);
      return next.isEmpty() ? List.of() : List.of(next.text());
    }
    return values;
  }
}
