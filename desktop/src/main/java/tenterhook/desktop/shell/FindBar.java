package tenterhook.desktop.shell;

import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.find.Query;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** The find field with its scope as a chip. The scope changes by a click on the chip alone. */
final class FindBar extends VBox {
  private final Workspace workspace;
  private final Supplier<Optional<TrackPane>> inView;
  private final Runnable openWhole;
  private final TextField field = new TextField();
  private final Label trouble = Look.label("", "hole");
  private final Button chip;
  private boolean clearing;

  FindBar(Workspace workspace, Supplier<Optional<TrackPane>> inView, Runnable openWhole) {
    super(2);
    this.workspace = workspace;
    this.inView = inView;
    this.openWhole = openWhole;
    field.setId("find");
    field.setPromptText(Words.of("find.prompt"));
    field.setAccessibleText(Words.of("find.prompt"));
    chip = Look.button("", this::widen, "chip");
    chip.setId("scope");
    trouble.setId("find-trouble");
    trouble.setWrapText(true);
    trouble.setMaxWidth(420);
    trouble.setManaged(false);
    HBox row = new HBox(6, chip, field);
    row.setAlignment(javafx.geometry.Pos.CENTER_RIGHT);
    getChildren().addAll(row, trouble);
    setAlignment(javafx.geometry.Pos.TOP_RIGHT);
    listen();
  }

  private void listen() {
    field
        .textProperty()
        .addListener(
            (o, before, after) -> {
              if (!clearing) {
                run();
              }
            });
    field.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            leave();
            e.consume();
          } else if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.DOWN) {
            inView.get().ifPresent(p -> p.table().requestFocus());
            e.consume();
          }
        });
  }

  TextField field() {
    return field;
  }

  /** Another list came into view: the field starts anew, the chip says what it searches. */
  void viewChanged() {
    clearing = true;
    field.clear();
    clearing = false;
    inView.get().ifPresent(p -> p.find(Query.ALL));
    good();
    scope();
  }

  /** Says what is searched. */
  void scope() {
    boolean whole = inView.get().map(p -> p.list().whole()).orElse(true);
    chip.setText(Words.of(whole ? "find.whole" : "find.list"));
    Look.tip(chip, Words.of(whole ? "find.wholeTip" : "find.listTip"));
  }

  private void widen() {
    String text = field.getText();
    openWhole.run();
    field.setText(text);
    field.requestFocus();
  }

  private void run() {
    String text = field.getText();
    if (inView.get().isEmpty() && !text.isBlank()) {
      clearing = true;
      openWhole.run();
      field.setText(text);
      field.requestFocus();
      field.positionCaret(text.length());
      clearing = false;
    }
    switch (FindParser.parse(text, workspace.state().get().codebook())) {
      case Parsed.Good good -> {
        good();
        inView.get().ifPresent(p -> p.find(good.query()));
      }
      case Parsed.Bad bad -> {
        trouble.setText(Words.of("find.trouble", bad.position() + 1, bad.message()));
        trouble.setManaged(true);
        trouble.setVisible(true);
        if (!field.getStyleClass().contains("wrong")) {
          field.getStyleClass().add("wrong");
        }
      }
    }
    scope();
  }

  private void good() {
    trouble.setText("");
    trouble.setManaged(false);
    trouble.setVisible(false);
    field.getStyleClass().remove("wrong");
  }

  private void leave() {
    clearing = true;
    field.clear();
    clearing = false;
    good();
    inView
        .get()
        .ifPresent(
            p -> {
              p.find(Query.ALL);
              p.table().requestFocus();
            });
  }
}
