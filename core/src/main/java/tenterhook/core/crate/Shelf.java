package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * A folder of crates.
 *
 * @param name unique among shelves
 * @param crates in order
 * @param never what stays out of all of them
 */
public record Shelf(String name, List<Crate> crates, NeverPlay never) {
  /** Checks and copies. */
  public Shelf {
    if (name.isBlank() || name.indexOf('/') >= 0) {
      throw new IllegalArgumentException("a shelf needs a name without /, was '" + name + "'");
    }
    crates = List.copyOf(crates);
  }

  /** A shelf from which everything may be played. */
  public Shelf(String name, List<Crate> crates) {
    this(name, crates, NeverPlay.NOTHING);
  }

  /** The same shelf with other crates. */
  public Shelf with(List<Crate> others) {
    return new Shelf(name, others, never);
  }

  /** The same shelf with another never-play list. */
  public Shelf with(NeverPlay other) {
    return new Shelf(name, crates, other);
  }

  /** The same shelf under another name. */
  public Shelf named(String other) {
    return new Shelf(other, crates, never);
  }

  /** The same shelf with its crates in the order of their names, numbers by their size. */
  public Shelf sorted() {
    List<Crate> sorted = new ArrayList<>(crates);
    sorted.sort(Comparator.comparing(c -> sortName(c.name())));
    return with(sorted);
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
