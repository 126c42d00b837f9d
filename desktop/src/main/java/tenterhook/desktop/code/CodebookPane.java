package tenterhook.desktop.code;

import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
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
import tenterhook.desktop.shell.Desk;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** The legend: every facet with its codes, meanings and counts; add, rename, remove. */
final class CodebookPane extends VBox {
  private final Desk desk;
  private static final List<String> NOTATION_FIELDS =
      List.of("comment", "grouping", "composer", "lyrics");

  private final VBox facets = new VBox(14);
  private final HBox notation = new HBox(6);

  CodebookPane(Desk desk) {
    super(10);
    this.desk = desk;
    setId("codebook");
    ScrollPane scroll = new ScrollPane(facets);
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    var add = Look.primary(Words.of("codebook.addFacet"), this::addFacet);
    add.setId("add-facet");
    notation.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    HBox head =
        new HBox(
            12, Look.label(Words.of("codebook.words"), "second"), Look.spring(), notation, add);
    head.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    getChildren().addAll(head, scroll);
  }

  void refresh() {
    facets.getChildren().clear();
    notation.getChildren().setAll(Look.label(Words.of("codebook.field"), "second"), fields());
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
            Look.button(Words.of("codebook.rename"), () -> renameFacet(facet), "quiet"),
            Look.button(Words.of("codebook.removeFacet"), () -> removeFacet(facet), "quiet"));
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
    button.getItems().addAll(rename, remove);
    return button;
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

  /** The field that codes stand in; choosing another moves them in all files. */
  private ComboBox<String> fields() {
    ComboBox<String> fields = new ComboBox<>();
    fields.setId("notation-field");
    fields.setAccessibleText(Words.of("codebook.field"));
    fields.getItems().setAll(NOTATION_FIELDS);
    fields.setValue(book().notation().field());
    fields.setOnAction(
        e -> {
          String to = fields.getValue();
          if (!to.equals(book().notation().field())) {
            desk.frame()
                .ask(
                    Words.of("codebook.askField", to),
                    Words.of("codebook.doField", to),
                    () ->
                        desk.apply(
                            CodebookEdits.write(
                                desk.state().get().snapshot(), book(), book().notation().in(to))));
          }
        });
    return fields;
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
