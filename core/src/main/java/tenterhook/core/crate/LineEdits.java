package tenterhook.core.crate;

import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Subject;

/**
 * How a line of a rule is read anew when what it asks for is called otherwise or stands elsewhere;
 * any other line stays as it is. The same edits hold wherever lines stand.
 */
public final class LineEdits {
  private LineEdits() {}

  /** A crate has another name. */
  public static UnaryOperator<Rule.Line> crate(String name, String other) {
    return line ->
        asking(line, Subject.Own.CRATE, v -> List.of(v.equalsIgnoreCase(name) ? other : v));
  }

  /**
   * A shelf went elsewhere, with those in it: lines mean the same shelves as before.
   *
   * @param before all shelves before
   * @param after all shelves after
   * @param from where it stood
   * @param to where it stands
   */
  public static UnaryOperator<Rule.Line> shelf(
      Crates before, Crates after, ShelfPath from, ShelfPath to) {
    return shelf(ShelfTree.paths(before.shelves()), ShelfTree.paths(after.shelves()), from, to);
  }

  static UnaryOperator<Rule.Line> shelf(
      List<ShelfPath> before, List<ShelfPath> then, ShelfPath from, ShelfPath to) {
    return line ->
        asking(
            line,
            Subject.Own.SHELF,
            value -> {
              List<ShelfPath> meant =
                  before.stream()
                      .filter(p -> p.answers(value))
                      .map(p -> p.moved(from, to))
                      .toList();
              List<ShelfPath> means = then.stream().filter(p -> p.answers(value)).toList();
              return meant.isEmpty() || Set.copyOf(meant).equals(Set.copyOf(means))
                  ? List.of(value)
                  : meant.stream().map(p -> p.reference(then)).toList();
            });
  }

  /** A subject, such as a facet, has another name. */
  public static UnaryOperator<Rule.Line> subject(String subject, String other) {
    return condition(
        c -> c.subject().key().equalsIgnoreCase(subject) ? new Condition(other, c.test()) : c);
  }

  /** A code has another name, or is another one by now. */
  public static UnaryOperator<Rule.Line> code(String token, String other) {
    return condition(
        c ->
            c.subject() == Subject.Own.CODE || c.subject() instanceof Subject.Named
                ? c.with(
                    c.values().stream()
                        .map(v -> isToken(v, token) ? new Condition.Part(other) : v)
                        .distinct()
                        .toList())
                : c);
  }

  /** A code stands in another facet. */
  public static UnaryOperator<Rule.Line> codeMoved(String token, String from, String to) {
    return condition(
        c ->
            c.subject().key().equalsIgnoreCase(from)
                    && c.values().stream().anyMatch(v -> isToken(v, token))
                ? new Condition(
                    c.values().size() == 1 ? Subject.named(to) : Subject.Own.CODE, c.test())
                : c);
  }

  private static UnaryOperator<Rule.Line> condition(UnaryOperator<Condition> edit) {
    return line -> new Rule.Line(edit.apply(line.condition()), line.turned());
  }

  private static boolean isToken(Condition.Value value, String token) {
    return !(value instanceof Condition.Range) && value.text().equalsIgnoreCase(token);
  }

  /** A line that asks for others by their names; any other line as it is. */
  private static Rule.Line asking(
      Rule.Line line, Subject subject, Function<String, List<String>> others) {
    Condition asked = line.condition();
    return asked.subject().equals(subject)
        ? new Rule.Line(
            asked.with(
                asked.values().stream()
                    .flatMap(
                        v -> {
                          List<String> named = others.apply(v.text());
                          return named.equals(List.of(v.text()))
                              ? Stream.of(v)
                              : named.stream().map(Condition.Part::new);
                        })
                    .toList()),
            line.turned())
        : line;
  }
}
