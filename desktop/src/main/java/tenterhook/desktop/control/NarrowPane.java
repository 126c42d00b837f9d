package tenterhook.desktop.control;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Subject;
import tenterhook.core.measure.MusicalKey;
import tenterhook.core.narrow.NarrowCounter;
import tenterhook.core.narrow.NarrowCounts;
import tenterhook.core.narrow.NarrowGroup;
import tenterhook.core.narrow.NarrowRequest;
import tenterhook.core.narrow.NarrowValue;
import tenterhook.core.narrow.Narrowing;
import tenterhook.core.narrow.TempoSpread;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.NarrowRows.NarrowRow;
import tenterhook.desktop.control.TempoChart.TempoRange;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** All that a list can be narrowed by, with how many tracks would remain. */
final class NarrowPane extends VBox {
  private final Workspace workspace;
  private final TrackPane pane;
  private final TextField filter = new TextField();
  private final ListView<NarrowRow> values = new ListView<>();
  private final CheckBox halfAndDouble = new CheckBox(Words.of("narrow.halfAndDouble"));
  private final TempoChart chart = new TempoChart(this::tempo);
  private final VBox tempo = new VBox(4, chart, halfAndDouble);
  private final Label placeholder = Look.label("", "empty");
  private final Set<NarrowGroup> whole = new HashSet<>();
  private RowRequest.Rows rows = RowRequest.Rows.NONE;

  /** The key of the track that was chosen when this was counted. */
  private Optional<MusicalKey> near = Optional.empty();

  /** Whose lists are narrowed. */
  Workspace workspace() {
    return workspace;
  }

  NarrowPane(Workspace workspace, TrackPane pane) {
    super(8);
    this.workspace = workspace;
    this.pane = pane;
    setId("narrow");
    getStyleClass().add("side");
    setPrefWidth(242);
    setMinWidth(200);
    filter.setId("narrow-filter");
    filter.setPromptText(Words.of("narrow.filter"));
    filter.setAccessibleText(Words.of("narrow.filter"));
    filter.textProperty().addListener((o, before, after) -> count());
    filter.addEventFilter(KeyEvent.KEY_PRESSED, this::filterKeys);
    values.setId("narrow-values");
    values.setAccessibleText(Words.of("narrow.title"));
    values.setCellFactory(l -> new NarrowCell(this));
    values.setPlaceholder(placeholder);
    workspace.whileInView(workspace.chosen(), this, this::followChosen);
    values.addEventFilter(KeyEvent.KEY_PRESSED, this::valueKeys);
    halfAndDouble.setId("narrow-beat");
    halfAndDouble.setOnAction(e -> range().ifPresent(r -> tempo(r.from(), r.to())));
    VBox.setVgrow(values, Priority.ALWAYS);
    HBox head =
        new HBox(
            Look.label(Words.of("narrow.title"), "heading"),
            Look.spring(),
            Look.button(Words.of("narrow.close"), pane::closeNarrow, "quiet"));
    getChildren().setAll(head, filter, values);
  }

  /** Goes to where values are typed. */
  void focusFilter() {
    filter.requestFocus();
    filter.selectAll();
  }

  /** Counts what remains of other rows. */
  void count(RowRequest.Rows now) {
    rows = now;
    count();
  }

  private void count() {
    if (getScene() != null) {
      NarrowRequest request = request();
      NarrowCounter counter = workspace.narrowing().counter();
      workspace.promptly(this, () -> counter.count(request), this::show);
    }
  }

  /** Of the track that was chosen only its key matters, and most of the time that is the same. */
  private void followChosen() {
    if (!near(workspace.state().get().snapshot()).equals(near)) {
      follow();
    }
  }

  /** Counts anew without haste, since tracks changed. */
  void follow() {
    if (getScene() != null) {
      NarrowRequest request = request();
      NarrowCounter counter = workspace.narrowing().counter();
      workspace.latestOnly(this, () -> counter.count(request), this::show);
    }
  }

  private NarrowRequest request() {
    Snapshot snapshot = workspace.state().get().snapshot();
    near = near(snapshot);
    return new NarrowRequest(
        snapshot,
        workspace.contents().finder(),
        RoaringBitmap.and(rows.found(), snapshot.tracks()),
        pane.narrowings(),
        filter.getText(),
        whole,
        near);
  }

