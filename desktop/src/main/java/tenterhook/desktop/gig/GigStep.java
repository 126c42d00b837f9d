package tenterhook.desktop.gig;

import java.util.List;
import java.util.stream.Collectors;
import tenterhook.core.goeswith.Follower;
import tenterhook.core.goeswith.Follower.Reason;
import tenterhook.core.goeswith.Follower.ScorePart;
import tenterhook.core.goeswith.GoesWith;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.SaidOfTrack;

/** How a track follows the one before it, in a few words: tempo and key. */
final class GigStep {
  private static final int POOR = 35;

  private GigStep() {}

  static SaidOfTrack of(Snapshot snapshot, int before, int id, double tempoShare) {
    Follower step = new GoesWith(snapshot, tempoShare).between(before, id);
    List<ScorePart> said =
        step.parts().stream()
            .filter(p -> p.reason() == Reason.KEY || p.reason() == Reason.TEMPO)
            .toList();
    String words =
        said.stream()
            .map(ScorePart::words)
            .map(w -> w.substring(w.indexOf(", ") + 1).strip())
            .collect(Collectors.joining(", "));
    return new SaidOfTrack(words, step.score() < POOR ? "doubt" : "second");
  }
}
