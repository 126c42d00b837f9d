package tenterhook.desktop.workspace;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** What is wanted within the frame, and what waits for the first one. */
class JobsTest {
  private final List<String> troubles = new CopyOnWriteArrayList<>();
  private final List<String> shown = new ArrayList<>();
  private Jobs jobs;

  @BeforeAll
  static void toolkit() throws Exception {
    FxToolkit.registerPrimaryStage();
  }

  @BeforeEach
  void noJobs() {
    onToolkit(() -> jobs = new Jobs(troubles::add));
  }

  @AfterEach
  void stop() {
    onToolkit(jobs::stop);
  }

  private static void onToolkit(Runnable work) {
    WaitForAsyncUtils.waitForAsyncFx(20_000, work);
    WaitForAsyncUtils.waitForFxEvents();
  }

  private static void await(Callable<Boolean> condition) throws Exception {
    WaitForAsyncUtils.waitFor(60, TimeUnit.SECONDS, condition);
    WaitForAsyncUtils.waitForFxEvents();
  }

  @Test
  void theNewestWishWinsWhateverIsReadyFirst() throws Exception {
    CountDownLatch slow = new CountDownLatch(1);
    onToolkit(
        () -> {
          jobs.promptly(
              this,
              () -> {
                slow.await();
                return "old";
              },
              shown::add);
          jobs.promptly(this, () -> "new", shown::add);
        });
    await(() -> shown.contains("new"));
    assertThat(jobs.upToDate()).as("the old one still runs").isFalse();
    slow.countDown();
    await(jobs::upToDate);
    assertThat(shown).containsExactly("new");
  }

  @Test
  void whatIsSlowIsShownWhenItIsThere() throws Exception {
    CountDownLatch slow = new CountDownLatch(1);
    onToolkit(
        () ->
            jobs.promptly(
                this,
                () -> {
                  slow.await();
                  return "late";
                },
                shown::add));
    assertThat(shown).isEmpty();
    slow.countDown();
    await(jobs::quiet);
    assertThat(shown).containsExactly("late");
  }

  @Test
  void whatFailsIsSaid() throws Exception {
    onToolkit(
        () ->
            jobs.<String>promptly(
                this,
                () -> {
                  throw new IllegalStateException("no such column");
                },
                shown::add));
    await(jobs::quiet);
    assertThat(troubles).singleElement().asString().contains("no such column");
    assertThat(shown).isEmpty();
  }

  @Test
  void choresWaitForTheFirstFrame() throws Exception {
    onToolkit(
        () -> {
          jobs.waitForFirstFrame();
          jobs.chore("watch", false, p -> "watched", shown::add, () -> {});
          jobs.latestOnly(this, () -> "counted", shown::add);
        });
    assertThat(jobs.quiet()).isFalse();
    assertThat(shown).isEmpty();
    onToolkit(jobs::firstFrame);
    await(jobs::quiet);
    assertThat(shown).containsExactlyInAnyOrder("watched", "counted");
  }
}
