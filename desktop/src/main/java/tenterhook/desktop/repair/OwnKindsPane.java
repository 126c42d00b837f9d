package tenterhook.desktop.repair;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** The recipes that are kinds of repairs: their steps, a way to make one, and to give one up. */
final class OwnKindsPane extends VBox {
  private final Workspace workspace;
  private final VBox recipes = new VBox(12);

  OwnKindsPane(Workspace workspace) {
    super(10);
    this.workspace = workspace;
    Label words = Look.label(Words.of("ownKinds.words"), "second");
    words.setWrapText(true);
    var make = Look.button(Words.of("ownKinds.make"), this::make);
    make.setId("own-kinds-make");
    getChildren().addAll(Look.label(Words.of("ownKinds.title"), "strong"), words, recipes, make);
  }

  void refresh() {
    recipes.getChildren().clear();
    workspace
        .repairs()
        .rules()
        .own()
        .texts()
        .forEach((name, steps) -> recipes.getChildren().add(recipe(name, steps)));
  }

  private VBox recipe(String name, String steps) {
    var remove = Look.button(Words.of("ownKinds.remove"), () -> remove(name), "quiet");
    remove.setId("own-kinds-remove");
    Label title = Look.dataLabel(name, "strong");
    title.setMinWidth(0);
    HBox head = new HBox(8, title, Look.spring(), remove);
    head.setAlignment(Pos.CENTER_LEFT);
    Label lines = Look.dataLabel(steps, "second");
    lines.setWrapText(true);
    return new VBox(2, head, lines);
  }

  /** Where steps are tried: on all tracks. */
  private void make() {
    workspace
        .frame()
        .changeMany(
            TrackList.of(Words.of("tracks.whole"), workspace.state().get().snapshot().tracks()));
  }

  private void remove(String name) {
    var rules = workspace.repairs().rules();
    workspace
        .repairs()
        .settle(rules.withOwn(rules.own().minus(name)), Words.of("ownKinds.removed", name));
    refresh();
  }
}
