package tenterhook.core.code;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.measure.MusicalKey;

/**
 * Figures of a track that stand in square brackets behind its codes, for players that show only the
 * comment: {@code long fade /80S/SKA/ [Am 124 E62]}. A template of the DJ's own says which. It is a
 * row of words; a word of which a figure is missing is left out. Immutable.
 */
public final class Figures {
  private static final int LONGEST = 60;
  private static final Pattern PLACE = Pattern.compile("\\{(\\w+)}");
  private static final Pattern NEVER = Pattern.compile("[\\[\\]{}\\p{Cntrl}]");

  /** Stands where a track has none of the figures, and own words look as if they were some. */
  private static final String EMPTY = "[]";

  private final String template;
  private final List<String> former;
  private final List<Word> words;
  private final Pattern block;

  private Figures(String template, List<String> former) {
    this.template = template;
    this.former = List.copyOf(former);
    this.words = words(template);
    List<String> shapes = new ArrayList<>(List.of(shape(words)));
    former.forEach(t -> shapes.add(shape(words(t))));
    this.block =
        Pattern.compile(
            "(?<=^|\\s)\\[(?:"
                + shapes.stream().filter(s -> !s.isEmpty()).collect(Collectors.joining("|"))
                + ")?](?=\\s|$)");
  }

  /** No figures, and none of before. */
  public static final Figures NONE = new Figures("", List.of());

  /**
   * The figures of a template.
   *
   * @param template words with blanks between them; {@code {bpm}} stands for the figure of a field
   * @throws IllegalArgumentException when it cannot be one; the message says why
   */
  public static Figures of(String template) {
    return NONE.then(template);
  }

  /**
   * The figures of a template and those of earlier ones, which are read as figures still.
   *
   * @param template may be empty: no figures any more
   * @throws IllegalArgumentException when one of them cannot be a template
   */
  public static Figures of(String template, List<String> former) {
    former.forEach(t -> words(check(t)));
    return new Figures(template.isBlank() ? "" : check(template), former);
  }

  /**
   * The same with another template; what the present one wrote is read as figures still.
   *
   * @param other empty for no figures any more
   * @throws IllegalArgumentException when it cannot be one; the message says why
   */
  public Figures then(String other) {
    String next = other.isBlank() ? "" : check(other);
    List<String> before = new ArrayList<>(former);
    before.add(template);
    before.removeIf(t -> t.isEmpty() || t.equals(next));
    return new Figures(next, before.stream().distinct().toList());
  }

  private static String check(String text) {
    String template = text.strip().replaceAll("\\s+", " ");
    List<Word> words = words(template);
    if (template.length() > LONGEST) {
      throw new IllegalArgumentException(
          "a template is at most " + LONGEST + " letters long, players show no more");
    }
    if (NEVER.matcher(PLACE.matcher(template).replaceAll("")).find()) {
      throw new IllegalArgumentException(
          "brackets stand around the figures by themselves; leave them out: " + template);
    }
    if (words.stream().allMatch(w -> w.fields.isEmpty())) {
      throw new IllegalArgumentException(
          "a template needs a figure at least, such as {key}; there are " + names());
    }
    return template;
  }

  /** The fields that can be figures: numbers and keys, which are short and have no blanks. */
  public static List<Field<?>> fields() {
    return Fields.offered().stream().filter(Figures::isFigure).toList();
  }

  private static boolean isFigure(Field<?> field) {
    return field == Fields.KEY
        || field == Fields.MEASURED_KEY
        || field.type().shape() == FieldType.Shape.NUMBER;
  }

  private static String names() {
    return fields().stream().map(f -> "{" + f.key() + "}").collect(Collectors.joining(" "));
  }

  /** The template; empty when no figures are written. */
  public String template() {
    return template;
  }

  /** Earlier templates, whose figures are still told from own words. */
  public List<String> former() {
    return former;
  }

  /** Whether figures are written. */
  public boolean on() {
    return !template.isEmpty();
  }

  /** The fields whose figures are written. */
  public List<Field<?>> used() {
    return words.stream().<Field<?>>flatMap(w -> w.fields.stream()).distinct().toList();
  }

  /**
   * The figures of a track, in their brackets.
   *
   * @param raw the raw value of each field
   * @return empty when it has none of them
   */
  public String of(Function<Field<?>, String> raw) {
    List<String> shown = new ArrayList<>();
    boolean any = false;
    for (Word word : words) {
      Optional<String> text = word.of(raw);
      text.ifPresent(shown::add);
      any |= text.isPresent() && !word.fields.isEmpty();
    }
    return any ? "[" + String.join(" ", shown) + "]" : "";
  }

