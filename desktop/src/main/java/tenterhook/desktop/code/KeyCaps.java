package tenterhook.desktop.code;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** The facets as rows of key caps: which codes the chosen tracks carry, and which are likely. */
final class KeyCaps extends VBox {
  private static final PseudoClass ALL = PseudoClass.getPseudoClass("all");
  private static final PseudoClass SOME = PseudoClass.getPseudoClass("some");
  private static final PseudoClass DERIVED = PseudoClass.getPseudoClass("derived");
  private static final PseudoClass LIKELY = PseudoClass.getPseudoClass("likely");
  private static final double NAME = 76;
  private static final double GAP = 12;

  private final Consumer<String> toggle;
  private final Map<String, Cap> caps = new HashMap<>();

  /** The caps of one code. */
  private record Cap(Code code, Button button, Label words) {}

  KeyCaps(Consumer<String> toggle) {
    super(5);
    this.toggle = toggle;
  }

  void build(Codebook codebook) {
    getChildren().clear();
    caps.clear();
    Map<String, Character> keys = CodingModel.keys(codebook);
    for (Facet facet : codebook.facets()) {
      FlowPane row = new FlowPane(6, 5);
      row.prefWrapLengthProperty().bind(widthProperty().subtract(NAME + GAP));
      facet.given().forEach(c -> row.getChildren().add(cap(c, keys.get(c.token()))));
      Label name = Look.dataLabel(facet.name(), "strong");
      name.setMinWidth(NAME);
      HBox line = new HBox(8, name, row);
      HBox.setHgrow(row, Priority.ALWAYS);
      line.setAlignment(Pos.CENTER_LEFT);
      getChildren().add(line);
    }
  }

  private Button cap(Code code, @Nullable Character key) {
    Label cap = Look.label(key == null ? " " : String.valueOf(key), "cap");
    Label words = Look.dataLabel(code.meaning(), "second");
    HBox face = new HBox(7, cap, Look.label(code.token(), "token"), words);
    face.setAlignment(Pos.CENTER_LEFT);
    Button button = new Button("", face);
    button.getStyleClass().add("key-cap");
    button.setId("code-" + code.token());
    button.setAccessibleText(code.token() + " " + code.meaning());
    button.setFocusTraversable(false);
    button.setOnAction(e -> toggle.accept(code.token()));
    caps.put(code.token(), new Cap(code, button, words));
    return button;
  }

  /** Shows who carries what, and what is likely where one track is chosen. */
  void mark(Snapshot snapshot, RoaringBitmap ids, Likely likely) {
    List<String> derived = likely.derived();
    caps.forEach(
        (token, cap) -> {
          int carriers = CodingModel.carriers(snapshot, ids, token);
          boolean all = !ids.isEmpty() && carriers == ids.getCardinality();
          var suggestion = likely.suggestion(token);
          cap.button().pseudoClassStateChanged(ALL, all);
          cap.button().pseudoClassStateChanged(SOME, carriers > 0 && !all);
          cap.button().pseudoClassStateChanged(DERIVED, derived.contains(token));
          cap.button().pseudoClassStateChanged(LIKELY, suggestion.isPresent());
          String words =
              derived.contains(token)
                  ? Words.of("coding.derived")
                  : suggestion
                      .map(s -> Words.of("coding.likeIt", s.like(), s.of()))
                      .orElse(cap.code().meaning());
          Look.data(cap.words(), words);
        });
  }
}
