package tenterhook.core.measure;

import java.util.Arrays;

/**
 * Chooses among candidates by weighted features, as a conditional logit (D. McFadden, 1974): a
 * candidate's probability is its share of the exponentials.
 *
 * @param best place of the likeliest candidate
 * @param probabilities of each candidate, adding up to one
 */
record Choice(int best, double[] probabilities) {
  static Choice of(double[][] features, double[] weights) {
    double[] points = new double[features.length];
    int best = 0;
    for (int c = 0; c < features.length; c++) {
      for (int f = 0; f < weights.length; f++) {
        points[c] += weights[f] * features[c][f];
      }
      best = points[c] > points[best] ? c : best;
    }
    double high = points[best];
    double sum = 0;
    for (int c = 0; c < points.length; c++) {
      points[c] = Math.exp(points[c] - high);
      sum += points[c];
    }
    for (int c = 0; c < points.length; c++) {
      points[c] /= sum;
    }
    return new Choice(best, points);
  }

  @Override
  public String toString() {
    return best + " of " + Arrays.toString(probabilities);
  }
}
