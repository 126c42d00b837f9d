package tenterhook.core.measure;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/**
 * Divides a recording where loudness or bass change for good: the division with the least squared
 * deviation plus a price per passage (B. Jackson et al., An Algorithm for Optimal Partitioning of
 * Data on an Interval, 2005), over beats where the tempo is known, else over half seconds.
 */
final class PassageFinder {
  private static final int MOST_UNITS = 900;
  private static final int SHORTEST = 4;
  private static final double FLOOR = -55;
  private static final double ALIKE = 2;

  /** How much each row counts: bass lines move, and are no passages for that. */
  private static final double[] SHARES = {1, 0.25};

  private final float[][] power;
  private final SoundBounds bounds;
  private double from;
  private double unit;
  private double[][] levels;

  /**
   * Of two rows of powers, one value each tenth of a second.
   *
   * @param loud K-weighted
   * @param low of the bass
   */
  PassageFinder(float[] loud, float[] low, SoundBounds bounds) {
    this.power = new float[][] {loud, low};
    this.bounds = bounds;
  }

  List<Passage> find(Optional<TempoFound> tempo) {
    units(tempo);
    if (levels[0].length < 2 * SHORTEST) {
      return bounds.silent() || bounds.endSeconds() <= bounds.startSeconds()
          ? List.of()
          : List.of(passage(bounds.startSeconds(), bounds.endSeconds()));
    }
    List<Double> edges = new ArrayList<>();
    edges.add(bounds.startSeconds());
    cuts().stream().map(c -> from + c * unit).filter(this::inside).forEach(edges::add);
    edges.add(bounds.endSeconds());
    joinAlike(edges);
    for (int i = 1; i + 1 < edges.size(); i++) {
      edges.set(i, sharpest(edges.get(i - 1), edges.get(i), edges.get(i + 1)));
    }
    List<Passage> passages = new ArrayList<>();
    for (int i = 0; i + 1 < edges.size(); i++) {
      passages.add(passage(edges.get(i), edges.get(i + 1)));
    }
    return passages;
  }

  private boolean inside(double moment) {
    return moment > bounds.startSeconds() + unit && moment < bounds.endSeconds() - unit;
  }

  /** Takes out edges, the weakest first, between passages that no ear would keep apart. */
  private void joinAlike(List<Double> edges) {
    while (edges.size() > 2) {
      int weakest = 1;
      double least = Double.MAX_VALUE;
      for (int i = 1; i + 1 < edges.size(); i++) {
        double step = step(edges.get(i - 1), edges.get(i), edges.get(i + 1));
        if (step < least) {
          least = step;
          weakest = i;
        }
      }
      if (least > ALIKE) {
        return;
      }
      edges.remove(weakest);
    }
  }

  /** How far apart two stretches are, in dB, both rows together. */
  private double step(double start, double middle, double end) {
    double sum = 0;
    for (int row = 0; row < power.length; row++) {
      double before = LoudnessMeter.decibels(mean(power[row], start, middle));
      double after = LoudnessMeter.decibels(mean(power[row], middle, end));
      sum += SHARES[row] * Math.abs(Math.max(FLOOR, after) - Math.max(FLOOR, before));
    }
    return sum;
  }

  private Passage passage(double start, double end) {
    return new Passage(start, end, LoudnessMeter.decibels(mean(power[0], start, end)));
  }

  private void units(Optional<TempoFound> tempo) {
    unit = tempo.map(TempoFound::beatSeconds).orElse(0.5);
    from = tempo.map(TempoFound::firstBeatSeconds).orElse(bounds.startSeconds());
    from += Math.ceil((bounds.startSeconds() - from) / unit - 0.3) * unit;
    double length = bounds.endSeconds() - from;
    while (length / unit > MOST_UNITS) {
      unit *= 2;
    }
    int count = Math.max(0, (int) Math.round(length / unit));
    levels = new double[power.length][count];
    for (int row = 0; row < power.length; row++) {
      for (int i = 0; i < count; i++) {
        double mean = mean(power[row], from + i * unit, from + (i + 1) * unit);
        levels[row][i] = SHARES[row] * Math.max(FLOOR, LoudnessMeter.decibels(mean));
      }
    }
  }

  /** The mean of a row between two moments, parts of a tenth by their share. */
  private static double mean(float[] row, double start, double end) {
    double sum = 0;
    double weight = 0;
    for (int i = Math.max(0, (int) (start * 10)); i < row.length && i < end * 10; i++) {
      double share = Math.min(i + 1, end * 10) - Math.max(i, start * 10);
      sum += row[i] * share;
      weight += share;
    }
    return weight <= 0 ? 0 : sum / weight;
  }

  /** Where passages change, in units. */
  private List<Integer> cuts() {
    int n = levels[0].length;
    double price = 2.2 * noise() * Math.log(n);
    double[][] sums = new double[levels.length][n + 1];
    double[] squares = new double[n + 1];
    for (int i = 0; i < n; i++) {
      squares[i + 1] = squares[i];
      for (int row = 0; row < levels.length; row++) {
        sums[row][i + 1] = sums[row][i] + levels[row][i];
        squares[i + 1] += levels[row][i] * levels[row][i];
      }
    }
    double[] cost = new double[n + 1];
    int[] back = new int[n + 1];
    Arrays.fill(cost, Double.POSITIVE_INFINITY);
    cost[0] = 0;
    for (int to = SHORTEST; to <= n; to++) {
      for (int start = 0; start + SHORTEST <= to; start++) {
        double spread = squares[to] - squares[start];
        for (double[] sum : sums) {
          double all = sum[to] - sum[start];
          spread -= all * all / (to - start);
        }
        if (cost[start] + spread + price < cost[to]) {
          cost[to] = cost[start] + spread + price;
          back[to] = start;
        }
      }
    }
    Deque<Integer> found = new ArrayDeque<>();
    for (int at = back[n]; at > 0; at = back[at]) {
      found.addFirst(at);
    }
    return List.copyOf(found);
  }

  /** How much units differ from those a bar later, both rows together: half the usual square. */
  private double noise() {
    int n = levels[0].length - SHORTEST;
    double[] differences = new double[n];
    for (int i = 0; i < n; i++) {
      for (double[] row : levels) {
        double step = row[i + SHORTEST] - row[i];
        differences[i] += step * step / 2;
      }
    }
    Arrays.sort(differences);
    double usual = differences[(int) (n * 0.35)];
    double inner = 0;
    for (double[] row : levels) {
      double mean = Arrays.stream(row).average().orElse(0);
      inner += Arrays.stream(row).map(x -> (x - mean) * (x - mean)).average().orElse(0);
    }
    return Math.max(Math.max(usual * 6, inner * 0.03), 1);
  }

  /** The place near an edge where before and after differ most. */
  private double sharpest(double start, double edge, double end) {
    double reach = 8 * unit;
    double best = edge;
    double most = -1;
    for (int quarter = -8; quarter <= 8; quarter++) {
      double at = edge + quarter * unit / 4;
      if (at < start + SHORTEST * unit || at > end - SHORTEST * unit) {
        continue;
      }
      double step = step(Math.max(start, at - reach), at, Math.min(end, at + reach));
      if (step + (quarter == 0 ? 0.3 : 0) > most) {
        most = step;
        best = at;
      }
    }
    return best;
  }
}
