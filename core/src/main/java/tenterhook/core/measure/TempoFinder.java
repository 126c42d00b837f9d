package tenterhook.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Finds the tempo. Periods come from the autocorrelation of onsets (M. Alonso, B. David, G.
 * Richard, Tempo and Beat Estimation of Musical Signals, 2004) and are made exact over ever longer
 * lags. Which of the periods that divide one another is the beat is chosen by {@link Choice} from
 * how each band repeats at the period, its half, double, triple and fourfold, and from how usual
 * the tempo is.
 */
final class TempoFinder {
  static final double SLOWEST = 60;
  static final double FASTEST = 185;
  private static final double[] RELATIVES = {1, 2, 0.5, 3, 1.0 / 3, 1.5, 2.0 / 3, 4, 0.25};
  private static final double[] LAGS = {1, 2, 0.5, 4, 3, 1.5};

  private final double[][] bands = new double[Onsets.BANDS][];
  private final double[] all;
  private final float[][] rows = new float[Onsets.BANDS][];

  TempoFinder(Onsets onsets) {
    float[] sum = new float[0];
    for (int b = 0; b < Onsets.BANDS; b++) {
      rows[b] = levelled(onsets.band(b));
      sum = b == 0 ? new float[rows[b].length] : sum;
      for (int i = 0; i < sum.length; i++) {
        sum[i] += rows[b][i];
      }
    }
    int lags = (int) Math.min(sum.length, 45 * Onsets.RATE);
    for (int b = 0; b < Onsets.BANDS; b++) {
      bands[b] = likeness(rows[b], Math.min(lags, (int) (6 * Onsets.RATE)));
    }
    all = likeness(sum, lags);
  }

  private static float[] levelled(float[] row) {
    double sum = 0;
    double squares = 0;
    float[] smooth = new float[row.length];
    for (int i = 0; i < row.length; i++) {
      float before = row[Math.max(0, i - 1)];
      float after = row[Math.min(row.length - 1, i + 1)];
      smooth[i] = (before + 2 * row[i] + after) / 4;
      sum += smooth[i];
      squares += smooth[i] * smooth[i];
    }
    double mean = sum / Math.max(1, row.length);
    double spread = Math.sqrt(Math.max(1e-12, squares / Math.max(1, row.length) - mean * mean));
    for (int i = 0; i < row.length; i++) {
      smooth[i] = spread < 1e-3 ? 0 : (float) ((smooth[i] - mean) / spread);
    }
    return smooth;
  }

  /** Autocorrelation as a share of the one at no lag. */
  private static double[] likeness(float[] row, int lags) {
    if (lags == 0) {
      return new double[0];
    }
    double[] out = Spectrum.autocorrelation(row, lags);
    double whole = out[0];
    for (int i = 0; i < lags; i++) {
      out[i] = whole < 1e-9 ? 0 : out[i] / whole;
    }
    return out;
  }

  private static double at(double[] row, double lag) {
    int low = (int) lag;
    if (low + 1 >= row.length) {
      return 0;
    }
    double share = lag - low;
    return row[low] * (1 - share) + row[low + 1] * share;
  }

  /** The highest place near a lag, between the places by a parabola. */
  private static double peakNear(double[] row, double lag, double reach) {
    int from = Math.max(1, (int) Math.ceil(lag - reach));
    int to = Math.min(row.length - 2, (int) Math.floor(lag + reach));
    int best = from;
    for (int i = from; i <= to; i++) {
      best = row[i] > row[best] ? i : best;
    }
    if (from > to) {
      return lag;
    }
    double a = row[best - 1];
    double b = row[best];
    double c = row[best + 1];
    double bend = a - 2 * b + c;
    return bend >= 0 ? best : best + Math.clamp(0.5 * (a - c) / bend, -1, 1);
  }

  private double comb(double period) {
    double sum = 0;
    for (int k = 1; k <= 4; k++) {
      sum += at(all, k * period);
    }
    return sum;
  }

