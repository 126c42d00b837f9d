package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;

/**
 * All shelves and their crates. Immutable; every edit gives another one. No two crates have one
 * name, and no rule leads back to its own crate.
 *
 * @param shelves in order
 */
public record Crates(List<Shelf> shelves) {
  /** No shelf at all. */
  public static final Crates NONE = new Crates(List.of());

  /** Checks names and circles. */
  public Crates {
    shelves = List.copyOf(shelves);
    Set<String> shelfNames = new HashSet<>();
    Set<String> crateNames = new HashSet<>();
    for (Shelf shelf : shelves) {
      if (!shelfNames.add(key(shelf.name()))) {
        throw new IllegalArgumentException("there is a shelf '" + shelf.name() + "' already");
      }
      for (Crate crate : shelf.crates()) {
        if (!crateNames.add(key(crate.name()))) {
          throw new IllegalArgumentException("there is a crate '" + crate.name() + "' already");
        }
      }
    }
    circle(shelves)
        .ifPresent(
            path -> {
              throw new IllegalArgumentException(
                  "the crate would be built on itself: " + String.join(" → ", path));
            });
  }

  private static String key(String name) {
    return name.toLowerCase(Locale.ROOT);
  }

  /** All crates, shelf by shelf. */
  public List<Crate> all() {
    return shelves.stream().flatMap(s -> s.crates().stream()).toList();
  }

  /** The crate of a name, upper and lower case alike. */
  public Optional<Crate> crate(String name) {
    return all().stream().filter(c -> c.name().equalsIgnoreCase(name)).findFirst();
  }

  /** The shelf of a name, upper and lower case alike. */
  public Optional<Shelf> shelf(String name) {
    return shelves.stream().filter(s -> s.name().equalsIgnoreCase(name)).findFirst();
  }

  /** The names of the crates whose rules ask for a crate. */
  public List<String> usersOf(String name) {
    return all().stream()
        .filter(c -> uses(c).stream().anyMatch(name::equalsIgnoreCase))
        .map(Crate::name)
        .toList();
  }

  /** The same with one more shelf at the end. */
  public Crates plusShelf(String name) {
    List<Shelf> more = new ArrayList<>(shelves);
    more.add(new Shelf(name, List.of()));
    return new Crates(more);
  }

  /** The same without a shelf and all that stands on it. */
  public Crates minusShelf(String name) {
    return new Crates(shelves.stream().filter(s -> !s.name().equalsIgnoreCase(name)).toList());
  }

  /** The same with one more crate at the end of a shelf; the shelf is made if it is new. */
  public Crates plus(String shelf, Crate crate) {
    Crates base = shelf(shelf).isPresent() ? this : plusShelf(shelf);
    return new Crates(
        base.shelves.stream()
            .map(
                s -> {
                  if (!s.name().equalsIgnoreCase(shelf)) {
                    return s;
                  }
                  List<Crate> more = new ArrayList<>(s.crates());
                  more.add(crate);
                  return new Shelf(s.name(), more);
                })
            .toList());
  }

  /** The same without a crate. */
  public Crates minus(String name) {
    return new Crates(
        shelves.stream()
            .map(
                s ->
                    new Shelf(
                        s.name(),
                        s.crates().stream().filter(c -> !c.name().equalsIgnoreCase(name)).toList()))
            .toList());
  }

  /** The same with one crate replaced, in its place. */
  public Crates with(String name, UnaryOperator<Crate> edit) {
    return mapped(c -> c.name().equalsIgnoreCase(name) ? edit.apply(c) : c);
  }

  /** The same with a crate under another name; rules that ask for it follow. */
  public Crates renamed(String name, String other) {
    return mapped(
        c -> {
          Crate kept = c.name().equalsIgnoreCase(name) ? c.named(other) : c;
          return kept instanceof Crate.RuleCrate rule
              ? rule.with((Rule.Group) Rule.mapped(rule.rule(), l -> follow(l, name, other)))
              : kept;
        });
  }

  /** The same with rules that test one subject testing another instead, such as a renamed facet. */
  public Crates withSubject(String subject, String other) {
    return withLines(
        l ->
            l.condition().subject().equalsIgnoreCase(subject)
                ? new Rule.Line(new Condition(other, l.condition().test()))
                : l);
  }

