package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Where a shelf stands: its name behind the names of the shelves that it stands in. Rules and
 * commands name shelves by references: {@code Peak} means each shelf of that name, {@code
 * Friday/Peak} each one whose path ends so, {@code /Rink/Friday/Peak} the one with this whole path.
 * Upper and lower case are alike.
 *
 * @param names from the top, one at least
 */
public record ShelfPath(List<String> names) {
  /** Between two names; no name holds it. */
  public static final String SEPARATOR = "/";

  /** Checks and copies. */
  public ShelfPath {
    names = List.copyOf(names);
    if (names.isEmpty()) {
      throw new IllegalArgumentException("the path of a shelf needs a name");
    }
  }

  /**
   * The path that a text names from the top, with or without a separator before it.
   *
   * @throws IllegalArgumentException when a name is blank
   */
  public static ShelfPath of(String text) {
    String plain = text.startsWith(SEPARATOR) ? text.substring(1) : text;
    List<String> names = Arrays.asList(plain.split(SEPARATOR, -1));
    if (names.stream().anyMatch(String::isBlank)) {
      throw new IllegalArgumentException(
          "a shelf is named such as Rink or Rink/Friday, not '" + text + "'");
    }
    return new ShelfPath(names);
  }

  /** The shelf's own name. */
  public String name() {
    return names.getLast();
  }

  /** The names of the shelves that it stands in; empty at the top. */
  public List<String> above() {
    return names.subList(0, names.size() - 1);
  }

  /** The path of a shelf in this one. */
  public ShelfPath plus(String name) {
    return in(names, name);
  }

  /** The path of a shelf that stands in the same place under another name. */
  public ShelfPath renamed(String name) {
    return in(above(), name);
  }

  /** The path of a shelf in the shelf of these names, or at the top when there is none. */
  public static ShelfPath in(List<String> above, String name) {
    List<String> longer = new ArrayList<>(above);
    longer.add(name);
    return new ShelfPath(longer);
  }

  /** Whether it is another one, or stands in it at any depth. */
  public boolean within(ShelfPath other) {
    return names.size() >= other.names.size()
        && same(names.subList(0, other.names.size()), other.names);
  }

  /** The path with another beginning, for a shelf that stands in one that is moved. */
  ShelfPath moved(ShelfPath from, ShelfPath to) {
    if (!within(from)) {
      return this;
    }
    List<String> other = new ArrayList<>(to.names);
    other.addAll(names.subList(from.names.size(), names.size()));
    return new ShelfPath(other);
  }

  /** Whether a reference means this shelf. */
  public boolean answers(String reference) {
    if (reference.startsWith(SEPARATOR)) {
      return same(names, Arrays.asList(reference.substring(1).split(SEPARATOR, -1)));
    }
    List<String> end = Arrays.asList(reference.split(SEPARATOR, -1));
    return end.size() <= names.size() && same(end(end.size()), end);
  }

  private List<String> end(int count) {
    return names.subList(names.size() - count, names.size());
  }

  /**
   * The shortest reference that means this shelf and no other.
   *
   * @param all the paths of all shelves
   */
  public String reference(List<ShelfPath> all) {
    for (int count = 1; count <= names.size(); count++) {
      String end = String.join(SEPARATOR, end(count));
      if (all.stream().allMatch(p -> p.equals(this) || !p.answers(end))) {
        return end;
      }
    }
    return whole();
  }

  private static boolean same(List<String> some, List<String> others) {
    return some.size() == others.size()
        && IntStream.range(0, some.size())
            .allMatch(i -> some.get(i).equalsIgnoreCase(others.get(i)));
  }

  /** The reference that gives the whole path, such as {@code /Rink/Friday}. */
  public String whole() {
    return SEPARATOR + this;
  }

  /** The path for people, such as {@code Rink/Friday}. */
  @Override
  public String toString() {
    return String.join(SEPARATOR, names);
  }
}
