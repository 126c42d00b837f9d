package tenterhook.desktop.crate;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.LineVerdict;
import tenterhook.core.crate.Rule;
import tenterhook.desktop.shell.Desk;
import tenterhook.desktop.shell.TrackList;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** The lines of a rule crate in their groups; beside each line what it does. */
final class RuleEditor extends VBox {
  private static final double BAR = 92;

  private static final double SHUT = 96;

  private final Desk desk;
  private final Consumer<Rule.Group> edited;
  private final Supplier<CrateContents> contents;
  private Rule.Group rule = new Rule.Group(Rule.Kind.ALL, List.of());
  private List<CrateContents.LineEffect> effects = List.of();
  private int nextEffect;

  RuleEditor(Desk desk, Consumer<Rule.Group> edited, Supplier<CrateContents> contents) {
    this.desk = desk;
    this.edited = edited;
    this.contents = contents;
    setId("rule");
  }

  void clear() {
    getChildren().clear();
  }

  void show(Rule.Group other) {
    rule = other;
    effects = contents.get().account(rule);
    nextEffect = 0;
    HBox head =
        new HBox(
            8,
            Look.label(Words.of("rule.keep"), "second"),
            Look.spring(),
            wide(Look.label(Words.of("rule.holds"), "second"), 64),
            wide(Look.label(Words.of("rule.left"), "second"), BAR),
            wide(Look.label(Words.of("rule.shut"), "second"), SHUT));
    getChildren().setAll(head, group(rule, rule, this::put));
    verdicts();
  }

  /** Lines that do nothing, or too much, are pointed out in a sentence each. */
  private void verdicts() {
    List<LineVerdict> verdicts = LineVerdict.of(rule, effects, contents.get().awake());
    for (int i = 0; i < verdicts.size(); i++) {
      if (verdicts.get(i) != LineVerdict.WORKS) {
        String key = "verdict." + verdicts.get(i).name().toLowerCase(Locale.ROOT);
        Label said = Look.dataLabel(Words.of(key, effects.get(i).line().text()), "doubt");
        said.setWrapText(true);
        getChildren().add(said);
      }
    }
  }

  private static Label wide(Label label, double width) {
    label.setMinWidth(width);
    label.setMaxWidth(width);
    label.setAlignment(javafx.geometry.Pos.CENTER_RIGHT);
    return label;
  }

  private void put(Rule.Group other) {
    edited.accept(other);
  }

  private VBox group(Rule.Group group, Rule.Group top, Consumer<Rule.Group> change) {
    VBox box = new VBox();
    ComboBox<String> kind = new ComboBox<>();
    for (Rule.Kind one : Rule.Kind.values()) {
      kind.getItems().add(Words.of("rule." + one.name().toLowerCase(java.util.Locale.ROOT)));
    }
    kind.getSelectionModel().select(group.kind().ordinal());
    kind.setAccessibleText(Words.of("rule.kind"));
    kind.setOnAction(
        e ->
            change.accept(
                new Rule.Group(
                    Rule.Kind.values()[kind.getSelectionModel().getSelectedIndex()],
                    group.parts())));
    var addLine =
        Look.button(
            Words.of("rule.addLine"), () -> change.accept(group.plus(LineRow.fresh())), "quiet");
    if (group == top) {
      addLine.setId("add-line");
    }
    HBox head =
        new HBox(
            6,
            kind,
            addLine,
            Look.button(
                Words.of("rule.addGroup"),
                () ->
                    change.accept(
                        group.plus(new Rule.Group(Rule.Kind.NONE, List.of(LineRow.fresh())))),
                "quiet"));
    head.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    box.getChildren().add(head);
    for (int i = 0; i < group.parts().size(); i++) {
      box.getChildren().add(part(group, i, top, change));
    }
    return box;
  }

  private Region part(Rule.Group group, int at, Rule.Group top, Consumer<Rule.Group> change) {
    Runnable remove = () -> change.accept(without(group, at));
    return switch (group.parts().get(at)) {
      case Rule.Line line -> {
        LineRow row =
            new LineRow(desk, line, other -> change.accept(with(group, at, other)), remove);
        row.getChildren().addAll(effect());
        yield row;
      }
      case Rule.Group inner -> {
        VBox box = group(inner, top, other -> change.accept(with(group, at, other)));
        ((HBox) box.getChildren().getFirst())
            .getChildren()
            .add(Look.button(Words.of("rule.removeGroup"), remove, "quiet"));
        box.getStyleClass().add("group-box");
        yield box;
      }
    };
  }

  private List<Region> effect() {
    int at = nextEffect++;
    CrateContents.LineEffect effect = effects.get(at);
    int most =
        Math.max(1, effects.stream().mapToInt(CrateContents.LineEffect::leftAfter).max().orElse(1));
    Region part = new Region();
    part.getStyleClass().add("bar-part");
    part.setMaxSize(BAR * effect.leftAfter() / most, 6);
    StackPane bar = new StackPane(part);
    bar.getStyleClass().add("bar-ground");
    bar.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    bar.setMaxHeight(6);
    bar.setMinSize(BAR, 6);
    VBox left = new VBox(2, wide(Look.label(String.valueOf(effect.leftAfter())), BAR), bar);
    left.setMinWidth(BAR);
    return List.of(
        wide(Look.label(String.valueOf(effect.holdsFor())), 64), left, shutOut(at, effect));
  }

  /** How many are nearly in; a click lists them. */
  private Region shutOut(int at, CrateContents.LineEffect effect) {
    if (effect.shutOut() == 0) {
      return wide(Look.label("0", "second"), SHUT);
    }
    Button open =
        Look.button(
            String.valueOf(effect.shutOut()),
            () ->
                desk.frame()
                    .show(
                        TrackList.of(
                            Words.of("rule.nearlyIn", effect.line().text()),
                            contents.get().nearlyIn(rule, at))),
            "quiet",
            "hole");
    open.setId("nearly-in-" + at);
    open.setMinWidth(SHUT);
    open.setMaxWidth(SHUT);
    open.setAlignment(javafx.geometry.Pos.CENTER_RIGHT);
    return open;
  }

  private static Rule.Group with(Rule.Group group, int at, Rule other) {
    List<Rule> parts = new ArrayList<>(group.parts());
    parts.set(at, other);
    return new Rule.Group(group.kind(), parts);
  }

  private static Rule.Group without(Rule.Group group, int at) {
    List<Rule> parts = new ArrayList<>(group.parts());
    parts.remove(at);
    return new Rule.Group(group.kind(), parts);
  }
}
