package tenterhook.core.measure;

/** Candidates and what speaks for each, for those who fit weights or want to see why. */
public final class CandidateFeatures {
  private final double[] values;
  private final double[][] features;

  CandidateFeatures(double[] values, double[][] features) {
    this.values = values;
    this.features = features;
  }

  /** How many candidates there are. */
  public int count() {
    return values.length;
  }

  /** What a candidate is: its tempo, or the number of its key. */
  public double value(int candidate) {
    return values[candidate];
  }

  /** What speaks for a candidate; the same places mean the same for all. */
  public double[] features(int candidate) {
    return features[candidate].clone();
  }
}
