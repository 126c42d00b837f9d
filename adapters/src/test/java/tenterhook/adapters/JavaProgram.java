package tenterhook.adapters;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Starts a class of the tests as a program of its own. */
public final class JavaProgram {
  private JavaProgram() {}

  /**
   * What starts it.
   *
   * @param by a command that starts the program in its turn; empty for none
   * @param main the class
   * @param args its arguments
   */
  public static ProcessBuilder of(List<String> by, Class<?> main, String... args) {
    List<String> command = new ArrayList<>(by);
    command.addAll(
        List.of(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "--enable-native-access=ALL-UNNAMED",
            "-XX:TieredStopAtLevel=1", // it starts sooner
            "-cp",
            System.getProperty("java.class.path"),
            main.getName()));
    command.addAll(List.of(args));
    return new ProcessBuilder(command);
  }
}
