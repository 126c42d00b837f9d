package tenterhook.desktop.gig;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.gig.Afterwards;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigFinding;
import tenterhook.core.gig.GigProgram;
import tenterhook.core.gig.GigReadiness;
import tenterhook.core.goeswith.GoesWith;
import tenterhook.core.track.Snapshot;

/**
 * A gig at one moment, as it is shown.
 *
 * @param program its night
 * @param readiness what is left to do
 * @param afterwards what became of it, as far as that is counted
 * @param tempos one line of tempos for each stretch: seconds after the beginning, beats a minute
 */
record GigLook(
    GigProgram program,
    GigReadiness readiness,
    Afterwards afterwards,
    List<List<TempoPoint>> tempos) {
  /** A tempo at a time. */
  record TempoPoint(double second, double bpm) {}

  /** Works it out; for another thread than the toolkit's. */
  static GigLook of(Gig gig, CollectionState state, CrateContents contents) {
    Snapshot snapshot = state.snapshot();
    GigProgram program = GigProgram.of(gig, snapshot, contents);
    List<List<TempoPoint>> tempos =
        program.stretches().stream().map(s -> tempos(s, snapshot)).toList();
    return new GigLook(
        program,
        GigReadiness.of(gig, snapshot, contents, state.tracksAway()),
        Afterwards.of(program, snapshot),
        tempos);
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
    return readiness.findings().stream()
        .filter(f -> f.kind() != GigFinding.Kind.WISH_OPEN)
        .toList();
  }

  /** Minutes of a part that can be played. */
  Optional<GigReadiness.PartTime> time(String part) {
    return readiness.times().stream().filter(t -> t.part().equals(part)).findFirst();
  }
}
