package tenterhook.core.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.gig.Gigs;

/**
 * All that holds rules: they follow when what they ask for is called otherwise or stands elsewhere.
 *
 * @param crates with the never-play lists of shelves
 * @param gigs with theirs
 */
public record RuleHolders(Crates crates, Gigs gigs) {
  /**
   * The edits after which all lines follow.
   *
   * @param edit one of {@link tenterhook.core.crate.LineEdits}
   * @return only what becomes other
   */
  public List<Edit> following(UnaryOperator<Rule.Line> edit) {
    return following(crates.withLines(edit), edit);
  }

  /**
   * The edits after which crates are others, and the lines of all else follow.
   *
   * @param after the crates, whose own lines follow already
   * @param edit one of {@link tenterhook.core.crate.LineEdits}
   * @return only what becomes other
   */
  public List<Edit> following(Crates after, UnaryOperator<Rule.Line> edit) {
    List<Edit> edits = new ArrayList<>();
    if (!after.equals(crates)) {
      edits.add(new Edit.SetCrates(crates, after));
    }
    Gigs followed = gigs.withLines(edit);
    if (!followed.equals(gigs)) {
      edits.add(new Edit.SetGigs(gigs, followed));
    }
    return edits;
  }
}
