package tenterhook.desktop.control;

import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Says of tracks that are about to go which nights to come count on them. */
public final class PlannedNights {
  private PlannedNights() {}

  /**
   * A question, and behind it the gigs to come that plan to play some of the tracks by name.
   *
   * @param question as it is when no gig needs them
   * @param ids the tracks that would go
   */
  public static String told(Workspace workspace, String question, RoaringBitmap ids) {
    List<String> nights =
        workspace.state().get().gigs().planning(ids, workspace.collection().today());
    return nights.isEmpty()
        ? question
        : Words.of("ask.planned", question, ids.getCardinality(), Change.joined(nights));
  }
}
