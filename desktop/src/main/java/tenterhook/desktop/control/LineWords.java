package tenterhook.desktop.control;

import java.util.List;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Rule;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Subject;
import tenterhook.desktop.theme.Words;

/** A line of a rule in a DJ's words. */
public final class LineWords {
  private LineWords() {}

  /** What a line asks of a track, such as "bpm from 105 to 150". */
  public static String of(Rule.Line line) {
    Condition asked = line.condition();
    String key = asked.subject().key();
    String subject = Fields.named(key).map(Field::label).orElse(key);
    boolean ofCodes = ofCodes(asked);
    String words =
        switch (asked.test()) {
          case Condition.Missing missing ->
              Words.of(ofCodes ? "line.noCode" : "line.missing", subject);
          case Condition.Present present ->
              Words.of(ofCodes ? "line.someCode" : "line.present", subject);
          case Condition.AnyOf any ->
              Words.of(key(asked), subject, joined(any.values(), "line.or"));
          case Condition.AllOf all ->
              Words.of(key(asked), subject, joined(all.values(), "line.and"));
        };
    return line.turned() ? Words.of("line.not", words) : words;
  }

  private static boolean ofCodes(Condition asked) {
    return asked.subject().ofCodes(Codebook.EMPTY);
  }

  private static String key(Condition asked) {
    return switch (asked.subject()) {
      case Subject.Own.CRATE -> "line.crate";
      case Subject.Own.SHELF -> "line.shelf";
      case Subject.Own.TEXT -> "line.text";
      case Subject.Own.BEAT -> "line.beat";
      case Subject.Own.CODE -> "line.carries";
      case Subject.OfField field -> "line.is";
      case Subject.Named named -> ofCodes(asked) ? "line.carriesOf" : "line.is";
    };
  }

  private static String joined(List<Condition.Value> values, String between) {
    List<String> words = values.stream().map(LineWords::value).toList();
    if (words.size() == 1) {
      return words.getFirst();
    }
    return Words.of(
        between, String.join(", ", words.subList(0, words.size() - 1)), words.getLast());
  }

  private static String value(Condition.Value value) {
    return switch (value) {
      case Condition.Range range when range.to().isEmpty() -> Words.of("line.from", range.from());
      case Condition.Range range when range.from().isEmpty() -> Words.of("line.upTo", range.to());
      case Condition.Range range -> Words.of("line.between", range.from(), range.to());
      case Condition.Like like -> Words.of("line.like", like.text());
      case Condition.Whole whole -> Words.of("line.exactly", whole.text());
      case Condition.Part part -> part.text();
    };
  }
}
