package tenterhook.bench.window;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;

/** How many frames come while a key is held down, one press a frame. */
final class FrameRate {
  private FrameRate() {}

  /**
   * What was seen.
   *
   * @param second frames a second
   * @param worst the longest between two frames, in milliseconds
   */
  record Frames(double second, double worst) {}

  /** Holds a key for some seconds. */
  static Frames whileHeld(Runnable press, int seconds) throws InterruptedException {
    List<Long> times = new ArrayList<>();
    CountDownLatch over = new CountDownLatch(1);
    AnimationTimer timer =
        new AnimationTimer() {
          @Override
          public void handle(long now) {
            times.add(System.nanoTime());
            if ((times.getLast() - times.getFirst()) / 1e9 < seconds) {
              press.run();
            } else {
              stop();
              over.countDown();
            }
          }
        };
    Platform.runLater(timer::start);
    over.await();
    double worst = 0;
    for (int i = 1; i < times.size(); i++) {
      worst = Math.max(worst, (times.get(i) - times.get(i - 1)) / 1e6);
    }
    double whole = (times.getLast() - times.getFirst()) / 1e9;
    return new Frames((times.size() - 1) / whole, worst);
  }
}
