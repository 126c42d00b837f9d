package tenterhook.desktop;

import javafx.application.Application;
import tenterhook.desktop.app.Opening;
import tenterhook.desktop.app.TenterhookApp;

/** Starts the window. Does not extend {@code Application}, so that no module path is needed. */
public final class Main {
  private Main() {}

  /**
   * Starts the window.
   *
   * @param args {@code [--collection DIR]} or {@code demo [--collection DIR]}
   */
  public static void main(String[] args) {
    Opening.begin(args);
    Application.launch(TenterhookApp.class, args);
  }
}
