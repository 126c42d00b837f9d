package tenterhook.core.narrow;

import java.util.List;
import java.util.stream.Collectors;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Subject;
import tenterhook.core.measure.MusicalKey;

/** Says a narrowing in words. */
public final class NarrowWords {
  private NarrowWords() {}

  /** The value alone: {@code 118 to 132 bpm}. */
  public static String of(Narrowing one) {
    Condition asked = one.condition();
    for (Choice state : States.all()) {
      if (state.narrowing().sameValue(one)) {
        return state.words();
      }
    }
    if (asked.values().isEmpty()) {
      return one.group() == NarrowGroup.Own.PLAYS ? "never played" : "none";
    }
    if (one.group() == NarrowGroup.Own.KEY && asked.values().size() > 1) {
      return near(asked.values());
    }
    return asked.values().stream()
            .map(v -> value(one.group(), v))
            .collect(Collectors.joining(" or "))
        + (asked.subject() == Subject.Own.BEAT ? ", half and double" : "");
  }

  /** A step of the trail: {@code Style SKA or ELC}, {@code not TRN}. */
  public static String of(List<Narrowing> step) {
    Narrowing first = step.getFirst();
    String values = step.stream().map(NarrowWords::of).collect(Collectors.joining(" or "));
    if (first.out()) {
      return "not " + values;
    }
    boolean named =
        first.group() instanceof NarrowGroup.OfFacet
            || values.startsWith("none")
            || first.group() == NarrowGroup.Own.ENERGY
            || first.group() == NarrowGroup.Own.PLAYS && !values.startsWith("never");
    return named ? first.group().title() + " " + values : values;
  }

  private static String value(NarrowGroup group, Condition.Value value) {
    return switch (value) {
      case Condition.Range range -> range(group, range);
      case Condition.Part part ->
          group == NarrowGroup.Own.RATING ? part.text() + " of 5" : part.text();
      case Condition.Whole whole -> whole.text();
      case Condition.Like like -> like.text();
    };
  }

  private static String range(NarrowGroup group, Condition.Range range) {
    if (group == NarrowGroup.Own.DECADE) {
      return range.from() + "s";
    }
    String words =
        range.to().isEmpty() ? range.from() + " and more" : range.from() + " to " + range.to();
    return group == NarrowGroup.Own.TEMPO ? words + " bpm" : words;
  }

  /** The key in whose neighbourhood all others are. */
  private static String near(List<Condition.Value> keys) {
    return keys.stream()
        .flatMap(v -> MusicalKey.parse(v.text()).stream())
        .filter(k -> ChoiceReaders.near(k).condition().values().equals(keys))
        .map(k -> ChoiceReaders.near(k).words())
        .findFirst()
        .orElseGet(
            () -> keys.stream().map(Condition.Value::text).collect(Collectors.joining(" or ")));
  }
}
