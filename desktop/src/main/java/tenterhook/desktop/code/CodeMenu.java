package tenterhook.desktop.code;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.desktop.control.CodeDrop;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** A code of the codebook and what can be done with it. */
final class CodeMenu {
  private final Workspace workspace;

  CodeMenu(Workspace workspace) {
    this.workspace = workspace;
  }

  /** A code with its meaning and count; its menu opens by a click. */
  MenuButton button(Code code, int count) {
    Label token = Look.label(code.token(), "code");
    HBox face =
        new HBox(
            6, token, Look.dataLabel(code.meaning()), Look.label(String.valueOf(count), "second"));
    face.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    MenuButton button = new MenuButton("", face);
    button.setId("entry-" + code.token());
    button.setAccessibleText(Words.of("codebook.code", code.token(), code.meaning(), count));
    button.getItems().setAll(choices(code, count));
    CodeDrop.onto(button, workspace, () -> Optional.of(code.token()).filter(t -> !code.retired()));
    return button;
  }

  private List<MenuItem> choices(Code code, int count) {
    return List.of(
        choice("codebook.rename", () -> rename(code)),
        choice("codebook.meaning", () -> askMeaning(code)),
        choice("codebook.rule", () -> askRule(code)),
        choice("codebook.key", () -> askKey(code)),
        choice("codebook.forward", () -> move(code, -1)),
        choice("codebook.backward", () -> move(code, 1)),
        choice("codebook.synonyms", () -> askSynonyms(code)),
        choice(code.retired() ? "codebook.giveAgain" : "codebook.retire", () -> retire(code)),
        merge(code),
        choice("codebook.split", () -> askSplit(code)),
        move(code),
        choice("codebook.remove", () -> remove(code, count)));
  }

  private static MenuItem choice(String key, Runnable action) {
    return Look.named(Words.of(key), action);
  }

  private void retire(Code code) {
    set(
        Words.of("change.retire", code.token()),
        () -> book().withCode(code.token(), c -> c.retired(!c.retired())));
  }

  private Menu merge(Code code) {
    Menu merge = new Menu(Words.of("codebook.merge"));
    book().tokens().stream()
        .filter(t -> !t.equals(code.token()))
        .forEach(t -> merge.getItems().add(Look.named(t, () -> merge(code, t))));
    return merge;
  }

  private Menu move(Code code) {
    Menu move = new Menu(Words.of("codebook.move"));
    book().facets().stream()
        .filter(f -> f.code(code.token()).isEmpty())
        .forEach(f -> move.getItems().add(Look.named(f.name(), () -> move(code, f))));
    return move;
  }

  private void move(Code code, int by) {
    Facet facet = book().facetOf(code.token()).orElseThrow();
    set(
        Words.of("change.moveCode", code.token()),
        () -> book().with(facet.name(), f -> f.moved(code.token(), by)));
  }

  private void askMeaning(Code code) {
    workspace
        .frame()
        .askWords(
            Words.of("codebook.askMeaning", code.token()),
            code.meaning(),
            Words.of("codebook.meaning"),
            text ->
                set(
                    Words.of("change.meaning", code.token()),
                    () -> book().withCode(code.token(), c -> c.meaning(text))));
  }

  private static List<String> words(String text) {
    return List.of(text.strip().split("\\s+")).stream().filter(w -> !w.isEmpty()).toList();
  }

  private void askSynonyms(Code code) {
    workspace
        .frame()
        .askWords(
            Words.of("codebook.askSynonyms", code.token()),
            String.join(" ", code.synonyms()),
            Words.of("codebook.synonyms"),
            text ->
                set(
                    Words.of("change.synonyms", code.token()),
                    () -> book().withCode(code.token(), c -> c.alsoRead(words(text)))));
  }

  /** The new code first, then which of the tracks get it, in the find language. */
  private void askSplit(Code code) {
    workspace
        .frame()
        .askText(
            Words.of("codebook.askSplit", code.token()),
            "",
            Words.of("codebook.split"),
            text -> {
              String[] parts = text.strip().split("\\s+", 2);
              switch (FindParser.parse(parts.length > 1 ? parts[1] : "", book())) {
                case Parsed.Bad bad -> workspace.frame().inform(bad.message(), true, 0);
                case Parsed.Good good ->
                    guarded(
                        () ->
                            workspace.apply(
                                CodebookEdits.split(
                                    workspace.state().get().snapshot(),
                                    book(),
                                    code.token(),
                                    new Code(parts[0], ""),
                                    workspace.contents().finder().find(good.query()))));
              }
            });
  }

  private void askRule(Code code) {
    workspace
        .frame()
        .askWords(
            Words.of("codebook.askRule", code.token()),
            code.rule(),
            Words.of("codebook.rule"),
            text -> {
              if (FindParser.parse(text, book()) instanceof Parsed.Bad bad) {
                workspace.frame().inform(bad.message(), true, 0);
              } else {
                set(
                    Words.of("change.derive", code.token()),
                    () -> book().withCode(code.token(), c -> c.by(text.strip())));
              }
            });
  }

  private void askKey(Code code) {
    workspace
        .frame()
        .askWords(
            Words.of("codebook.askKey", code.token()),
            code.key(),
            Words.of("codebook.key"),
            text ->
                set(
                    Words.of("change.key", code.token()),
                    () -> book().withCode(code.token(), c -> c.onKey(text.strip()))));
  }

  private void merge(Code code, String into) {
    var state = workspace.state().get();
    Change change =
        CodebookEdits.merge(state.snapshot(), book(), state.holders(), code.token(), into);
    workspace
        .frame()
        .ask(
            Words.of("codebook.askMerge", code.token(), into, change.tracks().getCardinality()),
            Words.of("codebook.doMerge", into),
            () -> workspace.apply(change));
  }

  private void move(Code code, Facet to) {
    var state = workspace.state().get();
    workspace.apply(
        CodebookEdits.move(state.snapshot(), book(), state.holders(), code.token(), to.name()));
  }

  private void rename(Code code) {
    workspace
        .frame()
        .askText(
            Words.of("codebook.askRename", code.token()),
            code.token(),
            Words.of("codebook.rename"),
            other ->
                guarded(
                    () ->
                        workspace.apply(
                            CodebookEdits.rename(
                                workspace.state().get().snapshot(),
                                book(),
                                workspace.state().get().holders(),
                                code.token(),
                                other))));
  }

  private void remove(Code code, int count) {
    workspace
        .frame()
        .ask(
            Words.of("codebook.askRemove", code.token(), count),
            Words.of("codebook.remove"),
            () ->
                workspace.apply(
                    CodebookEdits.remove(
                        workspace.state().get().snapshot(), book(), code.token())));
  }

  /** A menu's item in the DJ's or the codebook's words. */
  private Codebook book() {
    return workspace.state().get().codebook();
  }

  /** Makes the codebook another one; says why when that cannot be. */
  void set(String title, Supplier<Codebook> after) {
    guarded(
        () ->
            workspace.apply(
                new Change(title, true, List.of(new Edit.SetCodebook(book(), after.get())))));
  }

  /** Does what may be refused, and says why it was. */
  void guarded(Runnable work) {
    try {
      work.run();
    } catch (IllegalArgumentException wrong) {
      workspace.frame().inform(String.valueOf(wrong.getMessage()), true, 0);
    }
  }
}
