package tenterhook.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** The bar at the foot: the track that was chosen last, its data and where its file is. */
final class Strip extends HBox {
  private static final List<Field<?>> FACTS =
      List.of(Fields.YEAR, Fields.BPM, Fields.KEY, Fields.DURATION, Fields.BITRATE, Fields.CODEC);

  private final Desk desk;
  private final Label name = Look.label("", "strong");
  private final Label facts = Look.label("", "second");
  private final Label path = Look.label("", "second", "mono");

  Strip(Desk desk) {
    this.desk = desk;
    getStyleClass().add("strip");
    name.setId("strip-name");
    VBox words = new VBox(2, name, facts);
    words.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    getChildren().addAll(words, Look.spring(), path);
    path.setTextOverrun(javafx.scene.control.OverrunStyle.LEADING_ELLIPSIS);
    desk.chosen().addListener((o, before, after) -> show());
    desk.state().addListener((o, before, after) -> show());
    show();
  }

  private void show() {
    int id = desk.chosen().get();
    Snapshot snapshot = desk.state().get().snapshot();
    if (id == 0 || !snapshot.has(id)) {
      name.setText(Words.of("strip.none"));
      facts.setText(Words.of("strip.noneWords"));
      path.setText("");
      return;
    }
    Look.data(name, snapshot.name(id));
    List<String> shown = new ArrayList<>();
    for (Field<?> field : FACTS) {
      String text = snapshot.shown(id, field);
      if (!text.isEmpty()) {
        shown.add(
            field == Fields.BPM ? text + " bpm" : field == Fields.BITRATE ? text + " kbps" : text);
      }
    }
    if (snapshot.lost(id)) {
      shown.add(Words.of("mark.lost"));
    }
    Look.data(facts, String.join(" · ", shown));
    Look.data(path, snapshot.raw(id, Fields.ROOT) + "/" + snapshot.raw(id, Fields.PATH));
  }
}
