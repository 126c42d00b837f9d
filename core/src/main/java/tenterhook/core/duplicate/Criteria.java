package tenterhook.core.duplicate;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.text.NameKey;

/**
 * By which fields tracks are taken for the same when only tags are asked. Texts are compared as
 * they stand or cleaned (case, accents, punctuation and articles do not count), numbers within a
 * tolerance. Whatever the criteria, titles that tell different versions are never the same.
 *
 * @param name the DJ's name for them
 * @param lines what must agree; a track that lacks one of these fields is in no group
 */
public record Criteria(String name, List<CriteriaLine> lines) {
  /** Artist and title, and a length that may differ by three seconds. */
  public static final Criteria USUAL =
      parse("names and length: artist clean, title clean, duration ±3");

  /** What there is without any work of the DJ's. */
  public static final List<Criteria> READY_MADE =
      List.of(
          USUAL,
          parse("names: artist clean, title clean"),
          parse("names and album: artist clean, title clean, album clean"),
          parse("exact names and length: artist, title, duration ±1"),
          parse("title and length: title clean, duration ±1"));

  /** Copies and checks. */
  public Criteria {
    if (name.isBlank() || lines.isEmpty()) {
      throw new IllegalArgumentException("criteria need a name and a field");
    }
    lines = List.copyOf(lines);
  }

  /**
   * One field that must agree.
   *
   * @param field which
   * @param clean whether texts are cleaned before they are compared
   * @param tolerance how far two numbers may be apart, in the field's unit; 0 for equal
   */
  public record CriteriaLine(Field<?> field, boolean clean, double tolerance) {
    /** Checks. */
    public CriteriaLine {
      if (tolerance < 0 || tolerance > 0 && !field.type().numeric()) {
        throw new IllegalArgumentException(field.label() + " takes no tolerance of " + tolerance);
      }
    }

    /** The text by which values are compared; empty when there is none. */
    String key(String raw) {
      return clean ? NameKey.of(raw) : raw;
    }

    double number(String raw) {
      FieldType<?> type = field.type();
      return type.number(raw);
    }

    @Override
    public String toString() {
      String most = tolerance == Math.rint(tolerance) ? "%.0f" : "%s";
      return field.key()
          + (clean ? " clean" : "")
          + (tolerance > 0 ? " ±" + String.format(Locale.ROOT, most, tolerance) : "");
    }
  }

  /**
   * Reads what {@link #toString} writes: {@code name: artist clean, title clean, duration ±3}.
   *
   * @throws IllegalArgumentException when it is not of that form; says what is wrong
   */
  public static Criteria parse(String text) {
    int colon = text.indexOf(':');
    if (colon < 0) {
      throw new IllegalArgumentException("criteria look like \"" + USUAL + "\", not " + text);
    }
    List<CriteriaLine> lines = new ArrayList<>();
    for (String part : text.substring(colon + 1).split(",")) {
      lines.add(line(part.strip()));
    }
    return new Criteria(text.substring(0, colon).strip(), lines);
  }

  private static CriteriaLine line(String text) {
    String[] words = text.split("\\s+");
    boolean clean = false;
    double tolerance = 0;
    for (int i = 1; i < words.length; i++) {
      if (words[i].equals("clean")) {
        clean = true;
      } else if (words[i].startsWith("±")) {
        tolerance = Double.parseDouble(words[i].substring(1));
      } else {
        throw new IllegalArgumentException("\"" + words[i] + "\" is neither clean nor ±number");
      }
    }
    return new CriteriaLine(Fields.of(words[0]), clean, tolerance);
  }

  @Override
  public String toString() {
    return name + ": " + String.join(", ", lines.stream().map(CriteriaLine::toString).toList());
  }
}
