package tenterhook.core.gig;

import tenterhook.core.crate.CratesMerge;
import tenterhook.core.merge.MergeConflict;
import tenterhook.core.merge.ThreeWay;
import tenterhook.core.merge.ThreeWay.PartKind;

/** Makes an edit of gigs on gigs that were edited elsewhere meanwhile. */
public final class GigsMerge {
  private static final PartKind<Gig> GIGS =
      new PartKind<>(Gig::title, Gig::titled, GigsMerge::gig, "gig");
  private static final PartKind<GigPart> PARTS =
      new PartKind<>(GigPart::name, GigPart::named, GigsMerge::part, "part");
  private static final PartKind<MustPlay> MUST_PLAYS =
      new PartKind<>(
          m -> String.valueOf(m.track()),
          (must, key) -> must,
          (before, after, now) -> ThreeWay.value(before, after, now, "a must-play"),
          "must-play");
  private static final PartKind<Wish> WISHES =
      new PartKind<>(
          w -> w.line() + "\n" + w.by(),
          (wish, key) -> wish,
          (before, after, now) ->
              ThreeWay.value(before, after, now, "the wish \"" + before.line() + "\""),
          "wish");
  private static final PartKind<Person> PEOPLE =
      new PartKind<>(
          Person::name,
          (person, name) -> new Person(name, person.said(), person.role()),
          (before, after, now) -> ThreeWay.value(before, after, now, before.name()),
          "person");

  private GigsMerge() {}

  /**
   * The gigs after an edit.
   *
   * @param before as they were when the edit was made
   * @param after as the edit left them
   * @param now as they are
   * @throws MergeConflict when the same part was altered otherwise meanwhile, or the result would
   *     not hold together
   */
  public static Gigs merge(Gigs before, Gigs after, Gigs now) throws MergeConflict {
    try {
      return new Gigs(ThreeWay.list(before.all(), after.all(), now.all(), GIGS));
    } catch (IllegalArgumentException apart) {
      throw new MergeConflict(apart.getMessage() + "; all gigs stay as they are");
    }
  }

  private static Gig gig(Gig before, Gig after, Gig now) throws MergeConflict {
    return new Gig(
        now.title(),
        evening(before.evening(), after.evening(), now.evening(), now.title()),
        ThreeWay.list(before.parts(), after.parts(), now.parts(), PARTS),
        ThreeWay.list(before.mustPlays(), after.mustPlays(), now.mustPlays(), MUST_PLAYS),
        ThreeWay.list(before.wishes(), after.wishes(), now.wishes(), WISHES),
        CratesMerge.never(before.never(), after.never(), now.never()),
        ThreeWay.value(
            before.reserve(), after.reserve(), now.reserve(), "the reserve of " + now.title()));
  }

  private static Evening evening(Evening before, Evening after, Evening now, String of)
      throws MergeConflict {
    return new Evening(
        ThreeWay.value(before.date(), after.date(), now.date(), "the date of " + of),
        ThreeWay.value(before.from(), after.from(), now.from(), "the beginning of " + of),
        ThreeWay.value(before.until(), after.until(), now.until(), "the end of " + of),
        ThreeWay.value(before.place(), after.place(), now.place(), "the place of " + of),
        ThreeWay.list(before.people(), after.people(), now.people(), PEOPLE),
        ThreeWay.value(before.notes(), after.notes(), now.notes(), "the notes of " + of));
  }

  private static GigPart part(GigPart before, GigPart after, GigPart now) throws MergeConflict {
    String of = " of part " + now.name();
    return new GigPart(
        now.name(),
        ThreeWay.value(before.minutes(), after.minutes(), now.minutes(), "the minutes" + of),
        ThreeWay.value(before.notes(), after.notes(), now.notes(), "the notes" + of),
        CratesMerge.tracks(before.tracks(), after.tracks(), now.tracks()),
        ThreeWay.value(before.rule(), after.rule(), now.rule(), "the rule" + of),
        ThreeWay.value(before.order(), after.order(), now.order(), "the order" + of),
        ThreeWay.list(before.parts(), after.parts(), now.parts(), PARTS));
  }
}