  /** The same with rules that ask for one code asking for another instead. */
  public Crates withCode(String token, String other) {
    return withLines(
        l ->
            asksForCodes(l)
                ? new Rule.Line(
                    new Condition(
                        l.condition().subject(),
                        new Condition.AnyOf(
                            values(l).stream()
                                .map(v -> isToken(v, token) ? new Condition.Part(other) : v)
                                .distinct()
                                .toList())))
                : l);
  }

  /** The same with rules that ask a facet for a code that stands in another facet by now. */
  public Crates withCodeMoved(String token, String from, String to) {
    return withLines(
        l -> {
          boolean asked =
              asksForCodes(l)
                  && l.condition().subject().equalsIgnoreCase(from)
                  && values(l).stream().anyMatch(v -> isToken(v, token));
          return asked
              ? new Rule.Line(
                  new Condition(values(l).size() == 1 ? to : "code", l.condition().test()))
              : l;
        });
  }

  private static boolean asksForCodes(Rule.Line line) {
    String subject = line.condition().subject();
    return line.condition().test() instanceof Condition.AnyOf
        && !subject.equals("crate")
        && Fields.named(subject).isEmpty();
  }

  private static List<Condition.Value> values(Rule.Line line) {
    return ((Condition.AnyOf) line.condition().test()).values();
  }

  private static boolean isToken(Condition.Value value, String token) {
    return !(value instanceof Condition.Range) && nameIn(value).equalsIgnoreCase(token);
  }

  private Crates withLines(UnaryOperator<Rule.Line> edit) {
    return mapped(
        c ->
            c instanceof Crate.RuleCrate rule
                ? rule.with((Rule.Group) Rule.mapped(rule.rule(), edit::apply))
                : c);
  }

  private Crates mapped(UnaryOperator<Crate> edit) {
    return new Crates(
        shelves.stream()
            .map(s -> new Shelf(s.name(), s.crates().stream().map(edit).toList()))
            .toList());
  }

  private static Rule.Line follow(Rule.Line line, String name, String other) {
    if (!line.condition().subject().equals("crate")
        || !(line.condition().test() instanceof Condition.AnyOf any)) {
      return line;
    }
    List<Condition.Value> values =
        any.values().stream()
            .map(v -> nameIn(v).equalsIgnoreCase(name) ? new Condition.Part(other) : v)
            .toList();
    return new Rule.Line(new Condition("crate", new Condition.AnyOf(values)));
  }

  /** The names of the crates that a crate's rule asks for. */
  public static Set<String> uses(Crate crate) {
    Set<String> names = new LinkedHashSet<>();
    if (crate instanceof Crate.RuleCrate rule) {
      for (Rule.Line line : Rule.lines(rule.rule())) {
        if (line.condition().subject().equals("crate")
            && line.condition().test() instanceof Condition.AnyOf any) {
          any.values().forEach(v -> names.add(nameIn(v)));
        }
      }
    }
    return names;
  }

  private static String nameIn(Condition.Value value) {
    return switch (value) {
      case Condition.Part part -> part.text();
      case Condition.Whole whole -> whole.text();
      case Condition.Range range -> range.from() + ".." + range.to();
    };
  }

  private static Optional<List<String>> circle(List<Shelf> shelves) {
    List<Crate> all = shelves.stream().flatMap(s -> s.crates().stream()).toList();
    Set<String> safe = new HashSet<>();
    for (Crate crate : all) {
      List<String> path = new ArrayList<>();
      if (leadsBack(crate, all, path, safe)) {
        return Optional.of(path);
      }
    }
    return Optional.empty();
  }

  private static boolean leadsBack(
      Crate crate, List<Crate> all, List<String> path, Set<String> safe) {
    if (safe.contains(key(crate.name()))) {
      return false;
    }
    boolean seen = path.contains(crate.name());
    path.add(crate.name());
    if (seen) {
      path.subList(0, path.indexOf(crate.name())).clear();
      return true;
    }
    for (String name : uses(crate)) {
      Optional<Crate> next = all.stream().filter(c -> c.name().equalsIgnoreCase(name)).findFirst();
      if (next.isPresent() && leadsBack(next.get(), all, path, safe)) {
        return true;
      }
    }
    path.removeLast();
    safe.add(key(crate.name()));
    return false;
  }
}
