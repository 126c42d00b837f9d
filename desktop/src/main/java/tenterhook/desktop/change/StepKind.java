package tenterhook.desktop.change;

import java.util.List;
import java.util.Locale;
import tenterhook.desktop.theme.Words;

/** What a step can do, and what has to be said for it; its name is its verb in a recipe's text. */
enum StepKind {
  /** Words by others. */
  REPLACE(Input.FIELD, Input.TEXT, Input.OTHER_TEXT),
  /** What a pattern finds, by other words. */
  PATTERN(Input.FIELD, Input.TEXT, Input.OTHER_TEXT),
  /** Text in front. */
  BEFORE(Input.FIELD, Input.TEXT),
  /** Text behind. */
  BEHIND(Input.FIELD, Input.TEXT),
  /** One field into another. */
  COPY(Input.FIELD, Input.OTHER_FIELD),
  /** Two fields for one another. */
  SWAP(Input.FIELD, Input.OTHER_FIELD),
  /** Capital letters. */
  CAPITALS(Input.FIELD, Input.FORM),
  /** Numbers in the order shown. */
  NUMBER(Input.FIELD, Input.TEXT),
  /** One value into several. */
  SPLIT(Input.FIELD, Input.TEXT),
  /** Several values into one. */
  JOIN(Input.FIELD, Input.TEXT),
  /** No blanks too many. */
  TRIM(Input.FIELD),
  /** No value. */
  CLEAR(Input.FIELD),
  /** The same value for all. */
  GIVE(Input.FIELD, Input.TEXT),
  /** Codes given and taken. */
  CODES(Input.CODES);

  /** What has to be said. */
  enum Input {
    /** Which field. */
    FIELD,
    /** Which other field. */
    OTHER_FIELD,
    /** A text. */
    TEXT,
    /** A text in the place of the first. */
    OTHER_TEXT,
    /** Which capitals. */
    FORM,
    /** Codes with a sign each. */
    CODES
  }

  private final List<Input> inputs;

  StepKind(Input... inputs) {
    this.inputs = List.of(inputs);
  }

  List<Input> inputs() {
    return inputs;
  }

  /** Its verb in a recipe's text. */
  String verb() {
    return name().toLowerCase(Locale.ROOT);
  }

  @Override
  public String toString() {
    return Words.of("change.step." + verb());
  }

  static StepKind of(String verb) {
    return valueOf(verb.toUpperCase(Locale.ROOT));
  }
}
