package tenterhook.bench;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.ListView;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.stage.Stage;
import javafx.util.Duration;
import tenterhook.desktop.app.TenterhookApp;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.crate.CratesView;
import tenterhook.desktop.shell.Shell;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** The program, which says on standard output where its window shows a field of some label. */
public final class NewFieldWindow {
  private static final Duration SETTLE = Duration.millis(1500);

  private NewFieldWindow() {}

  /** Arguments: the label and the key of the field, then those of the program. */
  public static void main(String[] args) {
    Application.launch(Watched.class, args);
  }

  /** The program, looked at once its frame is shown and the files were read again. */
  public static final class Watched extends TenterhookApp {
    @Override
    protected void opened(Workspace workspace, Shell shell, Stage stage) {
      super.opened(workspace, shell, stage);
      String label = words().getFirst();
      String key = words().get(1);
      after(() -> table(workspace, shell, label, key));
    }
  }

  private static void after(Runnable next) {
    PauseTransition pause = new PauseTransition(SETTLE);
    pause.setOnFinished(e -> next.run());
    pause.play();
  }

  private static void table(Workspace workspace, Shell shell, String label, String key) {
    shell.show(TrackList.of("all", workspace.state().get().snapshot().tracks()));
    TrackPane pane = shell.inView().tracks().orElseThrow();
    ContextMenu menu = pane.table().getContextMenu();
    menu.getOnShowing().handle(null);
    say(
        "column choice",
        menu.getItems().stream()
            .flatMap(NewFieldWindow::withinMenus)
            .map(MenuItem::getText)
            .filter(label::equals)
            .collect(Collectors.joining()));
    say(
        "column",
        pane.table().getColumns().stream()
            .map(c -> c.getText())
            .filter(label::equals)
            .collect(Collectors.joining()));
    pane.table().getSelectionModel().select(0);
    pane.openEdit();
    after(() -> panel(workspace, shell, label, key));
  }

  private static Stream<MenuItem> withinMenus(MenuItem item) {
    return item instanceof Menu menu
        ? menu.getItems().stream().flatMap(NewFieldWindow::withinMenus)
        : Stream.of(item);
  }

  private static void panel(Workspace workspace, Shell shell, String label, String key) {
    Node input = shell.lookup("#edit-" + key);
    say("edit panel", input instanceof TextField field ? field.getText() : "");
    shell.go(Station.CRATES);
    after(() -> rule(workspace, shell, label));
  }

  private static void rule(Workspace workspace, Shell shell, String label) {
    if (shell.inView() instanceof CratesView
        && shell.lookup("#crates") instanceof ListView<?> list) {
      list.getSelectionModel().select(1);
    }
    after(
        () -> {
          say(
              "rule line",
              shell.lookupAll(".combo-box").stream()
                  .map(n -> ((ComboBox<?>) n).getItems())
                  .filter(items -> List.copyOf(items).contains(label))
                  .map(items -> label)
                  .findFirst()
                  .orElse(""));
          Platform.exit();
        });
  }

  private static void say(String where, String what) {
    System.out.println(where + ": " + what);
  }
}
