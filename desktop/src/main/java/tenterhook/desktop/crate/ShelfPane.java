package tenterhook.desktop.crate;

import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.NeverPlay;
import tenterhook.core.crate.PlacedShelf;
import tenterhook.core.crate.ShelfPath;
import tenterhook.desktop.control.LineWords;
import tenterhook.desktop.control.NeverLine;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What is never played from a shelf, whatever the rules of its crates say. */
final class ShelfPane extends VBox {
  private static final int SAID = 5;

  private final Workspace workspace;
  private final FlowPane banned = new FlowPane(6, 6);
  private final TextField more = new TextField();
  private final Label inherited = Look.dataLabel("", "second");
  private ShelfPath shelf = ShelfPath.of(Words.of("crates.firstShelf"));

  ShelfPane(Workspace workspace) {
    super(6);
    this.workspace = workspace;
    setId("never");
    more.setId("never-more");
    more.setPromptText(Words.of("never.prompt"));
    more.setAccessibleText(Words.of("never.title"));
    more.setPrefColumnCount(26);
    more.getStyleClass().add("mono");
    more.setOnAction(e -> add());
    Button add = Look.button(Words.of("never.add"), this::add);
    add.setId("never-add");
    HBox row = new HBox(8, more, add);
    row.setAlignment(Pos.CENTER_LEFT);
    Label words = Look.label(Words.of("never.words"), "second");
    words.setWrapText(true);
    inherited.setId("never-inherited");
    inherited.setWrapText(true);
    getChildren()
        .addAll(Look.label(Words.of("never.title"), "strong"), words, banned, inherited, row);
  }

  void show(PlacedShelf placed) {
    shelf = placed.path();
    banned.getChildren().clear();
    NeverPlay never = placed.shelf().never();
    never.lines().forEach(l -> banned.getChildren().add(chip(LineWords.of(l), n -> n.minus(l))));
    var snapshot = workspace.state().get().snapshot();
    never.tracks().stream()
        .filter(snapshot::has)
        .forEach(id -> banned.getChildren().add(chip(snapshot.name(id), n -> n.minus(id))));
    if (placed.never().isEmpty()) {
      banned.getChildren().add(Look.label(Words.of("never.nothing"), "second"));
    }
    int above =
        placed.never().lines().size()
            + placed.never().tracks().size()
            - never.lines().size()
            - never.tracks().size();
    inherited.setText(above == 0 ? "" : Words.of("never.inherited", above, words(placed, never)));
    inherited.setVisible(above > 0);
    inherited.setManaged(above > 0);
  }

  /** What the shelves above ban, the first few by name. */
  private String words(PlacedShelf placed, NeverPlay own) {
    var snapshot = workspace.state().get().snapshot();
    return Stream.concat(
            placed.never().lines().stream()
                .filter(l -> !own.lines().contains(l))
                .map(LineWords::of),
            placed.never().tracks().stream()
                .filter(id -> !own.tracks().contains(id) && snapshot.has(id))
                .map(snapshot::name))
        .limit(SAID)
        .collect(Collectors.joining(", "));
  }

  private HBox chip(String words, UnaryOperator<NeverPlay> without) {
    Button remove = Look.button(Words.of("never.remove"), () -> set(words, without), "quiet");
    remove.setAccessibleText(Words.of("never.removeThis", words));
    HBox chip = new HBox(4, Look.dataLabel(words), remove);
    chip.setAlignment(Pos.CENTER_LEFT);
    chip.getStyleClass().add("never-chip");
    return chip;
  }

  private void add() {
    String typed = more.getText().strip();
    if (!typed.isEmpty()) {
      NeverLine.typed(workspace, typed)
          .ifPresent(
              line -> {
                more.clear();
                set(LineWords.of(line), n -> n.plus(line));
              });
    }
  }

  private void set(String what, UnaryOperator<NeverPlay> edit) {
    Crates now = workspace.state().get().crates();
    try {
      Crates after = now.withShelf(shelf.whole(), s -> s.with(edit.apply(s.never())));
      workspace.apply(
          new Change(
              Words.of("change.never", shelf, what),
              true,
              java.util.List.of(new Edit.SetCrates(now, after))));
    } catch (IllegalArgumentException circle) {
      workspace.frame().inform(String.valueOf(circle.getMessage()), true, 0);
    }
  }
}
