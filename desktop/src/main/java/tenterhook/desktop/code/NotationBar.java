package tenterhook.desktop.code;

import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.layout.HBox;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Notation;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/**
 * How and where codes are written. Another way rewrites all files as one change, after a look at
 * what one of them will read.
 */
final class NotationBar extends HBox {
  private static final List<String> NOTATION_FIELDS =
      List.of("comment", "grouping", "composer", "lyrics");

  private final Workspace workspace;

  NotationBar(Workspace workspace) {
    super(6);
    this.workspace = workspace;
    setAlignment(Pos.CENTER_LEFT);
  }

  void refresh() {
    getChildren()
        .setAll(Look.label(Words.of("codebook.field"), "second"), fields(), styles(), order());
  }

  private Notation now() {
    return workspace.state().get().codebook().notation();
  }

  private ComboBox<String> fields() {
    ComboBox<String> fields = new ComboBox<>();
    fields.setId("notation-field");
    fields.setAccessibleText(Words.of("codebook.field"));
    fields.getItems().setAll(NOTATION_FIELDS);
    fields.setValue(now().field());
    fields.setOnAction(e -> ask(now().in(fields.getValue())));
    return fields;
  }

  private ComboBox<String> styles() {
    ComboBox<String> styles = new ComboBox<>();
    styles.setId("notation-style");
    styles.setAccessibleText(Words.of("codebook.style"));
    for (Notation.Style style : Notation.Style.values()) {
      styles
          .getItems()
          .add(now().in(style).write(Words.of("codebook.ownWords"), List.of("80S", "SKA")));
    }
    styles.getSelectionModel().select(now().style().ordinal());
    styles.setOnAction(
        e -> ask(now().in(Notation.Style.values()[styles.getSelectionModel().getSelectedIndex()])));
    return styles;
  }

  private MenuButton order() {
    Notation n = now();
    MenuButton order = new MenuButton(Words.of("codebook.order"));
    order.setId("notation-order");
    order
        .getItems()
        .addAll(
            item(
                "codebook.alphabetical",
                n.alphabetical(),
                on -> ask(n.ordered(on, n.inFront(), n.upper()))),
            item(
                "codebook.inFront",
                n.inFront(),
                on -> ask(n.ordered(n.alphabetical(), on, n.upper()))),
            item(
                "codebook.upper",
                n.upper(),
                on -> ask(n.ordered(n.alphabetical(), n.inFront(), on))));
    return order;
  }

  private static CheckMenuItem item(String key, boolean on, Consumer<Boolean> chosen) {
    CheckMenuItem item = new CheckMenuItem(Words.of(key));
    item.setSelected(on);
    item.setOnAction(e -> chosen.accept(item.isSelected()));
    return item;
  }

  private void ask(Notation other) {
    CollectionState state = workspace.state().get();
    if (!other.equals(now())) {
      workspace.latestOnly(
          this,
          () -> CodebookEdits.write(state.snapshot(), state.codebook(), other),
          change -> ask(other, change));
    }
  }

  private void ask(Notation other, Change change) {
    String example =
        change.edits().stream()
            .filter(e -> e instanceof Edit.SetField set && set.field() == other.target())
            .map(e -> ((Edit.SetField) e).after())
            .findFirst()
            .orElse(other.write(Words.of("codebook.ownWords"), List.of("80S", "SKA")));
    workspace
        .frame()
        .ask(
            Words.of("codebook.askStyle", change.tracks().getCardinality(), example),
            Words.of("codebook.doStyle", change.tracks().getCardinality()),
            () -> workspace.apply(change));
    refresh(); // what is shown is what holds
  }
}
