package tenterhook.desktop.edit;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Edits one or many tracks. Only fields that were touched change; a sentence says what will. */
public final class EditPanel extends VBox {
  private final Workspace workspace;
  private final Label heading = Look.label("", "heading");
  private final Label sentence = Look.label("", "second");
  private final GridPane grid = new GridPane();
  private final Map<Field<?>, TextInputControl> inputs = new HashMap<>();
  private final Map<Field<?>, HBox> places = new HashMap<>();
  private final Map<Field<?>, ValuePicker> pickers = new HashMap<>();
  private final ArtworkPane artwork;
  private final Button apply = Look.primary(Words.of("edit.apply"), this::apply);
  private EditModel model;
  private boolean filling;
  private boolean applied;

  /** Whether Apply would do nothing, as far as is known. */
  private boolean nothingToDo = true;

  private boolean counting;
  private boolean wantsFocus;

  /**
   * A panel.
   *
   * @param workspace what it works with
   * @param close takes it out of view
   */
  public EditPanel(Workspace workspace, Runnable close) {
    this.workspace = workspace;
    this.model = new EditModel(workspace.state().get().snapshot(), new RoaringBitmap());
    this.artwork = new ArtworkPane(workspace, this::artwork);
    getStyleClass().addAll("side", "edit");
    setId("edit");
    setPrefWidth(340);
    setMinWidth(340);
    heading.setMaxWidth(240);
    HBox head =
        new HBox(heading, Look.spring(), Look.button(Words.of("edit.close"), close, "quiet"));
    build();
    ScrollPane scroll = new ScrollPane(new VBox(8, artwork, grid));
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    sentence.setId("edit-sentence");
    sentence.setWrapText(true);
    apply.setId("edit-apply");
    HBox foot = new HBox(8, apply, Look.button(Words.of("edit.reset"), this::reset));
    getChildren().addAll(head, scroll, sentence, foot);
  }

  private void build() {
    grid.setHgap(8);
    grid.setVgap(4);
    int row = 0;
    for (Field<?> field : EditModel.fields()) {
      HBox place = new HBox(4, field.is(Trait.LONG) ? area(field) : input(field));
      Fields.totalOf(field)
          .ifPresent(
              total ->
                  place
                      .getChildren()
                      .addAll(Look.label(Words.of("edit.of"), "second"), input(total)));
      place.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
      places.put(field, place);
      Label label = Look.label(field.label(), "second");
      label.setLabelFor(inputs.get(field));
      label.setMinWidth(70);
      grid.addRow(row++, label, place);
      GridPane.setHgrow(place, Priority.ALWAYS);
    }
  }

  private TextArea area(Field<?> field) {
    TextArea area = new TextArea();
    area.setPrefRowCount(4);
    area.setWrapText(true);
    HBox.setHgrow(area, Priority.ALWAYS);
    watch(field, area);
    return area;
  }

  private TextField input(Field<?> field) {
    TextField input = new TextField();
    input.setPrefColumnCount(field.type().numeric() ? 4 : 16);
    if (!field.type().numeric()) {
      HBox.setHgrow(input, Priority.ALWAYS);
    }
    watch(field, input);
    return input;
  }

  private void watch(Field<?> field, TextInputControl input) {
    input.setId("edit-" + field.key());
    input.setAccessibleText(field.label());
    inputs.put(field, input);
    input
        .textProperty()
        .addListener(
            (o, before, after) -> {
              if (!filling) {
                typed(field, input, after);
              }
            });
  }

  private void typed(Field<?> field, TextInputControl input, String text) {
    Optional<String> complaint = model.type(field, text);
    mark(input, "wrong", complaint.isPresent());
    mark(input, "touched", model.touched(field));
    complaint.ifPresentOrElse(
        c -> {
          String said = Words.of("told.badValue", field.label(), text, c);
          workspace.promptly(sentence, () -> new EditModel.Effect(said, true), this::say);
        },
        this::say);
  }

  private static void mark(TextInputControl input, String name, boolean on) {
    input.getStyleClass().remove(name);
    if (on) {
      input.getStyleClass().add(name);
    }
  }

  /** Shows the tracks chosen; what was typed stays while they are the same and wait for Apply. */
  public void choose(RoaringBitmap ids) {
    if (applied || !model.isOf(ids) || !model.isTouched()) {
      show(ids);
    }
  }

  /** Shows other tracks; what was typed and not applied is forgotten. */
  public void show(RoaringBitmap ids) {
    applied = false;
    nothingToDo = true;
    EditModel next = new EditModel(workspace.state().get().snapshot(), ids);
    model = next;
    String name =
        ids.getCardinality() == 1
            ? workspace.state().get().snapshot().name(ids.first())
            : Words.of("edit.many", ids.getCardinality());
    Look.data(heading, name);
    apply.setDisable(true);
    counting = true;
    workspace.promptly(this, next::counted, this::filled);
    grid.setDisable(counting);
  }

  private void filled(EditModel counted) {
    filling = true;
    counting = false;
    grid.setDisable(false);
    inputs.forEach(this::fill);
    artwork.show(counted, counted.ids());
    filling = false;
    say();
    if (wantsFocus) {
      focusFirst();
    }
  }

  private void fill(Field<?> field, TextInputControl input) {
    mark(input, "wrong", false);
    mark(input, "touched", false);
    input.setDisable(model.count() == 0);
    List<String> values = model.values(field);
    int distinct = model.distinct(field);
    boolean several = distinct > 1;
    String text = several || values.isEmpty() ? "" : field.type().show(values.getFirst());
    input.setText(text);
    Look.script(input, text);
    String prompt = several ? Words.of("edit.several", distinct) : "";
    input.setPromptText(
        field.type().numeric() && several ? Words.of("edit.severalShort", distinct) : prompt);
    if (places.containsKey(field)) {
      pick(field, input, several ? values : List.of());
    }
  }

  /** Offers values; a picker is made once, when its field first has several. */
  private void pick(Field<?> field, TextInputControl input, List<String> values) {
    ValuePicker picker = pickers.get(field);
    if (picker == null && !values.isEmpty()) {
      picker = new ValuePicker(field, input, raw -> set(field, input, raw));
      pickers.put(field, picker);
      places.get(field).getChildren().add(picker.button());
    }
    if (picker != null) {
      picker.offer(values, model.count());
    }
  }

  private void set(Field<?> field, TextInputControl input, String raw) {
    model.set(field, raw);
    mark(input, "touched", true);
    say();
  }

  private void artwork(Optional<String> raw) {
    raw.ifPresent(r -> model.set(Fields.ARTWORK, r));
    say();
  }

  private void say() {
    workspace.promptly(sentence, model.effect()::get, this::say);
  }

  private void say(EditModel.Effect effect) {
    sentence.setText(effect.sentence());
    nothingToDo = effect.empty();
    apply.setDisable(nothingToDo);
  }

  private void apply() {
    if (!nothingToDo) {
      apply.setDisable(true);
      applied = true;
      EditModel applying = model;
      workspace.command(
          sentence.getText(), applying.count(), now -> applying.change(now.snapshot()));
    }
  }

  private void reset() {
    show(model.ids());
  }

  /** Puts the keyboard into the first field. */
  public void focusFirst() {
    wantsFocus = counting; // then as soon as the values are there
    inputs.get(Fields.ARTIST).requestFocus();
  }
}
