package tenterhook.bench.screenshots;

import javafx.animation.PauseTransition;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.util.Duration;
import tenterhook.desktop.shell.Shell;
import tenterhook.desktop.workspace.Station;

/** What is done before pictures of gigs are taken. */
final class GigShots {
  private static final Duration SHOWN = Duration.millis(400);
  private static final Duration NIGHT_SHOWN = Duration.millis(900);

  private final Shell shell;

  GigShots(Shell shell) {
    this.shell = shell;
  }

  /** The first gig. */
  void gig() {
    shell.go(Station.GIGS);
  }

  /** A form of the station, or the view for the night, by its button. */
  void open(String button) {
    shell.go(Station.GIGS);
    after(
        SHOWN,
        () -> {
          if (shell.lookup(button) instanceof Button form) {
            form.fire();
          }
        });
  }

  /** The last gig on its night, while somebody asks for a piece. */
  void find() {
    shell.go(Station.GIGS);
    if (shell.lookup("#gigs") instanceof ListView<?> gigs) {
      gigs.getSelectionModel().select(gigs.getItems().size() - 1);
    }
    open("#gigs-night");
    after(
        NIGHT_SHOWN,
        () -> {
          if (shell.lookup("#night-find") instanceof TextField find) {
            find.setText("la");
          }
        });
  }

  private static void after(Duration time, Runnable then) {
    PauseTransition pause = new PauseTransition(time);
    pause.setOnFinished(e -> then.run());
    pause.play();
  }
}