  private double exact(double period) {
    double found = period;
    double floor = 0.4 * at(all, peakNear(all, period, 2));
    for (int k = 1; k <= 64; k *= 2) {
      double lag = peakNear(all, k * found, k == 1 ? 2 : 2.5);
      if (k * found + 4 > all.length || at(all, lag) < floor) {
        break;
      }
      found = lag / k;
    }
    return found;
  }

  /** Periods that might be the beat, in moments. */
  List<Double> candidates() {
    List<Double> roots = new ArrayList<>();
    List<Double> found = new ArrayList<>();
    double longest = 60 * Onsets.RATE / SLOWEST;
    double shortest = 60 * Onsets.RATE / FASTEST;
    for (double p = shortest; p <= longest; p *= 1.01) {
      double here = comb(p);
      if (here > comb(p / 1.01) && here >= comb(p * 1.01)) {
        roots.add(p);
      }
    }
    roots.sort((a, b) -> Double.compare(comb(b), comb(a)));
    for (double root : roots.subList(0, Math.min(4, roots.size()))) {
      double exact = exact(root);
      for (double factor : RELATIVES) {
        double period = exact * factor;
        boolean fresh = found.stream().noneMatch(f -> Math.abs(f / period - 1) < 0.015);
        if (fresh && period >= shortest && period <= longest) {
          found.add(period);
        }
      }
    }
    return found;
  }

  /** What speaks for a period. */
  double[] features(double period) {
    double[] out = new double[2 + LAGS.length * Onsets.BANDS + 1];
    double octaves = Math.log(60 * Onsets.RATE / period / 115) / Math.log(2);
    out[0] = octaves;
    out[1] = octaves * octaves;
    int place = 2;
    for (double lag : LAGS) {
      for (double[] band : bands) {
        out[place++] = best(band, period * lag);
      }
    }
    out[place] = comb(period);
    return out;
  }

  private static double best(double[] row, double lag) {
    return Math.max(at(row, lag), Math.max(at(row, lag - 1), at(row, lag + 1)));
  }

  /** The tempo, or nothing when nothing repeats. */
  Optional<TempoFound> find(double[] weights) {
    List<Double> periods = candidates();
    if (periods.isEmpty() || all[0] == 0) {
      return Optional.empty();
    }
    double[][] features = new double[periods.size()][];
    for (int i = 0; i < features.length; i++) {
      features[i] = features(periods.get(i));
    }
    Choice choice = Choice.of(features, weights);
    double period = periods.get(choice.best());
    double strength = Math.clamp(at(all, peakNear(all, period, 1)) * 4, 0, 1);
    double sure = choice.probabilities()[choice.best()] * strength;
    if (strength < 0.08) {
      return Optional.empty();
    }
    double bpm = 60 * Onsets.RATE / period;
    double alternative = alternative(periods, choice);
    return Optional.of(
        new TempoFound(
            bpm, (int) Math.round(100 * sure), 60 * Onsets.RATE / alternative, first(period)));
  }

  /** The likelier of half and double, whatever is more usual when neither was a candidate. */
  private static double alternative(List<Double> periods, Choice choice) {
    double period = periods.get(choice.best());
    double best = 60 * Onsets.RATE / period > 115 ? period * 2 : period / 2;
    double most = -1;
    for (int i = 0; i < periods.size(); i++) {
      double ratio = periods.get(i) / period;
      boolean octave = Math.abs(ratio - 2) < 0.05 || Math.abs(ratio - 0.5) < 0.02;
      if (octave && choice.probabilities()[i] > most) {
        most = choice.probabilities()[i];
        best = periods.get(i);
      }
    }
    return best;
  }

  /** The first moment of the grid that fits best, in seconds. */
  private double first(double period) {
    double best = 0;
    double most = Double.NEGATIVE_INFINITY;
    for (double phase = 0; phase < period; phase += 0.5) {
      double sum = 0;
      for (double at = phase; at + 1 < rows[0].length; at += period) {
        int place = (int) Math.round(at);
        sum += rows[0][place] + rows[1][place] + 0.3 * rows[2][place];
      }
      if (sum > most) {
        most = sum;
        best = phase;
      }
    }
    double seconds = Onsets.seconds(best);
    double step = period / Onsets.RATE;
    return seconds - step >= 0 ? seconds - step : seconds;
  }
}
