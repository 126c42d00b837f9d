package tenterhook.desktop.code;

import java.util.Map;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.CodebookEdits;
import tenterhook.desktop.shell.Desk;
import tenterhook.desktop.shell.TrackList;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/**
 * Tokens in files that look like codes but are not in the codebook: take the typo's code, or out.
 */
final class StraysPane extends VBox {
  private final Desk desk;
  private final VBox lines = new VBox();

  StraysPane(Desk desk) {
    super(10);
    this.desk = desk;
    setId("strays");
    ScrollPane scroll = new ScrollPane(lines);
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren().addAll(Look.label(Words.of("strays.words"), "second"), scroll);
  }

  void refresh() {
    Map<String, RoaringBitmap> strays = CodebookEdits.strays(desk.state().get().snapshot());
    lines.getChildren().clear();
    strays.forEach((stray, ids) -> lines.getChildren().add(line(stray, ids)));
    if (strays.isEmpty()) {
      lines.getChildren().add(Look.label(Words.of("strays.none"), "empty"));
    }
  }

  private HBox line(String stray, RoaringBitmap ids) {
    HBox line =
        new HBox(
            12,
            Look.dataLabel(stray, "code", "stray"),
            Look.label(Words.of("strays.on", ids.getCardinality()), "second"),
            Look.spring());
    CodingModel.meant(desk.state().get().codebook(), stray)
        .ifPresent(
            code ->
                line.getChildren()
                    .add(Look.primary(Words.of("strays.map", code), () -> map(stray, code))));
    line.getChildren()
        .addAll(
            Look.button(Words.of("strays.show"), () -> desk.frame().show(TrackList.of(stray, ids))),
            Look.button(Words.of("strays.take"), () -> map(stray, "")));
    line.getStyleClass().add("step");
    return line;
  }

  private void map(String stray, String code) {
    desk.apply(
        CodebookEdits.map(
            desk.state().get().snapshot(), desk.state().get().codebook(), stray, code));
  }
}
