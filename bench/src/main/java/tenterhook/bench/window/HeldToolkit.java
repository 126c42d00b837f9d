package tenterhook.bench.window;

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
   * @param settled milliseconds until nothing more was to be done
   */
  record HoldTimes(double act, double worst, double settled) {}

  /** Does something on the toolkit's thread and watches until it is settled. */
  HoldTimes by(Runnable act) throws InterruptedException {
    double[] own = new double[1];
    long start = System.nanoTime();
    double worst =
        posted(
            () -> {
              long begun = System.nanoTime();
              act.run();
              own[0] = millis(begun);
            });
    double settled = millis(start);
    double last = settled;
    while (last - settled < QUIET_MILLIS && last < MOST_MILLIS) {
      double waited = posted(() -> {});
      worst = Math.max(worst, waited);
      last = millis(start);
      if (waited > 2 || !quiet.getAsBoolean()) {
        settled = last;
      }
    }
    return new HoldTimes(own[0], worst, settled);
  }

  private static double posted(Runnable task) throws InterruptedException {
    CountDownLatch done = new CountDownLatch(1);
    Throwable[] broken = new Throwable[1];
    long start = System.nanoTime();
    Platform.runLater(
        () -> {
          try {
            task.run();
          } catch (RuntimeException | Error trouble) {
            broken[0] = trouble;
          } finally {
            done.countDown();
          }
        });
    if (!done.await(MOST_MILLIS, TimeUnit.MILLISECONDS)) {
      throw new IllegalStateException("the toolkit's thread did not answer in two minutes");
    }
    if (broken[0] != null) {
      throw new IllegalStateException("an act failed", broken[0]);
    }
    return millis(start);
  }

  static double millis(long since) {
    return (System.nanoTime() - since) / 1e6;
  }
}
