package tenterhook.bench.window;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import javafx.application.Platform;

/**
 * Measures for how long the toolkit's thread is held by an act and by what follows from it. While
 * the act settles, an empty task is posted again and again; the longest that one had to wait is the
 * longest that any key or frame would have had to.
 */
final class HeldToolkit {
  private static final double QUIET_MILLIS = 50;
  private static final long MOST_MILLIS = 120_000;
  private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();

  private final BooleanSupplier quiet;

  /**
   * A measure.
   *
   * @param quiet whether no work waits or runs; asked from another thread than the toolkit's
   */
  HeldToolkit(BooleanSupplier quiet) {
    this.quiet = quiet;
  }

  /**
   * What an act cost.
   *
   * @param act milliseconds that the act itself held the thread
   * @param worst the longest that the thread was held until all was settled, the act included
   * @param computed the longest that the thread computed between two tasks, milliseconds of its own
   *     processor time: what is left of {@code worst} when no other process has the processor
   * @param settled milliseconds until nothing more was to be done
   */
  record HoldTimes(double act, double worst, double computed, double settled) {}

  /**
   * How long one task took from the moment that it was posted.
   *
   * @param waited milliseconds
   * @param computed nanoseconds of processor time that the toolkit's thread had used up to its end
   */
  private record Posted(double waited, long computed) {}

  /** Does something on the toolkit's thread and watches until it is settled. */
  HoldTimes by(Runnable act) throws InterruptedException {
    double[] own = new double[1];
    long computed = posted(() -> {}).computed();
    long start = System.nanoTime();
    Posted probe =
        posted(
            () -> {
              long begun = System.nanoTime();
              act.run();
              own[0] = millis(begun);
            });
    double worst = probe.waited();
    long most = probe.computed() - computed;
    double settled = millis(start);
    double last = settled;
    while (last - settled < QUIET_MILLIS && last < MOST_MILLIS) {
      computed = probe.computed();
      probe = posted(() -> {});
      worst = Math.max(worst, probe.waited());
      most = Math.max(most, probe.computed() - computed);
      last = millis(start);
      if (probe.waited() > 2 || !quiet.getAsBoolean()) {
        settled = last;
      }
    }
    return new HoldTimes(own[0], worst, most / 1e6, settled);
  }

  private static Posted posted(Runnable task) throws InterruptedException {
    CountDownLatch done = new CountDownLatch(1);
    Throwable[] broken = new Throwable[1];
    long[] computed = new long[1];
    long start = System.nanoTime();
    Platform.runLater(
        () -> {
          try {
            task.run();
          } catch (RuntimeException | Error trouble) {
            broken[0] = trouble;
          } finally {
            computed[0] = THREADS.getCurrentThreadCpuTime();
            done.countDown();
          }
        });
    if (!done.await(MOST_MILLIS, TimeUnit.MILLISECONDS)) {
      throw new IllegalStateException("the toolkit's thread did not answer in two minutes");
    }
    if (broken[0] != null) {
      throw new IllegalStateException("an act failed", broken[0]);
    }
    return new Posted(millis(start), computed[0]);
  }

  static double millis(long since) {
    return (System.nanoTime() - since) / 1e6;
  }
}
