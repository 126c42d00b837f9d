package tenterhook.desktop.code;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.code.Clashes;
import tenterhook.core.code.Clashes.Clash;
import tenterhook.core.code.Notation;
import tenterhook.core.code.Suggestions;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** What a plain search for a code would also find, and how good suggestions are. */
final class ClashPane extends VBox {
  private static final double WIDTH = 330;

  /** Letters after which the short tag of mp3 files, and some players, cut a text. */
  private static final List<Integer> CUTS = List.of(30, 255);

  private final Workspace workspace;
  private final VBox lines = new VBox(8);

  /** All that is worked out beside the window. */
  private record ClashesFound(
      List<Clash> written,
      Map<String, List<String>> instead,
      List<Clash> bare,
      Map<Integer, RoaringBitmap> tooLong,
      Map<Notation.Style, Integer> byStyle,
      List<Suggestions.Rate> rates) {}

  ClashPane(Workspace workspace) {
    super(8);
    this.workspace = workspace;
    setId("clashes");
    getStyleClass().add("side");
    setPrefWidth(WIDTH);
    setMinWidth(WIDTH);
    ScrollPane scroll = new ScrollPane(lines);
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren().addAll(Look.label(Words.of("clash.title"), "heading"), scroll);
  }

  void refresh() {
    CollectionState state = workspace.state().get();
    workspace.latestOnly(
        this,
        () -> {
          Clashes clashes = new Clashes(state.snapshot(), state.codebook());
          List<Clash> written = clashes.all();
          return new ClashesFound(
              written,
              written.stream()
                  .collect(Collectors.toMap(Clash::token, c -> clashes.otherTokens(c.token()))),
              clashes.bare(),
              CUTS.stream().collect(Collectors.toMap(c -> c, clashes::longerThan)),
              written.isEmpty() ? Map.of() : clashes.byStyle(),
              new Suggestions(state.snapshot(), state.codebook()).rates());
        },
        this::show);
  }

  private void show(ClashesFound found) {
    Notation notation = workspace.state().get().codebook().notation();
    lines.getChildren().clear();
    say(
        Words.of(
            found.written().isEmpty() ? "clash.none" : "clash.written", found.written().size()),
        found.written().isEmpty() ? "whole" : "hole");
    sayStyles(found);
    found.written().forEach(c -> lines.getChildren().add(line(c, found.instead().get(c.token()))));
    if (!found.bare().isEmpty() && notation.style() != Notation.Style.SEPARATED) {
      say(Words.of("clash.bare", found.bare().size()), "doubt");
      found.bare().forEach(c -> lines.getChildren().add(line(c, List.of())));
    }
    for (int letters : CUTS) {
      RoaringBitmap ids = found.tooLong().get(letters);
      if (!ids.isEmpty()) {
        lines.getChildren().add(tooLong(letters, ids));
      }
    }
    sayRates(found);
  }

  /** What would be found by mistake were codes written otherwise. */
  private void sayStyles(ClashesFound found) {
    found
        .byStyle()
        .forEach(
            (style, count) -> {
              if (count < found.written().size()) {
                say(Words.of("clash.style." + style.name().toLowerCase(Locale.ROOT), count), "");
              }
            });
  }

  private void sayRates(ClashesFound found) {
    say(Words.of("clash.rates"), "strong");
    for (Suggestions.Rate rate : found.rates()) {
      if (rate.tracks() > 0) {
        say(
            Words.of(
                "clash.rate",
                rate.facet(),
                rate.right(),
                rate.suggested(),
                rate.commonest(),
                rate.tracks()),
            "second");
      }
    }
  }

  private VBox tooLong(int letters, RoaringBitmap ids) {
    String field = workspace.state().get().codebook().notation().target().label();
    var words = Look.label(Words.of("clash.long", field, letters), "second");
    words.setWrapText(true);
    var open =
        Look.button(
            Words.of("count.tracks", ids.getCardinality()),
            () -> workspace.frame().show(TrackList.of(words.getText(), ids)),
            "quiet");
    VBox box = new VBox(2, words, open);
    box.getStyleClass().add("step");
    return box;
  }

  private void say(String words, String style) {
    var label = Look.dataLabel(words, style);
    label.setWrapText(true);
    lines.getChildren().add(label);
  }

  private VBox line(Clash clash, List<String> instead) {
    String hits = hits(clash);
    var words = Look.dataLabel(hits, "second");
    words.setWrapText(true);
    var open =
        Look.button(
            Words.of("clash.tracks", clash.tracks().getCardinality()),
            () -> workspace.frame().show(TrackList.of(clash.written(), clash.tracks())),
            "quiet");
    HBox head = new HBox(8, Look.label(clash.written(), "code"), Look.spring(), open);
    head.setAlignment(Pos.CENTER_LEFT);
    VBox box = new VBox(2, head, words);
    offers(clash, instead, box);
    box.getStyleClass().add("step");
    return box;
  }

  private static String hits(Clash clash) {
    return clash.hits().entrySet().stream()
        .map(h -> Words.of("clash.hit", h.getKey(), h.getValue()))
        .collect(Collectors.joining(", "));
  }

  private void offers(Clash clash, List<String> instead, VBox box) {
    List<javafx.scene.Node> offers = new ArrayList<>();
    for (String other : instead) {
      offers.add(Look.button(Words.of("clash.rename", other), () -> rename(clash.token(), other)));
    }
    if (!offers.isEmpty()) {
      HBox row = new HBox(6);
      row.getChildren().setAll(offers);
      box.getChildren().add(row);
    }
  }

  private void rename(String token, String other) {
    CollectionState state = workspace.state().get();
    workspace.apply(
        CodebookEdits.rename(state.snapshot(), state.codebook(), state.holders(), token, other));
  }
}
