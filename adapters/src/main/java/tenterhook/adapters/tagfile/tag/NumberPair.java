package tenterhook.adapters.tagfile.tag;

import java.util.Set;
import java.util.stream.Collectors;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.TagNames;

/**
 * The two numbers of a text such as {@code 3/12}, of which either may be missing.
 *
 * @param first the number, as it is spelled; empty for none
 * @param second of how many; empty for none
 */
public record NumberPair(String first, String second) {
  private static final Set<Field<?>> PAIRED =
      Fields.all().stream()
          .filter(f -> f.totalOf().isPresent() || Fields.totalOf(f).isPresent())
          .collect(Collectors.toUnmodifiableSet());

  /** Takes a text apart; one without a slash is the first number. */
  public static NumberPair parse(String text) {
    int slash = text.indexOf('/');
    return slash < 0
        ? new NumberPair(text.strip(), "")
        : new NumberPair(text.substring(0, slash).strip(), text.substring(slash + 1).strip());
  }

  /** Whether a name means the second number in it. */
  public static boolean second(String name) {
    return name.endsWith(TagNames.SECOND);
  }

  /** The name of an entry, without the mark of a second number. */
  public static String plain(String name) {
    return second(name) ? name.substring(0, name.length() - TagNames.SECOND.length()) : name;
  }

  /** One of its numbers; empty when it is missing, or 0, which means the same. */
  public String part(boolean ofSecond) {
    String part = ofSecond ? second : first;
    return part.chars().allMatch(c -> c == '0') ? "" : part;
  }

  /** The same with one number set; empty takes it away. */
  public NumberPair with(boolean ofSecond, String number) {
    return ofSecond ? new NumberPair(first, number) : new NumberPair(number, second);
  }

  /** Whether neither number is there. */
  public boolean isEmpty() {
    return part(false).isEmpty() && part(true).isEmpty();
  }

  /** Whether a field's numbers stand in pairs: it numbers, or says of how many. */
  public static boolean of(Field<?> field) {
    return PAIRED.contains(field);
  }

  /** The text. A missing first number is 0 where there is a second. */
  public String text() {
    String number = first.isEmpty() ? "0" : first;
    return second.isEmpty() ? first : number + "/" + second;
  }
}
