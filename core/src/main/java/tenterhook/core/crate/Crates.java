package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * All shelves and their crates. Immutable; every edit gives another one. No two crates have one
 * name, no two shelves beside each other have, and no rule leads back to its own crate. Where a
 * method takes a shelf by a reference, this is its name, the end of its path or all of it, as
 * {@link ShelfPath} says; a shelf with exactly that path from the top comes before others, and a
 * reference that means several is refused with their paths.
 *
 * @param shelves in order
 */
public record Crates(List<Shelf> shelves) {
  /** No shelf at all. */
  public static final Crates NONE = new Crates(List.of());

  /** Checks names and circles. */
  public Crates {
    shelves = List.copyOf(shelves);
    Shelf.check(shelves);
    List<PlacedShelf> placed = ShelfTree.placed(shelves);
    Set<String> names = new HashSet<>();
    for (PlacedShelf shelf : placed) {
      for (Crate crate : shelf.shelf().crates()) {
        if (!names.add(CrateBases.key(crate.name()))) {
          throw new IllegalArgumentException("there is a crate '" + crate.name() + "' already");
        }
      }
    }
    new CrateBases(placed)
        .circle()
        .ifPresent(
            path -> {
              throw new IllegalArgumentException(
                  "the crate would be built on itself: " + String.join(" → ", path));
            });
  }

  /** All shelves at any depth, each before those that stand in it. */
  public List<PlacedShelf> placed() {
    return ShelfTree.placed(shelves);
  }

  /** All crates, shelf by shelf. */
  public List<Crate> all() {
    return shelves.stream().flatMap(s -> s.all().stream()).toList();
  }

  /** The crate of a name, upper and lower case alike. */
  public Optional<Crate> crate(String name) {
    return all().stream().filter(c -> c.name().equalsIgnoreCase(name)).findFirst();
  }

  /**
   * The one shelf that a reference means.
   *
   * @return empty when there is none
   * @throws IllegalArgumentException when it means several; the message gives their paths
   */
  public Optional<PlacedShelf> shelf(String reference) {
    List<PlacedShelf> meant = placed().stream().filter(s -> s.path().answers(reference)).toList();
    Optional<PlacedShelf> exact =
        meant.stream().filter(s -> s.path().toString().equalsIgnoreCase(reference)).findFirst();
    if (exact.isEmpty() && meant.size() > 1) {
      throw new IllegalArgumentException(
          meant.size()
              + " shelves are called "
              + reference
              + "; say which by its path: "
              + meant.stream().map(s -> s.path().whole()).collect(Collectors.joining(", ")));
    }
    return exact.or(() -> meant.stream().findFirst());
  }

  /** The shortest reference that means one shelf and no other, as a rule would ask for it. */
  public String reference(ShelfPath shelf) {
    return shelf.reference(ShelfTree.paths(shelves));
  }

  private PlacedShelf existing(String reference) {
    return shelf(reference)
        .orElseThrow(() -> new IllegalArgumentException("no shelf '" + reference + "'"));
  }

  /** The names of the crates whose rules ask for a crate. */
  public List<String> usersOf(String name) {
    CrateBases bases = new CrateBases(placed());
    return all().stream()
        .map(Crate::name)
        .filter(n -> bases.of(n).stream().anyMatch(name::equalsIgnoreCase))
        .toList();
  }

  /**
   * The names of the crates that a crate is built on: its rule, or what is never played from where
   * it stands, asks for them or for a shelf above them.
   */
  public Set<String> uses(Crate crate) {
    return new CrateBases(placed()).of(crate.name());
  }

  /**
   * The same with one more shelf at the end of those beside it; the shelves that it stands in are
   * made if they are new.
   *
   * @param path from the top, such as {@code Rink/Friday}
   */
  public Crates plusShelf(String path) {
    ShelfPath wanted = ShelfPath.of(path);
    List<Shelf> more = shelves;
    List<String> above = List.of();
    for (String name : wanted.above()) {
      ShelfPath step = ShelfPath.in(above, name);
      if (ShelfTree.paths(more).stream().noneMatch(p -> p.answers(step.whole()))) {
        more = ShelfTree.with(more, above, Integer.MAX_VALUE, new Shelf(name, List.of()));
      }
      above = step.names();
    }
    return new Crates(
        ShelfTree.with(more, above, Integer.MAX_VALUE, new Shelf(wanted.name(), List.of())));
  }

  /** The same without a shelf and all that stands on it and in it. */
  public Crates minusShelf(String reference) {
    return shelf(reference).map(s -> new Crates(ShelfTree.without(shelves, s.path()))).orElse(this);
  }

  /** The same with one more crate at the end of a shelf; the shelf is made if it is new. */
  public Crates plus(String shelf, Crate crate) {
    Crates base = shelf(shelf).isPresent() ? this : plusShelf(shelf);
    return base.withShelf(
        shelf,
        s -> {
          List<Crate> more = new ArrayList<>(s.crates());
          more.add(crate);
          return s.with(more);
        });
  }

