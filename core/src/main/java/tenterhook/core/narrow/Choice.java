package tenterhook.core.narrow;

import tenterhook.core.find.Condition;

/**
 * A value that can be chosen, as a column's values lead to it.
 *
 * @param group which question it answers
 * @param condition what is asked of a track
 * @param words as a person reads it
 * @param note more words; may be empty
 * @param rank its place in its group, the smallest first; the same for all of an open group
 */
record Choice(NarrowGroup group, Condition condition, String words, String note, double rank) {
  /** Stands behind all others of a closed group. */
  static final double LAST = Double.MAX_VALUE;

  /** What stands for a hole. */
  static Choice missing(NarrowGroup group, String subject, String words) {
    return new Choice(group, new Condition(subject, new Condition.Missing()), words, "", LAST);
  }

  Narrowing narrowing() {
    return new Narrowing(group, condition);
  }
}
