package tenterhook.bench.window;

import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import javafx.application.Application;
import tenterhook.desktop.app.Opening;

/** From the start of a process to its first frame, by processes of their own. */
final class StartTimes {
  /** Nothing is kept from a run before. */
  static final String PLAIN = "-Xshare:auto";

  private static final int ROUNDS = 7;

  private StartTimes() {}

  /**
   * Starts a window in this process.
   *
   * @param args the class of the window and its arguments
   */
  public static void main(String[] args) throws ClassNotFoundException {
    String[] words = Arrays.copyOfRange(args, 1, args.length);
    if (words.length > 0) { // as the program does, before the toolkit starts
      Opening.begin(words);
    }
    Application.launch(Class.forName(args[0]).asSubclass(Application.class), words);
  }

  /**
   * The median time from the start of a process to the frame of a program.
   *
   * @param option {@link #PLAIN}, or that of {@link #trained}, as the launcher has it
   * @param program prints {@link EmptyWindow#READY}
   * @param words its arguments
   * @return seconds
   */
  static double of(String option, Class<? extends Application> program, String... words)
      throws IOException, InterruptedException {
    double[] times = new double[ROUNDS];
    for (int i = 0; i < ROUNDS; i++) {
      times[i] = once(option, program, words);
    }
    Arrays.sort(times);
    return times[ROUNDS / 2];
  }

  /**
   * The option that uses what was kept by a run before, which is made now: the classes, and what
   * was learned of their methods (JEP 514, JEP 515).
   */
  static String trained(Class<? extends Application> program, String... words)
      throws IOException, InterruptedException {
    Path cache = Files.createTempDirectory("start").resolve("classes.aot");
    once("-XX:AOTCacheOutput=" + cache, program, words);
    return "-XX:AOTCache=" + cache;
  }

  /**
   * Runs a program as it is shipped, with what it prints.
   *
   * @param option of {@link #trained}
   */
  static void run(String option, Class<? extends Application> program, String... words)
      throws IOException, InterruptedException {
    new ProcessBuilder(command(option, program, words)).inheritIO().start().waitFor();
  }

  private static double once(String option, Class<? extends Application> program, String... words)
      throws IOException, InterruptedException {
    return untilReady(command(option, program, words));
  }

  private static List<String> command(
      String option, Class<? extends Application> program, String... words) {
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                option,
                "-Xmx2g",
                "-XX:MaxNewSize=128m",
                "-XX:MinHeapFreeRatio=10",
                "-XX:MaxHeapFreeRatio=30",
                "--enable-native-access=ALL-UNNAMED,javafx.graphics",
                "--module-path",
                jars(true),
                "--add-modules",
                "javafx.controls,javafx.swing",
                "-cp",
                jars(false)));
    for (String key : List.of("glass.platform", "prism.order", SoakedWindow.MINUTES)) {
      String value = System.getProperty(key);
      if (value != null) {
        command.add("-D" + key + "=" + value);
      }
    }
    command.addAll(List.of(StartTimes.class.getName(), program.getName()));
    command.addAll(List.of(words));
    return command;
  }

  private static double untilReady(List<String> command) throws IOException, InterruptedException {
    long start = System.nanoTime();
    Process process =
        new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
    double seconds = Double.NaN;
    try (BufferedReader said =
        new BufferedReader(
            new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
      for (String line = said.readLine(); line != null; line = said.readLine()) {
        if (line.equals(EmptyWindow.READY)) {
          seconds = HeldToolkit.millis(start) / 1e3;
        }
      }
    }
    process.waitFor();
    return seconds;
  }

  /** The toolkit stands on the module path, and all else on the class path, as it is shipped. */
  private static String jars(boolean toolkit) {
    return Arrays.stream(System.getProperty("java.class.path").split(File.pathSeparator))
        .filter(j -> toolkit == Path.of(j).getFileName().toString().startsWith("javafx-"))
        .collect(Collectors.joining(File.pathSeparator));
  }
}
