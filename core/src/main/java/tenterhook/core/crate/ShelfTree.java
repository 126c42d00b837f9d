package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * Finds and edits shelves in shelves. What it gives is not checked; {@link Crates} does that once
 * an edit is whole.
 */
final class ShelfTree {
  private ShelfTree() {}

  /** All shelves, each before those that stand in it. */
  static List<PlacedShelf> placed(List<Shelf> shelves) {
    List<PlacedShelf> all = new ArrayList<>();
    place(shelves, List.of(), NeverPlay.NOTHING, all);
    return all;
  }

  private static void place(
      List<Shelf> shelves, List<String> above, NeverPlay inherited, List<PlacedShelf> all) {
    for (Shelf shelf : shelves) {
      ShelfPath path = ShelfPath.in(above, shelf.name());
      NeverPlay never = inherited.plus(shelf.never());
      all.add(new PlacedShelf(path, shelf, never));
      place(shelf.shelves(), path.names(), never, all);
    }
  }

  /** The paths of all shelves. */
  static List<ShelfPath> paths(List<Shelf> shelves) {
    return placed(shelves).stream().map(PlacedShelf::path).toList();
  }

  /** The shelves with other ones in one of them, or at the top when no shelf is named. */
  static List<Shelf> edited(List<Shelf> shelves, List<String> in, UnaryOperator<List<Shelf>> edit) {
    return in.isEmpty()
        ? edit.apply(shelves)
        : replaced(shelves, new ShelfPath(in), s -> s.withShelves(edit.apply(s.shelves())));
  }

  /** The shelves with one of them replaced, in its place. */
  static List<Shelf> replaced(List<Shelf> shelves, ShelfPath path, UnaryOperator<Shelf> edit) {
    String first = path.names().getFirst();
    return shelves.stream()
        .map(
            s -> {
              if (!s.name().equalsIgnoreCase(first)) {
                return s;
              }
              return path.names().size() == 1
                  ? edit.apply(s)
                  : s.withShelves(
                      replaced(
                          s.shelves(),
                          new ShelfPath(path.names().subList(1, path.names().size())),
                          edit));
            })
        .toList();
  }

  /** The shelves without one. */
  static List<Shelf> without(List<Shelf> shelves, ShelfPath path) {
    return edited(
        shelves,
        path.above(),
        beside -> beside.stream().filter(s -> !s.name().equalsIgnoreCase(path.name())).toList());
  }

  /**
   * The shelves with one more.
   *
   * @param in the names of the shelf it goes into; none for the top
   * @param at its place there; beyond the end means at the end
   */
  static List<Shelf> with(List<Shelf> shelves, List<String> in, int at, Shelf shelf) {
    return edited(
        shelves,
        in,
        beside -> {
          List<Shelf> more = new ArrayList<>(beside);
          more.add(Math.clamp(at, 0, more.size()), shelf);
          return more;
        });
  }

  /** The shelves with each of them edited, those in others first. */
  static List<Shelf> each(List<Shelf> shelves, UnaryOperator<Shelf> edit) {
    return shelves.stream().map(s -> edit.apply(s.withShelves(each(s.shelves(), edit)))).toList();
  }
}
