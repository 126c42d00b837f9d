package tenterhook.bench;

import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
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
import tenterhook.desktop.shell.Shell;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** The program, which says on standard output where its window shows a field of some label. */
public final class NewFieldWindow {
  private static final Duration LOOK_AGAIN = Duration.millis(50);
  private static final int LOOKS = 600;

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
      when(workspace::quiet, () -> table(workspace, shell, label, key));
    }
  }

  /** Goes on once that holds, and after half a minute anyway: what is said then fails the test. */
  private static void when(BooleanSupplier holds, Runnable next) {
    when(holds, next, LOOKS);
  }

  private static void when(BooleanSupplier holds, Runnable next, int looks) {
    PauseTransition pause = new PauseTransition(LOOK_AGAIN);
    pause.setOnFinished(
        e -> {
          if (holds.getAsBoolean() || looks == 0) {
            next.run();
          } else {
            when(holds, next, looks - 1);
          }
        });
    pause.play();
  }

  private static void table(Workspace workspace, Shell shell, String label, String key) {
    shell.show(TrackList.of("all", workspace.state().get().snapshot().tracks()));
    TrackPane pane = shell.inView().tracks().orElseThrow();
    when(
        () -> workspace.quiet() && !pane.table().getItems().isEmpty(),
        () -> columns(workspace, shell, pane, label, key));
  }

  private static void columns(
      Workspace workspace, Shell shell, TrackPane pane, String label, String key) {
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
    when(() -> !edited(shell, key).isEmpty(), () -> panel(workspace, shell, label, key));
  }

  private static Stream<MenuItem> withinMenus(MenuItem item) {
    return item instanceof Menu menu
        ? menu.getItems().stream().flatMap(NewFieldWindow::withinMenus)
        : Stream.of(item);
  }

  private static void panel(Workspace workspace, Shell shell, String label, String key) {
    say("edit panel", edited(shell, key));
    shell.go(Station.CRATES);
    when(() -> crates(shell).getItems().size() > 1, () -> rule(shell, label));
  }

  private static String edited(Shell shell, String key) {
    return shell.lookup("#edit-" + key) instanceof TextField field ? field.getText() : "";
  }

  private static ListView<?> crates(Shell shell) {
    return shell.lookup("#crates") instanceof ListView<?> list ? list : new ListView<>();
  }

  private static void rule(Shell shell, String label) {
    crates(shell).getSelectionModel().select(1);
    when(
        () -> !fieldOfRule(shell, label).isEmpty(),
        () -> {
          say("rule line", fieldOfRule(shell, label));
          Platform.exit();
        });
  }

  private static String fieldOfRule(Shell shell, String label) {
    return shell.lookupAll(".combo-box").stream()
        .map(n -> ((ComboBox<?>) n).getItems())
        .filter(items -> List.copyOf(items).contains(label))
        .map(items -> label)
        .findFirst()
        .orElse("");
  }

  private static void say(String where, String what) {
    System.out.println(where + ": " + what);
  }
}
