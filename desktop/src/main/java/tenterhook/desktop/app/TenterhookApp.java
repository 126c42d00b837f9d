package tenterhook.desktop.app;

import java.util.List;
import javafx.animation.AnimationTimer;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.desktop.shell.Shell;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/**
 * Shows the frame as soon as the collection is open; a small window says what is going on when that
 * takes longer than a moment.
 */
public class TenterhookApp extends Application {
  private static final String SIZE = "window";
  private static final Duration MOMENT = Duration.millis(400);

  private final ProgressBar bar = new ProgressBar();
  private final Label words = Look.label(Words.of("open.words"), "second");
  private final PauseTransition moment = new PauseTransition(MOMENT);
  private @Nullable Opening opening;
  private @Nullable Workspace workspace;

  @Override
  public void start(Stage stage) {
    Opening begun = Opening.of(getParameters().getRaw(), isDemo());
    opening = begun;
    setUserAgentStylesheet(new atlantafx.base.theme.PrimerLight().getUserAgentStylesheet());
    Look.loadFonts();
    stage.setTitle(Words.of("name"));
    Scene waiting = waiting();
    AnimationTimer progress =
        new AnimationTimer() {
          @Override
          public void handle(long now) {
            say(begun.at());
          }
        };
    moment.setOnFinished(
        e -> {
          stage.setScene(waiting);
          stage.show();
          progress.start();
        });
    moment.play();
    begun
        .result()
        .whenComplete(
            (opened, trouble) ->
                Platform.runLater(
                    () -> {
                      moment.stop();
                      progress.stop();
                      if (trouble == null) {
                        show(stage, opened);
                      } else {
                        showTrouble(stage, waiting, Opening.cause(trouble));
                      }
                    }));
  }

  /** What is shown while the collection is opened; styled at once, which the frame profits from. */
  private Scene waiting() {
    bar.setPrefWidth(420);
    VBox box = new VBox(14, Look.label(Words.of("name"), "wordmark"), bar, words);
    box.getStyleClass().addAll("root", "main");
    box.setAlignment(Pos.CENTER);
    Look.apply(box, false);
    Scene scene = new Scene(box, 1280, 800);
    box.applyCss();
    box.layout();
    return scene;
  }

  private void say(Opening.OpeningProgress at) {
    if (!at.what().isEmpty()) {
      bar.setProgress(at.total() > 0 ? (double) at.done() / at.total() : -1);
      Look.data(words, Words.of("open.at", at.done(), Math.max(at.done(), at.total()), at.what()));
    }
  }

  private void showTrouble(Stage stage, Scene waiting, Throwable trouble) {
    stage.setScene(waiting);
    stage.show();
    bar.setVisible(false);
    words.setWrapText(true);
    Look.data(words, Words.of("open.failed", String.valueOf(trouble.getMessage())));
  }

  /** Whether the demo is opened, and not the DJ's own collection. */
  protected boolean isDemo() {
    return Opening.isDemo(getParameters().getRaw());
  }

  /** The words of the call that are no options. */
  protected final List<String> words() {
    return Opening.plain(getParameters().getRaw());
  }

  private void show(Stage stage, Opening.Opened opening) {
    MusicCollection collection = opening.collection();
    Workspace opened = new Workspace(collection, StandIns.services());
    workspace = opened;
    opened.waitForFirstFrame();
    Shell shell = new Shell(opened, opening.weave());
    Thread.setDefaultUncaughtExceptionHandler(
        (thread, broken) -> {
          Platform.runLater(() -> opened.frame().inform(Words.of("told.broken", broken), true, 0));
        });
    String[] size = collection.setting(SIZE).orElse("1280 800").split(" ");
    if (stage.getScene() == null) {
      stage.setScene(new Scene(shell));
    } else {
      stage.getScene().setRoot(shell);
    }
    stage.setWidth(Double.parseDouble(size[0]));
    stage.setHeight(Double.parseDouble(size[1]));
    afterNextFrame(shell.getScene(), opened::firstFrame);
    stage.show();
    stage.setOnCloseRequest(
        e ->
            opened.keepSetting(
                SIZE, Math.round(stage.getWidth()) + " " + Math.round(stage.getHeight())));
    opened(opened, shell, stage);
  }

  /** The first pulse lays the frame out, the second one shows it. */
  private static void afterNextFrame(Scene scene, Runnable then) {
    scene.addPostLayoutPulseListener(
        new Runnable() {
          private int pulses;

          @Override
          public void run() {
            pulses++;
            if (pulses == 2) {
              scene.removePostLayoutPulseListener(this);
              then.run();
            } else {
              Platform.requestNextPulse();
            }
          }
        });
  }

  /** What begins once the frame is shown. */
  protected void opened(Workspace workspace, Shell shell, Stage stage) {
    shell.arriving().watch();
    shell.started();
  }

  @Override
  public void stop() {
    if (workspace != null) {
      workspace.close();
    } else if (opening != null) {
      opening.closeIfOpened();
    }
  }
}
