package tenterhook.core.duplicate;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Copies of one another.
 *
 * @param tracks two or more ids; the proposed survivor first
 * @param bySpare what says that each spare is a copy of the survivor: the weakest link of the
 *     strongest chain between the two
 * @param doubt why it is not offered for removal, if so
 * @param bytesFreed size of the files that are not needed
 * @param decidedBy the preference that proposes the first; empty when nothing tells the best apart
 */
public record Group(
    List<Integer> tracks,
    Map<Integer, Evidence> bySpare,
    Doubt doubt,
    long bytesFreed,
    Optional<Preference> decidedBy) {
  /** Copies. */
  public Group {
    if (tracks.size() < 2) {
      throw new IllegalArgumentException("a group has two tracks or more: " + tracks);
    }
    tracks = List.copyOf(tracks);
    bySpare = Map.copyOf(bySpare);
    if (!bySpare.keySet().equals(Set.copyOf(tracks.subList(1, tracks.size())))) {
      throw new IllegalArgumentException("spares " + tracks + ", evidence of " + bySpare);
    }
  }

  /** The evidence for all of it: that for the spare of which least is known. */
  public Evidence evidence() {
    return bySpare.values().stream().reduce(Evidence.SAME_BYTES, Evidence::and);
  }

  /** What says that a track is a copy of another one of the group. */
  public Evidence between(int one, int other) {
    return toSurvivor(one).and(toSurvivor(other));
  }

  private Evidence toSurvivor(int id) {
    return bySpare.getOrDefault(id, Evidence.SAME_BYTES);
  }

  /**
   * The same group without some spares.
   *
   * @param gone ids; the survivor is not among them
   * @param bytesLess their size together
   * @return empty when no spare is left
   */
  public Optional<Group> without(Set<Integer> gone, long bytesLess) {
    List<Integer> left = tracks.stream().filter(id -> !gone.contains(id)).toList();
    Map<Integer, Evidence> evidence = new HashMap<>(bySpare);
    evidence.keySet().removeAll(gone);
    return left.size() < 2
        ? Optional.empty()
        : Optional.of(new Group(left, evidence, doubt, bytesFreed - bytesLess, decidedBy));
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
    return doubt == Doubt.NONE && evidence() != Evidence.SAME_TAGS && decidedBy.isPresent();
  }
}
