package tenterhook.core.repair.engine;

import java.util.Arrays;

/**
 * How often each of some whole numbers was counted. Small: nearly every song of a collection has
 * one, and nearly always of one number.
 */
final class NumberCounts {
  /** Nothing counted. */
  static final NumberCounts NONE = new NumberCounts(new int[0]);

  /** A number and how often, and so on, the numbers in rising order. */
  private final int[] pairs;

  private NumberCounts(int[] pairs) {
    this.pairs = pairs;
  }

  boolean isEmpty() {
    return pairs.length == 0;
  }

  /** The same with a number counted so many times more, or less when that is below 0. */
  NumberCounts plus(int number, int times) {
    int at = 0;
    while (at < pairs.length && pairs[at] < number) {
      at += 2;
    }
    boolean known = at < pairs.length && pairs[at] == number;
    int count = times + (known ? pairs[at + 1] : 0);
    if (known && count != 0) {
      int[] other = pairs.clone();
      other[at + 1] = count;
      return new NumberCounts(other);
    }
    if (count == 0 && !known) {
      return this;
    }
    int[] other = Arrays.copyOf(pairs, pairs.length + (known ? -2 : 2));
    System.arraycopy(
        pairs,
        known ? at + 2 : at,
        other,
        known ? at : at + 2,
        pairs.length - at - (known ? 2 : 0));
    if (!known) {
      other[at] = number;
      other[at + 1] = count;
    }
    return new NumberCounts(other);
  }

  /** How often all numbers together were counted. */
  int total() {
    int all = 0;
    for (int i = 1; i < pairs.length; i += 2) {
      all += pairs[i];
    }
    return all;
  }

  /** The least number; there is one unless nothing was counted. */
  int least() {
    return pairs[0];
  }

  /**
   * The number below which a share of all lies.
   *
   * @param share from 0 to 1; there is a number unless nothing was counted
   */
  int quantile(double share) {
    double rank = total() * share;
    double seen = 0;
    for (int i = 0; i < pairs.length; i += 2) {
      seen += pairs[i + 1];
      if (seen > rank) {
        return pairs[i];
      }
    }
    return pairs[pairs.length - 2];
  }
}
