package tenterhook.core.find;

import java.util.List;

/**
 * One test of one attribute: a term of the find language and a line of a rule crate.
 *
 * @param subject what is asked about
 * @param test what must hold
 */
public record Condition(Subject subject, Test test) {
  /**
   * A condition on what is called so.
   *
   * @param subject a name as {@link Subject#named} takes it
   */
  public Condition(String subject, Test test) {
    this(Subject.named(subject), test);
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

  /**
   * All codes are carried.
   *
   * @param values two or more
   */
  public record AllOf(List<Value> values) implements Test {
    /** Checks and copies. */
    public AllOf {
      if (values.size() < 2) {
        throw new IllegalArgumentException("all of takes two values or more, was " + values);
      }
      values = List.copyOf(values);
    }
  }

  /** The values that are looked for; empty where a hole is looked for. */
  public List<Value> values() {
    return switch (test) {
      case Missing missing -> List.of();
      case Present present -> List.of();
      case AnyOf any -> any.values();
      case AllOf all -> all.values();
    };
  }

  /** The same condition with other values; one that looks for a hole stays as it is. */
  public Condition with(List<Value> values) {
    return switch (test) {
      case Missing missing -> this;
      case Present present -> this;
      case AnyOf any -> new Condition(subject, new AnyOf(values));
      case AllOf all ->
          new Condition(subject, values.size() < 2 ? new AnyOf(values) : new AllOf(values));
    };
  }

  /** What a value looks for. */
  public sealed interface Value {
    /** What was written, a range as {@code from..to}. */
    String text();
  }

  /** Text that occurs somewhere in the value; for numbers, codes and crates: the value. */
  public record Part(String text) implements Value {}

  /**
   * Text that occurs in the value when both are cleaned: letters and digits alone, so that {@code
   * hip-hop} and {@code Hip Hop} are one.
   */
  public record Like(String text) implements Value {}

  /** The whole value, upper and lower case and accents alike. */
  public record Whole(String text) implements Value {}

  /**
   * From one value to another, both included.
   *
   * @param from empty for no lower end
   * @param to empty for no upper end
   */
  public record Range(String from, String to) implements Value {
    @Override
    public String text() {
      return from + ".." + to;
    }
  }
}
