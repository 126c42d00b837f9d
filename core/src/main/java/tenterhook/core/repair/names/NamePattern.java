package tenterhook.core.repair.names;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.text.Versions;

/**
 * How names are put together in a title, a file's name or a folder's path, such as {@code {artist}
 * - {title}}.
 *
 * @param text the pattern as a person reads it
 * @param fields what stands in its places, in order
 * @param shape what it matches, one group a field
 */
record NamePattern(String text, List<Field<?>> fields, Pattern shape) {
  private static final Pattern PLACE = Pattern.compile("\\{(\\w+)\\}");

  /** What a title may hold. */
  static final List<NamePattern> IN_TITLES =
      List.of(
          of("{track} - {artist} - {title}"), of("{artist} - {title}"), of("{title} - {artist}"));

  /** What a file's name may be; the more a pattern tells, the earlier it stands. */
  static final List<NamePattern> IN_FILES =
      List.of(
          of("{artist} - {album} - {track} - {title}"),
          of("{track} - {artist} - {title}"),
          of("{track}. {artist} - {title}"),
          of("{track} {artist} - {title}"),
          of("{artist} - {track} - {title}"),
          of("{artist} - {title}"),
          of("{title} - {artist}"),
          of("{track} - {title}"),
          of("{track}. {title}"),
          of("{track} {title}"),
          of("{title}"));

  /** What the end of a folder's path may be. */
  static final List<NamePattern> IN_FOLDERS =
      List.of(
          of("{artist}/{year} - {album}"),
          of("{artist}/{album} ({year})"),
          of("{artist} - {album} ({year})"),
          of("{artist} - {year} - {album}"),
          of("{year} - {album}"),
          of("{album} ({year})"),
          of("{artist} - {album}"),
          of("{artist}/{album}"),
          of("{album}"));

  /** The pattern in words, such as {@code artist - title}. */
  String words() {
    return text.replace("{", "").replace("}", "");
  }

  /** Told at a glance, without matching: a dash or a number in front is missing. */
  private boolean hopeless(String whole) {
    boolean dashed = whole.contains(" - ") || whole.contains("–") || whole.contains("—");
    boolean numbered = !whole.isEmpty() && Character.isDigit(whole.charAt(0));
    return text.contains(" - ") && !dashed || text.startsWith("{track}") && !numbered;
  }

  /** Reads a pattern. */
  static NamePattern of(String text) {
    List<Field<?>> fields = new ArrayList<>();
    StringBuilder shape = new StringBuilder();
    Matcher place = PLACE.matcher(text);
    int from = 0;
    while (place.find()) {
      shape.append(literal(text.substring(from, place.start())));
      Field<?> field = Fields.of(place.group(1));
      fields.add(field);
      boolean last = place.end() == text.length();
      shape.append(
          field == Fields.TRACK
              ? "(\\d{1,3})"
              : field == Fields.YEAR ? "((?:19|20)\\d\\d)" : last ? "([^/]+)" : "([^/]+?)");
      from = place.end();
    }
    shape.append(literal(text.substring(from)));
    return new NamePattern(text, List.copyOf(fields), Pattern.compile(shape.toString()));
  }

  private static String literal(String text) {
    return switch (text) {
      case "" -> "";
      case " - " -> "\\s+[-–—]\\s+";
      case " " -> "\\s+";
      case ". " -> "\\.\\s*";
      case " (" -> "\\s+\\(";
      default -> Pattern.quote(text);
    };
  }

  /**
   * What a text says by this pattern.
   *
   * @return values by field; empty when the text is not of this shape, an artist would be a mere
   *     number, or a version would be taken for a name
   */
  Optional<Map<Field<?>, String>> read(String whole) {
    if (hopeless(whole)) {
      return Optional.empty();
    }
    Matcher found = shape.matcher(whole.strip());
    if (!found.matches()) {
      return Optional.empty();
    }
    Map<Field<?>, String> values = new LinkedHashMap<>();
    for (int i = 0; i < fields.size(); i++) {
      String value = found.group(i + 1).strip();
      Field<?> field = fields.get(i);
      boolean unnamed = field == Fields.ARTIST && value.chars().noneMatch(Character::isLetter);
      if (value.isEmpty() || unnamed || i > 0 && isVersion(field, value)) {
        return Optional.empty();
      }
      values.put(field, field == Fields.TRACK ? String.valueOf(Integer.parseInt(value)) : value);
    }
    return Optional.of(values);
  }

  /** Whether what would be a name is a mere version, such as {@code Ferry Remix}. */
  private boolean isVersion(Field<?> field, String value) {
    boolean name = field == Fields.ARTIST || field == Fields.TITLE;
    return name
        && fields.contains(Fields.ARTIST)
        && value.split(" ").length < 4
        && Versions.tells(value)
        && Versions.base(value).equals(value);
  }
}
