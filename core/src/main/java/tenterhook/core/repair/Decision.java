package tenterhook.core.repair;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Proposals that are decided together.
 *
 * @param kind what is wrong
 * @param name what is decided
 * @param proposals one or more, by track
 */
public record Decision(RepairKind kind, String name, List<Proposal> proposals) {
  /** Checks and copies. */
  public Decision {
    if (proposals.isEmpty()) {
      throw new IllegalArgumentException("a decision is about one proposal or more");
    }
    proposals = List.copyOf(proposals);
  }

  /** Groups proposals; decisions that close the most holes come first, then the largest. */
  public static List<Decision> of(List<Proposal> proposals) {
    Map<String, List<Proposal>> groups = new LinkedHashMap<>();
    for (Proposal one : proposals) {
      groups.computeIfAbsent(one.kind() + "\n" + one.decision(), g -> new ArrayList<>()).add(one);
    }
    List<Decision> decisions = new ArrayList<>();
    groups
        .values()
        .forEach(
            some ->
                decisions.add(
                    new Decision(some.getFirst().kind(), some.getFirst().decision(), some)));
    decisions.sort(
        Comparator.comparingInt(Decision::closes)
            .thenComparingInt(d -> d.proposals().size())
            .reversed()
            .thenComparing(Decision::name));
    return decisions;
  }

  /** How many holes it closes. */
  public int closes() {
    return proposals.stream().mapToInt(Proposal::closes).sum();
  }

  /** Its proposals from a certainty on. */
  public List<Proposal> from(int certainty) {
    return proposals.stream().filter(p -> p.certainty() >= certainty).toList();
  }
}
