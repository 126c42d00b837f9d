package tenterhook.desktop.control;

import java.util.List;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.TableCell;
import javafx.scene.control.TextField;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.shape.Rectangle;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.core.measure.Overview;
import tenterhook.core.track.ItemKind;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/**
 * One value of one track; holes, lost and resting tracks are marked. Its nodes are made when they
 * are first needed, and then used for every track that it shows.
 */
final class TrackCell extends TableCell<Integer, Integer> {
  private static final PseudoClass GAP = PseudoClass.getPseudoClass("gap");
  private static final PseudoClass RESTING = PseudoClass.getPseudoClass("resting");
  private static final PseudoClass STRAY = PseudoClass.getPseudoClass("stray");
  private static final PseudoClass ON = PseudoClass.getPseudoClass("on");
  private static final int COVER = 22;

  private final Workspace workspace;
  private final Field<?> field;
  private final Columns.Edited edited;
  private final HBox box = new HBox(3);
  private final Once<Waveform> wave = new Once<>(() -> new Waveform(false));
  private final Once<TextField> typed = new Once<>(this::input);
  private final Once<ImageView> cover = new Once<>(TrackCell::picture);

  TrackCell(Workspace workspace, Field<?> field, Columns.Edited edited) {
    this.workspace = workspace;
    this.field = field;
    this.edited = edited;
  }

  private static ImageView picture() {
    ImageView view = new ImageView();
    view.setFitWidth(COVER);
    view.setFitHeight(COVER);
    view.setPreserveRatio(true);
    return view;
  }

  private TextField input() {
    TextField input = new TextField();
    input.setOnAction(e -> commit(input.getText()));
    input.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            cancelEdit();
            e.consume();
          }
        });
    return input;
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

  /** Shows the track's value as it is by now. */
  void showAgain() {
    if (!isEmpty() && getItem() != null && !isEditing()) {
      show(getItem());
    }
  }

  private void show(int id) {
    Snapshot snapshot = workspace.state().get().snapshot();
    String raw = snapshot.raw(id, field);
    boolean woven = field.weaveGroup().isPresent() && !ItemKind.isOther(snapshot, id);
    boolean lost = field == Fields.STATE && snapshot.lost(id);
    boolean hole = woven && field.isHole(raw) || lost;
    pseudoClassStateChanged(GAP, hole);
    pseudoClassStateChanged(RESTING, !snapshot.isBlank(id, Fields.RESTING));
    if (field == Fields.CODES) {
      codes(snapshot, id);
    } else if (field == Fields.SOUND) {
      sound(id);
    } else if (field == Fields.RATING) {
      pips(Fields.RATING.type().parse(raw).orElse(0));
    } else {
      boolean key = field == Fields.KEY || field == Fields.MEASURED_KEY;
      String shown = key ? KeyWords.of(workspace, raw) : line(field.type().show(raw));
      String text = hole && raw.isEmpty() ? Words.of("hole") : shown;
      setGraphic(null);
      Look.data(this, field == Fields.TITLE ? marked(snapshot, id, text) : text);
      if (field == Fields.ARTWORK) {
        Artwork.parse(raw).ifPresent(art -> cover(id, art.sha256()));
      }
    }
  }

  /** The first line, with a mark where more follow. */
  private String line(String text) {
    int end = field.is(Trait.LONG) ? text.indexOf('\n') : -1;
    return end < 0 ? text : text.substring(0, end).strip() + " …";
  }

  /** The cover before its size; it comes a little later when it has to be read first. */
  private void cover(int id, String sha256) {
    ImageView view = cover.get();
    view.setImage(workspace.covers().get(sha256, id, COVER, this::showAgain).orElse(null));
    setGraphic(view);
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
    int count = codes.size() + strays.size();
    for (int i = 0; i < count; i++) {
      boolean stray = i >= codes.size();
      Label label = codeLabel(i);
      Look.data(label, stray ? strays.get(i - codes.size()) + "?" : codes.get(i));
      label.pseudoClassStateChanged(STRAY, stray);
    }
    show(box, count);
    setText(null);
    setGraphic(box);
  }

  private Label codeLabel(int place) {
    if (place == box.getChildren().size()) {
      Label label = Look.label("", "code");
      label.setMinWidth(Label.USE_PREF_SIZE);
      box.getChildren().add(label);
    }
    return (Label) box.getChildren().get(place);
  }

  /** What is not needed for this track waits for another one. */
  private static void show(HBox box, int count) {
    for (int i = 0; i < box.getChildren().size(); i++) {
      box.getChildren().get(i).setVisible(i < count);
      box.getChildren().get(i).setManaged(i < count);
    }
  }

  /** The shape of the track; it comes a little later when it has to be read first. */
  private void sound(int id) {
    setText(null);
    Waveform shape = wave.get();
    shape.show(Overview.EMPTY);
    setGraphic(shape);
    workspace
        .listening()
        .overview(
            id,
            overview -> {
              if (Integer.valueOf(id).equals(getItem())) {
                shape.show(overview);
              }
            });
  }

  private void pips(int rating) {
    for (int i = box.getChildren().size(); rating > 0 && i < 5; i++) {
      Rectangle pip = new Rectangle(4, 12);
      pip.getStyleClass().add("pip");
      box.getChildren().add(pip);
    }
    for (int i = 0; i < box.getChildren().size(); i++) {
      box.getChildren().get(i).pseudoClassStateChanged(ON, i < rating);
    }
    box.setVisible(rating > 0);
    setText(null);
    setGraphic(box);
    setAccessibleText(Words.of("table.rating", rating));
  }

  @Override
  public void startEdit() {
    if (getItem() == null || !field.editable()) {
      return;
    }
    super.startEdit();
    if (isEditing()) {
      TextField input = typed.get();
      input.setText(workspace.state().get().snapshot().shown(getItem(), field));
      Look.script(input, input.getText());
      setText(null);
      setGraphic(input);
      input.requestFocus();
      input.selectAll();
    }
  }

  private void commit(String text) {
    int id = getItem();
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
