package tenterhook.desktop.control;

import java.util.List;
import java.util.function.UnaryOperator;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.Gigs;
import tenterhook.core.gig.MustPlay;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What is done with gigs, from their station and from any table; each is one change. */
public final class GigEdits {
  private final Workspace workspace;

  /** For the gigs of a workspace. */
  public GigEdits(Workspace workspace) {
    this.workspace = workspace;
  }

  /** Those that are not over yet. */
  public List<Gig> coming() {
    return gigs().coming(workspace.collection().today());
  }

  private Gigs gigs() {
    return workspace.state().get().gigs();
  }

  /**
   * Makes the gigs other ones, as they are when the turn of the edit comes: it sees what quick
   * hands did before it. Says at once why when that cannot be, and is false then.
   */
  public boolean set(String what, UnaryOperator<Gigs> edit) {
    try {
      edit.apply(gigs());
    } catch (IllegalArgumentException wrong) {
      workspace.frame().inform(String.valueOf(wrong.getMessage()), true, 0);
      return false;
    }
    workspace.command(what, 0, now -> change(what, now.gigs(), edit.apply(now.gigs())));
    return true;
  }

  private static Change change(String what, Gigs before, Gigs after) {
    List<Edit> edits = after.equals(before) ? List.of() : List.of(new Edit.SetGigs(before, after));
    return new Change(what, true, edits);
  }

  /** Alters one gig; says why when that cannot be, and is false then. */
  public boolean edit(String title, String what, UnaryOperator<Gig> edit) {
    return set(Words.of("change.gig", what, title), g -> g.with(title, edit));
  }

  /** Picks tracks for a part, behind those that it has. */
  public void pick(Gig gig, String part, List<Integer> tracks) {
    edit(
        gig.title(),
        Words.of("change.gigPick", tracks.size(), part),
        g -> g.withPart(part, p -> p.plus(tracks)));
  }

  /** Says that tracks must be heard, in any part. */
  public void must(Gig gig, List<Integer> tracks) {
    edit(
        gig.title(),
        Words.of("change.gigMust", tracks.size()),
        g -> {
          Gig after = g;
          for (int id : tracks) {
            boolean known = after.mustPlays().stream().anyMatch(m -> m.track() == id);
            after = known ? after : after.plus(new MustPlay(id, "", ""));
          }
          return after;
        });
  }

  /** Keeps tracks out of all parts. */
  public void never(Gig gig, List<Integer> tracks) {
    edit(
        gig.title(),
        Words.of("change.gigNever", Words.of("count.tracks", tracks.size())),
        g -> g.with(g.never().plus(tracks)));
  }
}
