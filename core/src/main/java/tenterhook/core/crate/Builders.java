package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tenterhook.core.code.Code;
import tenterhook.core.code.Facet;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.track.Snapshot;

/**
 * Makes many crates at once. A pattern names them: {@code {code}} and {@code {meaning}} for a
 * facet, {@code {row}} and {@code {column}} where two are crossed, {@code {from}} and {@code {to}}
 * for a series, {@code {shelf}} and {@code {crate}} for copies of a shelf.
 */
public final class Builders {
  private Builders() {}

  /** One rule crate for each code of a facet that is given. */
  public static List<Crate> oneEach(Facet facet, String pattern) {
    return facet.given().stream()
        .map(
            c ->
                crate(
                    named(pattern, Map.of("code", c.token(), "meaning", words(c))), line(facet, c)))
        .toList();
  }

  /**
   * One rule crate for each place of a table.
   *
   * @param coverage the table
   * @param chosen its places
   */
  public static List<Crate> crossed(
      Coverage coverage, List<Coverage.Crossing> chosen, String pattern) {
    List<Crate> made = new ArrayList<>();
    for (Coverage.Crossing cell : chosen) {
      Code row = coverage.rows().code(cell.row()).orElseThrow();
      Code column = coverage.columns().code(cell.column()).orElseThrow();
      made.add(
          crate(
              named(pattern, Map.of("row", words(row), "column", words(column))),
              line(coverage.rows(), row),
              line(coverage.columns(), column)));
    }
    return made;
  }

  /**
   * One rule crate for each step of a number that occurs in the collection, lowest first.
   *
   * @param field year or another numeric field
   * @param step how many whole years or beats a crate spans, 1 or more
   */
  public static List<Crate> series(Snapshot snapshot, Field<?> field, int step, String pattern) {
    if (!field.type().numeric() || step < 1) {
      throw new IllegalArgumentException(
          "a series needs a number and a step of 1 or more, not " + field.key() + " by " + step);
    }
    boolean whole = field == Fields.YEAR;
    Map<Long, Crate> made = new TreeMap<>();
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              double value = field.type().number(snapshot.raw(id, field));
              if (!Double.isNaN(value)) {
                long from = (long) Math.floor(value / step) * step;
                made.computeIfAbsent(from, f -> span(field, f, f + step, whole, pattern));
              }
            });
    return List.copyOf(made.values());
  }

  private static Crate span(Field<?> field, long from, long below, boolean whole, String pattern) {
    String to = whole ? String.valueOf(below - 1) : (below - 1) + ".99";
    Condition.Range range = new Condition.Range(String.valueOf(from), to);
    return crate(
        named(pattern, Map.of("from", String.valueOf(from), "to", String.valueOf(below - 1))),
        new Rule.Line(new Condition(field.key(), new Condition.AnyOf(List.of(range)))));
  }

  /**
   * Shelves with the crates of a model each, for scenarios that ask for the same parts.
   *
   * @param crates the shelves
   * @param names of the new shelves; those that are there get what they lack
   * @param model the shelf whose crates are copied with its never-play list
   * @return the shelves with the new ones
   */
  public static Crates shelves(Crates crates, List<String> names, Shelf model, String pattern) {
    Crates after = crates;
    for (String name : names) {
      if (after.shelf(name).isEmpty()) {
        after = after.plusShelf(name).withShelf(name, s -> s.with(model.never()));
      }
      List<Crate> copies =
          model.crates().stream()
              .map(c -> c.named(named(pattern, Map.of("shelf", name, "crate", c.name()))))
              .toList();
      after = added(after, name, copies);
    }
    return after;
  }

  /**
   * A shelf with more crates. A crate whose name is there already, on any shelf, or whose rule is
   * on this one under another name, stays as the DJ has it; so the same can be asked for again when
   * the codebook has grown.
   *
   * @param crates the shelves
   * @param shelf which one; made when it is new
   * @param more crates to add
   */
  public static Crates added(Crates crates, String shelf, List<Crate> more) {
    Crates after = crates;
    for (Crate crate : more) {
      if (after.crate(crate.name()).isEmpty() && !ruled(after, shelf, crate)) {
        after = after.plus(shelf, crate);
      }
    }
    return after;
  }

  private static boolean ruled(Crates crates, String shelf, Crate wanted) {
    return wanted instanceof Crate.RuleCrate fresh
        && crates.shelf(shelf).stream()
            .flatMap(s -> s.crates().stream())
            .anyMatch(c -> c instanceof Crate.RuleCrate r && r.rule().equals(fresh.rule()));
  }

  private static Crate crate(String name, Rule.Line... lines) {
    return new Crate.RuleCrate(name, new Rule.RuleGroup(Rule.Kind.ALL, List.of(lines)));
  }

  private static String named(String pattern, Map<String, String> parts) {
    String name = pattern;
    for (Map.Entry<String, String> part : parts.entrySet()) {
      name = name.replace("{" + part.getKey() + "}", part.getValue());
    }
    return name.replace('/', ' ').strip();
  }

  private static String words(Code code) {
    return code.meaning().isBlank() ? code.token() : code.meaning();
  }

  private static Rule.Line line(Facet facet, Code code) {
    return new Rule.Line(
        new Condition(
            facet.name(), new Condition.AnyOf(List.of(new Condition.Part(code.token())))));
  }
}
