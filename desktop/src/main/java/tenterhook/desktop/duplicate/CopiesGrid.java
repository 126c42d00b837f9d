package tenterhook.desktop.duplicate;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import tenterhook.core.duplicate.Duplicates;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.shell.Desk;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** Copies as columns, attributes as rows; what differs is marked, the survivor stands out. */
final class CopiesGrid extends GridPane {
  private static final List<Field<?>> ROWS =
      List.of(
          Fields.CODEC,
          Fields.BITRATE,
          Fields.DURATION,
          Fields.SIZE,
          Fields.TITLE,
          Fields.ALBUM,
          Fields.ARTWORK,
          Fields.CODES,
          Fields.PLAYS,
          Fields.ADDED);

  private final Desk desk;
  private List<Integer> tracks = List.of();
  private int survivor;

  CopiesGrid(Desk desk) {
    this.desk = desk;
    setId("copies");
  }

  int survivor() {
    return survivor;
  }

  List<Integer> spares() {
    return tracks.stream().filter(id -> id != survivor).toList();
  }

  void clear() {
    getChildren().clear();
    tracks = List.of();
  }

  void show(Duplicates.Group group) {
    tracks = group.tracks();
    survivor = group.survivor();
    fill();
  }

  private void fill() {
    getChildren().clear();
    getColumnConstraints().setAll(new ColumnConstraints(80));
    for (int i = 0; i < tracks.size(); i++) {
      ColumnConstraints wide = new ColumnConstraints(160, 240, 420);
      wide.setHgrow(Priority.ALWAYS);
      getColumnConstraints().add(wide);
      add(head(tracks.get(i)), i + 1, 0);
    }
    for (int row = 0; row < ROWS.size(); row++) {
      Field<?> field = ROWS.get(row);
      Label name = Look.label(field.label(), "second", "copy");
      add(name, 0, row + 1);
      for (int i = 0; i < tracks.size(); i++) {
        add(value(field, tracks.get(i)), i + 1, row + 1);
      }
    }
  }

  private VBox head(int id) {
    Snapshot snapshot = desk.state().get().snapshot();
    boolean kept = id == survivor;
    Label what =
        Look.label(
            Words.of(kept ? "duplicates.survivor" : "duplicates.spare"), kept ? "whole" : "second");
    Label path = Look.dataLabel(snapshot.raw(id, Fields.PATH), "strong");
    path.setWrapText(true);
    VBox box = new VBox(2, what, path);
    if (!kept) {
      box.getChildren()
          .add(
              Look.button(
                  Words.of("duplicates.makeSurvivor"),
                  () -> {
                    survivor = id;
                    fill();
                  },
                  "quiet"));
    }
    box.getStyleClass().add("copy");
    if (kept) {
      box.getStyleClass().add("kept");
    }
    return box;
  }

  private Label value(Field<?> field, int id) {
    Snapshot snapshot = desk.state().get().snapshot();
    String shown = snapshot.shown(id, field);
    if (field == Fields.SIZE) {
      shown = DuplicatesView.megabytes(snapshot.value(id, Fields.SIZE).orElse(0L));
    }
    Label label = Look.dataLabel(shown.isEmpty() ? Words.of("none") : shown, "copy");
    label.setMaxWidth(Double.MAX_VALUE);
    label.setMaxHeight(Double.MAX_VALUE);
    if (id == survivor) {
      label.getStyleClass().add("kept");
    } else if (!snapshot.raw(id, field).equals(snapshot.raw(survivor, field))) {
      label.getStyleClass().add("differs");
    }
    return label;
  }
}
