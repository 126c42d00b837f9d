package tenterhook.core.field;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The few types that the catalogue's fields have. */
final class FieldTypes {
  static final FieldType<String> TEXT = new FreeText();
  static final FieldType<String> TEXTS = new FreeTexts();
  static final FieldType<List<String>> LIST = new Listed();
  static final FieldType<Integer> COUNT = new WholeNumber("a whole number from 1 to 9999", 1, 9999);
  static final FieldType<Integer> RATING = new Rating();
  static final FieldType<Integer> PLAYS =
      new WholeNumber("a whole number from 0", 0, Integer.MAX_VALUE);
  static final FieldType<Integer> YEAR = new Year();
  static final FieldType<Double> TEMPO = new Bpm();
  static final FieldType<Double> LEVEL = new Level();
  static final FieldType<Double> SECONDS = new Seconds();
  static final FieldType<Long> AMOUNT = new Amount();
  static final FieldType<Instant> MOMENT = new Moment();
  static final FieldType<Boolean> FLAG = new Flag("yes");
  static final FieldType<Boolean> FILE_FLAG = new Flag("1");
  static final FieldType<Artwork> ART = new Art();

  private FieldTypes() {}

  private record FreeText() implements FieldType<String> {
    @Override
    public Optional<String> parse(String raw) {
      return raw.isBlank() ? Optional.empty() : Optional.of(raw);
    }

    @Override
    public String toString() {
      return "text";
    }
  }

  /** A text that is mostly one, such as an artist, but may be several: each a value by itself. */
  private record FreeTexts() implements FieldType<String> {
    @Override
    public Optional<String> parse(String raw) {
      return raw.isBlank() ? Optional.empty() : Optional.of(show(raw));
    }

    @Override
    public String fromTyped(String typed) {
      return LIST.fromTyped(typed);
    }

    @Override
    public boolean several() {
      return true;
    }

    @Override
    public String toString() {
      return "text, or several separated by ;";
    }
  }

  private record Listed() implements FieldType<List<String>> {
    @Override
    public Optional<List<String>> parse(String raw) {
      List<String> parts = parts(raw, String.valueOf(SEPARATOR));
      return parts.isEmpty() ? Optional.empty() : Optional.of(parts);
    }

    @Override
    public String fromTyped(String typed) {
      return String.join(String.valueOf(SEPARATOR), parts(typed, ";"));
    }

    private static List<String> parts(String text, String separator) {
      return Arrays.stream(text.split(separator))
          .map(String::strip)
          .filter(s -> !s.isEmpty())
          .toList();
    }

    @Override
    public Shape shape() {
      return Shape.LIST;
    }

    @Override
    public boolean several() {
      return true;
    }

    @Override
    public String toString() {
      return "values separated by ;";
    }
  }

  private record WholeNumber(String words, int least, int most) implements FieldType<Integer> {
    @Override
    public Optional<Integer> parse(String raw) {
      return wholeNumber(raw).filter(n -> n >= least && n <= most);
    }

    @Override
    public Shape shape() {
      return Shape.NUMBER;
    }

    @Override
    public String toString() {
      return words;
    }
  }

  /** Sizes and rates: whole numbers that may be large. */
  private record Amount() implements FieldType<Long> {
    @Override
    public Optional<Long> parse(String raw) {
      boolean digits =
          !raw.isEmpty() && raw.length() <= 18 && raw.chars().allMatch(Character::isDigit);
      return digits ? Optional.of(Long.parseLong(raw)) : Optional.empty();
    }

    @Override
    public Shape shape() {
      return Shape.NUMBER;
    }

    @Override
    public String toString() {
      return "a whole number";
    }
  }

  /**
   * A rating from 1 to 5. Where the tag holds a finer number than the five that we write, the raw
   * text keeps it behind an {@code @}, so that undo restores it.
   */
  private record Rating() implements FieldType<Integer> {
    @Override
    public Optional<Integer> parse(String raw) {
      return wholeNumber(raw.split("@", 2)[0]).filter(n -> n >= 1 && n <= 5);
    }

    @Override
    public String show(String raw) {
      return parse(raw).map(String::valueOf).orElse("");
    }

    @Override
    public Shape shape() {
      return Shape.NUMBER;
    }

    @Override
    public String toString() {
      return "a rating from 1 to 5";
    }
  }

  /** A year, or a date that starts with one; outside 1900 to 2100 it is a hole. */
  private record Year() implements FieldType<Integer> {
    private static final Pattern SHAPE = Pattern.compile("\\s*(\\d{4})(?:\\D.*)?");

    @Override
    public Optional<Integer> parse(String raw) {
      Matcher found = SHAPE.matcher(raw);
      return found.matches()
          ? Optional.of(Integer.parseInt(found.group(1))).filter(y -> y >= 1900 && y <= 2100)
          : Optional.empty();
    }

    @Override
    public Shape shape() {
      return Shape.NUMBER;
    }

    @Override
    public String toString() {
      return "a year from 1900 to 2100";
    }
  }

  private record Bpm() implements FieldType<Double> {
    @Override
    public Optional<Double> parse(String raw) {
      return decimal(raw).filter(n -> n >= 20 && n <= 999);
    }

