package tenterhook.desktop.control;

import java.util.List;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.TableCell;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.shape.Rectangle;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.measure.Overview;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** One value of one track. Its nodes are made once; holes, lost and resting tracks are marked. */
final class TrackCell extends TableCell<Integer, Integer> {
  private static final PseudoClass GAP = PseudoClass.getPseudoClass("gap");
  private static final PseudoClass RESTING = PseudoClass.getPseudoClass("resting");
  private static final PseudoClass ON = PseudoClass.getPseudoClass("on");

  private final Workspace workspace;
  private final Field<?> field;
  private final Columns.Edited edited;
  private final HBox box = new HBox(3);
  private final Waveform wave = new Waveform(false);
  private TextField typed;

  TrackCell(Workspace workspace, Field<?> field, Columns.Edited edited) {
    this.workspace = workspace;
    this.field = field;
    this.edited = edited;
    this.typed = new TextField();
    typed.setOnAction(e -> commit());
    typed.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            cancelEdit();
            e.consume();
          }
        });
  }

  @Override
  protected void updateItem(Integer id, boolean empty) {
    super.updateItem(id, empty);
    if (empty || id == null) {
      setText(null);
      setGraphic(null);
      return;
    }
    if (!isEditing()) {
      show(id);
    }
  }

  private void show(int id) {
    Snapshot snapshot = workspace.state().get().snapshot();
    String raw = snapshot.raw(id, field);
    boolean woven = field.weaveGroup().isPresent();
    boolean lost = field == Fields.STATE && snapshot.lost(id);
    boolean hole = woven && field.isHole(raw) || lost;
    pseudoClassStateChanged(GAP, hole);
    pseudoClassStateChanged(RESTING, !snapshot.raw(id, Fields.RESTING).isEmpty());
    setGraphic(null);
    if (field == Fields.CODES) {
      codes(snapshot, id);
    } else if (field == Fields.SOUND) {
      sound(id);
    } else if (field == Fields.RATING) {
      pips(Fields.RATING.type().parse(raw).orElse(0));
    } else {
      boolean key = field == Fields.KEY || field == Fields.MEASURED_KEY;
      String shown = key ? KeyWords.of(workspace, raw) : field.type().show(raw);
      String text = hole && raw.isEmpty() ? Words.of("hole") : shown;
      Look.data(this, field == Fields.TITLE ? marked(snapshot, id, text) : text);
    }
  }

  /** Words, not colour alone, say what state a track is in. */
  private static String marked(Snapshot snapshot, int id, String title) {
    StringBuilder text = new StringBuilder(title);
    if (snapshot.lost(id)) {
      text.append(" · ").append(Words.of("mark.lost"));
    }
    if (!snapshot.raw(id, Fields.RESTING).isEmpty()) {
      text.append(" · ").append(Words.of("mark.resting"));
    }
    if (!snapshot.raw(id, Fields.GUARDED).isEmpty()) {
      text.append(" · ").append(Words.of("mark.guarded"));
    }
    return text.toString();
  }

  private void codes(Snapshot snapshot, int id) {
    List<String> codes = snapshot.value(id, Fields.CODES).orElse(List.of());
    List<String> strays = snapshot.value(id, Fields.STRAYS).orElse(List.of());
    box.getChildren().clear();
    codes.forEach(c -> box.getChildren().add(Look.label(c, "code")));
    strays.forEach(s -> box.getChildren().add(Look.dataLabel(s + "?", "code", "stray")));
    for (var label : box.getChildren()) {
      ((Label) label).setMinWidth(Label.USE_PREF_SIZE);
    }
    setText(null);
    setGraphic(box);
  }

  /** The shape of the track; it comes a little later when it has to be read first. */
  private void sound(int id) {
    setText(null);
    wave.show(Overview.EMPTY);
    setGraphic(wave);
    workspace
        .listening()
        .overview(
            id,
            overview -> {
              if (Integer.valueOf(id).equals(getItem())) {
                wave.show(overview);
              }
            });
  }

  private void pips(int rating) {
    box.getChildren().clear();
    for (int i = 1; i <= 5; i++) {
      Rectangle pip = new Rectangle(4, 12);
      pip.getStyleClass().add("pip");
      pip.pseudoClassStateChanged(ON, i <= rating);
      box.getChildren().add(pip);
    }
    setText(null);
    setGraphic(rating == 0 ? null : box);
    setAccessibleText(Words.of("table.rating", rating));
  }

  @Override
  public void startEdit() {
    if (getItem() == null || !field.editable()) {
      return;
    }
    super.startEdit();
    if (isEditing()) {
      typed.setText(workspace.state().get().snapshot().shown(getItem(), field));
      Look.script(typed, typed.getText());
      setText(null);
      setGraphic(typed);
      typed.requestFocus();
      typed.selectAll();
    }
  }

  private void commit() {
    int id = getItem();
    String text = typed.getText();
    var complaint = field.type().complaint(text);
    if (complaint.isPresent()) {
      workspace
          .frame()
          .inform(Words.of("told.badValue", field.label(), text, complaint.get()), true, 0);
      return;
    }
    cancelEdit();
    String raw = field.type().fromTyped(text);
    boolean same = workspace.state().get().snapshot().shown(id, field).equals(text);
    if (!same) {
      edited.edit(id, field, raw);
    }
  }

  @Override
  public void cancelEdit() {
    super.cancelEdit();
    if (getItem() != null) {
      show(getItem());
    }
    getTableView().requestFocus();
  }
}
