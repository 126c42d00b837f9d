package tenterhook.desktop.code;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Notation;
import tenterhook.core.edit.OtherCodes;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Codes that were kept otherwise so far, word by word, with the code that each becomes. */
final class BringOverPane extends VBox {
  private static final List<Field<?>> FROM = Fields.with(Trait.OWN_WORDS);
  private static final int MOST = 60;

  private final Workspace workspace;
  private final ComboBox<String> field = new ComboBox<>();
  private final ComboBox<String> form = new ComboBox<>();
  private final CheckBox leave = new CheckBox(Words.of("bring.leave"));
  private final VBox lines = new VBox();
  private final Label preview = Look.label("", "mono");
  private final Button go = Look.primary("", this::bring);
  private final Map<String, String> codes = new LinkedHashMap<>();

  BringOverPane(Workspace workspace, Runnable back) {
    super(10);
    this.workspace = workspace;
    setId("bring-over");
    prepare();
    HBox head =
        new HBox(
            8,
            Look.label(Words.of("bring.title"), "strong"),
            field,
            form,
            leave,
            Look.spring(),
            Look.button(Words.of("bring.back"), back));
    head.setAlignment(Pos.CENTER_LEFT);
    ScrollPane scroll = new ScrollPane(lines);
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren()
        .addAll(head, Look.label(Words.of("bring.explain"), "second"), scroll, preview, go);
  }

  private void prepare() {
    FROM.forEach(f -> field.getItems().add(f.label()));
    field.setValue(Fields.GROUPING.label());
    field.setId("bring-field");
    field.setAccessibleText(Words.of("bring.field"));
    field.setOnAction(e -> look());
    form.getItems()
        .setAll(Words.of("bring.words"), Words.of("bring.wrapped"), Words.of("bring.prefixed"));
    form.getSelectionModel().selectFirst();
    form.setId("bring-form");
    form.setAccessibleText(Words.of("bring.form"));
    form.setOnAction(e -> look());
    leave.setId("bring-leave");
    leave.setOnAction(e -> show());
    go.setId("bring-go");
    preview.setId("bring-preview");
    preview.setWrapText(true);
  }

  void look() {
    CollectionState state = workspace.state().get();
    OtherCodes other = other();
    workspace.latestOnly(
        this,
        other::found,
        found -> {
          codes.clear();
          lines.getChildren().clear();
          found.entrySet().stream()
              .limit(MOST)
              .forEach(e -> lines.getChildren().add(line(state, other, e.getKey(), e.getValue())));
          if (found.isEmpty()) {
            lines.getChildren().add(Look.label(Words.of("bring.nothing"), "empty"));
          }
          show();
        });
  }

  private OtherCodes other() {
    CollectionState state = workspace.state().get();
    Field<?> from = FROM.get(field.getSelectionModel().getSelectedIndex());
    return switch (form.getSelectionModel().getSelectedIndex()) {
      case 1 -> in(state, from, Notation.Style.WRAPPED);
      case 2 -> in(state, from, Notation.Style.PREFIXED);
      default -> OtherCodes.words(state.snapshot(), state.codebook(), from);
    };
  }

  private static OtherCodes in(CollectionState state, Field<?> from, Notation.Style style) {
    return OtherCodes.in(
        state.snapshot(), state.codebook(), new Notation(from.key(), style, false, false, false));
  }

  private HBox line(CollectionState state, OtherCodes other, String word, RoaringBitmap ids) {
    ComboBox<String> code = code(state, other, word);
    HBox line =
        new HBox(
            12,
            Look.dataLabel(word, "strong"),
            Look.label(Words.of("strays.on", ids.getCardinality()), "second"),
            Look.spring(),
            Look.label(Words.of("bring.to"), "second"),
            code);
    line.getStyleClass().add("step");
    return line;
  }

  private ComboBox<String> code(CollectionState state, OtherCodes other, String word) {
    ComboBox<String> code = new ComboBox<>();
    code.getItems()
        .setAll(
            Stream.concat(Stream.of(Words.of("bring.stays")), state.codebook().tokens().stream())
                .toList());
    code.setAccessibleText(Words.of("bring.becomes", word));
    other
        .meant(word)
        .ifPresentOrElse(
            c -> {
              code.setValue(c);
              codes.put(word, c);
            },
            () -> code.getSelectionModel().selectFirst());
    code.setOnAction(
        e -> {
          if (code.getSelectionModel().getSelectedIndex() == 0) {
            codes.remove(word);
          } else {
            codes.put(word, code.getValue());
          }
          show();
        });
    return code;
  }

  private Change change() {
    return other().brought(codes, leave.isSelected());
  }

  private void show() {
    Change change = change();
    int tracks = change.tracks().getCardinality();
    go.setText(Words.of("bring.go", tracks));
    go.setDisable(tracks == 0);
    List<String> example = new ArrayList<>();
    if (!change.isEmpty() && change.edits().getFirst() instanceof Edit.SetField first) {
      change.edits().stream()
          .filter(e -> e instanceof Edit.SetField set && set.id() == first.id())
          .map(Edit.SetField.class::cast)
          .forEach(
              s ->
                  example.add(Words.of("bring.example", s.field().label(), s.before(), s.after())));
    }
    Look.data(preview, String.join("\n", example));
  }

  private void bring() {
    Change change = change();
    if (!change.isEmpty()) {
      workspace.apply(change);
    }
  }
}
