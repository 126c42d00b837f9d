package tenterhook.desktop.crate;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Facet;
import tenterhook.core.crate.Builders;
import tenterhook.core.crate.Coverage;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.PlacedShelf;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/**
 * Many crates at once, seen before they are made: a crate per code, a series, shelves of a model.
 */
final class BuildPane extends VBox {
  private static final double CHOICES = 330;
  private static final int DECADE = 10;
  private static final int YEAR = 1;
  private static final String CROSSED = "{row}: {column}";
  private static final List<String> TEMPO_STEPS = List.of("5", "2", "10", "20");

  /** What is built. */
  private enum BuiltBy {
    CODES("{meaning}"),
    DECADES("{from}s"),
    YEARS("{from}"),
    TEMPI("{from} to {to} bpm"),
    SHELVES("{shelf}: {crate}");

    private final String pattern;

    BuiltBy(String pattern) {
      this.pattern = pattern;
    }

    @Override
    public String toString() {
      return Words.of("build." + name().toLowerCase(Locale.ROOT));
    }
  }

  /** What would come of it. */
  private record Plan(Crates after, List<Crate> fresh) {}

  private final Workspace workspace;
  private final Runnable back;
  private final ComboBox<BuiltBy> kind = new ComboBox<>();
  private final ComboBox<String> of = new ComboBox<>();
  private final Label ofWhat = Look.label("", "second");
  private final ComboBox<String> within = new ComboBox<>();
  private final Label withinWords = Look.label(Words.of("build.within"), "second");
  private final TextField pattern = new TextField();
  private final TextField shelf = new TextField();
  private final Label shelfWords = Look.label(Words.of("build.shelf"), "second");
  private final TextArea names = new TextArea();
  private final Label namesWords = Look.label(Words.of("build.names"), "second");
  private final ListView<Crate> preview = new ListView<>();
  private final Label said = Look.label("", "second");
  private final Button make = Look.primary("", this::make);
  private Optional<Plan> plan = Optional.empty();
  private Optional<CrateContents> planned = Optional.empty();
  private boolean filling;

  BuildPane(Workspace workspace, Runnable back) {
    super(10);
    this.workspace = workspace;
    this.back = back;
    setId("build");
    getStyleClass().add("main");
    prepare();
    said.setWrapText(true);
    VBox choices = choices();
    VBox right = new VBox(8, said, preview);
    VBox.setMargin(make, new Insets(8, 0, 0, 0));
    VBox.setVgrow(preview, Priority.ALWAYS);
    HBox.setHgrow(right, Priority.ALWAYS);
    HBox both = new HBox(22, choices, right);
    VBox.setVgrow(both, Priority.ALWAYS);
    getChildren().addAll(head(), both);
    filling = true;
    kind.setValue(BuiltBy.CODES);
    filling = false;
  }

  private void prepare() {
    kind.setId("build-kind");
    kind.getItems().setAll(BuiltBy.values());
    kind.setMaxWidth(Double.MAX_VALUE);
    kind.setAccessibleText(Words.of("build.kind"));
    of.setId("build-of");
    of.setMaxWidth(Double.MAX_VALUE);
    within.setId("build-within");
    within.setMaxWidth(Double.MAX_VALUE);
    within.setAccessibleText(Words.of("build.within"));
    pattern.setId("build-pattern");
    pattern.setAccessibleText(Words.of("build.pattern"));
    shelf.setId("build-shelf");
    shelf.setAccessibleText(Words.of("build.shelf"));
    prepareNames();
    listen();
  }

  private void prepareNames() {
    names.setId("build-names");
    names.setPrefRowCount(6);
    names.setAccessibleText(Words.of("build.names"));
    make.setId("build-make");
    preview.setId("build-preview");
    preview.setCellFactory(l -> new TwoLineCell<>(Crate::name, this::counted));
    preview.setPlaceholder(Look.label(Words.of("build.nothing"), "empty"));
  }

  private void listen() {
    kind.setOnAction(e -> kindChosen());
    of.setOnAction(e -> ofChosen());
    within.setOnAction(e -> withinChosen());
    for (TextField field : List.of(pattern, shelf)) {
      field.textProperty().addListener((o, before, now) -> look());
    }
    names.textProperty().addListener((o, before, now) -> look());
  }

  private HBox head() {
    HBox head =
        new HBox(
            10,
            Look.label(Words.of("build.title"), "heading"),
            Look.spring(),
            Look.button(Words.of("coverage.back"), back));
    head.setAlignment(Pos.CENTER_LEFT);
    return head;
  }

  private VBox choices() {
    VBox choices =
        new VBox(
            6,
            Look.label(Words.of("build.kind"), "second"),
            kind,
            ofWhat,
            of,
            withinWords,
            within,
            shelfWords,
            shelf,
            namesWords,
            names,
            Look.label(Words.of("build.pattern"), "second"),
            pattern,
            make);
    choices.setPrefWidth(CHOICES);
    choices.setMinWidth(CHOICES);
    return choices;
  }

  void refresh() {
    kindChosen();
  }

  private void kindChosen() {
    if (filling) {
      return;
    }
    filling = true;
    BuiltBy now = kind.getValue();
    String keptOf = of.getValue();
    CollectionState state = workspace.state().get();
    fillOf(now, keptOf, state);
    showParts(now);
    filling = false;
    ofChosen();
  }

  private void fillOf(BuiltBy now, String keptOf, CollectionState state) {
    of.getItems()
        .setAll(
            switch (now) {
              case CODES -> state.codebook().facets().stream().map(Facet::name).toList();
              case SHELVES ->
                  state.crates().placed().stream().map(s -> s.path().toString()).toList();
              case TEMPI -> TEMPO_STEPS;
              default -> List.of();
            });
    of.setValue(
        of.getItems().contains(keptOf)
            ? keptOf
            : of.getItems().isEmpty() ? null : of.getItems().getFirst());
  }

