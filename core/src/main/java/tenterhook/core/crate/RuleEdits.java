package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Edits of a rule at a place. A place is the way from the outermost group: the number of the part
 * in each group, counted from 0. The empty way is the rule itself.
 */
public final class RuleEdits {
  private RuleEdits() {}

  /** The part at a place. */
  public static Rule at(Rule rule, List<Integer> place) {
    return place.isEmpty()
        ? rule
        : at(((Rule.RuleGroup) rule).parts().get(place.getFirst()), rest(place));
  }

  /** The rule with another part at a place. */
  public static Rule.RuleGroup with(Rule.RuleGroup rule, List<Integer> place, Rule part) {
    if (place.isEmpty()) {
      return (Rule.RuleGroup) part;
    }
    int at = place.getFirst();
    List<Rule> parts = new ArrayList<>(rule.parts());
    parts.set(
        at, place.size() == 1 ? part : with((Rule.RuleGroup) parts.get(at), rest(place), part));
    return new Rule.RuleGroup(rule.kind(), parts);
  }

  /** The rule without the part at a place. */
  public static Rule.RuleGroup without(Rule.RuleGroup rule, List<Integer> place) {
    Rule.RuleGroup parent = (Rule.RuleGroup) at(rule, parent(place));
    List<Rule> parts = new ArrayList<>(parent.parts());
    parts.remove((int) place.getLast());
    return with(rule, parent(place), new Rule.RuleGroup(parent.kind(), parts));
  }

  /** The rule with one more part before what stands at a place, or at the end of its group. */
  public static Rule.RuleGroup inserted(Rule.RuleGroup rule, List<Integer> place, Rule part) {
    Rule.RuleGroup parent = (Rule.RuleGroup) at(rule, parent(place));
    List<Rule> parts = new ArrayList<>(parent.parts());
    parts.add(place.getLast(), part);
    return with(rule, parent(place), new Rule.RuleGroup(parent.kind(), parts));
  }

  /**
   * The rule with a part moved.
   *
   * @param from its place
   * @param to the place that it goes before, as places are now
   * @return the rule as it was when a group would go into itself
   */
  public static Rule.RuleGroup moved(Rule.RuleGroup rule, List<Integer> from, List<Integer> to) {
    int depth = from.size() - 1;
    boolean inside = to.size() > depth + 1 && to.subList(0, depth + 1).equals(from);
    if (inside || to.equals(from)) {
      return rule;
    }
    List<Integer> then = new ArrayList<>(to);
    boolean shifted =
        to.size() > depth
            && to.subList(0, depth).equals(parent(from))
            && to.get(depth) > from.getLast();
    if (shifted) {
      then.set(depth, to.get(depth) - 1);
    }
    return inserted(without(rule, from), then, at(rule, from));
  }

  /**
   * The place before which a part goes by one step: past a line, into or out of a group.
   *
   * @param place where it is
   * @param down whether towards the end
   * @return empty at the rule's very beginning or end
   */
  public static Optional<List<Integer>> step(
      Rule.RuleGroup rule, List<Integer> place, boolean down) {
    List<Integer> parent = parent(place);
    int at = place.getLast();
    List<Rule> parts = ((Rule.RuleGroup) at(rule, parent)).parts();
    int next = at + (down ? 1 : -1);
    if (next < 0 || next >= parts.size()) {
      return parent.isEmpty()
          ? Optional.empty()
          : Optional.of(joined(parent(parent), parent.getLast() + (down ? 1 : 0)));
    }
    if (parts.get(next) instanceof Rule.RuleGroup group) {
      return Optional.of(joined(joined(parent, next), down ? 0 : group.parts().size()));
    }
    return Optional.of(joined(parent, down ? next + 1 : next));
  }

  /** A place one deeper. */
  public static List<Integer> joined(List<Integer> place, int at) {
    List<Integer> more = new ArrayList<>(place);
    more.add(at);
    return List.copyOf(more);
  }

  private static List<Integer> parent(List<Integer> place) {
    return place.subList(0, place.size() - 1);
  }

  private static List<Integer> rest(List<Integer> place) {
    return place.subList(1, place.size());
  }
}
