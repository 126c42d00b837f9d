package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
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
  private static final long DECADE = 10;

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
    return starts(snapshot, field, step).stream().map(f -> span(field, f, step, pattern)).toList();
  }

  /** Where the steps begin that some track's number lies in, lowest first. */
  private static SortedSet<Long> starts(Snapshot snapshot, Field<?> field, int step) {
    SortedSet<Long> starts = new TreeSet<>();
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              double value = field.type().number(snapshot.raw(id, field));
              if (!Double.isNaN(value)) {
                starts.add((long) Math.floor(value / step) * step);
              }
            });
    return starts;
  }

  private static Crate span(Field<?> field, long from, int step, String pattern) {
    String last = String.valueOf(from + step - 1);
    Condition.Range range =
        new Condition.Range(String.valueOf(from), field == Fields.YEAR ? last : last + ".99");
    return crate(
        named(pattern, Map.of("from", String.valueOf(from), "to", last)),
        new Rule.Line(new Condition(field.key(), new Condition.AnyOf(List.of(range)))));
  }

  /**
   * Shelves with the crates and shelves of a model each, for scenarios that ask for the same parts.
   *
   * @param crates the shelves
   * @param names of the new shelves, or their paths; those that are there get what they lack
   * @param model the shelf whose crates and shelves are copied with their never-play lists
   * @return the shelves with the new ones
   */
  public static Crates shelves(Crates crates, List<String> names, Shelf model, String pattern) {
    Crates after = crates;
    for (String name : names) {
      Shelf copy = copied(model, ShelfPath.of(name).name(), pattern);
      after = added(after, placed(after, name), copy);
    }
    return after;
  }

  private static Shelf copied(Shelf model, String scenario, String pattern) {
    return model
        .with(
            model.crates().stream()
                .map(c -> c.named(named(pattern, Map.of("shelf", scenario, "crate", c.name()))))
                .toList())
        .withShelves(model.shelves().stream().map(s -> copied(s, scenario, pattern)).toList());
  }

  /**
   * A shelf for each decade that occurs, with a rule crate for each of its years that does.
   *
   * @param pattern names a crate by {@code {from}}
   */
  public static List<Shelf> yearsInDecades(Snapshot snapshot, String pattern) {
    SortedMap<Long, List<Crate>> decades = new TreeMap<>();
    for (long year : starts(snapshot, Fields.YEAR, 1)) {
      decades
          .computeIfAbsent(Math.floorDiv(year, DECADE) * DECADE, d -> new ArrayList<>())
          .add(span(Fields.YEAR, year, 1, pattern));
    }
    return decades.entrySet().stream().map(d -> new Shelf(d.getKey() + "s", d.getValue())).toList();
  }

  /**
   * A shelf for each code of the rows, with a rule crate for each code of the columns that some
   * track carries beside it.
   *
   * @param pattern names a crate by {@code {row}} and {@code {column}}
   */
  public static List<Shelf> columnsInRows(Coverage coverage, String pattern) {
    List<Shelf> made = new ArrayList<>();
    for (Code row : coverage.rows().given()) {
      List<Coverage.Crossing> held =
          coverage.columns().given().stream()
              .filter(c -> coverage.count(row.token(), c.token()) > 0)
              .map(c -> new Coverage.Crossing(row.token(), c.token()))
              .toList();
      if (!held.isEmpty()) {
        made.add(new Shelf(plain(words(row)), crossed(coverage, held, pattern)));
      }
    }
    return made;
  }

  /**
   * A shelf with more shelves and their crates in it; what is there stays, as in {@link
   * #added(Crates, String, List)}.
   *
   * @param in the shelf that they go into; made when it is new
   */
  public static Crates addedShelves(Crates crates, String in, List<Shelf> more) {
    Crates after = crates;
    String above = placed(crates, in);
    for (Shelf shelf : more) {
      after = added(after, above + ShelfPath.SEPARATOR + shelf.name(), shelf);
    }
    return after;
  }

  private static Crates added(Crates crates, String path, Shelf wanted) {
    Crates after =
        crates.shelf(path).isPresent()
            ? crates
            : crates.plusShelf(path).withShelf(path, s -> s.with(wanted.never()));
    after = added(after, path, wanted.crates());
    for (Shelf inner : wanted.shelves()) {
      after = added(after, path + ShelfPath.SEPARATOR + inner.name(), inner);
    }
    return after;
  }

  /** The whole path of a shelf, there or to be made at the top. */
  private static String placed(Crates crates, String reference) {
    return crates
        .shelf(reference)
        .map(PlacedShelf::path)
        .orElseGet(() -> ShelfPath.of(reference))
        .whole();
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
            .flatMap(s -> s.shelf().crates().stream())
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
    return plain(name);
  }

  private static String plain(String name) {
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
