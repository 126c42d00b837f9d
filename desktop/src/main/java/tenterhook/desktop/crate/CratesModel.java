package tenterhook.desktop.crate;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.PlacedShelf;
import tenterhook.core.crate.Shelf;
import tenterhook.core.crate.ShelfPath;
import tenterhook.core.field.Fields;
import tenterhook.desktop.theme.Words;

/** The tree of shelves and crates: what is shown of each, and where one goes when it is moved. */
final class CratesModel {
  private CratesModel() {}

  /** What is to be said of a crate beside its count. */
  enum Use {
    /** It holds tracks of which some were played. */
    USED,
    /** It holds nothing. */
    EMPTY,
    /** None of its tracks was ever played. */
    NEVER_PLAYED
  }

  /** Where a shelf goes by keys. */
  enum Step {
    /** Before the one that stands before it in the same shelf. */
    UP,
    /** Behind the one that stands behind it in the same shelf. */
    DOWN,
    /** Into the shelf that stands before it. */
    IN,
    /** Out of the shelf that it stands in, behind it. */
    OUT
  }

  /**
   * A shelf, or a crate on it.
   *
   * @param shelf where the shelf stands
   * @param crate the crate's name; empty for the shelf itself
   * @param count tracks of a crate, crates of a shelf and of those in it
   * @param use what is to be said of it
   * @param open whether what stands on a shelf is shown; empty where nothing does, and for crates
   */
  record CrateEntry(ShelfPath shelf, String crate, int count, Use use, Optional<Boolean> open) {
    boolean isShelf() {
      return crate.isEmpty();
    }

    String name() {
      return isShelf() ? shelf.name() : crate;
    }

    /** How far it is set in. */
    int depth() {
      return shelf.names().size() - (isShelf() ? 1 : 0);
    }

    String words() {
      return use == Use.EMPTY ? Words.of("crates.empty") : String.valueOf(count);
    }

    boolean sameAs(CrateEntry other) {
      return shelf.equals(other.shelf) && crate.equals(other.crate);
    }
  }

  /**
   * The shelves after something was moved.
   *
   * @param shelf where the shelf stands by now, or the shelf of the crate
   */
  record MovedEntry(Crates after, ShelfPath shelf) {}

  /** All shelves with their crates, top to bottom; for another thread than the toolkit's. */
  static List<CrateEntry> entries(CollectionState state, CrateContents contents) {
    RoaringBitmap played =
        state.snapshot().tracks(id -> state.snapshot().value(id, Fields.PLAYS).orElse(0) > 0);
    List<CrateEntry> all = new ArrayList<>();
    for (PlacedShelf placed : state.crates().placed()) {
      Shelf shelf = placed.shelf();
      boolean bare = shelf.crates().isEmpty() && shelf.shelves().isEmpty();
      Optional<Boolean> open = bare ? Optional.empty() : Optional.of(true);
      all.add(new CrateEntry(placed.path(), "", shelf.all().size(), Use.USED, open));
      for (Crate crate : shelf.crates()) {
        int count = contents.count(crate);
        boolean heard =
            contents
                .members(crate.name())
                .filter(m -> RoaringBitmap.intersects(m, played))
                .isPresent();
        Use use = count == 0 ? Use.EMPTY : heard ? Use.USED : Use.NEVER_PLAYED;
        all.add(new CrateEntry(placed.path(), crate.name(), count, use, Optional.empty()));
      }
    }
    return all;
  }

  /** What is shown while what stands on some shelves is folded away. */
  static List<CrateEntry> shown(List<CrateEntry> all, Set<ShelfPath> folded) {
    List<CrateEntry> shown = new ArrayList<>();
    for (CrateEntry entry : all) {
      boolean hidden =
          folded.stream()
              .anyMatch(
                  f -> entry.shelf().within(f) && !(entry.isShelf() && entry.shelf().equals(f)));
      if (!hidden) {
        Optional<Boolean> open = entry.open().map(o -> !folded.contains(entry.shelf()));
        shown.add(new CrateEntry(entry.shelf(), entry.crate(), entry.count(), entry.use(), open));
      }
    }
    return shown;
  }

  /** Only crates that are empty or never played, with the shelves that they stand in. */
  static List<CrateEntry> idle(List<CrateEntry> all) {
    Set<ShelfPath> shelves = new HashSet<>();
    all.stream().filter(e -> e.use() != Use.USED).forEach(e -> shelves.add(e.shelf()));
    return all.stream()
        .filter(
            e ->
                e.isShelf()
                    ? shelves.stream().anyMatch(s -> s.within(e.shelf()))
                    : e.use() != Use.USED)
        .toList();
  }

  /** How many crates are of one use. */
  static int count(List<CrateEntry> all, Use use) {
    return (int) all.stream().filter(e -> !e.isShelf() && e.use() == use).count();
  }

