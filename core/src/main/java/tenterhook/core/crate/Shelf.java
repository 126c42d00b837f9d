package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;

/**
 * A folder of crates and of other shelves.
 *
 * @param name unique among the shelves beside it
 * @param crates in order
 * @param shelves those that stand in it, in order
 * @param never what stays out of all crates of it and of the shelves in it
 */
public record Shelf(String name, List<Crate> crates, List<Shelf> shelves, NeverPlay never) {
  /** Checks and copies. */
  public Shelf {
    if (name.isBlank() || name.indexOf('/') >= 0) {
      throw new IllegalArgumentException("a shelf needs a name without /, was '" + name + "'");
    }
    crates = List.copyOf(crates);
    shelves = List.copyOf(shelves);
    check(shelves);
  }

  /** Refuses two shelves of one name beside each other. */
  static void check(List<Shelf> beside) {
    Set<String> names = new HashSet<>();
    for (Shelf shelf : beside) {
      if (!names.add(CrateBases.key(shelf.name()))) {
        throw new IllegalArgumentException("there is a shelf '" + shelf.name() + "' already");
      }
    }
  }

  /** A shelf from which everything may be played. */
  public Shelf(String name, List<Crate> crates) {
    this(name, crates, List.of(), NeverPlay.NOTHING);
  }

  /** All crates of it and of the shelves in it. */
  public List<Crate> all() {
    return Stream.concat(crates.stream(), shelves.stream().flatMap(s -> s.all().stream())).toList();
  }

  /** The same shelf with other shelves in it. */
  public Shelf withShelves(List<Shelf> others) {
    return new Shelf(name, crates, others, never);
  }

  /** The same shelf with other crates. */
  public Shelf with(List<Crate> others) {
    return new Shelf(name, others, shelves, never);
  }

  /** The same shelf with another never-play list. */
  public Shelf with(NeverPlay other) {
    return new Shelf(name, crates, shelves, other);
  }

  /** The same shelf under another name. */
  public Shelf named(String other) {
    return new Shelf(other, crates, shelves, never);
  }

  /** The same shelf with crates and shelves in the order of their names, numbers by their size. */
  public Shelf sorted() {
    List<Crate> sorted = new ArrayList<>(crates);
    sorted.sort(Comparator.comparing(c -> sortName(c.name())));
    List<Shelf> inside = new ArrayList<>(shelves);
    inside.sort(Comparator.comparing(s -> sortName(s.name())));
    return with(sorted).withShelves(inside);
  }

  /** Digits are padded with zeros, so that "90 bpm" stands before "110 bpm". */
  private static String sortName(String name) {
    StringBuilder sorted = new StringBuilder();
    for (String part : name.toLowerCase(Locale.ROOT).split("(?<=\\d)(?=\\D)|(?<=\\D)(?=\\d)")) {
      boolean digits = !part.isEmpty() && Character.isDigit(part.charAt(0));
      sorted.append(digits && part.length() < 9 ? "0".repeat(9 - part.length()) + part : part);
    }
    return sorted.toString();
  }
}
