package tenterhook.desktop.crate;

import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.shell.Desk;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** Says of the track chosen last which lines of the crate hold for it and which do not. */
final class WhyPane extends VBox {
  private final Desk desk;
  private final Label heading = Look.label("", "heading");
  private final Label track = Look.label("", "second");
  private final VBox lines = new VBox(6);

  WhyPane(Desk desk) {
    this.desk = desk;
    setId("why");
    getStyleClass().add("side");
    setPrefWidth(250);
    setMinWidth(250);
    track.setWrapText(true);
    getChildren().addAll(heading, track, lines);
  }

  void clear() {
    heading.setText("");
    track.setText("");
    lines.getChildren().clear();
  }

  void show(Crate.RuleCrate crate, CrateContents contents) {
    clear();
    int id = desk.chosen().get();
    Snapshot snapshot = desk.state().get().snapshot();
    if (id == 0 || !snapshot.has(id)) {
      heading.setText(Words.of("why.heading"));
      track.setText(Words.of("why.none"));
      return;
    }
    boolean in = contents.finder().find(crate.rule().query()).contains(id);
    boolean resting = !snapshot.raw(id, Fields.RESTING).isEmpty();
    heading.setText(Words.of(in && !resting ? "why.in" : "why.out"));
    Look.data(track, snapshot.name(id));
    if (resting) {
      lines.getChildren().add(line(Words.of("why.resting"), false));
    }
    for (CrateContents.Reason reason : contents.why(crate.rule(), id)) {
      lines.getChildren().add(line(reason.text(), reason.holds()));
    }
  }

  private static Label line(String text, boolean holds) {
    Label label =
        Look.dataLabel(Words.of(holds ? "why.holds" : "why.fails", text), holds ? "whole" : "hole");
    label.setWrapText(true);
    return label;
  }
}
