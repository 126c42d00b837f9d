package tenterhook.bench.window;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.ToDoubleFunction;
import javafx.application.Platform;
import javafx.stage.Stage;
import tenterhook.desktop.app.TenterhookApp;
import tenterhook.desktop.shell.Shell;
import tenterhook.desktop.workspace.Workspace;

/** The program, driven through acts that are measured; it ends when all is printed. */
abstract class MeasuredWindow extends TenterhookApp {
  final PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);

  @Override
  protected void opened(Workspace workspace, Shell shell, Stage stage) {
    super.opened(workspace, shell, stage);
    Thread.ofPlatform().daemon().start(() -> driven(workspace, shell));
  }

  private void driven(Workspace workspace, Shell shell) {
    try {
      drive(workspace, shell, new HeldToolkit(workspace::quiet));
    } catch (InterruptedException | IOException | RuntimeException | Error broken) {
      out.println("broken off: " + broken + ", caused by " + broken.getCause());
    } finally {
      Platform.exit();
    }
  }

  /** Does what is to be measured, on a thread of its own. */
  abstract void drive(Workspace workspace, Shell shell, HeldToolkit held)
      throws InterruptedException, IOException;

  /** The head of what {@link #print(String, List)} prints. */
  void head(String name) {
    out.printf(
        "%-52s %9s %9s %9s %9s %9s%n", name, "median", "p95", "worst", "computed", "settled");
  }

  /**
   * The longest holds of an act done many times, the worst by the thread's own processor time, and
   * the median until it was settled.
   */
  void print(String name, List<HeldToolkit.HoldTimes> all) {
    double[] worst = sorted(all, HeldToolkit.HoldTimes::worst);
    double[] settled = sorted(all, HeldToolkit.HoldTimes::settled);
    out.printf(
        Locale.ROOT,
        "%-52s %9.1f %9.1f %9.1f %9.1f %9.1f%n",
        name,
        worst[worst.length / 2],
        worst[(int) (worst.length * 0.95)],
        worst[worst.length - 1],
        all.stream().mapToDouble(HeldToolkit.HoldTimes::computed).max().orElse(0),
        settled[settled.length / 2]);
  }

  private static double[] sorted(
      List<HeldToolkit.HoldTimes> all, ToDoubleFunction<HeldToolkit.HoldTimes> figure) {
    double[] sorted = all.stream().mapToDouble(figure).toArray();
    Arrays.sort(sorted);
    return sorted;
  }

  /** The frames while a key was held down. */
  void print(String name, FrameRate.Frames frames) {
    out.printf(
        Locale.ROOT,
        "%-52s %9.1f frames a second, worst gap %.1f ms%n",
        name,
        frames.second(),
        frames.worst());
  }
}