    @Override
    public String show(String raw) {
      return parse(raw).map(n -> String.format(Locale.ROOT, "%.1f", n)).orElse(raw);
    }

    @Override
    public String fromTyped(String typed) {
      return typed.strip().replace(',', '.');
    }

    @Override
    public Shape shape() {
      return Shape.NUMBER;
    }

    @Override
    public String toString() {
      return "a tempo from 20 to 999 bpm";
    }
  }

  /** Decibels, mostly below zero. */
  private record Level() implements FieldType<Double> {
    @Override
    public Optional<Double> parse(String raw) {
      return raw.startsWith("-") ? decimal(raw.substring(1)).map(n -> -n) : decimal(raw);
    }

    @Override
    public Shape shape() {
      return Shape.NUMBER;
    }

    @Override
    public String toString() {
      return "a level in decibels";
    }
  }

  private record Seconds() implements FieldType<Double> {
    @Override
    public Optional<Double> parse(String raw) {
      return decimal(raw).filter(n -> n >= 0);
    }

    @Override
    public String show(String raw) {
      return parse(raw).map(Seconds::clock).orElse("");
    }

    private static String clock(double seconds) {
      long all = Math.round(seconds);
      return all >= 3600
          ? String.format(Locale.ROOT, "%d:%02d:%02d", all / 3600, all / 60 % 60, all % 60)
          : String.format(Locale.ROOT, "%d:%02d", all / 60, all % 60);
    }

    @Override
    public Shape shape() {
      return Shape.NUMBER;
    }

    @Override
    public String toString() {
      return "seconds";
    }
  }

  /**
   * A point in time as ISO-8601; compares by days since 1970, so that ranges of dates are plain.
   */
  private record Moment() implements FieldType<Instant> {
    @Override
    public Optional<Instant> parse(String raw) {
      try {
        return raw.length() == 10
            ? Optional.of(LocalDate.parse(raw).atStartOfDay(ZoneId.systemDefault()).toInstant())
            : raw.isEmpty() ? Optional.empty() : Optional.of(Instant.parse(raw));
      } catch (DateTimeParseException notADate) {
        return Optional.empty();
      }
    }

    @Override
    public String show(String raw) {
      return parse(raw)
          .map(moment -> LocalDate.ofInstant(moment, ZoneId.systemDefault()).toString())
          .orElse(raw);
    }

    @Override
    public double number(String raw) {
      return parse(raw).map(FieldTypes::localDays).orElse(Double.NaN);
    }

    @Override
    public Shape shape() {
      return Shape.DATE;
    }

    @Override
    public String toString() {
      return "a date such as 2026-03-01";
    }
  }

  /** Days since 1970 by the clocks where the program runs, so that a day begins at midnight. */
  private static double localDays(Instant moment) {
    int offset = ZoneId.systemDefault().getRules().getOffset(moment).getTotalSeconds();
    return (moment.getEpochSecond() + offset) / 86400.0;
  }

  /** Yes, or nothing at all; what stands for yes is one text in tags and another in the program. */
  private record Flag(String yes) implements FieldType<Boolean> {
    @Override
    public Optional<Boolean> parse(String raw) {
      return raw.equals(yes) ? Optional.of(true) : Optional.empty();
    }

    @Override
    public String show(String raw) {
      return parse(raw).isPresent() ? "yes" : "";
    }

    @Override
    public String fromTyped(String typed) {
      return switch (typed.strip().toLowerCase(Locale.ROOT)) {
        case "yes" -> yes;
        case "no" -> "";
        default -> typed.strip();
      };
    }

    @Override
    public Optional<String> complaint(String typed) {
      String raw = fromTyped(typed);
      return raw.isEmpty() || raw.equals(yes)
          ? Optional.empty()
          : Optional.of("cannot be read as yes or no");
    }

    @Override
    public Shape shape() {
      return Shape.FLAG;
    }

    @Override
    public String toString() {
      return "yes";
    }
  }

  private record Art() implements FieldType<Artwork> {
    @Override
    public Optional<Artwork> parse(String raw) {
      return Artwork.parse(raw).filter(Artwork::usable);
    }

    @Override
    public String show(String raw) {
      return Artwork.parse(raw).map(Artwork::size).orElse("");
    }

    @Override
    public double number(String raw) {
      return Artwork.parse(raw)
          .map(a -> (double) Math.min(a.width(), a.height()))
          .orElse(Double.NaN);
    }

    @Override
    public Shape shape() {
      return Shape.PICTURE;
    }

    @Override
    public String toString() {
      return "a picture";
    }
  }

  private static Optional<Integer> wholeNumber(String raw) {
    String text = raw.strip();
    boolean digits =
        !text.isEmpty() && text.length() <= 9 && text.chars().allMatch(Character::isDigit);
    return digits ? Optional.of(Integer.parseInt(text)) : Optional.empty();
  }

  private static Optional<Double> decimal(String raw) {
    String text = raw.strip().replace(',', '.');
    boolean plain = !text.isEmpty() && text.chars().allMatch(c -> Character.isDigit(c) || c == '.');
    try {
      return plain ? Optional.of(Double.parseDouble(text)) : Optional.empty();
    } catch (NumberFormatException notANumber) {
      return Optional.empty();
    }
  }
}
