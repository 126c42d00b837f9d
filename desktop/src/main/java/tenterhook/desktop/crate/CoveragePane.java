package tenterhook.desktop.crate;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Code;
import tenterhook.core.code.Facet;
import tenterhook.core.crate.Builders;
import tenterhook.core.crate.Coverage;
import tenterhook.core.crate.Coverage.Crossing;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** Two facets crossed with counts: thin places are marked, a click opens, ticks make crates. */
final class CoveragePane extends VBox {
  private static final PseudoClass THIN = PseudoClass.getPseudoClass("thin");
  private static final PseudoClass NONE = PseudoClass.getPseudoClass("none");

  /** Fewer tracks than this do not carry a part of a night. */
  private static final int ENOUGH = 5;

  private final Workspace workspace;
  private final ComboBox<String> rows = new ComboBox<>();
  private final ComboBox<String> columns = new ComboBox<>();
  private final GridPane grid = new GridPane(6, 6);
  private final Label words = Look.label("", "second");
  private final Button make = Look.primary("", this::makeTicked);
  private final Button oneEach = Look.button("", this::makeOneEach);
  private final Map<Crossing, CheckBox> ticks = new LinkedHashMap<>();
  private Optional<Coverage> coverage = Optional.empty();
  private boolean filling;

  CoveragePane(Workspace workspace, Runnable back) {
    super(10);
    this.workspace = workspace;
    setId("coverage");
    getStyleClass().add("main");
    prepare();
    HBox head = head(back);
    ScrollPane scroll = new ScrollPane(grid);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    words.setWrapText(true);
    getChildren().addAll(head, words, new HBox(8, make, oneEach), scroll);
  }

  private void prepare() {
    rows.setId("coverage-rows");
    columns.setId("coverage-columns");
    rows.setAccessibleText(Words.of("coverage.rows"));
    columns.setAccessibleText(Words.of("coverage.columns"));
    rows.setOnAction(e -> look());
    columns.setOnAction(e -> look());
    make.setId("coverage-make");
    oneEach.setId("coverage-one-each");
  }

  private HBox head(Runnable back) {
    HBox head =
        new HBox(
            10,
            Look.label(Words.of("coverage.title"), "heading"),
            rows,
            Look.label("×", "second"),
            columns,
            Look.spring(),
            Look.button(Words.of("coverage.back"), back));
    head.setAlignment(Pos.CENTER_LEFT);
    return head;
  }

  void refresh() {
    List<String> names =
        workspace.state().get().codebook().facets().stream().map(Facet::name).toList();
    filling = true;
    fill(rows, names, 0);
    fill(columns, names, 1);
    filling = false;
    look();
  }

  private static void fill(ComboBox<String> box, List<String> names, int usual) {
    String now = box.getValue();
    box.getItems().setAll(names);
    box.setValue(names.contains(now) ? now : names.size() > usual ? names.get(usual) : null);
  }

  private void look() {
    String row = rows.getValue();
    String column = columns.getValue();
    if (filling) {
      return;
    }
    if (row == null || column == null || row.equals(column)) {
      coverage = Optional.empty();
      show();
      return;
    }
    CollectionState state = workspace.state().get();
    workspace.latestOnly(
        this,
        () -> new Coverage(state.snapshot(), state.codebook(), row, column),
        found -> {
          coverage = Optional.of(found);
          show();
        });
  }

  /** What is ticked stays so when tracks change meanwhile. */
  private void show() {
    List<Crossing> ticked = ticked();
    grid.getChildren().clear();
    ticks.clear();
    make.setVisible(coverage.isPresent());
    oneEach.setVisible(coverage.isPresent());
    if (coverage.isEmpty()) {
      words.setText(Words.of("coverage.two"));
      return;
    }
    Coverage now = coverage.get();
    int thin = fill(now);
    ticked.forEach(
        cell -> Optional.ofNullable(ticks.get(cell)).ifPresent(t -> t.setSelected(true)));
    words.setText(Words.of("coverage.words", thin, ENOUGH));
    oneEach.setText(Words.of("coverage.oneEach", now.rows().name()));
    count();
  }

  private int fill(Coverage now) {
    int thin = 0;
    List<Code> across = now.columns().given();
    for (int c = 0; c < across.size(); c++) {
      grid.add(name(across.get(c)), c + 1, 0);
    }
    for (int r = 0; r < now.rows().given().size(); r++) {
      Code row = now.rows().given().get(r);
      grid.add(name(row), 0, r + 1);
      for (int c = 0; c < across.size(); c++) {
        Crossing cell = new Crossing(row.token(), across.get(c).token());
        thin += now.count(cell.row(), cell.column()) < ENOUGH ? 1 : 0;
        grid.add(place(now, cell), c + 1, r + 1);
      }
    }
    return thin;
  }

  private static Node name(Code code) {
    VBox box =
        new VBox(Look.label(code.token(), "token"), Look.dataLabel(code.meaning(), "second"));
    box.setAlignment(Pos.CENTER_LEFT);
    GridPane.setHalignment(box, HPos.LEFT);
    return box;
  }

  private HBox place(Coverage now, Crossing cell) {
    int count = now.count(cell.row(), cell.column());
    Button open = Look.button(String.valueOf(count), () -> open(now, cell), "coverage-count");
    open.setId("cell-" + cell.row() + "-" + cell.column());
    open.setAccessibleText(Words.of("coverage.cell", cell.row(), cell.column(), count));
    CheckBox tick = new CheckBox();
    tick.setId("tick-" + cell.row() + "-" + cell.column());
    tick.setAccessibleText(Words.of("coverage.tick", cell.row(), cell.column()));
    tick.setOnAction(e -> count());
    ticks.put(cell, tick);
    HBox box = new HBox(4, tick, open);
    box.getStyleClass().add("coverage-cell");
    box.setAlignment(Pos.CENTER_LEFT);
    box.pseudoClassStateChanged(THIN, count < ENOUGH);
    box.pseudoClassStateChanged(NONE, count == 0);
    return box;
  }

  private void open(Coverage now, Crossing cell) {
    workspace
        .frame()
        .show(
            TrackList.of(
                cell.row() + " × " + cell.column(), now.tracks(cell.row(), cell.column())));
  }

  private List<Crossing> ticked() {
    List<Crossing> chosen = new ArrayList<>();
    ticks.forEach(
        (cell, tick) -> {
          if (tick.isSelected()) {
            chosen.add(cell);
          }
        });
    return chosen;
  }

  private void count() {
    int chosen = ticked().size();
    make.setText(Words.of("coverage.make", chosen));
    make.setDisable(chosen == 0);
  }

  private void makeTicked() {
    List<Crossing> ticked = ticked();
    ticks.values().forEach(t -> t.setSelected(false));
    count();
    coverage.ifPresent(
        now ->
            add(
                now.rows().name() + " × " + now.columns().name(),
                Builders.crossed(now, ticked, "{row}, {column}")));
  }

  private void makeOneEach() {
    coverage.ifPresent(now -> add(now.rows().name(), Builders.oneEach(now.rows(), "{meaning}")));
  }

  private void add(String shelf, List<Crate> more) {
    Crates before = workspace.state().get().crates();
    Crates after = Builders.added(before, shelf, more);
    int made = after.all().size() - before.all().size();
    if (made == 0) {
      workspace.frame().inform(Words.of("coverage.thereAlready"), false, 0);
    } else {
      workspace.apply(
          new Change(
              Words.of("change.builds", made, shelf),
              true,
              List.of(new Edit.SetCrates(before, after))));
    }
  }
}
