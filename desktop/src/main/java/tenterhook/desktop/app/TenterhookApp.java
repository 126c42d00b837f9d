package tenterhook.desktop.app;

import java.nio.file.Path;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.DataFolder;
import tenterhook.adapters.store.CollectionRefused;
import tenterhook.core.job.Progress;
import tenterhook.desktop.shell.Shell;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Opens the collection while a small window says what is going on, then shows the frame. */
public class TenterhookApp extends Application {
  private static final String SIZE = "window";

  private @Nullable Workspace workspace;

  @Override
  public void start(Stage stage) {
    setUserAgentStylesheet(new atlantafx.base.theme.PrimerLight().getUserAgentStylesheet());
    Look.loadFonts();
    Label words = Look.label(Words.of("open.words"), "second");
    ProgressBar bar = new ProgressBar();
    bar.setPrefWidth(420);
    VBox box = new VBox(14, Look.label(Words.of("name"), "wordmark"), bar, words);
    box.getStyleClass().addAll("root", "main");
    box.setAlignment(javafx.geometry.Pos.CENTER);
    Look.apply(box, false);
    stage.setScene(new Scene(box, 1280, 800));
    stage.setTitle(Words.of("name"));
    stage.show();
    Thread.ofPlatform().daemon().start(() -> open(stage, bar, words));
  }

  private void open(Stage stage, ProgressBar bar, Label words) {
    Progress progress = shown(bar, words);
    try {
      MusicCollection collection = collection(progress);
      Platform.runLater(() -> show(stage, collection));
    } catch (CollectionRefused | java.io.IOException | RuntimeException | Error trouble) {
      Platform.runLater(
          () -> {
            bar.setVisible(false);
            words.setWrapText(true);
            Look.data(words, Words.of("open.failed", String.valueOf(trouble.getMessage())));
          });
    }
  }

  private static Progress shown(ProgressBar bar, Label words) {
    return new Progress() {
      @Override
      public void at(long done, long total, String what) {
        Platform.runLater(
            () -> {
              bar.setProgress(total > 0 ? (double) done / total : -1);
              Look.data(words, Words.of("open.at", done, Math.max(done, total), what));
            });
      }

      @Override
      public boolean stopped() {
        return false;
      }
    };
  }

  private MusicCollection collection(Progress progress)
      throws java.io.IOException, CollectionRefused {
    List<String> raw = getParameters().getRaw();
    int at = raw.indexOf("--collection");
    if (isDemo()) {
      Path folder = at >= 0 ? Path.of(raw.get(at + 1)) : DataFolder.ofUser().resolve("demo");
      return StandIns.demo(folder, progress);
    }
    Path folder = at >= 0 ? Path.of(raw.get(at + 1)) : DataFolder.ofUser();
    return MusicCollection.open(folder, InstantSource.system());
  }

  /** Whether the demo is opened, and not the DJ's own collection. */
  protected boolean isDemo() {
    return words().stream().findFirst().filter("demo"::equals).isPresent();
  }

  /** The words of the call that are no options. */
  protected final List<String> words() {
    List<String> words = new ArrayList<>(getParameters().getRaw());
    int at = words.indexOf("--collection");
    if (at >= 0) {
      words.subList(at, Math.min(words.size(), at + 2)).clear();
    }
    words.removeIf(w -> w.startsWith("--"));
    return words;
  }

  private void show(Stage stage, MusicCollection collection) {
    Workspace opened = new Workspace(collection, StandIns.services());
    workspace = opened;
    Shell shell = new Shell(opened);
    Thread.setDefaultUncaughtExceptionHandler(
        (thread, broken) -> {
          Platform.runLater(() -> opened.frame().inform(Words.of("told.broken", broken), true, 0));
        });
    String[] size = collection.setting(SIZE).orElse("1280 800").split(" ");
    stage.getScene().setRoot(shell);
    shell.arriving().watch();
    stage.setWidth(Double.parseDouble(size[0]));
    stage.setHeight(Double.parseDouble(size[1]));
    stage.setOnCloseRequest(
        e ->
            collection.keepSetting(
                SIZE, Math.round(stage.getWidth()) + " " + Math.round(stage.getHeight())));
    opened(opened, shell, stage);
  }

  /** What begins once the frame is shown. */
  protected void opened(Workspace workspace, Shell shell, Stage stage) {
    shell.started();
    workspace.repairs().look();
  }

  @Override
  public void stop() {
    if (workspace != null) {
      workspace.close();
    }
  }
}
