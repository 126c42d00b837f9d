package tenterhook.core.measure;

import java.util.Optional;

/**
 * Finds the key from how much of each pitch class there is. Features of a key: correlation with the
 * profiles of J. Albrecht and D. Shanahan (The Use of Large Corpora to Train a New Type of
 * Key-Finding Algorithm, 2013) in three registers, what weighs in the bass, and what the first
 * seconds begin with; {@link Choice} weighs them.
 */
final class KeyFinder {
  private static final double[] MAJOR = {
    0.238, 0.006, 0.111, 0.006, 0.137, 0.094, 0.016, 0.214, 0.009, 0.080, 0.008, 0.081
  };
  private static final double[] MINOR = {
    0.220, 0.006, 0.104, 0.123, 0.019, 0.103, 0.012, 0.214, 0.062, 0.022, 0.061, 0.052
  };

  private final double[] all;
  private final double[] bass;
  private final double[] middle;
  private final double[] high;
  private final double[] first;

  KeyFinder(Pitches pitches, Pitches opening) {
    first = opening.classes(0, 6);
    all = pitches.classes(0, 6);
    bass = pitches.classes(0, 2);
    middle = pitches.classes(2, 4);
    high = pitches.classes(4, 6);
  }

  private static double fit(double[] classes, MusicalKey key) {
    double[] profile = key.minor() ? MINOR : MAJOR;
    double sum = 0;
    double squares = 0;
    double own = 0;
    for (int n = 0; n < 12; n++) {
      double a = classes[(n + key.root()) % 12] - 1 / 12.0;
      double b = profile[n] - 1 / 12.0;
      sum += a * b;
      squares += a * a;
      own += b * b;
    }
    return squares == 0 ? 0 : sum / Math.sqrt(squares * own);
  }

  private static double of(double[] classes, MusicalKey key, int step) {
    return classes[(key.root() + step) % 12];
  }

  /** What speaks for a key. */
  double[] features(MusicalKey key) {
    int third = key.minor() ? 3 : 4;
    return new double[] {
      fit(all, key),
      fit(middle, key),
      fit(high, key),
      fit(bass, key),
      of(bass, key, 0),
      of(bass, key, 7),
      of(bass, key, 5),
      of(bass, key, third),
      of(all, key, 0),
      of(all, key, 7),
      of(all, key, third) - of(all, key, 7 - third),
      of(all, key, 11),
      of(all, key, 10),
      of(middle, key, 0),
      of(middle, key, 7),
      key.minor() ? 1 : 0,
      key.minor() ? of(all, key, 11) : 0,
      of(first, key, 0),
      of(first, key, third),
      of(first, key, 7),
      fit(first, key)
    };
  }

  static MusicalKey key(int number) {
    return new MusicalKey(number % 12, number >= 12);
  }

  /** The key, or nothing when nothing has a pitch. */
  Optional<KeyFound> find(double[] weights) {
    double sum = 0;
    for (double share : all) {
      sum += share;
    }
    if (sum == 0) {
      return Optional.empty();
    }
    double[][] features = new double[24][];
    for (int k = 0; k < 24; k++) {
      features[k] = features(key(k));
    }
    Choice choice = Choice.of(features, weights);
    return Optional.of(
        new KeyFound(
            key(choice.best()), (int) Math.round(100 * choice.probabilities()[choice.best()])));
  }
}
