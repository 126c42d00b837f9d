package tenterhook.desktop.code;

import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import tenterhook.backstage.collection.CollectionState;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.CodebookEdits;
import tenterhook.core.code.Facet;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.desktop.shell.Desk;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** The legend: every facet with its codes, meanings and counts; add, rename, remove. */
final class CodebookPane extends VBox {
  private final Desk desk;

  private final VBox facets = new VBox(14);
  private final NotationBar notation;
  private final LegendMenu legend;
  private final ClashPane clashes;

  /**
   * The pane.
   *
   * @param bringOver shows how codes are brought over from elsewhere
   */
  CodebookPane(Desk desk, Runnable bringOver) {
    super(10);
    this.desk = desk;
    this.clashes = new ClashPane(desk);
    this.notation = new NotationBar(desk);
    this.legend = new LegendMenu(desk, bringOver);
    setId("codebook");
    ScrollPane scroll = new ScrollPane(facets);
    scroll.setFitToWidth(true);
    var add = Look.primary(Words.of("codebook.addFacet"), this::addFacet);
    add.setId("add-facet");
    HBox head =
        new HBox(
            12,
            Look.label(Words.of("codebook.words"), "second"),
            Look.spring(),
            notation,
            legend.button(),
            add);
    head.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    HBox both = new HBox(14, scroll, clashes);
    HBox.setHgrow(scroll, Priority.ALWAYS);
    VBox.setVgrow(both, Priority.ALWAYS);
    getChildren().addAll(head, both);
  }

  void refresh() {
    facets.getChildren().clear();
    notation.refresh();
    clashes.refresh();
    CollectionState state = desk.state().get();
    Map<String, Integer> counts = CodingModel.counts(state);
    state.codebook().facets().forEach(f -> facets.getChildren().add(facet(f, counts)));
    if (state.codebook().facets().isEmpty()) {
      facets.getChildren().add(Look.label(Words.of("codebook.empty"), "empty"));
    }
  }

  private VBox facet(Facet facet, Map<String, Integer> counts) {
    CheckBox many = check("codebook.many", facet.many());
    many.setOnAction(e -> replace(facet, many.isSelected(), facet.demanded()));
    CheckBox demanded = check("codebook.demanded", facet.demanded());
    demanded.setOnAction(e -> replace(facet, facet.many(), demanded.isSelected()));
    var add = Look.button(Words.of("codebook.addCode"), () -> addCode(facet), "quiet");
    add.setId("add-code-" + facet.name());
    HBox head =
        new HBox(
            12,
            Look.dataLabel(facet.name(), "strong"),
            Look.dataLabel(facet.question(), "second"),
            Look.spring(),
            many,
            demanded,
            add,
            more(facet));
    head.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    FlowPane codes = new FlowPane(8, 6);
    codes.setPrefWrapLength(1100);
    facet.codes().forEach(c -> codes.getChildren().add(code(c, counts.getOrDefault(c.token(), 0))));
    if (facet.codes().isEmpty()) {
      codes.getChildren().add(Look.label(Words.of("codebook.noCodes"), "second"));
    }
    VBox box = new VBox(6, head, codes);
    box.getStyleClass().add("step");
    return box;
  }

  private MenuButton more(Facet facet) {
    MenuButton more = new MenuButton(Words.of("codebook.more"));
    more.setId("more-" + facet.name());
    more.getItems()
        .addAll(
            choice(Words.of("codebook.rename"), () -> renameFacet(facet)),
            choice(Words.of("codebook.question"), () -> askQuestion(facet)),
            choice(Words.of("codebook.up"), () -> move(facet, -1)),
            choice(Words.of("codebook.down"), () -> move(facet, 1)),
            choice(Words.of("codebook.removeFacet"), () -> removeFacet(facet)));
    return more;
  }

  private void move(Facet facet, int by) {
    set(Words.of("change.moveFacet", facet.name()), () -> book().moved(facet.name(), by));
  }

  private void askQuestion(Facet facet) {
    desk.frame()
        .askText(
            Words.of("codebook.askQuestion", facet.name()),
            facet.question(),
            Words.of("codebook.question"),
            text ->
                set(
                    Words.of("change.facet", facet.name()),
                    () -> book().with(facet.name(), f -> f.asking(text))));
  }

  private static CheckBox check(String key, boolean on) {
    CheckBox box = new CheckBox(Words.of(key));
    box.setSelected(on);
    return box;
  }

  private MenuButton code(Code code, int count) {
    Label token = Look.label(code.token(), "code");
    HBox face =
        new HBox(
            6, token, Look.dataLabel(code.meaning()), Look.label(String.valueOf(count), "second"));
    face.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    MenuButton button = new MenuButton("", face);
    button.setId("entry-" + code.token());
    button.setAccessibleText(Words.of("codebook.code", code.token(), code.meaning(), count));
    MenuItem rename = new MenuItem(Words.of("codebook.rename"));
    rename.setOnAction(e -> rename(code));
    MenuItem remove = new MenuItem(Words.of("codebook.remove"));
    remove.setOnAction(e -> remove(code, count));
    MenuItem rule = new MenuItem(Words.of("codebook.rule"));
    rule.setOnAction(e -> askRule(code));
    MenuItem key = new MenuItem(Words.of("codebook.key"));
    key.setOnAction(e -> askKey(code));
    MenuItem retire =
        new MenuItem(Words.of(code.retired() ? "codebook.giveAgain" : "codebook.retire"));
    retire.setOnAction(
        e ->
            set(
                Words.of("change.retire", code.token()),
                () -> book().withCode(code.token(), c -> c.retired(!c.retired()))));
    Menu merge = new Menu(Words.of("codebook.merge"));
    book().tokens().stream()
        .filter(t -> !t.equals(code.token()))
        .forEach(t -> merge.getItems().add(choice(t, () -> merge(code, t))));
    Menu move = new Menu(Words.of("codebook.move"));
    book().facets().stream()
        .filter(f -> f.code(code.token()).isEmpty())
        .forEach(f -> move.getItems().add(choice(f.name(), () -> move(code, f))));
    button
        .getItems()
        .addAll(
            rename,
            choice(Words.of("codebook.meaning"), () -> askMeaning(code)),
            rule,
            key,
            choice(Words.of("codebook.forward"), () -> move(code, -1)),
            choice(Words.of("codebook.backward"), () -> move(code, 1)),
            retire,
            merge,
            move,
            remove);
    return button;
  }

