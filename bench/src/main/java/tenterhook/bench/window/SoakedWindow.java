package tenterhook.bench.window;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import tenterhook.bench.Measure;
import tenterhook.desktop.app.TenterhookApp;
import tenterhook.desktop.shell.Shell;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.Workspace;

/**
 * The program under random acts, minute after minute: prints every act that held the toolkit's
 * thread for longer than a tenth of a second, the heap of every minute, and what was thrown.
 */
public final class SoakedWindow extends TenterhookApp {
  /** For how many minutes, as a system property. */
  static final String MINUTES = "soak.minutes";

  private static final double LONG = 100;
  private static final String LETTERS = "amber ho genre:ska lantern 19";

  private final PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
  private final Random random = new Random(29);
  private final AtomicInteger thrown = new AtomicInteger();
  private final List<Double> heaps = new ArrayList<>();
  private int acts;
  private int slow;

  /** Something that a DJ does. */
  private record Act(String name, Runnable work) {}

  @Override
  protected void opened(Workspace workspace, Shell shell, Stage stage) {
    super.opened(workspace, shell, stage);
    Thread.setDefaultUncaughtExceptionHandler(
        (thread, broken) -> {
          thrown.incrementAndGet();
          out.println("thrown: " + broken);
        });
    Thread.ofPlatform().daemon().start(() -> soak(workspace, new WindowHand(shell), shell));
  }

  private void soak(Workspace workspace, WindowHand hand, Shell shell) {
    try {
      HeldToolkit held = new HeldToolkit(workspace::quiet);
      held.by(hand::wholeCollection);
      List<Act> all = acts(hand, shell, workspace);
      int minutes = Integer.getInteger(MINUTES, 30);
      for (int minute = 0; minute < minutes; minute++) {
        minute(held, all);
        heaps.add(Measure.heap() / 1e6);
        out.printf(
            Locale.ROOT,
            "minute %d: %.0f MB, %d acts, %d slow%n",
            minute,
            heaps.getLast(),
            acts,
            slow);
      }
      double[] later = heaps.stream().skip(5).mapToDouble(h -> h).toArray();
      out.printf(
          Locale.ROOT,
          "%d acts, %d over %.0f ms, %d thrown; heap after five minutes %.0f to %.0f MB%n",
          acts,
          slow,
          LONG,
          thrown.get(),
          Arrays.stream(later).min().orElse(Double.NaN),
          Arrays.stream(later).max().orElse(Double.NaN));
    } catch (InterruptedException | RuntimeException | Error broken) {
      out.println("broken off: " + broken + ", caused by " + broken.getCause());
    } finally {
      Platform.exit();
    }
  }

  private void minute(HeldToolkit held, List<Act> all) throws InterruptedException {
    long start = System.nanoTime();
    while (HeldToolkit.millis(start) < 60_000) {
      Act act = all.get(random.nextInt(all.size()));
      HeldToolkit.HoldTimes found = held.by(act.work());
      acts++;
      if (found.worst() > LONG) {
        slow++;
        out.printf(Locale.ROOT, "%s: %.0f ms%n", act.name(), found.worst());
      }
    }
  }

  private List<Act> acts(WindowHand hand, Shell shell, Workspace workspace) {
    List<Act> all = new ArrayList<>();
    for (Station station : Station.values()) {
      all.add(new Act("go to " + station.title(), () -> shell.go(station)));
    }
    all.add(new Act("all tracks", hand::wholeCollection));
    all.add(new Act("letter", () -> hand.letter(LETTERS.charAt(random.nextInt(LETTERS.length())))));
    all.add(new Act("clear find", hand::clearFind));
    for (String field : List.of("artist", "title", "bpm")) {
      all.add(inTable(shell, "sort by " + field, () -> hand.sort(field)));
    }
    all.add(inTable(shell, "select all", () -> hand.key(KeyCode.A, "ctrl")));
    all.add(inTable(shell, "choose one", () -> hand.choose(random.nextInt(5))));
    all.add(inTable(shell, "extend", () -> hand.key(KeyCode.DOWN, "shift")));
    all.add(inTable(shell, "page", () -> hand.key(KeyCode.PAGE_DOWN, "")));
    all.add(inTable(shell, "edit panel", shell::edit));
    all.add(inTable(shell, "close panel", () -> hand.pane().closeEdit()));
    all.add(
        inTable(
            shell,
            "rate one",
            () -> {
              hand.choose(random.nextInt(5));
              hand.key(KeyCode.values()[KeyCode.DIGIT1.ordinal() + random.nextInt(5)], "alt");
            }));
    all.add(new Act("undo", workspace::undo));
    return all;
  }

  private static Act inTable(Shell shell, String name, Runnable work) {
    return new Act(
        name,
        () -> {
          if (shell.inView().tracks().filter(p -> !p.rows().isEmpty()).isPresent()) {
            work.run();
          }
        });
  }
}
