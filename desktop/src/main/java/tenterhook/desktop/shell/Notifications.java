package tenterhook.desktop.shell;

import java.util.function.Consumer;
import javafx.animation.PauseTransition;
import javafx.collections.ListChangeListener;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.RunningJob;
import tenterhook.desktop.workspace.Workspace;

/** The lines under the rail: jobs that run, what was done, and questions. None of them blocks. */
final class Notifications extends VBox {
  private static final Duration STAY = Duration.seconds(12);

  private final Workspace workspace;
  private final VBox jobs = new VBox();
  private final VBox told = new VBox();
  private final VBox asked = new VBox();
  private final PauseTransition fade = new PauseTransition(STAY);

  Notifications(Workspace workspace) {
    this.workspace = workspace;
    getChildren().addAll(jobs, told, asked);
    fade.setOnFinished(e -> told.getChildren().clear());
    workspace
        .jobs()
        .addListener(
            (ListChangeListener<RunningJob>)
                c -> {
                  jobs.getChildren().clear();
                  workspace.jobs().forEach(j -> jobs.getChildren().add(line(j)));
                });
  }

  private HBox line(RunningJob job) {
    Label words = Look.label("", "second");
    words.textProperty().bind(job.words());
    ProgressBar bar = new ProgressBar();
    bar.progressProperty().bind(job.share());
    bar.setPrefWidth(260);
    HBox line =
        new HBox(bar, words, Look.spring(), Look.button(Words.of("job.stop"), job::stop, "quiet"));
    line.getStyleClass().add("job");
    return line;
  }

  void show(String words, boolean trouble, long change) {
    Label label = Look.dataLabel(words);
    label.setId("told");
    label.setWrapText(true);
    HBox line = new HBox(label, Look.spring());
    line.getStyleClass().add("told");
    if (trouble) {
      line.getStyleClass().add("trouble");
    }
    if (change > 0) {
      line.getChildren()
          .add(Look.button(Words.of("told.undo"), () -> workspace.undo(change), "quiet"));
    }
    line.getChildren()
        .add(Look.button(Words.of("told.close"), () -> told.getChildren().clear(), "quiet"));
    told.getChildren().setAll(line);
    fade.playFromStart();
  }

  void ask(String question, String button, Runnable yes) {
    var go =
        Look.primary(
            button,
            () -> {
              asked.getChildren().clear();
              yes.run();
            });
    go.setId("answer");
    question(question, go);
    go.requestFocus();
  }

  void askText(
      String question, String now, String button, boolean mayBeEmpty, Consumer<String> answer) {
    TextField field = new TextField(now);
    field.setId("answer-text");
    field.setPrefWidth(280);
    Runnable take =
        () -> {
          if (mayBeEmpty || !field.getText().isBlank()) {
            asked.getChildren().clear();
            answer.accept(field.getText().strip());
          }
        };
    field.setOnAction(e -> take.run());
    var go = Look.primary(button, take);
    go.setId("answer");
    question(question, field, go);
    field.requestFocus();
    field.selectAll();
  }

  private void question(String question, javafx.scene.Node... answers) {
    Label words = Look.dataLabel(question);
    words.setId("question");
    words.setWrapText(true);
    HBox line = new HBox(words);
    line.getStyleClass().add("told");
    line.getChildren().addAll(answers);
    line.getChildren()
        .addAll(Look.spring(), Look.button(Words.of("ask.no"), this::dismiss, "quiet"));
    asked.getChildren().setAll(line);
  }

  /** Whether words are read from afar. */
  void large(boolean on) {
    getStyleClass().remove("large-type");
    if (on) {
      getStyleClass().add("large-type");
    }
  }

  /** Takes the question away without an answer. */
  void dismiss() {
    asked.getChildren().clear();
  }
}
