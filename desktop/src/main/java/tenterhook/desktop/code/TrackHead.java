package tenterhook.desktop.code;

import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** The track on the desk: cover, title, figures, and the keys that jump in it. */
final class TrackHead extends HBox {
  private static final double COVER = 96;

  private final Workspace workspace;
  private final StackPane cover = new StackPane();
  private final Label title = Look.label("", "desk-title");
  private final Label names = Look.label("");
  private final Label figures = Look.label("", "mono");
  private RoaringBitmap shown = new RoaringBitmap();

  TrackHead(Workspace workspace) {
    super(16);
    this.workspace = workspace;
    cover.setMinSize(COVER, COVER);
    cover.setMaxSize(COVER, COVER);
    cover.getStyleClass().add("desk-cover");
    title.setId("desk-title");
    getChildren().addAll(cover, new VBox(3, title, names, figures, jumps()));
  }

  private HBox jumps() {
    HBox row = new HBox(4);
    for (int i = 1; i <= 8; i++) {
      int eighth = i;
      Button jump =
          Look.button(String.valueOf(i), () -> workspace.listening().eighth(eighth), "jump");
      jump.setFocusTraversable(false);
      row.getChildren().add(jump);
    }
    Button loudest =
        Look.button(Words.of("coding.loudest"), () -> workspace.listening().loudest(), "jump");
    loudest.setFocusTraversable(false);
    row.getChildren().addAll(loudest, Look.label(Words.of("coding.jump"), "second"));
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  /** Shows one track whole, of several their number. */
  void show(RoaringBitmap ids) {
    shown = ids;
    cover.getChildren().clear();
    if (ids.getCardinality() != 1) {
      title.setText(ids.isEmpty() ? "" : Words.of("coding.several", ids.getCardinality()));
      names.setText("");
      figures.setText("");
      return;
    }
    int id = ids.first();
    Snapshot now = workspace.state().get().snapshot();
    Look.data(
        title, now.raw(id, Fields.TITLE).isBlank() ? now.fileName(id) : now.raw(id, Fields.TITLE));
    Look.data(
        names,
        joined(
            " · ",
            now.shown(id, Fields.ARTIST),
            now.raw(id, Fields.ALBUM),
            Fields.YEAR.type().show(now.raw(id, Fields.YEAR))));
    showFigures(now, id);
    showCover(id);
  }

  private void showFigures(Snapshot now, int id) {
    int plays = now.value(id, Fields.PLAYS).orElse(0);
    Look.data(
        figures,
        joined(
            "   ",
            text(now, id, Fields.BPM, " bpm"),
            now.raw(id, Fields.KEY),
            text(now, id, Fields.DURATION, ""),
            text(now, id, Fields.LOUDNESS, " LUFS"),
            plays == 0 ? "" : Words.of("coding.played", plays)));
  }

  private void showCover(int id) {
    workspace.background(
        () -> workspace.collection().covers().of(id),
        bytes ->
            bytes
                .filter(b -> shown.contains(id))
                .ifPresent(
                    b ->
                        cover
                            .getChildren()
                            .setAll(
                                new ImageView(
                                    new Image(
                                        new ByteArrayInputStream(b), COVER, COVER, true, true)))));
  }

  private static String text(Snapshot now, int id, Field<?> field, String unit) {
    String text = field.type().show(now.raw(id, field));
    return text.isBlank() ? "" : text + unit;
  }

  private static String joined(String between, String... parts) {
    return List.of(parts).stream().filter(p -> !p.isBlank()).collect(Collectors.joining(between));
  }
}
