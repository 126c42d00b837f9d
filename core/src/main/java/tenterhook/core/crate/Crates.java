package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Subject;

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
                  return s.with(more);
                })
            .toList());
  }

  /** The same without a crate. */
  public Crates minus(String name) {
    return new Crates(
        shelves.stream()
            .map(
                s ->
                    s.with(
                        s.crates().stream().filter(c -> !c.name().equalsIgnoreCase(name)).toList()))
            .toList());
  }

  /** The same with one crate replaced, in its place. */
  public Crates with(String name, UnaryOperator<Crate> edit) {
    return mapped(c -> c.name().equalsIgnoreCase(name) ? edit.apply(c) : c);
  }

  /** The same with one shelf replaced, in its place. */
  public Crates withShelf(String name, UnaryOperator<Shelf> edit) {
    return new Crates(
        shelves.stream().map(s -> s.name().equalsIgnoreCase(name) ? edit.apply(s) : s).toList());
  }

  /** The shelf that a crate stands on. */
  public Optional<Shelf> shelfOf(String crate) {
    return shelves.stream()
        .filter(s -> s.crates().stream().anyMatch(c -> c.name().equalsIgnoreCase(crate)))
        .findFirst();
  }

  /**
   * The same with a crate in another place.
   *
   * @param name which crate
   * @param shelf the shelf that it goes to
   * @param at its place there, counted from 0 without it; beyond the end means at the end
   * @throws IllegalArgumentException when there is no such crate or shelf
   */
  public Crates moved(String name, String shelf, int at) {
    Crate crate =
        crate(name).orElseThrow(() -> new IllegalArgumentException("no crate '" + name + "'"));
    if (shelf(shelf).isEmpty()) {
      throw new IllegalArgumentException("no shelf '" + shelf + "'");
    }
    return minus(name)
        .withShelf(
            shelf,
            s -> {
              List<Crate> more = new ArrayList<>(s.crates());
              more.add(Math.clamp(at, 0, more.size()), crate);
              return s.with(more);
            });
  }

  /**
   * The same with a shelf in another place.
   *
   * @param at its place, counted from 0 without it; beyond the end means at the end
   */
  public Crates movedShelf(String name, int at) {
    Shelf shelf =
        shelf(name).orElseThrow(() -> new IllegalArgumentException("no shelf '" + name + "'"));
    List<Shelf> more = new ArrayList<>(shelves);
    more.remove(shelf);
    more.add(Math.clamp(at, 0, more.size()), shelf);
    return new Crates(more);
  }

  /** The same with a shelf under another name; rules that ask for it follow. */
  public Crates renamedShelf(String name, String other) {
    return withShelf(name, s -> s.named(other))
        .withLines(l -> follow(l, Subject.Own.SHELF, name, other));
  }

  /** The same with a crate under another name; rules that ask for it follow. */
  public Crates renamed(String name, String other) {
    return with(name, c -> c.named(other))
        .withLines(l -> follow(l, Subject.Own.CRATE, name, other));
  }

  /** The same with rules that test one subject testing another instead, such as a renamed facet. */
  public Crates withSubject(String subject, String other) {
    return withConditions(
        c -> c.subject().key().equalsIgnoreCase(subject) ? new Condition(other, c.test()) : c);
  }

  /** The same with rules that ask for one code asking for another instead. */
  public Crates withCode(String token, String other) {
    return withConditions(
        c ->
            c.subject() == Subject.Own.CODE || c.subject() instanceof Subject.Named
                ? c.with(
                    c.values().stream()
                        .map(v -> isToken(v, token) ? new Condition.Part(other) : v)
                        .distinct()
                        .toList())
                : c);
  }

  /** The same with rules that ask a facet for a code that stands in another facet by now. */
  public Crates withCodeMoved(String token, String from, String to) {
    return withConditions(
        c ->
            c.subject().key().equalsIgnoreCase(from)
                    && c.values().stream().anyMatch(v -> isToken(v, token))
                ? new Condition(
                    c.values().size() == 1 ? Subject.named(to) : Subject.Own.CODE, c.test())
                : c);
  }

  private static boolean isToken(Condition.Value value, String token) {
    return !(value instanceof Condition.Range) && value.text().equalsIgnoreCase(token);
  }

  private Crates withConditions(UnaryOperator<Condition> edit) {
    return withLines(l -> new Rule.Line(edit.apply(l.condition()), l.turned()));
  }

  /** Edits the lines of all rules and of all never-play lists. */
  private Crates withLines(UnaryOperator<Rule.Line> edit) {
    Crates ruled =
        mapped(
            c ->
                c instanceof Crate.RuleCrate rule
                    ? rule.with((Rule.RuleGroup) Rule.mapped(rule.rule(), edit::apply))
                    : c);
    return new Crates(
        ruled.shelves.stream()
            .map(
                s ->
                    s.with(
                        new NeverPlay(
                            s.never().tracks(), s.never().lines().stream().map(edit).toList())))
            .toList());
  }

  private Crates mapped(UnaryOperator<Crate> edit) {
    return new Crates(
        shelves.stream().map(s -> s.with(s.crates().stream().map(edit).toList())).toList());
  }

  private static Rule.Line follow(Rule.Line line, Subject subject, String name, String other) {
    Condition asked = line.condition();
    return asked.subject().equals(subject)
        ? new Rule.Line(
            asked.with(
                asked.values().stream()
                    .map(v -> v.text().equalsIgnoreCase(name) ? new Condition.Part(other) : v)
                    .toList()),
            line.turned())
        : line;
  }

  /**
   * The names of the crates that a crate is built on: its rule, or what is never played from its
   * shelf, asks for them or for their shelf.
   */
  public Set<String> uses(Crate crate) {
    return uses(crate, shelves);
  }

  private static Set<String> uses(Crate crate, List<Shelf> shelves) {
    List<Rule.Line> lines =
        new ArrayList<>(
            crate instanceof Crate.RuleCrate rule ? Rule.lines(rule.rule()) : List.of());
    for (Shelf shelf : shelves) {
      if (!shelf.never().lines().isEmpty() && shelf.crates().contains(crate)) {
        lines.addAll(shelf.never().lines());
      }
    }
    Set<String> names = new LinkedHashSet<>();
    for (Rule.Line line : lines) {
      Condition asked = line.condition();
      switch (asked.subject()) {
        case Subject.Own.CRATE -> asked.values().forEach(v -> names.add(v.text()));
        case Subject.Own.SHELF ->
            shelves.stream()
                .filter(
                    s -> asked.values().stream().anyMatch(v -> s.name().equalsIgnoreCase(v.text())))
                .flatMap(s -> s.crates().stream())
                .forEach(c -> names.add(c.name()));
        case Subject.Own.CODE, Subject.Own.BEAT, Subject.Own.TEXT -> {}
        case Subject.OfField field -> {}
        case Subject.Named named -> {}
      }
    }
    return names;
  }

  private static Optional<List<String>> circle(List<Shelf> shelves) {
    List<Crate> all = shelves.stream().flatMap(s -> s.crates().stream()).toList();
    Set<String> safe = new HashSet<>();
    for (Crate crate : all) {
      List<String> path = new ArrayList<>();
      if (leadsBack(crate, shelves, path, safe)) {
        return Optional.of(path);
      }
    }
    return Optional.empty();
  }

  private static boolean leadsBack(
      Crate crate, List<Shelf> shelves, List<String> path, Set<String> safe) {
    if (safe.contains(key(crate.name()))) {
      return false;
    }
    boolean seen = path.contains(crate.name());
    path.add(crate.name());
    if (seen) {
      path.subList(0, path.indexOf(crate.name())).clear();
      return true;
    }
    for (String name : uses(crate, shelves)) {
      Optional<Crate> next =
          shelves.stream()
              .flatMap(s -> s.crates().stream())
              .filter(c -> c.name().equalsIgnoreCase(name))
              .findFirst();
      if (next.isPresent() && leadsBack(next.get(), shelves, path, safe)) {
        return true;
      }
    }
    path.removeLast();
    safe.add(key(crate.name()));
    return false;
  }
}