  private static MenuItem choice(String name, Runnable action) {
    MenuItem item = new MenuItem(name);
    item.setOnAction(e -> action.run());
    return item;
  }

  private void move(Code code, int by) {
    Facet facet = book().facetOf(code.token()).orElseThrow();
    set(
        Words.of("change.moveCode", code.token()),
        () -> book().with(facet.name(), f -> f.moved(code.token(), by)));
  }

  private void askMeaning(Code code) {
    desk.frame()
        .askText(
            Words.of("codebook.askMeaning", code.token()),
            code.meaning(),
            Words.of("codebook.meaning"),
            text ->
                set(
                    Words.of("change.meaning", code.token()),
                    () -> book().withCode(code.token(), c -> c.meaning(text))));
  }

  private void askRule(Code code) {
    desk.frame()
        .askText(
            Words.of("codebook.askRule", code.token()),
            code.rule(),
            Words.of("codebook.rule"),
            text -> {
              if (FindParser.parse(text, book()) instanceof Parsed.Bad bad) {
                desk.frame().tell(bad.message(), true, 0);
              } else {
                set(
                    Words.of("change.derive", code.token()),
                    () -> book().withCode(code.token(), c -> c.by(text.strip())));
              }
            });
  }

  private void askKey(Code code) {
    desk.frame()
        .askText(
            Words.of("codebook.askKey", code.token()),
            code.key(),
            Words.of("codebook.key"),
            text ->
                set(
                    Words.of("change.key", code.token()),
                    () -> book().withCode(code.token(), c -> c.onKey(text.strip()))));
  }

  private void merge(Code code, String into) {
    var state = desk.state().get();
    Change change =
        CodebookEdits.merge(state.snapshot(), book(), state.crates(), code.token(), into);
    desk.frame()
        .ask(
            Words.of("codebook.askMerge", code.token(), into, change.tracks().getCardinality()),
            Words.of("codebook.doMerge", into),
            () -> desk.apply(change));
  }

  private void move(Code code, Facet to) {
    var state = desk.state().get();
    desk.apply(
        CodebookEdits.move(state.snapshot(), book(), state.crates(), code.token(), to.name()));
  }

  private void addFacet() {
    desk.frame()
        .askText(
            Words.of("codebook.askFacet"),
            "",
            Words.of("codebook.addFacet"),
            name ->
                set(
                    Words.of("change.addFacet", name),
                    () -> book().plus(new Facet(name, "", true, false, List.of()))));
  }

  private void addCode(Facet facet) {
    desk.frame()
        .askText(
            Words.of("codebook.askCode", facet.name()),
            "",
            Words.of("codebook.addCode"),
            text -> {
              String[] parts = text.split("\\s+", 2);
              set(
                  Words.of("change.addCode", parts[0]),
                  () ->
                      book()
                          .with(
                              facet.name(),
                              f -> f.plus(new Code(parts[0], parts.length > 1 ? parts[1] : ""))));
            });
  }

  private void rename(Code code) {
    desk.frame()
        .askText(
            Words.of("codebook.askRename", code.token()),
            code.token(),
            Words.of("codebook.rename"),
            other ->
                guarded(
                    () ->
                        desk.apply(
                            CodebookEdits.rename(
                                desk.state().get().snapshot(),
                                book(),
                                desk.state().get().crates(),
                                code.token(),
                                other))));
  }

  private void remove(Code code, int count) {
    desk.frame()
        .ask(
            Words.of("codebook.askRemove", code.token(), count),
            Words.of("codebook.remove"),
            () ->
                desk.apply(
                    CodebookEdits.remove(desk.state().get().snapshot(), book(), code.token())));
  }

  private void renameFacet(Facet facet) {
    desk.frame()
        .askText(
            Words.of("codebook.askRenameFacet", facet.name()),
            facet.name(),
            Words.of("codebook.rename"),
            other ->
                guarded(
                    () ->
                        desk.apply(
                            CodebookEdits.renameFacet(
                                book(), desk.state().get().crates(), facet.name(), other))));
  }

  private void removeFacet(Facet facet) {
    desk.frame()
        .ask(
            Words.of("codebook.askRemoveFacet", facet.name()),
            Words.of("codebook.removeFacet"),
            () ->
                set(
                    Words.of("change.removeFacet", facet.name()),
                    () -> book().minus(facet.name())));
  }

  private void replace(Facet facet, boolean many, boolean demanded) {
    set(
        Words.of("change.facet", facet.name()),
        () ->
            book()
                .with(
                    facet.name(),
                    f -> new Facet(f.name(), f.question(), many, demanded, f.codes())));
  }

  private Codebook book() {
    return desk.state().get().codebook();
  }

  private void set(String title, Supplier<Codebook> after) {
    guarded(
        () ->
            desk.apply(
                new Change(title, true, List.of(new Edit.SetCodebook(book(), after.get())))));
  }

  private void guarded(Runnable work) {
    try {
      work.run();
    } catch (IllegalArgumentException wrong) {
      desk.frame().tell(String.valueOf(wrong.getMessage()), true, 0);
    }
  }
}
