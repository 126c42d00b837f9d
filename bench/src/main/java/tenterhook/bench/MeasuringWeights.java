package tenterhook.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import tenterhook.core.measure.CandidateFeatures;
import tenterhook.core.measure.Measurer;
import tenterhook.standins.synth.Piece;
import tenterhook.standins.synth.PieceSynth;
import tenterhook.standins.synth.Recording;
import tenterhook.standins.synth.Synth;

/**
 * Fits what the features of tempi and keys weigh to made-up pieces and shorter loops, by gradient
 * ascent on the likelihood of a conditional logit, and prints the numbers for the core's {@code
 * Weights}.
 */
public final class MeasuringWeights {
  private static final int PIECES = 700;

  /** Seeds of loops that no demo uses. */
  private static final int LOOP_SEEDS = 500_000;

  private MeasuringWeights() {}

  /** Candidates of one piece; which of them is right, or -1. */
  private record Case(double[][] features, int right) {}

  private record Cases(Case tempo, Case key) {}

  /** Prints both rows of weights. */
  public static void main(String[] args) throws InterruptedException, ExecutionException {
    int count = args.length > 0 ? Integer.parseInt(args[0]) : PIECES;
    List<Case> tempi = new ArrayList<>();
    List<Case> keys = new ArrayList<>();
    try (ExecutorService pool = Executors.newFixedThreadPool(2)) {
      List<Future<Cases>> running = new ArrayList<>();
      for (int seed = 1; seed <= count; seed++) {
        begin(pool, running, seed);
      }
      for (Future<Cases> one : running) {
        tempi.add(one.get().tempo());
        keys.add(one.get().key());
      }
    }
    print("TEMPO", tempi, 0.01);
    print("KEY", keys, 0.002);
  }

  private static void begin(ExecutorService pool, List<Future<Cases>> running, int seed) {
    Piece piece = Piece.of(seed);
    running.add(
        pool.submit(
            () -> cases(PieceSynth.render(piece), piece.bpm(), piece.root(), piece.minor())));
    if (seed % 5 == 0) {
      Recording loop = Recording.of(LOOP_SEEDS + seed, 70 + seed * 37 % 900 / 10.0);
      running.add(
          pool.submit(() -> cases(Synth.render(loop), loop.bpm(), loop.root(), loop.minor())));
    }
  }

  private static Cases cases(short[] samples, double bpm, int root, boolean minor) {
    Measurer measurer = new Measurer(Synth.RATE, 2);
    MadeMusic.feed(measurer, samples);
    return new Cases(
        judged(measurer.tempoEvidence(), bpm, 0.01),
        judged(measurer.keyEvidence(), root + (minor ? 12 : 0), 0));
  }

  private static Case judged(CandidateFeatures evidence, double truth, double tolerance) {
    double[][] features = new double[evidence.count()][];
    int right = -1;
    for (int c = 0; c < features.length; c++) {
      features[c] = evidence.features(c);
      if (Math.abs(evidence.value(c) - truth) <= tolerance * truth) {
        right = c;
      }
    }
    return new Case(features, right);
  }

  private static void print(String name, List<Case> cases, double decay) {
    List<Case> usable = cases.stream().filter(c -> c.right >= 0).toList();
    double[] weights = fit(usable, decay);
    long hits = usable.stream().filter(c -> best(c, weights) == c.right).count();
    System.out.printf(
        Locale.ROOT,
        "// %s: %d pieces, right one among the candidates of %d, chosen of %d%n",
        name,
        cases.size(),
        usable.size(),
        hits);
    StringBuilder row = new StringBuilder();
    for (double weight : weights) {
      row.append(String.format(Locale.ROOT, "%.3f, ", weight));
    }
    System.out.println(row);
  }

  private static int best(Case one, double[] weights) {
    double[] shares = shares(one, weights);
    int best = 0;
    for (int c = 0; c < shares.length; c++) {
      best = shares[c] > shares[best] ? c : best;
    }
    return best;
  }

  private static double[] shares(Case one, double[] weights) {
    double[] shares = new double[one.features.length];
    double sum = 0;
    for (int c = 0; c < shares.length; c++) {
      double points = 0;
      for (int f = 0; f < weights.length; f++) {
        points += weights[f] * one.features[c][f];
      }
      shares[c] = Math.exp(Math.clamp(points, -300, 300));
      sum += shares[c];
    }
    for (int c = 0; c < shares.length; c++) {
      shares[c] /= sum;
    }
    return shares;
  }

  /** Adam (D. Kingma and J. Ba, 2015) on all cases at once, with weight decay. */
  private static double[] fit(List<Case> cases, double decay) {
    int size = cases.getFirst().features[0].length;
    double[] weights = new double[size];
    double[] first = new double[size];
    double[] second = new double[size];
    for (int round = 1; round <= 3000; round++) {
      double[] slope = slope(cases, weights);
      for (int f = 0; f < size; f++) {
        slope[f] -= decay * weights[f] / size;
        first[f] = 0.9 * first[f] + 0.1 * slope[f];
        second[f] = 0.999 * second[f] + 0.001 * slope[f] * slope[f];
        double step = first[f] / (1 - Math.pow(0.9, round));
        weights[f] += 0.05 * step / (Math.sqrt(second[f] / (1 - Math.pow(0.999, round))) + 1e-8);
      }
    }
    return weights;
  }

  private static double[] slope(List<Case> cases, double[] weights) {
    double[] slope = new double[weights.length];
    for (Case one : cases) {
      double[] shares = shares(one, weights);
      for (int c = 0; c < shares.length; c++) {
        double error = (c == one.right ? 1 : 0) - shares[c];
        for (int f = 0; f < weights.length; f++) {
          slope[f] += error * one.features[c][f] / cases.size();
        }
      }
    }
    return slope;
  }
}
