package tenterhook.desktop.crate;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Shelf;
import tenterhook.core.field.Fields;
import tenterhook.desktop.theme.Words;

/** The list of shelves and crates: what is shown of each, and where one goes when it is moved. */
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

  /**
   * A shelf, or a crate on it.
   *
   * @param shelf the shelf's name
   * @param crate the crate's name; empty for the shelf itself
   * @param count tracks of a crate, crates of a shelf
   * @param use what is to be said of it
   */
  record CrateEntry(String shelf, String crate, int count, Use use) {
    boolean isShelf() {
      return crate.isEmpty();
    }

    String name() {
      return isShelf() ? shelf : crate;
    }

    String words() {
      return use == Use.EMPTY ? Words.of("crates.empty") : String.valueOf(count);
    }

    boolean sameAs(CrateEntry other) {
      return shelf.equals(other.shelf) && crate.equals(other.crate);
    }
  }

  /** All shelves with their crates, top to bottom. */
  static List<CrateEntry> entries(CollectionState state, CrateContents contents) {
    RoaringBitmap played =
        state.snapshot().tracks(id -> state.snapshot().value(id, Fields.PLAYS).orElse(0) > 0);
    List<CrateEntry> all = new ArrayList<>();
    for (Shelf shelf : state.crates().shelves()) {
      all.add(new CrateEntry(shelf.name(), "", shelf.crates().size(), Use.USED));
      for (Crate crate : shelf.crates()) {
        int count = contents.count(crate);
        boolean heard =
            contents
                .members(crate.name())
                .filter(m -> RoaringBitmap.intersects(m, played))
                .isPresent();
        Use use = count == 0 ? Use.EMPTY : heard ? Use.USED : Use.NEVER_PLAYED;
        all.add(new CrateEntry(shelf.name(), crate.name(), count, use));
      }
    }
    return all;
  }

  /** Only crates that are empty or never played, with their shelves. */
  static List<CrateEntry> idle(List<CrateEntry> all) {
    Set<String> shelves = new java.util.HashSet<>();
    all.stream().filter(e -> e.use() != Use.USED).forEach(e -> shelves.add(e.shelf()));
    return all.stream()
        .filter(e -> e.isShelf() ? shelves.contains(e.shelf()) : e.use() != Use.USED)
        .toList();
  }

  /** How many crates are of one use. */
  static int count(List<CrateEntry> all, Use use) {
    return (int) all.stream().filter(e -> !e.isShelf() && e.use() == use).count();
  }

  /**
   * The shelves after one row went to the place of another.
   *
   * @param all the rows as they are
   * @param from which row moves
   * @param to the row whose place it takes; a crate on a shelf's row goes to that shelf's beginning
   * @return empty when nothing moves
   */
  static Optional<Crates> moved(Crates crates, List<CrateEntry> all, int from, int to) {
    if (from == to || to < 0 || to >= all.size()) {
      return Optional.empty();
    }
    CrateEntry moving = all.get(from);
    CrateEntry target = all.get(to);
    if (moving.isShelf()) {
      int place = crates.shelves().indexOf(crates.shelf(target.shelf()).orElseThrow());
      Crates after = crates.movedShelf(moving.shelf(), place);
      return after.equals(crates) ? Optional.empty() : Optional.of(after);
    }
    if (target.isShelf()) {
      boolean up = to < from;
      int at = all.indexOf(target);
      // upwards past a shelf's name means to the end of the shelf before
      CrateEntry before =
          up && target.shelf().equals(moving.shelf()) && at > 0 ? all.get(at - 1) : target;
      int place = before == target ? 0 : Integer.MAX_VALUE;
      return Optional.of(crates.moved(moving.crate(), before.shelf(), place));
    }
    List<String> names =
        crates.shelf(target.shelf()).orElseThrow().crates().stream().map(Crate::name).toList();
    return Optional.of(crates.moved(moving.crate(), target.shelf(), names.indexOf(target.crate())));
  }
}
