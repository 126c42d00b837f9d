package tenterhook.core.measure;

/**
 * What the features of tempi and keys weigh. Fitted by {@code MeasuringWeights} of the bench module
 * to made-up pieces of seeds 1 to 700 and loops of seeds over 500,000; judged by other seeds.
 */
final class Weights {
  static final double[] TEMPO = {
    3.990, -4.426, 1.830, 3.003, -1.426, 1.238, -2.467, 2.192, -1.012, 1.363, 1.272, -2.754, 0.818,
    0.251, -0.012, 2.172, -0.616, 1.138, 1.794, -0.755, 4.627
  };
  static final double[] KEY = {
    6.313, 3.673, 5.973, 2.730, 4.351, -2.256, 1.261, -1.528, 0.729, -0.654, 5.188, -2.503, 3.030,
    -0.607, 0.261, 1.918, -0.683, 6.476, 5.961, -1.219, 9.239
  };

  private Weights() {}
}
