package tenterhook.desktop;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.application.Application;
import tenterhook.desktop.shell.TenterhookApp;

/** Starts the window. Does not extend {@code Application}, so that no module path is needed. */
public final class Main {
  private Main() {}

  /**
   * Starts the window.
   *
   * @param args {@code [--collection DIR]}, {@code demo [DIR]} or {@code pictures [FOLDER [NAME…]]}
   */
  public static void main(String[] args) {
    Application.launch(TenterhookApp.class, args);
  }

  /** The folder for the program's own data. */
  public static Path dataFolder() {
    String data = System.getenv("XDG_DATA_HOME");
    return data == null || data.isBlank()
        ? Path.of(System.getProperty("user.home"), ".local", "share", "tenterhook")
        : Path.of(data, "tenterhook");
  }

  /** The words of a call that are no options. */
  public static List<String> words(List<String> args) {
    List<String> words = new ArrayList<>(args);
    int at = words.indexOf("--collection");
    if (at >= 0) {
      words.subList(at, Math.min(words.size(), at + 2)).clear();
    }
    words.removeIf(w -> w.startsWith("--"));
    return words;
  }
}
