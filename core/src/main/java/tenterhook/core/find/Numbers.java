package tenterhook.core.find;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;

/**
 * Reads what is typed as a number, a time, a date or a span back from today ({@code -30d}, {@code
 * -2m}, {@code -3y}) into the number by which a field compares.
 */
final class Numbers {
  private static final Pattern BACK = Pattern.compile("-(\\d{1,5})([dwmy])");
  private static final Pattern CLOCK = Pattern.compile("(\\d{1,3}):(\\d{2})");
  private static final Pattern PLAIN = Pattern.compile("-?\\d{1,12}(?:[.,]\\d{1,6})?");

  private Numbers() {}

  /** A span of numbers, the upper end not included. */
  record Span(double from, double below) {
    boolean holds(double number) {
      return number >= from && number < below;
    }
  }

  static boolean readable(Field<?> field, String text) {
    return span(field, text, LocalDate.EPOCH).isPresent();
  }

  static String example(Field<?> field) {
    if (isDate(field)) {
      return "write 2026-03-01, 2026-03, 2026 or -30d (thirty days ago)";
    }
    return field == Fields.YEAR ? "write 1987, or -3y for three years ago" : "write a number";
  }

  /** All numbers that one typed value stands for: a day, a month, a whole number's nearness. */
  static Optional<Span> span(Field<?> field, String text, LocalDate today) {
    try {
      Matcher back = BACK.matcher(text);
      if (back.matches()) {
        return Optional.of(ago(field, Integer.parseInt(back.group(1)), back.group(2), today));
      }
      return isDate(field) ? date(text) : number(field, text);
    } catch (DateTimeException notADate) {
      return Optional.empty();
    }
  }

  /** The span of an end of a range: a day or month as a whole, any other number exactly. */
  static Optional<Span> end(Field<?> field, String text, LocalDate today) {
    Optional<Span> near = span(field, text, today);
    if (isDate(field) || BACK.matcher(text).matches()) {
      return near;
    }
    return near.map(
        s -> {
          double at = Math.round((s.from() + s.below()) * 50) / 100.0;
          return new Span(at, Math.nextUp(at));
        });
  }

  private static boolean isDate(Field<?> field) {
    return field.type().shape() == FieldType.Shape.DATE;
  }

  private static Span ago(Field<?> field, int amount, String unit, LocalDate today) {
    LocalDate day =
        switch (unit) {
          case "d" -> today.minusDays(amount);
          case "w" -> today.minusWeeks(amount);
          case "m" -> today.minusMonths(amount);
          default -> today.minusYears(amount);
        };
    double at = isDate(field) ? day.toEpochDay() : day.getYear();
    return new Span(at, at + 1);
  }

  private static Optional<Span> date(String text) {
    return switch (text.length()) {
      case 10 -> days(LocalDate.parse(text), LocalDate.parse(text).plusDays(1));
      case 7 -> days(LocalDate.parse(text + "-01"), LocalDate.parse(text + "-01").plusMonths(1));
      case 4 ->
          days(LocalDate.parse(text + "-01-01"), LocalDate.parse(text + "-01-01").plusYears(1));
      default -> Optional.empty();
    };
  }

  private static Optional<Span> days(LocalDate from, LocalDate below) {
    return Optional.of(new Span(from.toEpochDay(), below.toEpochDay()));
  }

  private static Optional<Span> number(Field<?> field, String text) {
    Matcher clock = CLOCK.matcher(text);
    if (field == Fields.DURATION && clock.matches()) {
      double at = Integer.parseInt(clock.group(1)) * 60.0 + Integer.parseInt(clock.group(2));
      return Optional.of(new Span(at - 0.5, at + 0.5));
    }
    if (!PLAIN.matcher(text).matches()) {
      return Optional.empty();
    }
    double at = Double.parseDouble(text.replace(',', '.'));
    boolean whole = at == Math.rint(at) && text.chars().noneMatch(c -> c == '.' || c == ',');
    double near = whole ? 0.5 : 0.05;
    return Optional.of(new Span(at - near, at + near));
  }
}