  /**
   * A text taken apart.
   *
   * @param rest without the figures, to the letter
   * @param block the figures in their brackets; empty when there are none
   */
  record Parts(String rest, String block) {}

  /** Takes the last figures out of a text, and the blank before them. */
  Parts read(String text) {
    if (text.indexOf('[') < 0 || !on() && former.isEmpty()) {
      return new Parts(text, "");
    }
    Matcher found = block.matcher(text);
    int start = -1;
    int end = -1;
    while (found.find()) {
      start = found.start();
      end = found.end();
    }
    if (start < 0) {
      return new Parts(text, "");
    }
    int cut = start > 0 && text.charAt(start - 1) == ' ' ? start - 1 : start;
    return new Parts(text.substring(0, cut) + text.substring(end), text.substring(start, end));
  }

  /**
   * Puts figures behind a text.
   *
   * @param block in their brackets, or empty: own words that look like figures are then marked as
   *     own by empty brackets behind them
   */
  String write(String rest, String block) {
    boolean mistaken = block.isEmpty() && !read(rest).block.isEmpty();
    String behind = mistaken ? EMPTY : block;
    return behind.isEmpty() ? rest : rest.isEmpty() ? behind : rest + " " + behind;
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Figures figures
        && figures.template.equals(template)
        && figures.former.equals(former);
  }

  @Override
  public int hashCode() {
    return Objects.hash(template, former);
  }

  @Override
  public String toString() {
    return template;
  }

  /**
   * A word of a template.
   *
   * @param literals one more than there are fields: before, between and behind them
   * @param fields whose figures it holds
   */
  private record Word(List<String> literals, List<Field<?>> fields) {
    Optional<String> of(Function<Field<?>, String> raw) {
      StringBuilder text = new StringBuilder(literals.getFirst());
      for (int i = 0; i < fields.size(); i++) {
        String figure = figure(fields.get(i), raw.apply(fields.get(i)));
        if (figure.isEmpty()) {
          return Optional.empty();
        }
        text.append(figure).append(literals.get(i + 1));
      }
      return Optional.of(text.toString());
    }

    String shape() {
      StringBuilder shape = new StringBuilder(Pattern.quote(literals.getFirst()));
      for (int i = 0; i < fields.size(); i++) {
        shape.append(figureShape(fields.get(i))).append(Pattern.quote(literals.get(i + 1)));
      }
      return shape.toString();
    }
  }

  private static List<Word> words(String template) {
    List<Word> words = new ArrayList<>();
    for (String text : template.isEmpty() ? new String[0] : template.split(" ")) {
      List<String> literals = new ArrayList<>();
      List<Field<?>> fields = new ArrayList<>();
      Matcher place = PLACE.matcher(text);
      int from = 0;
      while (place.find()) {
        literals.add(text.substring(from, place.start()));
        fields.add(field(place.group(1)));
        from = place.end();
      }
      literals.add(text.substring(from));
      words.add(new Word(literals, fields));
    }
    return words;
  }

  private static Field<?> field(String name) {
    return Fields.named(name)
        .filter(Figures::isFigure)
        .orElseThrow(
            () ->
                new IllegalArgumentException("{" + name + "} is no figure; there are " + names()));
  }

  /** Some of the words, at least one, in their order, with a blank between each two. */
  private static String shape(List<Word> words) {
    List<String> fromEach = new ArrayList<>();
    for (int first = 0; first < words.size(); first++) {
      StringBuilder shape = new StringBuilder(words.get(first).shape());
      words.subList(first + 1, words.size()).forEach(w -> shape.append("(?: " + w.shape() + ")?"));
      fromEach.add(shape.toString());
    }
    return String.join("|", fromEach);
  }

  /** A tempo in whole beats, a level in whole decibels, a key by its name; as shown otherwise. */
  private static String figure(Field<?> field, String raw) {
    if (field.type().parse(raw).isEmpty()) {
      return "";
    }
    if (field.type().shape() == FieldType.Shape.TEXT) {
      return MusicalKey.parse(raw).map(MusicalKey::name).orElse("");
    }
    String shown = field.type().show(raw);
    return shown.indexOf(':') >= 0 ? shown : String.valueOf(Math.round(field.type().number(raw)));
  }

  private static String figureShape(Field<?> field) {
    return field.type().shape() == FieldType.Shape.TEXT ? "[A-G][#b]?m?" : "-?\\d+(?::\\d\\d)*";
  }
}
