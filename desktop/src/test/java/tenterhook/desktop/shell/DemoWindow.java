package tenterhook.desktop.shell;

import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.Scene;
import javafx.stage.Stage;
import org.testfx.api.FxToolkit;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.job.Progress;
import tenterhook.desktop.app.StandIns;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.workspace.Workspace;
import tenterhook.standins.demo.DemoCollection;

/** The window with the demo in it, opened once for all tests. */
final class DemoWindow {
  private static DemoWindow opened;

  final Path folder;
  final MusicCollection collection;
  Workspace workspace;
  Shell shell;

  private DemoWindow() throws Exception {
    folder = Files.createTempDirectory(Files.createDirectories(Path.of("target")), "window");
    collection = DemoCollection.open(folder.resolve("demo"), 100, Progress.SILENT);
    Stage stage = FxToolkit.registerPrimaryStage();
    FxToolkit.setupFixture(
        () -> {
          Look.loadFonts();
          workspace = new Workspace(collection, StandIns.services());
          shell = new Shell(workspace);
          stage.setScene(new Scene(shell, 1280, 800));
          stage.show();
        });
  }

  static synchronized DemoWindow get() throws Exception {
    if (opened == null) {
      opened = new DemoWindow();
    }
    return opened;
  }
}
