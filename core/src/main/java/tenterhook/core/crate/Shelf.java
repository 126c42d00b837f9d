package tenterhook.core.crate;

import java.util.List;

/**
 * A folder of crates.
 *
 * @param name unique among shelves
 * @param crates in order
 */
public record Shelf(String name, List<Crate> crates) {
  /** Checks and copies. */
  public Shelf {
    if (name.isBlank() || name.indexOf('/') >= 0) {
      throw new IllegalArgumentException("a shelf needs a name without /, was '" + name + "'");
    }
    crates = List.copyOf(crates);
  }
}
