package tenterhook.bench;

import java.util.Arrays;
import java.util.concurrent.Callable;

/** How long work takes, and how much heap is in use. */
public final class Measure {
  private Measure() {}

  /**
   * The median time of some rounds.
   *
   * @return milliseconds
   */
  public static double median(int rounds, Callable<?> work) throws Exception {
    double[] times = new double[rounds];
    for (int i = 0; i < rounds; i++) {
      long start = System.nanoTime();
      work.call();
      times[i] = (System.nanoTime() - start) / 1e6;
    }
    Arrays.sort(times);
    return times[rounds / 2];
  }

  /** The bytes of heap in use once garbage is collected. */
  public static long heap() {
    for (int i = 0; i < 3; i++) {
      System.gc();
    }
    Runtime runtime = Runtime.getRuntime();
    return runtime.totalMemory() - runtime.freeMemory();
  }
}
