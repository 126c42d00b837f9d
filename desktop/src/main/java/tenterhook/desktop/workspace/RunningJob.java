package tenterhook.desktop.workspace;

import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Platform;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleStringProperty;
import tenterhook.core.job.Progress;
import tenterhook.desktop.theme.Words;

/** A job as the window shows it: share done, words, and whether it was asked to stop. */
public final class RunningJob implements Progress {
  private final String name;
  private final long start = System.nanoTime();
  private final SimpleDoubleProperty share = new SimpleDoubleProperty(-1);
  private final SimpleStringProperty words = new SimpleStringProperty("");
  private final AtomicBoolean stop = new AtomicBoolean();
  private final AtomicBoolean posted = new AtomicBoolean();
  private volatile long done;
  private volatile long total = -1;
  private volatile String what = "";

  RunningJob(String name) {
    this.name = name;
    words.set(name);
  }

  /** The share that is done, 0 to 1; below 0 while it is not known. */
  public SimpleDoubleProperty share() {
    return share;
  }

  /** What is being done just now. */
  public SimpleStringProperty words() {
    return words;
  }

  /** Asks it to stop. */
  public void stop() {
    stop.set(true);
  }

  @Override
  public void at(long doneNow, long totalNow, String said) {
    done = doneNow;
    what = said;
    total = totalNow;
    if (posted.compareAndSet(false, true)) {
      Platform.runLater(this::show);
    }
  }

  private void show() {
    posted.set(false);
    double seconds = Math.max(0.001, (System.nanoTime() - start) / 1e9);
    share.set(total > 0 ? (double) done / total : -1);
    words.set(
        total > 0
            ? Words.of("job.of", name, done, total, rate(done / seconds), left(seconds))
            : Words.of("job.so", name, done));
  }

  /** Slow work is counted by the minute. */
  private static String rate(double perSecond) {
    return perSecond >= 2
        ? Words.of("job.perSecond", Math.round(perSecond))
        : Words.of("job.perMinute", Math.round(60 * perSecond));
  }

  private String left(double seconds) {
    long left = Math.round(seconds / Math.max(1, done) * Math.max(0, total - done));
    return left >= 90
        ? Words.of("job.minutesLeft", Math.round(left / 60.0))
        : Words.of("job.secondsLeft", left);
  }

  @Override
  public boolean stopped() {
    return stop.get();
  }
}
