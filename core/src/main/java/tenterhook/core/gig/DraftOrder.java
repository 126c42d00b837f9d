package tenterhook.core.gig;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tenterhook.core.goeswith.GoesWith;
import tenterhook.core.track.Snapshot;

/**
 * An order for the tracks of a part in which each follows the one before it well: a path through
 * all of them with a small sum of steps. It is built by nearest neighbours, and then, as is the
 * given order, made better by exchanges of two tracks and by turning stretches round, for as long
 * as that helps (2-opt, G. A. Croes, 1958). Tracks that must be played keep their place.
 *
 * @param before the tracks as they stood
 * @param after the order that is proposed
 * @param sumBefore of the steps as they stood
 * @param sumAfter of the steps as proposed; never more than before
 */
public record DraftOrder(List<Integer> before, List<Integer> after, long sumBefore, long sumAfter) {
  /** What a step costs at most: a follower that has no point. */
  public static final int FARTHEST = 100;

  private static final int STARTS = 24;
  private static final int STEPS_TRIED = 600;

  /** Copies. */
  public DraftOrder {
    before = List.copyOf(before);
    after = List.copyOf(after);
  }

  /** What it costs to play one track behind another. */
  @FunctionalInterface
  public interface Step {
    /**
     * The cost of one step.
     *
     * @return 0 for the best follower, {@link #FARTHEST} for the worst
     */
    int cost(int id, int next);
  }

  /**
   * Steps by what goes with what.
   *
   * @param tempoShare how far a tempo may be off
   */
  public static Step steps(Snapshot snapshot, double tempoShare) {
    GoesWith goes = new GoesWith(snapshot, tempoShare);
    return (id, next) -> FARTHEST - goes.between(id, next).score();
  }

  /**
   * Proposes an order; the same for the same tracks every time.
   *
   * @param tracks as they stand, each once
   * @param kept those that keep their place
   */
  public static DraftOrder of(List<Integer> tracks, Set<Integer> kept, Step step) {
    return new Search(tracks, kept, step).best();
  }

  /** Whether it is better than what stands. */
  public boolean better() {
    return sumAfter < sumBefore;
  }

  /** One search; tracks are counted from 0 as they stood. */
  private static final class Search {
    private final List<Integer> tracks;
    private final int count;
    private final boolean[] fixed;
    private final int[][] cost;

    Search(List<Integer> tracks, Set<Integer> kept, Step step) {
      this.tracks = tracks;
      this.count = tracks.size();
      this.fixed = new boolean[count];
      this.cost = new int[count][count];
      for (int i = 0; i < count; i++) {
        fixed[i] = kept.contains(tracks.get(i));
        for (int k = 0; k < count; k++) {
          cost[i][k] = i == k ? 0 : step.cost(tracks.get(i), tracks.get(k));
        }
      }
    }

    DraftOrder best() {
      int[] given = new int[count];
      for (int i = 0; i < count; i++) {
        given[i] = i;
      }
      int[] best = improved(given.clone());
      int starts = Math.min(count, Math.clamp(STEPS_TRIED / Math.max(1, count), 3, STARTS));
      for (int start = 0; start < starts; start++) {
        int[] other = improved(nearest(start * count / starts));
        best = sum(other) < sum(best) ? other : best;
      }
      List<Integer> after = new ArrayList<>();
      for (int at : best) {
        after.add(tracks.get(at));
      }
      return new DraftOrder(tracks, after, sum(given), sum(best));
    }

    private long sum(int[] order) {
      long sum = 0;
      for (int i = 1; i < count; i++) {
        sum += cost[order[i - 1]][order[i]];
      }
      return sum;
    }

    /** Begins with one track and goes on with the nearest that is free. */
    private int[] nearest(int start) {
      Map<Integer, Boolean> free = new HashMap<>();
      for (int i = 0; i < count; i++) {
        if (!fixed[i]) {
          free.put(i, true);
        }
      }
      int[] order = new int[count];
      int last = -1;
      for (int at = 0; at < count; at++) {
        int next = at;
        if (!fixed[at]) {
          next = last < 0 && free.containsKey(start) ? start : nearest(last, free.keySet());
          free.remove(next);
        }
        order[at] = next;
        last = next;
      }
      return order;
    }

