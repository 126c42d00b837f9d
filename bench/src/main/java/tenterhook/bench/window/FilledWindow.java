package tenterhook.bench.window;

import javafx.scene.control.ListView;
import javafx.stage.Stage;
import tenterhook.desktop.app.TenterhookApp;
import tenterhook.desktop.shell.Shell;
import tenterhook.desktop.workspace.Workspace;

/** The program, which ends as soon as a frame with a filled Weave stands. */
public final class FilledWindow extends TenterhookApp {
  @Override
  protected void opened(Workspace workspace, Shell shell, Stage stage) {
    super.opened(workspace, shell, stage);
    if (((ListView<?>) shell.lookup("#weave-rows")).getItems().isEmpty()) {
      throw new IllegalStateException("the Weave is empty");
    }
    EmptyWindow.sayReady(stage.getScene());
  }
}
