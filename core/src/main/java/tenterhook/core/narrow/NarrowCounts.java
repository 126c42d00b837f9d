package tenterhook.core.narrow;

import java.util.List;
import java.util.Optional;

/**
 * What a list can be narrowed by further.
 *
 * @param groups in order; those without a value are left out
 */
public record NarrowCounts(List<GroupCounts> groups) {
  /** Nothing to choose. */
  public static final NarrowCounts NONE = new NarrowCounts(List.of());

  /** Copies. */
  public NarrowCounts {
    groups = List.copyOf(groups);
  }

  /**
   * One group.
   *
   * @param group which
   * @param values in the order in which they are shown
   * @param more how many values are not listed
   * @param tempi how the tempi are spread; only of the tempo
   */
  public record GroupCounts(
      NarrowGroup group, List<NarrowValue> values, int more, Optional<TempoSpread> tempi) {
    /** Copies. */
    public GroupCounts {
      values = List.copyOf(values);
    }
  }

  /** The counts of a group; empty when it has no value. */
  public Optional<GroupCounts> of(NarrowGroup group) {
    return groups.stream().filter(g -> g.group().equals(group)).findFirst();
  }
}
