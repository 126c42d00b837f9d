package tenterhook.desktop.crate;

import java.util.ArrayList;
import java.util.List;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Rule;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Subject;
import tenterhook.desktop.theme.Words;

/** How a value is asked for. */
enum Comparison {
  /** The value, or any of several. */
  IS("rule.is", ""),
  /** Every one of several codes. */
  ALL("rule.allOf", ""),
  /** None of the values. */
  IS_NOT("rule.isNot", "not "),
  /** The attribute is a hole. */
  MISSING("rule.missing", "missing:"),
  /** The attribute is no hole. */
  PRESENT("rule.present", "present:");

  private final String words;
  private final String before;

  Comparison(String words, String before) {
    this.words = words;
    this.before = before;
  }

  /** How a line asks. */
  static Comparison of(Rule.Line line) {
    return switch (line.condition().test()) {
      case Condition.Missing missing -> line.turned() ? PRESENT : MISSING;
      case Condition.Present present -> line.turned() ? MISSING : PRESENT;
      case Condition.AnyOf any -> line.turned() ? IS_NOT : IS;
      case Condition.AllOf all -> line.turned() ? IS_NOT : ALL;
    };
  }

  /** What can be asked of a subject. */
  static List<Comparison> possible(Subject asked, Codebook codebook) {
    List<Comparison> possible = new ArrayList<>(List.of(values()));
    if (!asked.ofCodes(codebook)) {
      possible.remove(ALL);
    }
    if (!asked.canBeMissing()) {
      possible.removeAll(List.of(MISSING, PRESENT));
    }
    return possible;
  }

  /** What stands before the subject in the find language. */
  String before() {
    return before;
  }

  boolean takesValues() {
    return this != MISSING && this != PRESENT;
  }

  @Override
  public String toString() {
    return Words.of(words);
  }
}
