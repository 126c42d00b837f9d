package tenterhook.core.find;

import java.util.List;

/**
 * One test of one attribute: a term of the find language and a line of a rule crate.
 *
 * @param subject key of a field, name of a facet, {@code code} or {@code crate}
 * @param test what must hold
 */
public record Condition(String subject, Test test) {
  /** Checks the subject. */
  public Condition {
    if (subject.isBlank()) {
      throw new IllegalArgumentException("a condition needs a subject");
    }
  }

  /** What must hold. */
  public sealed interface Test {}

  /** The attribute is a hole. */
  public record Missing() implements Test {}

  /** The attribute is no hole. */
  public record Present() implements Test {}

  /**
   * At least one of the values fits.
   *
   * @param values one or more
   */
  public record AnyOf(List<Value> values) implements Test {
    /** Checks and copies. */
    public AnyOf {
      if (values.isEmpty()) {
        throw new IllegalArgumentException("a condition needs a value");
      }
      values = List.copyOf(values);
    }
  }

  /** What a value looks for. */
  public sealed interface Value {}

  /** Text that occurs somewhere in the value; for numbers, codes and crates: the value. */
  public record Part(String text) implements Value {}

  /** The whole value, upper and lower case and accents alike. */
  public record Whole(String text) implements Value {}

  /**
   * From one value to another, both included.
   *
   * @param from empty for no lower end
   * @param to empty for no upper end
   */
  public record Range(String from, String to) implements Value {}
}
