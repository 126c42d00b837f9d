package tenterhook.core.gig;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/**
 * What became of a night: what was played on its date, by the nights that the collection counts,
 * held against what was planned.
 *
 * @param played all that was played that night
 * @param planned how many tracks the gig held
 * @param asPlanned those of them that were played
 * @param heard must-plays that were played, or ticked off on the night
 * @param missed must-plays that were not
 * @param served wishes whose track was played
 * @param unserved wishes that were known or open, and not played; none that was refused
 */
public record Afterwards(
    RoaringBitmap played,
    int planned,
    RoaringBitmap asPlanned,
    List<MustPlay> heard,
    List<MustPlay> missed,
    List<Wish> served,
    List<Wish> unserved) {
  /** Copies. */
  public Afterwards {
    played = played.clone();
    asPlanned = asPlanned.clone();
    heard = List.copyOf(heard);
    missed = List.copyOf(missed);
    served = List.copyOf(served);
    unserved = List.copyOf(unserved);
  }

  /** Looks back on a gig. */
  public static Afterwards of(GigProgram program, Snapshot snapshot) {
    Gig gig = program.gig();
    String night = gig.evening().date().toString();
    RoaringBitmap played =
        snapshot.tracks(id -> snapshot.value(id, Fields.NIGHTS).orElse(List.of()).contains(night));
    Set<Integer> planned = new LinkedHashSet<>();
    program.stretches().forEach(s -> s.slots().forEach(t -> planned.add(t.id())));
    RoaringBitmap asPlanned = new RoaringBitmap();
    planned.stream().filter(played::contains).forEach(asPlanned::add);
    return new Afterwards(
        played,
        planned.size(),
        asPlanned,
        gig.mustPlays().stream().filter(m -> wasHeard(m, played)).toList(),
        gig.mustPlays().stream().filter(m -> !wasHeard(m, played)).toList(),
        gig.wishes().stream().filter(w -> isServed(w, played)).toList(),
        gig.wishes().stream().filter(w -> !w.refused() && !isServed(w, played)).toList());
  }

  private static boolean wasHeard(MustPlay must, RoaringBitmap played) {
    return must.heard().isPresent() || played.contains(must.track());
  }

  private static boolean isServed(Wish wish, RoaringBitmap played) {
    return wish.track() != 0 && played.contains(wish.track());
  }

  /** Whether anything of that night is counted yet. */
  public boolean isKnown() {
    return !played.isEmpty();
  }

  /** What one can send to those for whom it was: a line each. */
  public List<String> letter(Snapshot snapshot) {
    List<String> lines = new ArrayList<>();
    heard.forEach(m -> lines.add("played: " + snapshot.name(m.track())));
    missed.forEach(m -> lines.add("not played: " + snapshot.name(m.track())));
    served.forEach(w -> lines.add("your wish was played: " + w.line()));
    unserved.forEach(w -> lines.add("your wish was not played: " + w.line()));
    return lines;
  }
}
