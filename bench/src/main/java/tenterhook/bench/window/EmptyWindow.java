package tenterhook.bench.window;

import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.stage.Stage;

/** A window of the toolkit with one line in it: what any program of its kind must cost. */
public final class EmptyWindow extends Application {
  /** What is said once the first frame stands. */
  static final String READY = "ready";

  @Override
  public void start(Stage stage) {
    Scene scene = new Scene(new Label("Tenterhook"), 1280, 800);
    stage.setScene(scene);
    stage.show();
    sayReady(scene);
  }

  /** Says so after the next frame, and ends the process. */
  static void sayReady(Scene scene) {
    scene.addPostLayoutPulseListener(
        new Runnable() {
          private int frames;

          @Override
          public void run() {
            frames++;
            if (frames == 2) {
              System.out.println(READY);
              System.out.flush();
              Platform.exit();
            }
            scene.getRoot().requestLayout();
          }
        });
    scene.getRoot().requestLayout();
  }
}
