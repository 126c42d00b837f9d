package tenterhook.core.recipe;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Notation;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.recipe.RecipeStep.CapitalForm;
import tenterhook.core.text.Capitals;
import tenterhook.core.track.Snapshot;

/** The values of one track while steps change them. Codes stay with the words they stand behind. */
final class StepRun {
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);

  private final Snapshot snapshot;
  private final Codebook codebook;
  private final Map<String, Pattern> patterns;
  private final int id;
  private final int place;
  private final Map<Field<?>, String> values = new LinkedHashMap<>();

  /**
   * A track as it is.
   *
   * @param patterns those that were compiled before, by their text
   * @param place from 0, in the order shown
   */
  StepRun(Snapshot snapshot, Codebook codebook, Map<String, Pattern> patterns, int id, int place) {
    this.snapshot = snapshot;
    this.codebook = codebook;
    this.patterns = patterns;
    this.id = id;
    this.place = place;
  }

  /** The raw values of the fields that steps were about. */
  Map<Field<?>, String> values() {
    return values;
  }

  void run(RecipeStep step) {
    switch (step) {
      case RecipeStep.Replace s -> each(s.field(), v -> v.replace(s.from(), s.to()));
      case RecipeStep.ReplacePattern s -> each(s.field(), v -> replaced(v, s));
      case RecipeStep.Put s -> each(s.field(), v -> put(v, s));
      case RecipeStep.Copy s -> set(s.to(), converted(s.from(), s.to()));
      case RecipeStep.Swap s -> swap(s.one(), s.other());
      case RecipeStep.SetCapitals s -> each(s.field(), v -> capitals(v, s.form()));
      case RecipeStep.Number s ->
          set(s.field(), s.field().type().fromTyped(String.valueOf(s.first() + place)));
      case RecipeStep.Split s -> whole(s.field(), v -> split(v, s.at()));
      case RecipeStep.Join s -> whole(s.field(), v -> joined(v, s.with()));
      case RecipeStep.Trim s -> each(s.field(), StepRun::trimmed);
      case RecipeStep.Clear s -> set(s.field(), "");
      case RecipeStep.Give s -> set(s.field(), s.field().type().fromTyped(s.value()));
      case RecipeStep.ChangeCodes s -> {
        Field<?> target = codebook.notation().target();
        values.put(target, codebook.rewritten(raw(target), s.give(), s.take()));
      }
    }
  }

  private String raw(Field<?> field) {
    String known = values.get(field);
    return known != null ? known : snapshot.raw(id, field);
  }

  /** The words of a field, without the codes behind them. */
  private String words(Field<?> field) {
    return isTarget(field) ? codebook.notation().read(raw(field)).own() : raw(field);
  }

  private boolean isTarget(Field<?> field) {
    return field == codebook.notation().target();
  }

  /** Other words in a field, with the codes that it has. */
  private void set(Field<?> field, String words) {
    Notation notation = codebook.notation();
    values.put(
        field, isTarget(field) ? notation.write(notation.read(raw(field)).withOwn(words)) : words);
  }

  private void whole(Field<?> field, UnaryOperator<String> change) {
    String before = words(field);
    String after = change.apply(before);
    if (!after.equals(before)) {
      set(field, after);
    }
  }

  /** Changes each of several values; what becomes empty goes, what becomes alike is one. */
  private void each(Field<?> field, UnaryOperator<String> change) {
    whole(
        field,
        text -> text.indexOf(FieldType.SEPARATOR) < 0 ? one(text, change) : all(text, change));
  }

  private static String one(String text, UnaryOperator<String> change) {
    return text.isEmpty() ? text : change.apply(text);
  }

  private static String all(String text, UnaryOperator<String> change) {
    return Arrays.stream(text.split(SEPARATOR))
        .map(change)
        .filter(v -> !v.isBlank())
        .distinct()
        .collect(Collectors.joining(SEPARATOR));
  }

  private String replaced(String value, RecipeStep.ReplacePattern step) {
    Pattern pattern = patterns.computeIfAbsent(step.pattern(), Pattern::compile);
    return pattern.matcher(new BoundedReading(value)).replaceAll(step.to());
  }

  private static String put(String value, RecipeStep.Put step) {
    if (step.behind()) {
      return value.endsWith(step.text()) ? value : value + step.text();
    }
    return value.startsWith(step.text()) ? value : step.text() + value;
  }

  private static String capitals(String value, CapitalForm form) {
    return switch (form) {
      case RULE -> Capitals.proper(value);
      case SENTENCE -> sentence(value.toLowerCase(Locale.ROOT));
      case UPPER -> value.toUpperCase(Locale.ROOT);
      case LOWER -> value.toLowerCase(Locale.ROOT);
    };
  }

  private static String sentence(String lower) {
    for (int i = 0; i < lower.length(); i += Character.charCount(lower.codePointAt(i))) {
      if (Character.isLetter(lower.codePointAt(i))) {
        int end = lower.offsetByCodePoints(i, 1);
        return lower.substring(0, i)
            + lower.substring(i, end).toUpperCase(Locale.ROOT)
            + lower.substring(end);
      }
    }
    return lower;
  }

  private static String trimmed(String value) {
    return value.replaceAll("(?U)\\s+", " ").strip();
  }

  private static String split(String text, String at) {
    return Arrays.stream(text.split(SEPARATOR))
        .flatMap(v -> Arrays.stream(v.split(Pattern.quote(at))))
        .map(String::strip)
        .filter(v -> !v.isEmpty())
        .collect(Collectors.toCollection(LinkedHashSet::new))
        .stream()
        .collect(Collectors.joining(SEPARATOR));
  }

  private static String joined(String text, String with) {
    return Arrays.stream(text.split(SEPARATOR)).collect(Collectors.joining(with));
  }

  /** What a field has, as another one takes it: the value itself, or what a person reads. */
  private String converted(Field<?> from, Field<?> to) {
    String words = words(from);
    if (from.type().equals(to.type())) {
      return words;
    }
    List<String> shown = new ArrayList<>();
    for (String one : words.split(SEPARATOR)) {
      shown.add(from.type().show(one));
    }
    return to.type().several()
        ? String.join(SEPARATOR, shown)
        : to.type().fromTyped(String.join("; ", shown));
  }

  private void swap(Field<?> one, Field<?> other) {
    String forOne = converted(other, one);
    String forOther = converted(one, other);
    set(one, forOne);
    set(other, forOther);
  }
}
