package tenterhook.core.narrow;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Subject;

/** Reads what was typed to see fewer values as a range: {@code 118-132} of tempi, or of years. */
final class TypedRange {
  private static final Pattern RANGE =
      Pattern.compile("(\\d{2,4})\\s*(?:-|–|\\.\\.|to)\\s*(\\d{2,4})");
  private static final int SLOWEST = 20;
  private static final int FASTEST = 400;
  private static final int FIRST_YEAR = 1860;
  private static final int LAST_YEAR = 2200;

  private TypedRange() {}

  /** The ranges that a text may mean; none for another text. */
  static List<Choice> choices(String typed) {
    Matcher range = RANGE.matcher(typed.strip());
    if (!range.matches()) {
      return List.of();
    }
    int from = Integer.parseInt(range.group(1));
    int to = Integer.parseInt(range.group(2));
    List<Choice> choices = new ArrayList<>();
    if (from <= to && from >= SLOWEST && to <= FASTEST) {
      choices.add(tempo(from, to, true));
      choices.add(tempo(from, to, false));
    }
    if (from <= to && from >= FIRST_YEAR && to <= LAST_YEAR) {
      choices.add(
          new Choice(
              NarrowGroup.Own.YEAR,
              ChoiceReaders.range(Fields.YEAR, from, to),
              from + " to " + to,
              "",
              0));
    }
    return choices;
  }

  /** A range of tempi, counted half and double as well if wished. */
  static Choice tempo(int from, int to, boolean halfAndDouble) {
    String words = from + " to " + to + " bpm";
    return new Choice(
        NarrowGroup.Own.TEMPO,
        new Condition(
            halfAndDouble ? Subject.Own.BEAT : Subject.named(Fields.BPM.key()),
            ChoiceReaders.any(new Condition.Range(String.valueOf(from), String.valueOf(to)))),
        halfAndDouble ? words + ", half and double" : words,
        "",
        halfAndDouble ? 0 : 1);
  }
}