  private void showParts(BuiltBy now) {
    shown(!of.getItems().isEmpty(), of, ofWhat);
    ofWhat.setText(
        Words.of(
            switch (now) {
              case SHELVES -> "build.model";
              case TEMPI -> "build.step";
              default -> "build.facet";
            }));
    shown(now == BuiltBy.SHELVES, names, namesWords);
    shown(now != BuiltBy.SHELVES, shelf, shelfWords);
  }

  /** A facet's codes stand on shelves by the codes of another, years on shelves by decade. */
  private void fillWithin() {
    String kept = within.getValue();
    within.getItems().setAll(Words.of("build.oneShelf"));
    switch (kind.getValue()) {
      case CODES ->
          of.getItems().stream()
              .filter(f -> !f.equals(of.getValue()))
              .forEach(within.getItems()::add);
      case YEARS -> within.getItems().add(Words.of("build.decadeShelves"));
      case DECADES, TEMPI, SHELVES -> {}
    }
    within.setValue(within.getItems().contains(kept) ? kept : within.getItems().getFirst());
    shown(within.getItems().size() > 1, within, withinWords);
  }

  private boolean onShelves() {
    return within.getSelectionModel().getSelectedIndex() > 0;
  }

  private void withinChosen() {
    if (!filling) {
      filling = true;
      named();
      filling = false;
      look();
    }
  }

  private void named() {
    pattern.setText(
        kind.getValue() == BuiltBy.CODES && onShelves() ? CROSSED : kind.getValue().pattern);
  }

  private static void shown(boolean yes, Node... nodes) {
    for (Node node : nodes) {
      node.setVisible(yes);
      node.setManaged(yes);
    }
  }

  private void ofChosen() {
    if (filling) {
      return;
    }
    filling = true;
    shelf.setText(
        switch (kind.getValue()) {
          case CODES -> Words.of("build.byFacet", of.getValue() == null ? "" : of.getValue());
          case DECADES, YEARS -> Words.of("build.byYear");
          case TEMPI -> Words.of("build.byTempo");
          case SHELVES -> "";
        });
    fillWithin();
    named();
    filling = false;
    look();
  }

  private void look() {
    if (filling) {
      return;
    }
    try {
      Crates now = workspace.state().get().crates();
      Crates after = built(workspace.state().get());
      List<Crate> fresh = after.all().stream().filter(c -> now.crate(c.name()).isEmpty()).toList();
      plan(after, fresh);
      preview.getItems().setAll(fresh);
      said.setText(Words.of("build.words", fresh.size()));
      make.setText(Words.of("build.make", fresh.size()));
      make.setDisable(after.equals(now));
    } catch (IllegalArgumentException wrong) {
      refused(wrong);
    }
  }

  private void plan(Crates after, List<Crate> fresh) {
    plan = Optional.of(new Plan(after, fresh));
    planned =
        Optional.of(
            new CrateContents(
                workspace.state().get().snapshot(),
                workspace.state().get().codebook(),
                after,
                workspace.collection().today()));
  }

  private void refused(IllegalArgumentException wrong) {
    plan = Optional.empty();
    preview.getItems().clear();
    said.setText(String.valueOf(wrong.getMessage()));
    make.setText(Words.of("build.make", 0));
    make.setDisable(true);
  }

  private Crates built(CollectionState state) {
    BuiltBy now = kind.getValue();
    String named = pattern.getText();
    if (onShelves()) {
      return Builders.addedShelves(
          state.crates(),
          shelf.getText(),
          now == BuiltBy.YEARS
              ? Builders.yearsInDecades(state.snapshot(), named)
              : Builders.columnsInRows(
                  new Coverage(
                      state.snapshot(), state.codebook(), within.getValue(), of.getValue()),
                  named));
    }
    return switch (now) {
      case CODES -> {
        Optional<Facet> facet = Optional.ofNullable(of.getValue()).flatMap(state.codebook()::facet);
        yield facet
            .map(f -> Builders.added(state.crates(), shelf.getText(), Builders.oneEach(f, named)))
            .orElse(state.crates());
      }
      case DECADES -> series(state, Fields.YEAR, DECADE);
      case YEARS -> series(state, Fields.YEAR, YEAR);
      case TEMPI -> series(state, Fields.BPM, Integer.parseInt(of.getValue()));
      case SHELVES -> {
        List<String> wanted =
            names.getText().lines().map(String::strip).filter(n -> !n.isEmpty()).toList();
        Optional<PlacedShelf> model =
            Optional.ofNullable(of.getValue()).flatMap(state.crates()::shelf);
        yield model
            .map(m -> Builders.shelves(state.crates(), wanted, m.shelf(), named))
            .orElse(state.crates());
      }
    };
  }

  private Crates series(CollectionState state, Field<?> field, int step) {
    return Builders.added(
        state.crates(),
        shelf.getText(),
        Builders.series(state.snapshot(), field, step, pattern.getText()));
  }

  private String counted(Crate crate) {
    int count = planned.map(c -> c.count(crate)).orElse(0);
    return Words.of("build.counted", count);
  }

  private void make() {
    plan.ifPresent(
        p ->
            workspace.apply(
                new Change(
                    Words.of("change.builds", p.fresh().size(), where()),
                    true,
                    List.of(new Edit.SetCrates(workspace.state().get().crates(), p.after())))));
  }

  private String where() {
    return kind.getValue() == BuiltBy.SHELVES ? Words.of("build.newShelves") : shelf.getText();
  }
}