  /** The same without a crate. */
  public Crates minus(String name) {
    return new Crates(
        ShelfTree.each(
            shelves,
            s ->
                s.with(
                    s.crates().stream().filter(c -> !c.name().equalsIgnoreCase(name)).toList())));
  }

  /** The same with one crate replaced, in its place. */
  public Crates with(String name, UnaryOperator<Crate> edit) {
    return new Crates(
        ShelfTree.each(
            shelves,
            s ->
                s.with(
                    s.crates().stream()
                        .map(c -> c.name().equalsIgnoreCase(name) ? edit.apply(c) : c)
                        .toList())));
  }

  /** The same with one shelf replaced, in its place; for another name see {@link #renamedShelf}. */
  public Crates withShelf(String reference, UnaryOperator<Shelf> edit) {
    return new Crates(ShelfTree.replaced(shelves, existing(reference).path(), edit));
  }

  /** The shelf that a crate stands on. */
  public Optional<PlacedShelf> shelfOf(String crate) {
    return placed().stream()
        .filter(s -> s.shelf().crates().stream().anyMatch(c -> c.name().equalsIgnoreCase(crate)))
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
   * The same with a shelf, and all in it, in another place; rules that ask for it follow.
   *
   * @param into the shelf that it goes into; empty for the top
   * @param at its place there, counted from 0 without it; beyond the end means at the end
   * @throws IllegalArgumentException when there is no such shelf, when it would stand in itself, or
   *     when another of its name stands there
   */
  public Crates movedShelf(String reference, String into, int at) {
    PlacedShelf moving = existing(reference);
    List<String> above = into.isEmpty() ? List.of() : existing(into).path().names();
    ShelfPath target = ShelfPath.in(above, moving.path().name());
    if (target.within(moving.path()) && !target.equals(moving.path())) {
      throw new IllegalArgumentException(
          "the shelf " + moving.path() + " cannot stand in itself; it stays where it is");
    }
    return following(
        ShelfTree.with(ShelfTree.without(shelves, moving.path()), above, at, moving.shelf()),
        moving.path(),
        target);
  }

  /** The same with a shelf under another name; rules that ask for it follow. */
  public Crates renamedShelf(String reference, String other) {
    ShelfPath path = existing(reference).path();
    return following(
        ShelfTree.replaced(shelves, path, s -> s.named(other)), path, path.renamed(other));
  }

  /** Lines that ask for shelves mean the same ones after one of these went elsewhere. */
  private Crates following(List<Shelf> after, ShelfPath from, ShelfPath to) {
    return new Crates(
        withLines(
            after, LineEdits.shelf(ShelfTree.paths(shelves), ShelfTree.paths(after), from, to)));
  }

  /** The same with a crate under another name; rules that ask for it follow. */
  public Crates renamed(String name, String other) {
    return with(name, c -> c.named(other)).withLines(LineEdits.crate(name, other));
  }

  /**
   * The same with every line read anew, in rules and in what is never played.
   *
   * @param edit one of {@link LineEdits}
   */
  public Crates withLines(UnaryOperator<Rule.Line> edit) {
    return new Crates(withLines(shelves, edit));
  }

  /**
   * The same with every track that a crate by hand or a never-play list names replaced, at its
   * place; one that is named twice then keeps its first place.
   *
   * @param heir of an id: another or the same
   */
  public Crates withTracks(UnaryOperator<Integer> heir) {
    return new Crates(
        ShelfTree.each(
            shelves,
            s ->
                s.with(s.crates().stream().map(c -> withTracks(c, heir)).toList())
                    .with(s.never().withTracks(heir))));
  }

  private static Crate withTracks(Crate crate, UnaryOperator<Integer> heir) {
    if (crate instanceof Crate.HandCrate hand) {
      List<Integer> others = hand.tracks().stream().map(heir).toList();
      return others.equals(hand.tracks())
          ? hand
          : new Crate.HandCrate(hand.name(), others.stream().distinct().toList());
    }
    return crate;
  }

  /** Edits the lines of all rules and of all never-play lists. */
  private static List<Shelf> withLines(List<Shelf> shelves, UnaryOperator<Rule.Line> edit) {
    return ShelfTree.each(
        shelves,
        s ->
            s.with(s.crates().stream().map(c -> withLines(c, edit)).toList())
                .with(
                    new NeverPlay(
                        s.never().tracks(), s.never().lines().stream().map(edit).toList())));
  }

  private static Crate withLines(Crate crate, UnaryOperator<Rule.Line> edit) {
    return crate instanceof Crate.RuleCrate rule
        ? rule.with((Rule.RuleGroup) Rule.mapped(rule.rule(), edit::apply))
        : crate;
  }
}
