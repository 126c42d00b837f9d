package tenterhook.core.narrow;

import tenterhook.core.find.Condition;
import tenterhook.core.find.Query;

/**
 * One value that a list is narrowed to, or that is shut out of it.
 *
 * @param group which question it answers
 * @param condition what a track must have, as a rule line says it
 * @param out whether tracks that have it are shut out
 */
public record Narrowing(NarrowGroup group, Condition condition, boolean out) {
  /** A value that is let in. */
  public Narrowing(NarrowGroup group, Condition condition) {
    this(group, condition, false);
  }

  /** The same value, let in or shut out. */
  public Narrowing out(boolean shut) {
    return new Narrowing(group, condition, shut);
  }

  /** Whether another narrowing is of the same value, be it let in or shut out. */
  public boolean sameValue(Narrowing other) {
    return group.equals(other.group) && condition.equals(other.condition);
  }

  Query asked() {
    return new Query.Term(condition);
  }
}
