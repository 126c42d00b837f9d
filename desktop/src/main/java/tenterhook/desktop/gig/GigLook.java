package tenterhook.desktop.gig;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.gig.Afterwards;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigFinding;
import tenterhook.core.gig.GigProgram;
import tenterhook.core.gig.GigReadiness;
import tenterhook.core.gig.GigStanding;
import tenterhook.core.goeswith.GoesWith;
import tenterhook.core.track.Snapshot;

/**
 * A gig at one moment, as it is shown.
 *
 * @param standing how it stands against the collection
 * @param program its night
 * @param afterwards what became of it, when its day is over
 * @param tempos one line of tempos for each stretch: seconds after the beginning, beats a minute
 */
record GigLook(
    GigStanding standing,
    GigProgram program,
    Optional<Afterwards> afterwards,
    List<List<TempoPoint>> tempos) {
  /** A tempo at a time. */
  record TempoPoint(double second, double bpm) {}

  /**
   * Works it out; for another thread than the toolkit's.
   *
   * @param before what was last seen of the same gig: what did not change is taken from it
   */
  static GigLook of(
      Gig gig, CollectionState state, CrateContents contents, Optional<GigLook> before) {
    Snapshot snapshot = state.snapshot();
    RoaringBitmap away = state.tracksAway();
    GigStanding standing =
        GigStanding.after(before.map(GigLook::standing), gig, snapshot, contents, away);
    GigProgram program = GigProgram.of(standing);
    List<List<TempoPoint>> tempos =
        program.stretches().stream()
            .map(s -> before.flatMap(b -> b.tempos(s)).orElseGet(() -> tempos(s, snapshot)))
            .toList();
    Optional<Afterwards> afterwards =
        gig.evening().date().isBefore(contents.today())
            ? Optional.of(Afterwards.of(program, snapshot))
            : Optional.empty();
    return new GigLook(standing, program, afterwards, tempos);
  }

  /** The tempos of a stretch in which nothing changed. */
  private Optional<List<TempoPoint>> tempos(GigProgram.Stretch now) {
    for (int i = 0; i < program.stretches().size(); i++) {
      GigProgram.Stretch then = program.stretches().get(i);
      if (then.music() == now.music() && then.begins() == now.begins()) {
        return Optional.of(tempos.get(i));
      }
    }
    return Optional.empty();
  }

  private static List<TempoPoint> tempos(GigProgram.Stretch stretch, Snapshot snapshot) {
    List<TempoPoint> points = new ArrayList<>();
    for (GigProgram.Slot slot : stretch.slots()) {
      GoesWith.tempo(snapshot, slot.id())
          .ifPresent(bpm -> points.add(new TempoPoint((slot.begins() + slot.ends()) / 2, bpm)));
    }
    return points;
  }

  Gig gig() {
    return program.gig();
  }

  /** What concerns other things than wishes, which have a list of their own. */
  List<GigFinding> findings() {
    return standing.readiness().findings().stream()
        .filter(f -> f.kind() != GigFinding.Kind.WISH_OPEN)
        .toList();
  }

  /** Minutes of a part that can be played. */
  Optional<GigReadiness.PartTime> time(String part) {
    return standing.readiness().times().stream().filter(t -> t.part().equals(part)).findFirst();
  }
}
