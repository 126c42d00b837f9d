package tenterhook.bench.window;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import tenterhook.bench.Measure;
import tenterhook.desktop.shell.Shell;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.Workspace;

/** The program, driven through what a DJ does; it ends when all is measured and printed. */
public final class DrivenWindow extends MeasuredWindow {
  private static final int ROUNDS = 9;
  private static final int SCROLLED = 5;
  private static final int MEASURED = 5000;

  @Override
  void drive(Workspace workspace, Shell shell, HeldToolkit held)
      throws InterruptedException, IOException {
    held.by(() -> {});
    head("held, milliseconds");
    WindowHand hand = new WindowHand(shell);
    acts(held, hand, shell);
    scrolling(held, hand, workspace);
    memory();
  }

  private void acts(HeldToolkit held, WindowHand hand, Shell shell) throws InterruptedException {
    for (Station station : List.of(Station.ARRIVALS, Station.REPAIRS, Station.DUPLICATES)) {
      repeat(
          held, "go to " + station.title(), () -> shell.go(station), () -> shell.go(Station.WEAVE));
    }
    repeat(held, "all tracks", hand::wholeCollection, () -> shell.go(Station.WEAVE));
    held.by(hand::wholeCollection);
    typing(held, hand, "amber ho");
    typing(held, hand, "genre:ska year:1980..1989");
    for (String field : List.of("artist", "title", "bpm")) {
      repeat(
          held,
          "sort by " + field,
          () -> hand.sort(field),
          () -> hand.table().getSortOrder().clear());
    }
    repeat(held, "select all", () -> hand.key(KeyCode.A, "ctrl"), () -> hand.choose(3));
    repeat(
        held,
        "choose one row after select all",
        () -> hand.choose(5),
        () -> hand.key(KeyCode.A, "ctrl"));
    held.by(() -> hand.key(KeyCode.A, "ctrl"));
    repeat(held, "edit panel on all", shell::edit, () -> hand.pane().closeEdit());
    held.by(() -> hand.choose(7));
    int[] times = {0};
    repeat(
        held,
        "rate one track",
        () -> hand.key(KeyCode.values()[KeyCode.DIGIT1.ordinal() + times[0]++ % 5], "alt"),
        () -> {});
    repeat(held, "page down", () -> hand.key(KeyCode.PAGE_DOWN, ""), () -> {});
  }

  private void scrolling(HeldToolkit held, WindowHand hand, Workspace workspace)
      throws InterruptedException {
    held.by(() -> hand.choose(0));
    Runnable down = () -> hand.key(KeyCode.DOWN, "");
    print("arrow held down", FrameRate.whileHeld(down, SCROLLED));
    print("page held down", FrameRate.whileHeld(() -> hand.key(KeyCode.PAGE_DOWN, ""), SCROLLED));
    Platform.runLater(
        () ->
            workspace
                .measuring()
                .measure(workspace.state().get().snapshot().tracks().limit(MEASURED)));
    print("arrow held down, measuring beside", FrameRate.whileHeld(down, SCROLLED));
    Platform.runLater(() -> workspace.jobs().forEach(job -> job.stop()));
  }

  private void typing(HeldToolkit held, WindowHand hand, String text) throws InterruptedException {
    List<HeldToolkit.HoldTimes> all = new ArrayList<>();
    for (int round = 0; round < ROUNDS; round++) {
      for (char letter : text.toCharArray()) {
        all.add(held.by(() -> hand.letter(letter)));
      }
      held.by(hand::clearFind);
    }
    print("a letter of " + text, all);
  }

  private void repeat(HeldToolkit held, String name, Runnable act, Runnable back)
      throws InterruptedException {
    List<HeldToolkit.HoldTimes> all = new ArrayList<>();
    for (int round = 0; round < ROUNDS; round++) {
      held.by(back);
      all.add(held.by(act));
    }
    print(name, all);
  }

  private void memory() throws IOException {
    String resident =
        Files.exists(Path.of("/proc/self/status"))
            ? String.join(
                ", ",
                Files.readAllLines(Path.of("/proc/self/status")).stream()
                    .filter(l -> l.startsWith("VmRSS") || l.startsWith("VmHWM"))
                    .map(l -> l.replaceAll("\\s+", " "))
                    .toList())
            : "";
    out.printf(Locale.ROOT, "heap after collection %.0f MB; %s%n", Measure.heap() / 1e6, resident);
  }
}