    private int nearest(int last, Set<Integer> free) {
      int best = -1;
      for (int one : free) {
        boolean nearer = best < 0 || last >= 0 && cost[last][one] < cost[last][best];
        best = nearer ? one : best;
      }
      return best;
    }

    private int[] improved(int[] order) {
      boolean better = true;
      while (better) {
        better = exchanged(order) | turned(order) | moved(order);
      }
      return order;
    }

    private boolean exchanged(int[] order) {
      boolean better = false;
      for (int i = 0; i < count; i++) {
        for (int k = i + 1; k < count && !fixed[i]; k++) {
          if (!fixed[k]) {
            long before = around(order, i, k);
            swap(order, i, k);
            if (around(order, i, k) < before) {
              better = true;
            } else {
              swap(order, i, k);
            }
          }
        }
      }
      return better;
    }

    /** The steps to and from two places, each once. */
    private long around(int[] order, int i, int k) {
      long sum = step(order, i - 1, i) + step(order, i, i + 1);
      if (k != i + 1) {
        sum += step(order, k - 1, k);
      }
      return sum + step(order, k, k + 1);
    }

    /** The step from one place to another; none from or to a place beyond the ends. */
    private int step(int[] order, int from, int to) {
      return from < 0 || to >= count ? 0 : cost[order[from]][order[to]];
    }

    /** Stretches without a fixed track may be played backwards. */
    private boolean turned(int[] order) {
      boolean better = false;
      for (int i = 0; i < count; i++) {
        long forwards = 0;
        long backwards = 0;
        for (int k = i + 1; k < count && !fixed[i] && !fixed[k]; k++) {
          forwards += step(order, k - 1, k);
          backwards += step(order, k, k - 1);
          long was = step(order, i - 1, i) + forwards + step(order, k, k + 1);
          long turned = step(order, i - 1, k) + backwards + step(order, i, k + 1);
          if (turned < was) {
            turn(order, i, k);
            long other = forwards;
            forwards = backwards;
            backwards = other;
            better = true;
          }
        }
      }
      return better;
    }

    /** A track goes elsewhere in its stretch. */
    private boolean moved(int[] order) {
      boolean better = false;
      for (int i = 0; i < count; i++) {
        for (int k = i + 1; k < count && !fixed[i] && !fixed[k]; k++) {
          better |= firstBehind(order, i, k);
          better |= lastBefore(order, i, k);
        }
      }
      return better;
    }

    private static void turn(int[] order, int from, int to) {
      for (int i = from, k = to; i < k; i++, k--) {
        swap(order, i, k);
      }
    }

    /** The first of a stretch goes behind its last, when that makes the steps smaller. */
    private boolean firstBehind(int[] order, int from, int to) {
      int was = step(order, from - 1, from) + step(order, from, from + 1) + step(order, to, to + 1);
      int now = step(order, from - 1, from + 1) + step(order, to, from) + step(order, from, to + 1);
      if (now < was) {
        int moved = order[from];
        System.arraycopy(order, from + 1, order, from, to - from);
        order[to] = moved;
      }
      return now < was;
    }

    /** The last of a stretch goes before its first, when that makes the steps smaller. */
    private boolean lastBefore(int[] order, int from, int to) {
      int was = step(order, from - 1, from) + step(order, to - 1, to) + step(order, to, to + 1);
      int now = step(order, from - 1, to) + step(order, to, from) + step(order, to - 1, to + 1);
      if (now < was) {
        int moved = order[to];
        System.arraycopy(order, from, order, from + 1, to - from);
        order[from] = moved;
      }
      return now < was;
    }

    private static void swap(int[] order, int i, int k) {
      int kept = order[i];
      order[i] = order[k];
      order[k] = kept;
    }
  }
}
