package tenterhook.core.field;

import java.util.Arrays;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * How the raw text of a field is read, shown and compared. Raw text is what stands in the tag, kept
 * to the letter, so that undo is exact even where a value is odd ("1987-05-03" as a year).
 *
 * @param <T> the type that a readable value has
 */
public interface FieldType<T> {
  /** Between the values of a field that has several; the separator that ID3v2.4 uses. */
  char SEPARATOR = '\u0000';

  /**
   * Reads a raw value.
   *
   * @param raw text as it stands in the tag; empty when there is none
   * @return the value, or empty when missing or unusable, which makes it a hole
   */
  Optional<T> parse(String raw);

  /**
   * Shows a raw value to a person.
   *
   * @param raw text as it stands in the tag
   * @return text for a cell, never null
   */
  default String show(String raw) {
    return raw.replace(String.valueOf(SEPARATOR), "; ");
  }

  /**
   * Takes what a person typed back to raw text.
   *
   * @param typed what was typed
   * @return the raw text to store
   */
  default String fromTyped(String typed) {
    return typed.strip();
  }

  /**
   * The number by which values compare.
   *
   * @param raw text as it stands in the tag
   * @return the number, or NaN when the type has no order by number or the value is unusable
   */
  default double number(String raw) {
    return parse(raw)
        .map(v -> v instanceof Number n ? n.doubleValue() : Double.NaN)
        .orElse(Double.NaN);
  }

  /**
   * A raw text with each of its values changed.
   *
   * @param raw one value, or several
   * @param change gives another value for each
   */
  static String each(String raw, UnaryOperator<String> change) {
    if (raw.indexOf(SEPARATOR) < 0) {
      return change.apply(raw);
    }
    String separator = String.valueOf(SEPARATOR);
    return Arrays.stream(raw.split(separator)).map(change).collect(Collectors.joining(separator));
  }

  /** What a value is when it is written as JSON, and how it compares. */
  enum Shape {
    TEXT,
    LIST,
    NUMBER,
    DATE,
    FLAG,
    PICTURE
  }

  /** What a value of this type is; text where a type says nothing else. */
  default Shape shape() {
    return Shape.TEXT;
  }

  /** Whether it may have several values, which the raw text separates by {@link #SEPARATOR}. */
  default boolean several() {
    return false;
  }

  /**
   * Whether find and sort compare by {@link #number} and not by letters.
   *
   * @return true for numbers, dates, durations, sizes and pictures
   */
  default boolean numeric() {
    return switch (shape()) {
      case NUMBER, DATE, PICTURE -> true;
      case TEXT, LIST, FLAG -> false;
    };
  }

  /**
   * Whether a person may type this value at all.
   *
   * @param typed what was typed; empty always means: take the value away
   * @return a sentence about what is wrong, or empty when it can be stored
   */
  default Optional<String> complaint(String typed) {
    return typed.isBlank() || parse(fromTyped(typed)).isPresent()
        ? Optional.empty()
        : Optional.of("cannot be read as " + this);
  }
}