  /** The key of the track that was chosen last. */
  private Optional<MusicalKey> near(Snapshot snapshot) {
    int id = workspace.chosen().get();
    return id == 0 ? Optional.empty() : MusicalKey.parse(snapshot.raw(id, Fields.KEY));
  }

  private void show(NarrowCounts counts) {
    List<NarrowRow> now = NarrowRows.of(counts);
    placeholder.setText(Words.of("narrow.none"));
    int at = values.getSelectionModel().getSelectedIndex();
    if (!now.equals(values.getItems())) {
      values.getItems().setAll(now);
      if (at >= 0 && at < now.size()) {
        values.getSelectionModel().select(at);
      }
    }
  }

  /** Lists all values of a group. */
  void listAll(NarrowGroup group) {
    whole.add(group);
    count();
  }

  /** A value was clicked: it is let in or shut out, or taken off again. */
  void click(NarrowValue value, boolean out) {
    pane.narrow(pane.narrowings().toggled(value.narrowing().out(out || isOut(value))));
  }

  private static boolean isOut(NarrowValue value) {
    return value.stands() == NarrowValue.Stands.OUT;
  }

  private void tempo(int from, int to) {
    Subject subject =
        halfAndDouble.isSelected() ? Subject.Own.BEAT : Subject.named(Fields.BPM.key());
    Condition.Range wished = new Condition.Range(String.valueOf(from), String.valueOf(to));
    Narrowing range =
        new Narrowing(
            NarrowGroup.Own.TEMPO, new Condition(subject, new Condition.AnyOf(List.of(wished))));
    if (!pane.narrowings().all().contains(range)) {
      pane.narrow(pane.narrowings().toggled(range));
    }
  }

  private Optional<TempoRange> range() {
    return pane.narrowings().of(NarrowGroup.Own.TEMPO, false).stream()
        .flatMap(n -> n.condition().values().stream())
        .flatMap(
            v ->
                v instanceof Condition.Range r
                    ? Stream.of(
                        new TempoRange(Integer.parseInt(r.from()), Integer.parseInt(r.to())))
                    : Stream.empty())
        .findFirst();
  }

  /** The one chart, showing how tempi are spread by now. */
  Node chart(TempoSpread spread) {
    chart.show(spread, range());
    pane.narrowings().of(NarrowGroup.Own.TEMPO, false).stream()
        .filter(n -> !n.condition().values().isEmpty())
        .findFirst()
        .ifPresent(n -> halfAndDouble.setSelected(n.condition().subject() == Subject.Own.BEAT));
    return tempo;
  }

  /** The name of a key as keys are shown by now. */
  String key(String name) {
    return KeyWords.of(workspace, name);
  }

  private void filterKeys(KeyEvent event) {
    switch (event.getCode()) {
      case ENTER -> {
        boolean out = event.isControlDown() || event.isAltDown();
        String typed = filter.getText();
        NarrowRows.meant(values.getItems(), typed)
            .filter(v -> !typed.isBlank())
            .ifPresent(
                v -> {
                  click(v, out);
                  filter.clear();
                });
      }
      case DOWN -> {
        values.requestFocus();
        if (values.getSelectionModel().isEmpty()) {
          values.getSelectionModel().select(Math.min(1, values.getItems().size() - 1));
        }
      }
      case ESCAPE -> {
        if (filter.getText().isEmpty()) {
          pane.table().requestFocus();
        } else {
          filter.clear();
        }
      }
      default -> {
        return;
      }
    }
    event.consume();
  }

  private void valueKeys(KeyEvent event) {
    if (event.getTarget() != values) {
      return; // typed into the chart or the tick within a row
    }
    switch (event.getCode()) {
      case ENTER, SPACE -> onChosen(false);
      case MINUS, DELETE, SUBTRACT -> onChosen(true);
      case BACK_SPACE -> pane.takeLastOff();
      case ESCAPE -> pane.table().requestFocus();
      default -> {
        if (event.getCode() != KeyCode.UP || values.getSelectionModel().getSelectedIndex() > 0) {
          return;
        }
        filter.requestFocus();
      }
    }
    event.consume();
  }

  private void onChosen(boolean out) {
    switch (values.getSelectionModel().getSelectedItem()) {
      case NarrowRow.Value row -> click(row.value(), out);
      case NarrowRow.More more -> listAll(more.group());
      case NarrowRow.Tempo row -> chart.requestFocus();
      case NarrowRow.Head head -> {}
      case null -> {}
    }
  }
}
