package tenterhook.desktop.code;

import java.util.Comparator;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Figures;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/**
 * Which figures of each track stand behind its codes: a template, what a real track will read, and
 * the button that writes it.
 */
final class FiguresBar extends HBox {
  private static final double WIDTH = 220;

  private final Workspace workspace;
  private final TextField template = new TextField();
  private final Label example = new Label();
  private final Button write = Look.primary("", this::write);

  /** A template that was tried: what it would change and what a track would read. */
  private record Tried(Change change, String title, String text) {}

  FiguresBar(Workspace workspace) {
    super(8);
    this.workspace = workspace;
    setAlignment(Pos.CENTER_LEFT);
    template.setId("figures-template");
    template.setPrefWidth(WIDTH);
    template.setMinWidth(WIDTH);
    template.setPromptText(Words.of("figures.prompt"));
    template.setAccessibleText(Words.of("figures.title"));
    template.textProperty().addListener((o, before, now) -> look());
    template.setOnAction(e -> write());
    example.setId("figures-example");
    example.getStyleClass().add("second");
    example.setMinWidth(0);
    HBox.setHgrow(example, Priority.ALWAYS);
    write.setId("figures-write");
    write.setMinWidth(USE_PREF_SIZE);
    getChildren()
        .addAll(
            Look.label(Words.of("figures.title"), "second"), template, insert(), example, write);
  }

  private MenuButton insert() {
    MenuButton insert = new MenuButton(Words.of("figures.insert"));
    insert.setId("figures-insert");
    insert.setMinWidth(USE_PREF_SIZE);
    Figures.fields().forEach(f -> insert.getItems().add(Look.named(f.label(), () -> add(f))));
    return insert;
  }

  private void add(Field<?> field) {
    String before = template.getText();
    String blank = before.isEmpty() || before.endsWith(" ") ? "" : " ";
    template.setText(before + blank + "{" + field.key() + "}");
    template.requestFocus();
    template.end();
  }

  private Figures now() {
    return workspace.state().get().codebook().notation().figures();
  }

  /** Shows what holds, unless the DJ is at a template that is not written yet. */
  void refresh() {
    String kept = now().template();
    if (template.isFocused() || template.getText().equals(kept)) {
      look();
    } else {
      template.setText(kept); // which is looked at
    }
  }

  private void look() {
    CollectionState state = workspace.state().get();
    String text = template.getText();
    try {
      now().then(text);
    } catch (IllegalArgumentException wrong) {
      workspace.latestOnly(this, () -> "", nothing -> {});
      show(wrong.getMessage(), true);
      offer(Words.of("figures.write", 0), false);
      return;
    }
    if (text.isBlank() && !now().on()) { // no file need be looked at
      workspace.latestOnly(this, () -> "", nothing -> {});
      show(Words.of("figures.none"), false);
      offer(Words.of("figures.write", 0), false);
      return;
    }
    workspace.latestOnly(this, () -> tried(state, text), this::show);
  }

  private static Tried tried(CollectionState state, String template) {
    Change change = CodebookEdits.figures(state.snapshot(), state.codebook(), template);
    String field = state.codebook().notation().field();
    Optional<Edit.SetField> telling =
        change.edits().stream()
            .filter(e -> e instanceof Edit.SetField set && set.field().key().equals(field))
            .map(Edit.SetField.class::cast)
            .max(Comparator.comparingInt(e -> state.codebook().codesIn(e.after()).size()));
    return new Tried(
        change,
        telling.map(e -> state.snapshot().raw(e.id(), Fields.TITLE)).orElse(""),
        telling.map(Edit.SetField::after).orElse(""));
  }

  private void show(Tried tried) {
    boolean same = tried.change.tracks().isEmpty();
    String words =
        same ? Words.of("figures.same") : Words.of("figures.example", tried.title, tried.text);
    show(words, false);
    int files = tried.change.tracks().getCardinality();
    boolean away = template.getText().isBlank();
    boolean other = !template.getText().strip().equals(now().template());
    offer(Words.of(away ? "figures.away" : "figures.write", files), files > 0 || other);
  }

  private void show(String words, boolean wrong) {
    template.getStyleClass().remove("wrong");
    if (wrong) {
      template.getStyleClass().add("wrong");
    }
    Look.data(example, words);
    Look.tip(example, words);
  }

  private void offer(String words, boolean possible) {
    write.setText(words);
    write.setDisable(!possible);
    write.setVisible(possible);
  }

  private void write() {
    if (!write.isDisabled()) {
      CollectionState state = workspace.state().get();
      String text = template.getText();
      workspace.latestOnly(this, () -> tried(state, text), tried -> workspace.apply(tried.change));
    }
  }
}
