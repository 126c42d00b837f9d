package tenterhook.core.recipe;

import java.util.List;
import java.util.regex.Pattern;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;

/** One step of a recipe. Text is changed value by value where a field has several. */
public sealed interface RecipeStep {
  /** The fields that it may change; none for codes, which are written where the codebook says. */
  List<Field<?>> fields();

  /**
   * Words are replaced, wherever they occur; upper and lower case must be alike.
   *
   * @param from not empty
   * @param to may be empty
   */
  record Replace(Field<?> field, String from, String to) implements RecipeStep {
    /** Checks. */
    public Replace {
      settable(field);
      if (from.isEmpty()) {
        throw new IllegalArgumentException("there must be words to be replaced");
      }
    }

    @Override
    public List<Field<?>> fields() {
      return List.of(field);
    }
  }

  /**
   * What a pattern finds is replaced, wherever it occurs.
   *
   * @param pattern a regular expression, not empty
   * @param to may name groups as {@code $1}
   */
  record ReplacePattern(Field<?> field, String pattern, String to) implements RecipeStep {
    /**
     * Checks.
     *
     * @throws java.util.regex.PatternSyntaxException when the pattern is wrong, with its position
     */
    public ReplacePattern {
      settable(field);
      if (pattern.isEmpty()) {
        throw new IllegalArgumentException("there must be a pattern");
      }
      Pattern.compile(pattern);
    }

    @Override
    public List<Field<?>> fields() {
      return List.of(field);
    }
  }

  /**
   * Text is put before or behind each value; where it stands already nothing changes, so that it
   * never grows twice. A hole stays a hole.
   *
   * @param text not empty
   */
  record Put(Field<?> field, String text, boolean behind) implements RecipeStep {
    /** Checks. */
    public Put {
      settable(field);
      if (text.isEmpty()) {
        throw new IllegalArgumentException("there must be text to put there");
      }
    }

    @Override
    public List<Field<?>> fields() {
      return List.of(field);
    }
  }

  /** One field gets what another has. */
  record Copy(Field<?> from, Field<?> to) implements RecipeStep {
    /** Checks. */
    public Copy {
      settable(to);
      different(from, to);
    }

    @Override
    public List<Field<?>> fields() {
      return List.of(to);
    }
  }

  /** Two fields change places. */
  record Swap(Field<?> one, Field<?> other) implements RecipeStep {
    /** Checks. */
    public Swap {
      settable(one);
      settable(other);
      different(one, other);
    }

    @Override
    public List<Field<?>> fields() {
      return List.of(one, other);
    }
  }

  /** The known ways of capitals. */
  enum CapitalForm {
    /** Names and titles by rule: small words small, initials and roman numbers in capitals. */
    RULE,
    /** The first letter alone. */
    SENTENCE,
    /** Capitals only. */
    UPPER,
    /** Small letters only. */
    LOWER
  }

  /** Capitals are set in one of the known ways. */
  record SetCapitals(Field<?> field, CapitalForm form) implements RecipeStep {
    /** Checks. */
    public SetCapitals {
      settable(field);
    }

    @Override
    public List<Field<?>> fields() {
      return List.of(field);
    }
  }

  /** Tracks are numbered in the order in which they are shown. */
  record Number(Field<?> field, int first) implements RecipeStep {
    /** Checks. */
    public Number {
      settable(field);
    }

    @Override
    public List<Field<?>> fields() {
      return List.of(field);
    }
  }

  /**
   * One value becomes several.
   *
   * @param at the words between them, not empty
   */
  record Split(Field<?> field, String at) implements RecipeStep {
    /** Checks. */
    public Split {
      settable(field);
      several(field);
      if (at.isEmpty()) {
        throw new IllegalArgumentException("there must be words at which to split");
      }
    }

    @Override
    public List<Field<?>> fields() {
      return List.of(field);
    }
  }

  /** Several values become one, with words between them. */
  record Join(Field<?> field, String with) implements RecipeStep {
    /** Checks. */
    public Join {
      settable(field);
      several(field);
    }

    @Override
    public List<Field<?>> fields() {
      return List.of(field);
    }
  }

  /** Blanks at both ends go, and doubled ones become one. */
  record Trim(Field<?> field) implements RecipeStep {
    /** Checks. */
    public Trim {
      settable(field);
    }

    @Override
    public List<Field<?>> fields() {
      return List.of(field);
    }
  }

  /** The value is taken away. */
  record Clear(Field<?> field) implements RecipeStep {
    /** Checks. */
    public Clear {
      settable(field);
    }

    @Override
    public List<Field<?>> fields() {
      return List.of(field);
    }
  }

  /**
   * All get the same value.
   *
   * @param value as a person types it
   */
  record Give(Field<?> field, String value) implements RecipeStep {
    /** Checks. */
    public Give {
      settable(field);
      if (value.isBlank()) {
        throw new IllegalArgumentException("there must be a value; Clear takes one away");
      }
    }

    @Override
    public List<Field<?>> fields() {
      return List.of(field);
    }
  }

  /** Codes are given and taken. */
  record ChangeCodes(List<String> give, List<String> take) implements RecipeStep {
    /** Copies and checks. */
    public ChangeCodes {
      give = List.copyOf(give);
      take = List.copyOf(take);
      if (give.isEmpty() && take.isEmpty()) {
        throw new IllegalArgumentException("there must be a code to give or to take");
      }
    }

    @Override
    public List<Field<?>> fields() {
      return List.of();
    }
  }

  private static void settable(Field<?> field) {
    if (!field.settable() || field.type().shape() == FieldType.Shape.PICTURE) {
      throw new IllegalArgumentException(field.label() + " cannot be set");
    }
  }

  private static void several(Field<?> field) {
    if (!field.type().several()) {
      throw new IllegalArgumentException(field.label() + " has one value, never several");
    }
  }

  private static void different(Field<?> one, Field<?> other) {
    if (one == other) {
      throw new IllegalArgumentException("that takes two fields, not " + one.label() + " twice");
    }
  }
}
