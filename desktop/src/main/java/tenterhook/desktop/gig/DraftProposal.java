package tenterhook.desktop.gig;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import tenterhook.core.gig.DraftOrder;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.MustPlay;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.GigEdits;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Proposes another order of the tracks of a part that were picked by hand; taken or not. */
final class DraftProposal {
  private static final int FEWEST = 3;

  private final Workspace workspace;
  private final GigEdits edits;
  private final double tempoShare;

  /**
   * Proposals by what goes with what.
   *
   * @param tempoShare how far a tempo may be off
   */
  DraftProposal(Workspace workspace, GigEdits edits, double tempoShare) {
    this.workspace = workspace;
    this.edits = edits;
    this.tempoShare = tempoShare;
  }

  void ask(Gig gig, GigPart part) {
    if (part.tracks().size() < FEWEST) {
      workspace.frame().inform(Words.of("gigs.draftFew"), false, 0);
      return;
    }
    Snapshot snapshot = workspace.state().get().snapshot();
    List<Integer> tracks = part.tracks().stream().filter(snapshot::has).toList();
    Set<Integer> kept = gig.mustPlays().stream().map(MustPlay::track).collect(Collectors.toSet());
    workspace.background(
        () -> DraftOrder.of(tracks, kept, DraftOrder.steps(snapshot, tempoShare)),
        draft -> propose(gig, part.name(), draft));
  }

  private void propose(Gig gig, String name, DraftOrder draft) {
    if (!draft.better()) {
      workspace.frame().inform(Words.of("gigs.draftNone", name), false, 0);
      return;
    }
    workspace
        .frame()
        .ask(
            Words.of("gigs.draftAsk", name, draft.sumAfter(), draft.sumBefore()),
            Words.of("gigs.draftTake"),
            () -> take(gig, name, draft));
  }

  private void take(Gig gig, String name, DraftOrder draft) {
    edits.edit(
        gig.title(),
        Words.of("change.gigDraft", name),
        g ->
            g.withPart(
                name, p -> p.tracks().equals(draft.before()) ? p.withTracks(draft.after()) : p));
  }
}
