package tenterhook.desktop.code;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** The legend: every facet with its codes, meanings and counts; add, rename, remove. */
final class CodebookPane extends VBox {
  private final Workspace workspace;

  private final VBox facets = new VBox(14);
  private final NotationBar notation;
  private final FiguresBar figures;
  private final KindsPane kinds;
  private final LegendMenu legend;
  private final CodeMenu codeMenu;
  private final ClashPane clashes;

  /**
   * The pane.
   *
   * @param bringOver shows how codes are brought over from elsewhere
   */
  CodebookPane(Workspace workspace, Runnable bringOver) {
    super(10);
    this.workspace = workspace;
    this.clashes = new ClashPane(workspace);
    this.notation = new NotationBar(workspace);
    this.figures = new FiguresBar(workspace);
    this.kinds = new KindsPane(workspace);
    this.codeMenu = new CodeMenu(workspace);
    this.legend = new LegendMenu(workspace, bringOver);
    setId("codebook");
    ScrollPane scroll = new ScrollPane(new VBox(14, facets, kinds));
    scroll.setFitToWidth(true);
    HBox head = head();
    HBox both = new HBox(14, scroll, clashes);
    HBox.setHgrow(scroll, Priority.ALWAYS);
    VBox.setVgrow(both, Priority.ALWAYS);
    getChildren().addAll(head, figures, both);
  }

  private HBox head() {
    var add = Look.primary(Words.of("codebook.addFacet"), this::addFacet);
    add.setId("add-facet");
    Label words = Look.label(Words.of("codebook.words"), "second");
    words.setWrapText(true); // sooner than that a choice is cut off
    words.setMinWidth(0);
    words.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(words, Priority.ALWAYS);
    HBox head = new HBox(12, words, notation, legend.button(), add);
    Stream.<Region>of(notation, legend.button(), add).forEach(r -> r.setMinWidth(USE_PREF_SIZE));
    head.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return head;
  }

  void refresh() {
    facets.getChildren().clear();
    notation.refresh();
    figures.refresh();
    clashes.refresh();
    CollectionState state = workspace.state().get();
    Map<String, Integer> counts = CodingModel.counts(state);
    state.codebook().facets().forEach(f -> facets.getChildren().add(facet(f, counts)));
    if (state.codebook().facets().isEmpty()) {
      facets.getChildren().add(Look.label(Words.of("codebook.empty"), "empty"));
    }
    kinds.refresh();
  }

  private VBox facet(Facet facet, Map<String, Integer> counts) {
    CheckBox many = check("codebook.many", facet.many());
    many.setOnAction(e -> replace(facet, many.isSelected(), facet.demanded()));
    CheckBox demanded = check("codebook.demanded", facet.demanded());
    demanded.setOnAction(e -> replace(facet, facet.many(), demanded.isSelected()));
    var add = Look.button(Words.of("codebook.addCode"), () -> addCode(facet), "quiet");
    add.setId("add-code-" + facet.name());
    HBox head = head(facet, many, demanded, add);
    FlowPane codes = codes(facet, counts);
    VBox box = new VBox(6, head, codes);
    box.getStyleClass().add("step");
    return box;
  }

  private HBox head(Facet facet, CheckBox many, CheckBox demanded, Button add) {
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
    return head;
  }

  private FlowPane codes(Facet facet, Map<String, Integer> counts) {
    FlowPane codes = new FlowPane(8, 6);
    codes.setPrefWrapLength(1100);
    facet
        .codes()
        .forEach(
            c -> codes.getChildren().add(codeMenu.button(c, counts.getOrDefault(c.token(), 0))));
    if (facet.codes().isEmpty()) {
      codes.getChildren().add(Look.label(Words.of("codebook.noCodes"), "second"));
    }
    return codes;
  }

  private MenuButton more(Facet facet) {
    MenuButton more = new MenuButton(Words.of("codebook.more"));
    more.setId("more-" + facet.name());
    more.getItems()
        .addAll(
            Look.named(Words.of("codebook.rename"), () -> renameFacet(facet)),
            Look.named(Words.of("codebook.question"), () -> askQuestion(facet)),
            Look.named(Words.of("codebook.up"), () -> move(facet, -1)),
            Look.named(Words.of("codebook.down"), () -> move(facet, 1)),
            Look.named(Words.of("codebook.removeFacet"), () -> removeFacet(facet)));
    return more;
  }

  private void move(Facet facet, int by) {
    codeMenu.set(Words.of("change.moveFacet", facet.name()), () -> book().moved(facet.name(), by));
  }

  private void askQuestion(Facet facet) {
    workspace
        .frame()
        .askWords(
            Words.of("codebook.askQuestion", facet.name()),
            facet.question(),
            Words.of("codebook.question"),
            text ->
                codeMenu.set(
                    Words.of("change.facet", facet.name()),
                    () -> book().with(facet.name(), f -> f.asking(text))));
  }

  private static CheckBox check(String key, boolean on) {
    CheckBox box = new CheckBox(Words.of(key));
    box.setSelected(on);
    return box;
  }

  private void addFacet() {
    workspace
        .frame()
        .askText(
            Words.of("codebook.askFacet"),
            "",
            Words.of("codebook.addFacet"),
            name ->
                codeMenu.set(
                    Words.of("change.addFacet", name),
                    () -> book().plus(new Facet(name, "", true, false, List.of()))));
  }

  private void addCode(Facet facet) {
    workspace
        .frame()
        .askText(
            Words.of("codebook.askCode", facet.name()),
            "",
            Words.of("codebook.addCode"),
            text -> {
              String[] parts = text.split("\\s+", 2);
              codeMenu.set(
                  Words.of("change.addCode", parts[0]),
                  () ->
                      book()
                          .with(
                              facet.name(),
                              f -> f.plus(new Code(parts[0], parts.length > 1 ? parts[1] : ""))));
            });
  }

  private void renameFacet(Facet facet) {
    workspace
        .frame()
        .askText(
            Words.of("codebook.askRenameFacet", facet.name()),
            facet.name(),
            Words.of("codebook.rename"),
            other ->
                codeMenu.guarded(
                    () ->
                        workspace.apply(
                            CodebookEdits.renameFacet(
                                book(), workspace.state().get().holders(), facet.name(), other))));
  }

  private void removeFacet(Facet facet) {
    workspace
        .frame()
        .ask(
            Words.of("codebook.askRemoveFacet", facet.name()),
            Words.of("codebook.removeFacet"),
            () ->
                codeMenu.set(
                    Words.of("change.removeFacet", facet.name()),
                    () -> book().minus(facet.name())));
  }

  private void replace(Facet facet, boolean many, boolean demanded) {
    codeMenu.set(
        Words.of("change.facet", facet.name()),
        () ->
            book()
                .with(
                    facet.name(),
                    f -> new Facet(f.name(), f.question(), many, demanded, f.codes())));
  }

  private Codebook book() {
    return workspace.state().get().codebook();
  }
}
