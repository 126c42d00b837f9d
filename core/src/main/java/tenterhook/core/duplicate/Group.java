package tenterhook.core.duplicate;

import java.util.List;
import java.util.Optional;

/**
 * Copies of one another.
 *
 * @param tracks two or more ids; the proposed survivor first
 * @param evidence the strongest that joins two of them
 * @param doubt why it is not offered for removal, if so
 * @param bytesFreed size of the files that are not needed
 * @param decidedBy the preference that proposes the first; empty when nothing tells the best apart
 */
public record Group(
    List<Integer> tracks,
    Evidence evidence,
    Doubt doubt,
    long bytesFreed,
    Optional<Preference> decidedBy) {
  /** Copies. */
  public Group {
    if (tracks.size() < 2) {
      throw new IllegalArgumentException("a group has two tracks or more: " + tracks);
    }
    tracks = List.copyOf(tracks);
  }

  /** The proposed survivor. */
  public int survivor() {
    return tracks.getFirst();
  }

  /** The others. */
  public List<Integer> spares() {
    return tracks.subList(1, tracks.size());
  }

  /** Whether it may be resolved with many others, without being looked at. */
  public boolean offered() {
    return doubt == Doubt.NONE
        && evidence != Evidence.SAME_TAGS
        && (decidedBy.isPresent() || evidence == Evidence.SAME_BYTES);
  }
}
