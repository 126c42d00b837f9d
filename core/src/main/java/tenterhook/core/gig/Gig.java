package tenterhook.core.gig;

import java.time.LocalTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import tenterhook.core.crate.NeverPlay;
import tenterhook.core.crate.Rule;

/**
 * A night that is planned. Immutable; every edit gives another one. It names tracks and holds none:
 * a gig that is removed touches no track and no file.
 *
 * @param title once in a collection
 * @param evening when and where it is, and for whom
 * @param parts in the order in which they are played; no two of one name at any depth
 * @param mustPlays each track once; the part of each is one of the gig's, or empty
 * @param wishes no two of the same words by the same person
 * @param never what is not heard in any part, whatever a rule brings in
 * @param reserve how many times the planned minutes are to be ready
 */
public record Gig(
    String title,
    Evening evening,
    List<GigPart> parts,
    List<MustPlay> mustPlays,
    List<Wish> wishes,
    NeverPlay never,
    double reserve) {
  /** Half as much again as is planned. */
  public static final double USUAL_RESERVE = 1.5;

  /** Checks and copies. */
  public Gig {
    title = GigNames.checked(title, "gig");
    parts = List.copyOf(parts);
    mustPlays = List.copyOf(mustPlays);
    wishes = List.copyOf(wishes);
    if (!(reserve >= 1 && reserve <= 10)) {
      throw new IllegalArgumentException(
          "between 1 and 10 times the planned minutes are kept ready, was " + reserve);
    }
    List<String> names = parts.stream().flatMap(GigPart::all).map(GigPart::name).toList();
    GigNames.checkEachOnce(names, "part");
    GigNames.checkEachOnce(
        mustPlays.stream().map(m -> String.valueOf(m.track())).toList(), "must-play of track");
    GigNames.checkEachOnce(wishes.stream().map(w -> w.line() + "\n" + w.by()).toList(), "wish");
    for (MustPlay must : mustPlays) {
      if (!must.part().isEmpty() && names.stream().noneMatch(must.part()::equalsIgnoreCase)) {
        throw new IllegalArgumentException("there is no part '" + must.part() + "'");
      }
    }
  }

  /** A gig of which no more than its evening is known. */
  public static Gig of(String title, Evening evening) {
    return new Gig(
        title, evening, List.of(), List.of(), List.of(), NeverPlay.NOTHING, USUAL_RESERVE);
  }

  /** The same under another title. */
  public Gig titled(String other) {
    return new Gig(other, evening, parts, mustPlays, wishes, never, reserve);
  }

  /** The same on another evening. */
  public Gig on(Evening other) {
    return new Gig(title, other, parts, mustPlays, wishes, never, reserve);
  }

  /** The same with other parts; a must-play of a part that is gone may be heard in any. */
  public Gig withParts(List<GigPart> others) {
    List<String> names = others.stream().flatMap(GigPart::all).map(GigPart::name).toList();
    List<MustPlay> placed =
        mustPlays.stream()
            .map(m -> names.stream().anyMatch(m.part()::equalsIgnoreCase) ? m : m.in(""))
            .toList();
    return new Gig(title, evening, others, placed, wishes, never, reserve);
  }

  /** The same with other must-plays. */
  public Gig withMustPlays(List<MustPlay> others) {
    return new Gig(title, evening, parts, others, wishes, never, reserve);
  }

  /** The same with other wishes. */
  public Gig withWishes(List<Wish> others) {
    return new Gig(title, evening, parts, mustPlays, others, never, reserve);
  }

  /** The same with other things that are never played. */
  public Gig with(NeverPlay other) {
    return new Gig(title, evening, parts, mustPlays, wishes, other, reserve);
  }

  /** The same with another reserve. */
  public Gig reserving(double times) {
    return new Gig(title, evening, parts, mustPlays, wishes, never, times);
  }

  /** All parts at any depth, each before those in it. */
  public List<GigPart> allParts() {
    return parts.stream().flatMap(GigPart::all).toList();
  }

  /** The part of a name, upper and lower case alike. */
  public Optional<GigPart> part(String name) {
    return allParts().stream().filter(p -> p.name().equalsIgnoreCase(name.strip())).findFirst();
  }

  /** The same with one more part, behind the others or in one of them. */
  public Gig plus(GigPart part, Optional<String> in) {
    if (in.isEmpty()) {
      List<GigPart> more = new ArrayList<>(parts);
      more.add(part);
      return withParts(more);
    }
    return withPart(
        in.get(),
        outer -> outer.withParts(Stream.concat(outer.parts().stream(), Stream.of(part)).toList()));
  }

  /**
   * The same with one part replaced; must-plays follow its name.
   *
   * @throws IllegalArgumentException when there is no such part
   */
  public Gig withPart(String name, UnaryOperator<GigPart> edit) {
    GigPart before = needed(name);
    GigPart after = edit.apply(before);
    List<MustPlay> renamed =
        mustPlays.stream()
            .map(m -> m.part().equalsIgnoreCase(before.name()) ? m.in(after.name()) : m)
            .toList();
    List<GigPart> others = GigPart.edited(parts, before.name(), p -> Optional.of(after));
    return new Gig(title, evening, others, renamed, wishes, never, reserve);
  }

  /**
   * The same without a part and those in it.
   *
   * @throws IllegalArgumentException when there is no such part
   */
  public Gig withoutPart(String name) {
    return withParts(GigPart.edited(parts, needed(name).name(), p -> Optional.empty()));
  }

  private GigPart needed(String name) {
    return part(name)
        .orElseThrow(() -> new IllegalArgumentException("there is no part '" + name + "'"));
  }

  /** The same with a must-play, in place of one of the same track. */
  public Gig plus(MustPlay must) {
    return withMustPlays(
        Stream.concat(mustPlays.stream().filter(m -> m.track() != must.track()), Stream.of(must))
            .toList());
  }

  /** The same with a must-play ticked off on the night, or not; nothing else moves. */
  public Gig heard(int track, Optional<LocalTime> at) {
    return withMustPlays(
        mustPlays.stream().map(m -> m.track() == track ? m.heard(at) : m).toList());
  }

  /** The same with wishes that are not there yet; what is settled of others stays. */
  public Gig plusWishes(List<Wish> more) {
    List<Wish> all = new ArrayList<>(wishes);
    for (Wish wish : more) {
      if (all.stream().noneMatch(w -> isSame(w, wish))) {
        all.add(wish);
      }
    }
    return withWishes(all);
  }

  /** The same with one wish settled otherwise. */
  public Gig settled(Wish wish) {
    return withWishes(wishes.stream().map(w -> isSame(w, wish) ? wish : w).toList());
  }

  private static boolean isSame(Wish one, Wish other) {
    return one.line().equalsIgnoreCase(other.line()) && one.by().equalsIgnoreCase(other.by());
  }

  /**
   * The model of another night: parts, must-plays, reserve and what is never played are the same;
   * wishes, people and what was ticked off are not.
   */
  public Gig like(String other, Evening when) {
    List<MustPlay> unheard = mustPlays.stream().map(m -> m.heard(Optional.empty())).toList();
    return new Gig(other, when, parts, unheard, List.of(), never, reserve);
  }

  /** The tracks that it plans to play by name: picked by hand, must-plays, chosen for a wish. */
  IntStream plannedTracks() {
    return IntStream.concat(
        allParts().stream().flatMap(p -> p.tracks().stream()).mapToInt(id -> id),
        IntStream.concat(
            mustPlays.stream().mapToInt(MustPlay::track),
            wishes.stream().filter(w -> w.track() != 0).mapToInt(Wish::track)));
  }

  /**
   * The same with every track that it names replaced; of two must-plays that become one the first
   * stays, heard when either was.
   *
   * @param heir of an id: another or the same
   */
  Gig withTracks(UnaryOperator<Integer> heir) {
    Map<Integer, MustPlay> musts = new LinkedHashMap<>();
    for (MustPlay must : mustPlays) {
      musts.merge(
          heir.apply(must.track()),
          must.of(heir.apply(must.track())),
          (first, other) -> first.heard(first.heard().or(other::heard)));
    }
    return withParts(parts.stream().map(p -> p.following(heir)).toList())
        .withMustPlays(List.copyOf(musts.values()))
        .withWishes(wishes.stream().map(w -> w.of(heir)).toList())
        .with(never.withTracks(heir));
  }

  /** The lines of all parts and of what is never played. */
  Stream<Rule.Line> lines() {
    return Stream.concat(
        allParts().stream().flatMap(p -> p.rule().stream()).flatMap(r -> Rule.lines(r).stream()),
        never.lines().stream());
  }

  /** The same with every line read anew. */
  Gig withLines(UnaryOperator<Rule.Line> edit) {
    NeverPlay banned = new NeverPlay(never.tracks(), never.lines().stream().map(edit).toList());
    return with(banned).withParts(parts.stream().map(p -> p.withLines(edit)).toList());
  }
}
