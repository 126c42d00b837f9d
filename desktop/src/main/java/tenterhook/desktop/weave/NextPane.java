package tenterhook.desktop.weave;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Polyline;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.store.Store;
import tenterhook.core.arrival.Pace;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.weave.NextStep;
import tenterhook.core.weave.Weave;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.ArrivalsModel;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** What is worth doing next, and how whole the collection became since the first scan. */
final class NextPane extends VBox {
  private static final double WIDTH = 272;

  private final Workspace workspace;
  private final WeaveModel model;
  private final VBox steps = new VBox();
  private final Pane course = new Pane();
  private final Label first = Look.label("", "second", "mono");
  private @Nullable List<Proposal> shownProposals;
  private @Nullable Weave shownWeave;
  private final Label last = Look.label("", "whole", "mono");

  NextPane(Workspace workspace, WeaveModel model) {
    this.workspace = workspace;
    this.model = model;
    getStyleClass().add("side");
    setPrefWidth(WIDTH + 32);
    setMinWidth(WIDTH + 32);
    steps.setId("next-steps");
    steps.getChildren().add(Look.label(Words.of("next.reading"), "empty"));
    course.setPrefHeight(60);
    getChildren()
        .addAll(
            Look.label(Words.of("next.title"), "heading"),
            Look.label(Words.of("next.words"), "second"),
            steps,
            Look.label(Words.of("next.course"), "second"),
            course,
            new HBox(first, Look.spring(), last));
  }

  void refresh() {
    List<Proposal> proposals = workspace.repairs().proposals().get();
    Weave weave = model.weave();
    if (proposals == shownProposals && weave == shownWeave) {
      return; // nothing changed since
    }
    shownProposals = proposals;
    shownWeave = weave;
    workspace.latestOnly(
        this,
        () ->
            new Worth(
                model.nextSteps(proposals),
                ArrivalsModel.pace(workspace.collection()),
                model.completenessHistory()),
        this::show);
  }

  /** Steps, how fast the DJ is, and how whole the collection was. */
  private record Worth(List<NextStep> steps, Pace pace, List<Store.Completeness> history) {}

  private void show(Worth worth) {
    drawHistory(worth.history());
    steps.getChildren().clear();
    worth.steps().forEach(s -> steps.getChildren().add(step(s, worth.pace())));
    if (worth.steps().isEmpty()) {
      steps.getChildren().add(Look.label(Words.of("next.none"), "empty"));
    }
  }

  private HBox step(NextStep step, Pace pace) {
    Label title = Look.dataLabel(title(step), "strong");
    Label words = Look.dataLabel(words(step, pace), "second");
    title.setWrapText(true);
    words.setWrapText(true);
    VBox text = new VBox(1, title, words);
    HBox.setHgrow(text, Priority.ALWAYS);
    String name = step.kind() == NextStep.StepKind.CODES ? "next.code" : "next.look";
    var button = Look.button(Words.of(name), () -> open(step));
    button.setMinWidth(56);
    HBox box = new HBox(text, button);
    box.getStyleClass().add("step");
    return box;
  }

  private static String title(NextStep step) {
    return switch (step.kind()) {
      case LOST_FOLDER -> Words.of("next.lostFolder");
      case LOST_FILES -> Words.of("next.lostFiles", step.holes());
      case REPAIRS -> Words.of("repair.kind." + step.subject());
      case DUPLICATES -> Words.of("next.duplicates", step.decisions());
      case STRAYS -> Words.of("next.strays", step.decisions());
      case CODES ->
          Words.of("next.codes", step.holes(), step.subject().toLowerCase(java.util.Locale.ROOT));
      case FIELD ->
          Words.of(
              "next.field", step.holes(), tenterhook.core.field.Fields.of(step.subject()).label());
    };
  }

  private static String words(NextStep step, Pace pace) {
    return switch (step.kind()) {
      case LOST_FOLDER -> Words.of("next.lostFolderWords", step.holes(), step.subject());
      case LOST_FILES -> Words.of("next.lostFilesWords");
      case REPAIRS -> Words.of("next.repairsWords", step.holes(), step.decisions());
      case DUPLICATES -> Words.of("next.duplicatesWords", step.holes());
      case STRAYS -> Words.of("next.straysWords", step.holes());
      case CODES ->
          pace.measured()
              ? Words.of("next.codesPace", pace.minutesFor(step.holes()))
              : Words.of("next.codesWords");
      case FIELD -> Words.of("next.fieldWords");
    };
  }

  private void open(NextStep step) {
    switch (step.kind()) {
      case LOST_FOLDER, LOST_FILES -> workspace.frame().go(Station.LOST);
      case REPAIRS -> RepairKind.named(step.subject()).ifPresent(workspace.frame()::repair);
      case DUPLICATES -> workspace.frame().go(Station.DUPLICATES);
      case STRAYS, CODES -> workspace.frame().go(Station.CODING);
      case FIELD -> workspace.frame().show(TrackList.of(title(step), step.tracks()));
    }
  }

  private void drawHistory(List<Store.Completeness> points) {
    course.getChildren().clear();
    first.setText(points.isEmpty() ? "" : percent(points.getFirst()));
    double now = model.weave().total().whole();
    last.setText(Words.of("next.percent", (int) Math.floor(now * 100)));
    Polyline line = new Polyline();
    line.getStyleClass().add("course");
    int count = points.size();
    for (int i = 0; i < count; i++) {
      double whole = i == count - 1 ? now : points.get(i).whole();
      line.getPoints().addAll(count == 1 ? 0 : WIDTH * i / (count - 1.0), 52 - 48 * whole);
    }
    if (count == 1) {
      line.getPoints().addAll(WIDTH, 52 - 48 * now);
    }
    course.getChildren().add(line);
  }

  private static String percent(Store.Completeness point) {
    return Words.of("next.percentOn", (int) Math.floor(point.whole() * 100), point.day());
  }
}
