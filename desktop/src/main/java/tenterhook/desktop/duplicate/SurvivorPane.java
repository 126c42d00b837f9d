package tenterhook.desktop.duplicate;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javafx.collections.FXCollections;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import tenterhook.core.change.Place;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.Preference;
import tenterhook.core.duplicate.Preference.Criterion;
import tenterhook.core.duplicate.Preferences;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** The order in which copies are preferred, each line with how many groups it decides. */
final class SurvivorPane extends VBox {
  private static final List<String> FORMATS = List.of("flac", "mp3", "aac", "alac", "wav", "aiff");

  private final Workspace workspace;
  private final DuplicatesModel model;
  private final ListView<Preference> lines = new ListView<>();
  private final ComboBox<Preference> more = new ComboBox<>();
  private final Label ties = Look.label("", "second");
  private Map<Preference, Integer> effect = Map.of();
  private boolean filling;

  SurvivorPane(Workspace workspace, DuplicatesModel model) {
    super(6);
    this.workspace = workspace;
    this.model = model;
    prepare();
    var up = Look.button(Words.of("survivor.up"), () -> move(-1), "quiet");
    up.setId("preference-up");
    var down = Look.button(Words.of("survivor.down"), () -> move(1), "quiet");
    down.setId("preference-down");
    var off = Look.button(Words.of("survivor.off"), this::drop, "quiet");
    off.setId("preference-off");
    Label words = words();
    HBox buttons = new HBox(4, up, down, off);
    getChildren()
        .addAll(
            Look.label(Words.of("survivor.title"), "heading"), words, lines, ties, buttons, more);
  }

  private void prepare() {
    lines.setId("preferences");
    lines.getStyleClass().add("picked");
    lines.setAccessibleText(Words.of("survivor.title"));
    lines.setCellFactory(l -> new PreferenceCell());
    lines.setOnKeyPressed(this::keys);
    lines.setFixedCellSize(31);
    lines.setPrefHeight(31 * 10 + 4);
    more.setId("preference-add");
    more.setPromptText(Words.of("survivor.add"));
    more.setMaxWidth(Double.MAX_VALUE);
    more.setCellFactory(l -> new NameCell());
    more.setButtonCell(new NameCell());
    more.setOnAction(e -> add(more.getValue()));
  }

  private Label words() {
    Label words = Look.label(Words.of("survivor.words"), "second");
    words.setWrapText(true);
    words.setMinHeight(USE_PREF_SIZE); // where room is short, the list gives way
    ties.setWrapText(true);
    ties.setMinHeight(USE_PREF_SIZE);
    ties.setId("preference-ties");
    return words;
  }

  /** Shows the lines and what they decide. */
  void show(List<Group> groups) {
    filling = true;
    Preferences order = model.preferences();
    effect = order.effect(groups);
    int at = lines.getSelectionModel().getSelectedIndex();
    lines.getItems().setAll(order.lines());
    lines.getSelectionModel().select(Math.clamp(at, 0, Math.max(0, order.lines().size() - 1)));
    lines.refresh();
    long left = groups.stream().filter(g -> g.decidedBy().isEmpty()).count();
    ties.setText(Words.of("survivor.ties", left));
    more.setItems(FXCollections.observableArrayList(offered(order)));
    more.setValue(null);
    filling = false;
  }

  private List<Preference> offered(Preferences order) {
    List<Preference> all = new ArrayList<>();
    for (Criterion kind : Criterion.values()) {
      switch (kind) {
        case ROOT ->
            workspace.state().get().roots().keySet().stream()
                .filter(r -> !r.equals(Place.HOLDING_BAY))
                .forEach(r -> all.add(new Preference(kind, r)));
        case FORMAT -> FORMATS.forEach(f -> all.add(new Preference(kind, f)));
        default -> all.add(Preference.of(kind));
      }
    }
    all.removeAll(order.lines());
    return all;
  }

  private void add(Preference line) {
    if (!filling && line != null) {
      model.preferences(model.preferences().plus(line));
    }
  }

  private void drop() {
    Preference line = lines.getSelectionModel().getSelectedItem();
    if (line != null) {
      model.preferences(model.preferences().minus(line));
    }
  }

  private void move(int by) {
    int from = lines.getSelectionModel().getSelectedIndex();
    int to = from + by;
    if (from >= 0 && to >= 0 && to < lines.getItems().size()) {
      lines.getSelectionModel().select(to);
      model.preferences(model.preferences().moved(from, to));
    }
  }

  private void keys(KeyEvent event) {
    if (event.isAltDown() && (event.getCode() == KeyCode.UP || event.getCode() == KeyCode.DOWN)) {
      move(event.getCode() == KeyCode.UP ? -1 : 1);
      event.consume();
    } else if (event.getCode() == KeyCode.DELETE) {
      drop();
      event.consume();
    }
  }

  /** A line with its number and what it decides. */
  private final class PreferenceCell extends ListCell<Preference> {
    private final Label number = Look.label("", "second");
    private final Label name = Look.label("");
    private final Label decides = Look.label("", "mono", "second");
    private final HBox box = new HBox(8, number, name, Look.spring(), decides);

    PreferenceCell() {
      number.setMinWidth(16);
      HBox.setHgrow(name, Priority.SOMETIMES);
      setPrefWidth(0);
    }

    @Override
    protected void updateItem(Preference item, boolean empty) {
      super.updateItem(item, empty);
      if (empty || item == null) {
        setGraphic(null);
        return;
      }
      int count = effect.getOrDefault(item, 0);
      number.setText(String.valueOf(getIndex() + 1));
      Look.data(name, item.words());
      decides.setText(
          getIndex() == 0 ? Words.of("survivor.decides", count) : String.valueOf(count));
      decides.setMinWidth(USE_PREF_SIZE);
      setGraphic(box);
    }
  }

  private static final class NameCell extends ListCell<Preference> {
    @Override
    protected void updateItem(Preference item, boolean empty) {
      super.updateItem(item, empty);
      setText(empty || item == null ? Words.of("survivor.add") : item.words());
    }
  }
}
