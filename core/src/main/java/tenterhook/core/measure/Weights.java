package tenterhook.core.measure;

/**
 * What the features of tempi and keys weigh. Fitted by {@code MeasuringWeights} of the bench module
 * to made-up pieces of seeds 1 to 600 and loops of seeds over 500,000; judged by other seeds.
 */
final class Weights {
  static final double[] TEMPO = {
    3.890, -4.415, 1.878, 2.784, -1.639, 1.116, -2.449, 2.397, -1.023, 1.517, 1.318, -2.627, 0.829,
    0.190, 0.110, 2.053, -0.687, 0.948, 1.866, -0.780, 4.547
  };
  static final double[] KEY = {
    8.307, 4.007, 6.486, 2.798, 5.886, -0.189, 3.749, -0.390, -1.095, -2.058, 9.707, -2.316, 1.037,
    -2.567, 0.492, 1.358, -1.031
  };

  private Weights() {}
}
