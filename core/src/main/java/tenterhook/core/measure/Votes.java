package tenterhook.core.measure;

import java.util.Arrays;
import java.util.stream.IntStream;

/** Counts how often each of many keys was named. */
final class Votes {
  private static final long NOBODY = Long.MIN_VALUE;

  private long[] keys = new long[1024];
  private int[] counts = new int[1024];
  private int size;

  Votes() {
    Arrays.fill(keys, NOBODY);
  }

  /** One more for a key, which is not the least of all numbers. */
  void add(long key) {
    int at = place(key);
    if (keys[at] == NOBODY) {
      keys[at] = key;
      size++;
    }
    counts[at]++;
    if (2 * size > keys.length) {
      grow();
    }
  }

  private int place(long key) {
    int at = Long.hashCode(key * 0x9E3779B97F4A7C15L) & keys.length - 1;
    while (keys[at] != NOBODY && keys[at] != key) {
      at = at + 1 & keys.length - 1;
    }
    return at;
  }

  private void grow() {
    long[] oldKeys = keys;
    int[] oldCounts = counts;
    keys = new long[2 * oldKeys.length];
    counts = new int[keys.length];
    Arrays.fill(keys, NOBODY);
    for (int i = 0; i < oldKeys.length; i++) {
      if (oldKeys[i] != NOBODY) {
        int at = place(oldKeys[i]);
        keys[at] = oldKeys[i];
        counts[at] = oldCounts[i];
      }
    }
  }

  /**
   * The keys with most votes, the first before the next.
   *
   * @param most how many at most
   */
  long[] most(int most) {
    int[] ofCount = new int[IntStream.of(counts).max().orElse(0) + 1];
    for (int count : counts) {
      ofCount[count]++;
    }
    int least = ofCount.length;
    for (int named = 0; least > 1 && named + ofCount[least - 1] <= most; ) {
      named += ofCount[--least];
    }
    int enough = Math.max(1, least - 1);
    return IntStream.range(0, keys.length)
        .filter(i -> counts[i] >= enough)
        .boxed()
        .sorted((a, b) -> Integer.compare(counts[b], counts[a]))
        .limit(most)
        .mapToLong(i -> keys[i])
        .toArray();
  }
}
