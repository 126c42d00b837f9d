package tenterhook.desktop.workspace;

import java.nio.file.NoSuchFileException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.util.Duration;
import tenterhook.desktop.theme.Words;

/**
 * Work beside the window: one row for what changes or takes long, a pool for what no job need wait
 * for, one row for what the program does by itself, one for reading and one for working out what a
 * view is about to show, and two hands for what is wanted within the frame. To be called on the
 * toolkit's thread.
 */
final class Jobs {
  /** Milliseconds that the toolkit's thread waits for what is mostly quick. */
  private static final int PART_OF_FRAME = 7;

  private final ObservableList<RunningJob> shown = FXCollections.observableArrayList();
  private final ExecutorService worker =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("jobs").factory());
  private final ExecutorService asking =
      Executors.newCachedThreadPool(Thread.ofPlatform().daemon().name("independent-", 0).factory());
  private final ExecutorService reading =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("reading").factory());
  private final ExecutorService working =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("working").factory());
  private final ExecutorService chores =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("chores").factory());
  private final ExecutorService prompt =
      Executors.newFixedThreadPool(2, Thread.ofPlatform().daemon().name("prompt-", 0).factory());

  /** What is not wanted at this moment waits until it is complete. */
  private volatile CompletableFuture<Boolean> shownFirst = CompletableFuture.completedFuture(true);

  private final AtomicInteger waiting = new AtomicInteger();
  private final AtomicInteger prompting = new AtomicInteger();
  private final Map<String, PauseTransition> pauses = new HashMap<>();
  private final Map<Object, Integer> asked = new ConcurrentHashMap<>();
  private final Consumer<String> trouble;

  /**
   * No jobs yet.
   *
   * @param trouble gets the words when one fails
   */
  Jobs(Consumer<String> trouble) {
    this.trouble = trouble;
  }

  /** Lets work that only belongs to later frames wait until the first one is shown. */
  void waitForFirstFrame() {
    shownFirst = new CompletableFuture<>();
  }

  /** The first frame is shown. */
  void firstFrame() {
    shownFirst.complete(true);
  }

  private <T> Workspace.Work<T> afterFirstFrame(Workspace.Work<T> work) {
    CompletableFuture<Boolean> first = shownFirst;
    return p -> {
      first.join();
      return work.run(p);
    };
  }

  /** What runs and is shown. */
  ObservableList<RunningJob> shown() {
    return shown;
  }

  /** Whether nothing waits or runs; may be asked from any thread. */
  boolean quiet() {
    return waiting.get() == 0 && upToDate();
  }

  /** Whether nothing is awaited that is wanted within the frame; may be asked from any thread. */
  boolean upToDate() {
    return prompting.get() == 0;
  }

  <T> void job(String name, boolean visible, Workspace.Work<T> work, Consumer<T> then) {
    run(worker, name, visible, work, then, () -> {});
  }

  <T> void independentJob(String name, Workspace.Work<T> work, Consumer<T> then, Runnable ended) {
    run(asking, name, true, work, then, ended);
  }

  <T> void unseen(String name, Workspace.Work<T> work, Consumer<T> then) {
    run(asking, name, false, work, then, () -> {});
  }

  /** One after the other, so that a core is left for the hand. */
  <T> void chore(
      String name, boolean visible, Workspace.Work<T> work, Consumer<T> then, Runnable ended) {
    run(chores, name, visible, afterFirstFrame(work), then, ended);
  }

  <T> void background(Callable<T> work, Consumer<T> then) {
    run(reading, Words.of("job.reading"), false, p -> work.call(), then, () -> {});
  }

  /**
   * Works something out in a row of its own, so that what is only read need not wait. What was
   * asked before by the same owner is not worked or shown.
   */
  <T> void latestOnly(Object owner, Callable<T> work, Consumer<T> then) {
    int number = asked.merge(owner, 1, Integer::sum);
    run(
        working,
        Words.of("job.reading"),
        false,
        afterFirstFrame(
            p -> asked.get(owner) == number ? Optional.of(work.call()) : Optional.<T>empty()),
        result -> result.filter(r -> asked.get(owner) == number).ifPresent(then),
        () -> {});
  }

  /**
   * Works something out beside the window and waits for it for a part of a frame: what is quick is
   * shown at once, the rest when it is there. Newest wins, as in {@link #latestOnly}.
   */
  <T> void promptly(Object owner, Callable<T> work, Consumer<T> then) {
    int number = asked.merge(owner, 1, Integer::sum);
    prompting.incrementAndGet();
    CompletableFuture<Optional<T>> result =
        CompletableFuture.supplyAsync(() -> ifNewest(owner, number, work), prompt);
    try {
      Optional<T> quick = result.get(PART_OF_FRAME, TimeUnit.MILLISECONDS);
      prompting.decrementAndGet();
      quick.ifPresent(then);
    } catch (TimeoutException | ExecutionException slowOrBroken) {
      later(owner, number, result, then);
    } catch (InterruptedException stopped) {
      prompting.decrementAndGet();
      Thread.currentThread().interrupt();
    }
  }

  private <T> Optional<T> ifNewest(Object owner, int number, Callable<T> work) {
    try {
      return asked.get(owner) == number ? Optional.of(work.call()) : Optional.empty();
    } catch (Exception broken) {
      throw new CompletionException(broken);
    }
  }

  private <T> void later(
      Object owner, int number, CompletableFuture<Optional<T>> result, Consumer<T> then) {
    result.whenComplete(
        (found, broken) ->
            Platform.runLater(
                () -> {
                  prompting.decrementAndGet();
                  if (broken != null) {
                    trouble.accept(Words.of("told.failed", Words.of("job.reading"), words(broken)));
                  } else if (asked.get(owner) == number) {
                    found.ifPresent(then);
                  }
                }));
  }

  void debounced(String name, Runnable work) {
    PauseTransition pause =
        pauses.computeIfAbsent(name, n -> new PauseTransition(Duration.millis(600)));
    pause.setOnFinished(
        e ->
            run(
                worker,
                name,
                false,
                p -> {
                  work.run();
                  return true;
                },
                done -> {},
                () -> {}));
    pause.playFromStart();
  }

  private <T> void run(
      ExecutorService by,
      String name,
      boolean visible,
      Workspace.Work<T> work,
      Consumer<T> then,
      Runnable ended) {
    RunningJob job = new RunningJob(name);
    if (visible) {
      shown.add(job);
    }
    waiting.incrementAndGet();
    by.submit(
        () -> {
          try {
            T result = work.run(job);
            Platform.runLater(() -> then.accept(result));
          } catch (Throwable failed) { // an error that nobody sees would be worse
            String said = words(failed);
            Platform.runLater(() -> trouble.accept(Words.of("told.failed", name, said)));
          } finally {
            Platform.runLater(
                () -> {
                  shown.remove(job);
                  waiting.decrementAndGet();
                  ended.run();
                });
          }
          return true;
        });
  }

  private static String words(Throwable failed) {
    if (failed instanceof CompletionException && failed.getCause() != null) {
      return words(failed.getCause());
    }
    if (failed instanceof NoSuchFileException gone) {
      return Words.of("told.notThere", gone.getFile());
    }
    return failed.getMessage() == null ? failed.toString() : failed.getMessage();
  }

  /** Asks all work to stop. */
  void stop() {
    firstFrame();
    List.copyOf(shown).forEach(RunningJob::stop);
    reading.shutdownNow();
    working.shutdownNow();
    prompt.shutdownNow();
    chores.shutdown();
    asking.shutdown();
  }

  /** Waits for what is under way; what only waits for others is left behind. */
  void await() {
    try {
      if (!asking.awaitTermination(3, TimeUnit.SECONDS)
          || !chores.awaitTermination(3, TimeUnit.SECONDS)) {
        asking.shutdownNow();
        chores.shutdownNow();
      }
    } catch (InterruptedException stopped) {
      asking.shutdownNow();
      chores.shutdownNow();
      Thread.currentThread().interrupt();
    }
    worker.close();
  }
}
