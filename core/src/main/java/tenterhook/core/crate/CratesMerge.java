package tenterhook.core.crate;

import java.util.List;
import java.util.function.BiFunction;
import tenterhook.core.merge.MergeConflict;
import tenterhook.core.merge.ThreeWay;
import tenterhook.core.merge.ThreeWay.PartKind;

/** Makes an edit of shelves and crates on shelves that were edited elsewhere meanwhile. */
public final class CratesMerge {
  private static final PartKind<Integer> TRACKS =
      new PartKind<>(String::valueOf, unnamed(), (before, after, now) -> now, "track");
  private static final PartKind<Rule.Line> LINES =
      new PartKind<>(Rule.Line::toString, unnamed(), (before, after, now) -> now, "line");
  private static final PartKind<Crate> CRATES =
      new PartKind<>(Crate::name, Crate::named, CratesMerge::crate, "crate");
  private static final PartKind<Shelf> SHELVES =
      new PartKind<>(Shelf::name, Shelf::named, CratesMerge::shelf, "shelf");

  private CratesMerge() {}

  /** Parts that have no name of their own are never renamed. */
  private static <T> BiFunction<T, String, T> unnamed() {
    return (part, key) -> part;
  }

  /**
   * The shelves after an edit.
   *
   * @param before as they were when the edit was made
   * @param after as the edit left them
   * @param now as they are
   * @throws MergeConflict when the same part was altered otherwise meanwhile, or the result would
   *     not hold together
   */
  public static Crates merge(Crates before, Crates after, Crates now) throws MergeConflict {
    try {
      return new Crates(ThreeWay.list(before.shelves(), after.shelves(), now.shelves(), SHELVES));
    } catch (IllegalArgumentException apart) {
      throw new MergeConflict(apart.getMessage() + "; all crates stay as they are");
    }
  }

  private static Shelf shelf(Shelf before, Shelf after, Shelf now) throws MergeConflict {
    return new Shelf(
        now.name(),
        ThreeWay.list(before.crates(), after.crates(), now.crates(), CRATES),
        ThreeWay.list(before.shelves(), after.shelves(), now.shelves(), SHELVES),
        never(before.never(), after.never(), now.never()));
  }

  /**
   * What is never played after an edit.
   *
   * @throws MergeConflict when a list holds something twice
   */
  public static NeverPlay never(NeverPlay before, NeverPlay after, NeverPlay now)
      throws MergeConflict {
    return new NeverPlay(
        tracks(before.tracks(), after.tracks(), now.tracks()),
        ThreeWay.list(before.lines(), after.lines(), now.lines(), LINES));
  }

  /**
   * Tracks picked by hand after an edit.
   *
   * @throws MergeConflict when a list holds one twice
   */
  public static List<Integer> tracks(List<Integer> before, List<Integer> after, List<Integer> now)
      throws MergeConflict {
    return ThreeWay.list(before, after, now, TRACKS);
  }

  private static Crate crate(Crate before, Crate after, Crate now) throws MergeConflict {
    if (before instanceof Crate.HandCrate old
        && after instanceof Crate.HandCrate wanted
        && now instanceof Crate.HandCrate hand) {
      return new Crate.HandCrate(hand.name(), tracks(old.tracks(), wanted.tracks(), hand.tracks()));
    }
    String name = "crate " + now.name();
    if (before instanceof Crate.RuleCrate old
        && after instanceof Crate.RuleCrate wanted
        && now instanceof Crate.RuleCrate rule) {
      return new Crate.RuleCrate(
          rule.name(),
          ThreeWay.value(old.rule(), wanted.rule(), rule.rule(), "the rule of " + name),
          ThreeWay.value(old.order(), wanted.order(), rule.order(), "the order of " + name),
          ThreeWay.value(old.limit(), wanted.limit(), rule.limit(), "the limit of " + name),
          ThreeWay.value(old.resting(), wanted.resting(), rule.resting(), "rest in " + name));
    }
    return ThreeWay.value(before, after, now, name);
  }
}
