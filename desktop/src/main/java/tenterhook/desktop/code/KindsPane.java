package tenterhook.desktop.code;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Query;
import tenterhook.core.track.ItemKind;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** By which rules items are long mixes, loops or tools, and how many are. */
final class KindsPane extends VBox {
  private static final double NAME = 90;
  private static final double COUNT = 110;

  private final Workspace workspace;
  private final Map<ItemKind, TextField> rules = new EnumMap<>(ItemKind.class);
  private final Map<ItemKind, Button> counts = new EnumMap<>(ItemKind.class);
  private final Label wrong = Look.label("", "hole");

  KindsPane(Workspace workspace) {
    super(6);
    this.workspace = workspace;
    setId("kinds");
    getStyleClass().add("step");
    HBox head =
        new HBox(
            12,
            Look.label(Words.of("kinds.title"), "strong"),
            Look.label(Words.of("kinds.words"), "second"));
    head.setAlignment(Pos.CENTER_LEFT);
    getChildren().add(head);
    for (ItemKind kind : ItemKind.values()) {
      if (kind != ItemKind.TRACK) {
        getChildren().add(row(kind));
      }
    }
    getChildren().add(wrong);
  }

  private HBox row(ItemKind kind) {
    Label name = Look.label(Words.of("kinds." + kind.key()));
    name.setMinWidth(NAME);
    TextField rule = new TextField();
    rule.setId("kind-" + kind.key());
    rule.setPromptText(Words.of("kinds.none"));
    rule.setAccessibleText(Words.of("kinds.rule", Words.of("kinds." + kind.key())));
    rule.setOnAction(e -> settle(kind));
    rule.focusedProperty().addListener((o, before, now) -> leave(kind, now));
    HBox.setHgrow(rule, Priority.ALWAYS);
    Button count = Look.button("", () -> list(kind), "quiet");
    count.setId("kind-count-" + kind.key());
    count.setMinWidth(COUNT);
    rules.put(kind, rule);
    counts.put(kind, count);
    HBox row = new HBox(8, name, rule, count);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  private static Query query(ItemKind kind) {
    return new Query.Term(
        new Condition(
            Fields.KIND.key(), new Condition.AnyOf(List.of(new Condition.Whole(kind.key())))));
  }

  void refresh() {
    var state = workspace.state().get();
    var contents = workspace.contents();
    rules.forEach(
        (kind, field) -> {
          if (!field.isFocused() && !field.getStyleClass().contains("wrong")) {
            field.setText(state.codebook().kinds().rule(kind));
          }
        });
    workspace.latestOnly(
        this,
        () -> {
          Map<ItemKind, RoaringBitmap> found = new EnumMap<>(ItemKind.class);
          rules.keySet().forEach(k -> found.put(k, contents.finder().find(query(k))));
          return found;
        },
        found -> found.forEach(this::show));
  }

  private void show(ItemKind kind, RoaringBitmap found) {
    counts.get(kind).setText(Words.of("kinds.count", found.getCardinality()));
    counts.get(kind).setDisable(found.isEmpty());
  }

  private void list(ItemKind kind) {
    workspace
        .frame()
        .show(
            TrackList.of(
                Words.of("kinds." + kind.key()), workspace.contents().finder().find(query(kind))));
  }

  /** A rule is settled when it is left, like one that Enter was pressed in. */
  private void leave(ItemKind kind, boolean focused) {
    if (!focused) {
      settle(kind);
    }
  }

  private void settle(ItemKind kind) {
    var codebook = workspace.state().get().codebook();
    TextField field = rules.get(kind);
    String rule = field.getText().strip();
    field.getStyleClass().remove("wrong");
    wrong.setText("");
    if (rule.equals(codebook.kinds().rule(kind))) {
      return;
    }
    try {
      Change change = CodebookEdits.kind(codebook, kind, rule);
      workspace.apply(change);
    } catch (IllegalArgumentException unreadable) {
      field.getStyleClass().add("wrong");
      Look.data(wrong, String.valueOf(unreadable.getMessage()));
    }
  }
}
