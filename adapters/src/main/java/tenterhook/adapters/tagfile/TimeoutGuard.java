package tenterhook.adapters.tagfile;

import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/** Runs other people's readers so that an error, an endless loop or hunger costs one file only. */
final class TimeoutGuard {
  private static final ExecutorService WORKERS =
      Executors.newCachedThreadPool(Thread.ofPlatform().daemon().name("file-reader-", 0).factory());

  private TimeoutGuard() {}

  static <T> T run(Callable<T> work, int seconds) throws Unreadable {
    Future<T> running = WORKERS.submit(work);
    try {
      return running.get(seconds, TimeUnit.SECONDS);
    } catch (TimeoutException endless) {
      running.cancel(true);
      throw new Unreadable("reading took longer than " + seconds + " s and was given up", endless);
    } catch (InterruptedException stopped) {
      running.cancel(true);
      Thread.currentThread().interrupt();
      throw new Unreadable("stopped", stopped);
    } catch (ExecutionException broken) {
      throw plain(broken.getCause());
    }
  }

  private static Unreadable plain(Throwable cause) {
    if (cause instanceof Unreadable known) {
      return known;
    }
    String said =
        cause.getMessage() == null ? cause.getClass().getSimpleName() : cause.getMessage();
    String first = said.lines().findFirst().orElse("");
    return new Unreadable("damaged or not what its name says: " + first, cause);
  }
}