  /**
   * The shelves after one crate went to the place of another row.
   *
   * @param rows as they are shown
   * @param from which row moves, a crate's
   * @param to the row whose place it takes; on a shelf's row it goes to that shelf's beginning
   * @return empty when nothing moves
   */
  static Optional<MovedEntry> moved(Crates crates, List<CrateEntry> rows, int from, int to) {
    if (from == to || to < 0 || to >= rows.size()) {
      return Optional.empty();
    }
    CrateEntry moving = rows.get(from);
    CrateEntry target = rows.get(to);
    if (!target.isShelf()) {
      List<String> names =
          shelf(crates, target.shelf()).crates().stream().map(Crate::name).toList();
      return moved(crates, moving, target.shelf(), names.indexOf(target.crate()));
    }
    boolean up = to < from && target.shelf().equals(moving.shelf());
    if (up && to == 0) {
      return Optional.empty();
    }
    // upwards past a shelf's name means to the end of the shelf before
    return up
        ? moved(crates, moving, rows.get(to - 1).shelf(), Integer.MAX_VALUE)
        : moved(crates, moving, target.shelf(), 0);
  }

  private static Optional<MovedEntry> moved(
      Crates crates, CrateEntry moving, ShelfPath shelf, int at) {
    return told(crates, crates.moved(moving.crate(), shelf.whole(), at), shelf);
  }

  /** The shelves after a crate went to the end of the shelf above its own. */
  static Optional<MovedEntry> out(Crates crates, CrateEntry crate) {
    return crate.shelf().above().isEmpty()
        ? Optional.empty()
        : moved(crates, crate, new ShelfPath(crate.shelf().above()), Integer.MAX_VALUE);
  }

  /**
   * The shelves after one of them went a step.
   *
   * @return empty when it stands at the edge already
   * @throws IllegalArgumentException when another of its name stands there, or a rule would lead
   *     back to its own crate
   */
  static Optional<MovedEntry> stepped(Crates crates, ShelfPath shelf, Step step) {
    List<String> above = shelf.above();
    List<Shelf> beside = beside(crates, above);
    int at = place(beside, shelf.name());
    return switch (step) {
      case UP -> at == 0 ? Optional.empty() : moved(crates, shelf, above, at - 1);
      case DOWN -> at == beside.size() - 1 ? Optional.empty() : moved(crates, shelf, above, at + 1);
      case IN ->
          at == 0
              ? Optional.empty()
              : into(crates, shelf, ShelfPath.in(above, beside.get(at - 1).name()));
      case OUT -> {
        if (above.isEmpty()) {
          yield Optional.empty();
        }
        ShelfPath parent = new ShelfPath(above);
        int behind = place(beside(crates, parent.above()), parent.name()) + 1;
        yield moved(crates, shelf, parent.above(), behind);
      }
    };
  }

  /** The shelves after one of them went to the end of another. */
  static Optional<MovedEntry> into(Crates crates, ShelfPath shelf, ShelfPath other) {
    return moved(crates, shelf, other.names(), Integer.MAX_VALUE);
  }

  /** The shelves after one of them went before another. */
  static Optional<MovedEntry> before(Crates crates, ShelfPath shelf, ShelfPath other) {
    List<Shelf> beside =
        beside(crates, other.above()).stream()
            .filter(s -> !ShelfPath.in(other.above(), s.name()).equals(shelf))
            .toList();
    int at = place(beside, other.name());
    return at < 0 ? Optional.empty() : moved(crates, shelf, other.above(), at);
  }

  /** The shelves after one of them went to the end of the top. */
  static Optional<MovedEntry> top(Crates crates, ShelfPath shelf) {
    return moved(crates, shelf, List.of(), Integer.MAX_VALUE);
  }

  private static Optional<MovedEntry> moved(
      Crates crates, ShelfPath shelf, List<String> into, int at) {
    String target = into.isEmpty() ? "" : new ShelfPath(into).whole();
    return told(
        crates, crates.movedShelf(shelf.whole(), target, at), ShelfPath.in(into, shelf.name()));
  }

  private static Optional<MovedEntry> told(Crates before, Crates after, ShelfPath to) {
    return after.equals(before) ? Optional.empty() : Optional.of(new MovedEntry(after, to));
  }

  private static List<Shelf> beside(Crates crates, List<String> above) {
    return above.isEmpty() ? crates.shelves() : shelf(crates, new ShelfPath(above)).shelves();
  }

  private static Shelf shelf(Crates crates, ShelfPath path) {
    return crates.shelf(path.whole()).orElseThrow().shelf();
  }

  private static int place(List<Shelf> beside, String name) {
    return beside.stream().map(Shelf::name).toList().indexOf(name);
  }
}
