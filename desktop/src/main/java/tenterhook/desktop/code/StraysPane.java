package tenterhook.desktop.code;

import java.util.LinkedHashMap;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/**
 * Tokens in files that look like codes but are not in the codebook: each becomes a code that is
 * there, a new one, nothing, or is left alone; those that are one letter off all at once.
 */
final class StraysPane extends VBox {
  private final Workspace workspace;
  private final VBox lines = new VBox();
  private final Button all = Look.primary("", this::mapAll);
  private Map<String, String> typos = Map.of();

  StraysPane(Workspace workspace) {
    super(10);
    this.workspace = workspace;
    setId("strays");
    all.setId("strays-all");
    HBox head = new HBox(12, Look.label(Words.of("strays.words"), "second"), Look.spring(), all);
    head.setAlignment(Pos.CENTER_LEFT);
    ScrollPane scroll = new ScrollPane(lines);
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren().addAll(head, scroll);
  }

  private Codebook book() {
    return workspace.state().get().codebook();
  }

  void refresh() {
    Snapshot snapshot = workspace.state().get().snapshot();
    workspace.latestOnly(this, () -> CodebookEdits.strays(snapshot), this::show);
  }

  private void show(Map<String, RoaringBitmap> strays) {
    lines.getChildren().clear();
    typos = new LinkedHashMap<>();
    strays.keySet().forEach(s -> CodingModel.meant(book(), s).ifPresent(c -> typos.put(s, c)));
    all.setText(Words.of("strays.all", typos.size()));
    all.setVisible(typos.size() > 1);
    strays.forEach((stray, ids) -> lines.getChildren().add(line(stray, ids)));
    if (strays.isEmpty()) {
      lines.getChildren().add(Look.label(Words.of("strays.none"), "empty"));
    }
    book().ignored().forEach(s -> lines.getChildren().add(ignored(s)));
  }

  private HBox line(String stray, RoaringBitmap ids) {
    HBox line =
        new HBox(
            12,
            Look.dataLabel(stray, "code", "stray"),
            Look.label(Words.of("strays.on", ids.getCardinality()), "second"),
            Look.spring());
    CodingModel.meant(book(), stray)
        .ifPresent(
            code ->
                line.getChildren()
                    .add(Look.primary(Words.of("strays.map", code), () -> map(stray, code))));
    line.getChildren()
        .addAll(
            more(stray),
            Look.button(
                Words.of("strays.show"), () -> workspace.frame().show(TrackList.of(stray, ids))),
            Look.button(Words.of("strays.take"), () -> map(stray, "")));
    line.getStyleClass().add("step");
    return line;
  }

  private MenuButton more(String stray) {
    Menu code = new Menu(Words.of("strays.becomes"));
    book().tokens().forEach(t -> code.getItems().add(Look.named(t, () -> map(stray, t))));
    Menu adopt = new Menu(Words.of("strays.adopt"));
    book()
        .facets()
        .forEach(f -> adopt.getItems().add(Look.named(f.name(), () -> adopt(stray, f.name()))));
    MenuItem ignore =
        Look.named(
            Words.of("strays.ignore"),
            () -> workspace.apply(CodebookEdits.ignore(book(), stray, true)));
    MenuButton more = new MenuButton(Words.of("strays.more"));
    more.setId("stray-" + stray);
    more.getItems().addAll(code, adopt, ignore);
    return more;
  }

  private HBox ignored(String stray) {
    HBox line =
        new HBox(
            12,
            Look.dataLabel(stray, "code"),
            Look.label(Words.of("strays.ignored"), "second"),
            Look.spring(),
            Look.button(
                Words.of("strays.again"),
                () -> workspace.apply(CodebookEdits.ignore(book(), stray, false))));
    line.getStyleClass().add("step");
    return line;
  }

  private void adopt(String stray, String facet) {
    workspace.apply(CodebookEdits.adopt(book(), stray, facet));
  }

  private void mapAll() {
    Map<String, String> codes = Map.copyOf(typos);
    workspace
        .frame()
        .ask(
            Words.of("strays.askAll", String.join(", ", typos.keySet())),
            Words.of("strays.all", codes.size()),
            () ->
                workspace.command(
                    Words.of("strays.all", codes.size()),
                    workspace.state().get().snapshot().count(),
                    now -> CodebookEdits.map(now.snapshot(), now.codebook(), codes)));
  }

  private void map(String stray, String code) {
    workspace.command(
        Words.of("strays.becomes"),
        workspace.state().get().snapshot().count(),
        now -> CodebookEdits.map(now.snapshot(), now.codebook(), stray, code));
  }
}
