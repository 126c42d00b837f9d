package tenterhook.core.repair;

import java.util.List;
import tenterhook.core.catalogue.Match;
import tenterhook.core.change.Edit.SetField;

/**
 * A correction of one track that somebody may accept.
 *
 * @param kind what is wrong
 * @param decision what the DJ decides by accepting it; proposals of one kind and decision go
 *     together, such as {@code Hip-Hop → Hip Hop}
 * @param id the track
 * @param edits what its fields hold and should hold; one or more, all of the track
 * @param certainty 0 to 100: how many of 100 such proposals are right
 * @param reason why, in words
 */
public record Proposal(
    RepairKind kind, String decision, int id, List<SetField> edits, int certainty, String reason) {
  /** From this certainty on a proposal is called certain, unless the DJ chose another limit. */
  public static final int CERTAIN = Match.CERTAIN;

  /** Checks and copies. */
  public Proposal {
    if (certainty < 0 || certainty > 100) {
      throw new IllegalArgumentException("certainty is from 0 to 100, was " + certainty);
    }
    if (edits.isEmpty() || edits.stream().anyMatch(e -> e.id() != id)) {
      throw new IllegalArgumentException("a proposal edits its own track, and something: " + edits);
    }
    edits = List.copyOf(edits);
  }

  /** How many holes of the Weave it closes; other empty fields are nobody's demand. */
  public int closes() {
    return (int)
        edits.stream()
            .filter(e -> e.field().weaveGroup().isPresent())
            .filter(e -> e.field().isHole(e.before()) && !e.field().isHole(e.after()))
            .count();
  }

  /** Whether it says all that another proposal says. */
  public boolean covers(Proposal other) {
    return other.id == id && edits.containsAll(other.edits);
  }
}
