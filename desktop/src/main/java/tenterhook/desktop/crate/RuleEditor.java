package tenterhook.desktop.crate;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.DataFormat;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Completions;
import tenterhook.core.crate.Completions.Offer;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.LineVerdict;
import tenterhook.core.crate.Rule;
import tenterhook.core.crate.RuleEdits;
import tenterhook.core.crate.RuleExplanation;
import tenterhook.core.crate.RuleExplanation.LineEffect;
import tenterhook.core.find.Subject;
import tenterhook.desktop.theme.Drop;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/**
 * The lines of a rule crate in their groups; beside each line what it does, counted anew at every
 * key. Lines are dragged by their handle, or moved with Alt and the arrows.
 */
final class RuleEditor extends VBox {
  private static final DataFormat PLACE = new DataFormat("application/x-tenterhook-line");
  private static final double TALLEST = 270;

  private final Workspace workspace;
  private final Predicate<Rule.RuleGroup> edited;
  private final CompletionsRow offers = new CompletionsRow();
  private final VBox notes = new VBox(2);
  private final List<EffectCells> cells = new ArrayList<>();
  private final List<LineRow> rows = new ArrayList<>();
  private Codebook codebook = Codebook.EMPTY;
  private boolean shown;
  private final ScrollPane scroll = new ScrollPane();
  private Crate.RuleCrate crate =
      new Crate.RuleCrate("-", new Rule.RuleGroup(Rule.Kind.ALL, List.of()));
  private Crate.RuleCrate draft = crate;

  /**
   * An editor without a crate.
   *
   * @param edited gets the other rule; false when it was refused
   */
  RuleEditor(Workspace workspace, Predicate<Rule.RuleGroup> edited) {
    this.workspace = workspace;
    this.edited = edited;
    setId("rule");
    scroll.setFitToWidth(true);
  }

  /** Shows a crate's lines; the same lines stay as they are, and only their counts are new. */
  void show(Crate.RuleCrate other) {
    Codebook book = workspace.state().get().codebook();
    boolean same = shown && other.equals(crate) && book.equals(codebook);
    if (same) {
      count(draft);
      return;
    }
    int focused = focusedRow();
    begin(other, book);
    VBox lines = group(crate.rule(), List.of());
    scroll.setContent(lines);
    fit(lines);
    getChildren().setAll(EffectCells.heads(), scroll, offers, notes);
    count(crate);
    focus(focused);
  }

  private void begin(Crate.RuleCrate other, Codebook book) {
    crate = other;
    draft = other;
    codebook = book;
    shown = true;
    cells.clear();
    rows.clear();
    offers.getChildren().clear();
  }

  private void fit(VBox lines) {
    // all lines where there is room, never pressed together by the table below
    lines
        .heightProperty()
        .addListener(
            (o, before, height) -> {
              double tall = Math.min(TALLEST, height.doubleValue() + 2);
              scroll.setMinHeight(tall);
              scroll.setPrefHeight(tall);
            });
  }

  private void focus(int focused) {
    if (focused >= 0 && focused < rows.size()) {
      rows.get(focused).focusValues();
    }
  }

  private int focusedRow() {
    for (int i = 0; i < rows.size(); i++) {
      if (rows.get(i).isWriting()) {
        return i;
      }
    }
    return -1;
  }

  /** What was refused is not left standing. */
  private void edit(Rule.RuleGroup other) {
    if (!edited.test(other)) {
      shown = false;
      show(crate);
    }
  }

  private CrateContents contents() {
    return workspace.contents();
  }

  private Rule.RuleGroup rule() {
    return crate.rule();
  }

  /** Counts what the lines do; the nodes stay. */
  private void count(Crate.RuleCrate counted) {
    RuleExplanation explanation = contents().explanation(counted);
    List<LineEffect> effects = explanation.lines();
    int most = effects.stream().mapToInt(LineEffect::leftAfter).max().orElse(1);
    for (int i = 0; i < effects.size(); i++) {
      cells.get(i).show(effects.get(i), most);
    }
    notes.getChildren().clear();
    List<LineVerdict> verdicts = LineVerdict.of(counted.rule(), effects, explanation.choosable());
    for (int i = 0; i < effects.size(); i++) {
      if (verdicts.get(i) != LineVerdict.WORKS) {
        String key = "verdict." + verdicts.get(i).name().toLowerCase(Locale.ROOT);
        note(Words.of(key, effects.get(i).line().text()));
      }
      cleaned(effects.get(i), i);
    }
  }

  private Label note(String words) {
    Label said = Look.dataLabel(words, "doubt");
    said.setWrapText(true);
    notes.getChildren().add(said);
    return said;
  }

  /** Other spellings of what a line asks for, and the way to count them in. */
  private void cleaned(LineEffect effect, int at) {
    if (effect.cleaned() > 0) {
      Label said = note(Words.of("rule.cleaned", effect.line().text(), effect.cleaned()));
      Button take =
          Look.button(
              Words.of("rule.takeCleaned"),
              () ->
                  RuleExplanation.cleaned(effect.line())
                      .ifPresent(l -> edit(RuleEdits.with(rule(), placeOf(at), l))),
              "quiet");
      take.setId("take-cleaned-" + at);
      said.setGraphic(take);
      said.setContentDisplay(javafx.scene.control.ContentDisplay.RIGHT);
    }
  }

  /** The place of a line by its number from top to bottom. */
  private List<Integer> placeOf(int line) {
    List<List<Integer>> places = new ArrayList<>();
    places(rule(), List.of(), places);
    return places.get(line);
  }

  private static void places(Rule rule, List<Integer> at, List<List<Integer>> found) {
    if (rule instanceof Rule.RuleGroup group) {
      for (int i = 0; i < group.parts().size(); i++) {
        places(group.parts().get(i), RuleEdits.joined(at, i), found);
      }
    } else {
      found.add(at);
    }
  }

  private VBox group(Rule.RuleGroup group, List<Integer> place) {
    ComboBox<String> kind = kind(group, place);
    Rule fresh = new Rule.RuleGroup(Rule.Kind.NONE, List.of(LineRow.fresh()));
    Button addLine = add("rule.addLine", group, place, LineRow.fresh());
    HBox head = new HBox(6, kind, addLine, add("rule.addGroup", group, place, fresh));
    head.setAlignment(Pos.CENTER_LEFT);
    head.getStyleClass().add("group-head");
    receive(head, RuleEdits.joined(place, 0));
    VBox box = new VBox(head);
    if (place.isEmpty()) {
      addLine.setId("add-line");
    } else {
      removable(head, box, place);
    }
    parts(group, place, box);
    return box;
  }

  private void removable(HBox head, VBox box, List<Integer> place) {
    head.getChildren()
        .add(
            Look.button(
                Words.of("rule.removeGroup"),
                () -> edit(RuleEdits.without(rule(), place)),
                "quiet"));
    box.getStyleClass().add("group-box");
  }

  private void parts(Rule.RuleGroup group, List<Integer> place, VBox box) {
    for (int i = 0; i < group.parts().size(); i++) {
      List<Integer> at = RuleEdits.joined(place, i);
      box.getChildren()
          .add(
              switch (group.parts().get(i)) {
                case Rule.Line line -> line(line, at);
                case Rule.RuleGroup inner -> group(inner, at);
              });
    }
  }

  private ComboBox<String> kind(Rule.RuleGroup group, List<Integer> place) {
    ComboBox<String> kind = new ComboBox<>();
    for (Rule.Kind one : Rule.Kind.values()) {
      kind.getItems().add(Words.of("rule." + one.name().toLowerCase(Locale.ROOT)));
    }
    kind.getSelectionModel().select(group.kind().ordinal());
    kind.setAccessibleText(Words.of("rule.kind"));
    kind.setOnAction(
        e -> {
          Rule.Kind chosen = Rule.Kind.values()[kind.getSelectionModel().getSelectedIndex()];
          edit(RuleEdits.with(rule(), place, new Rule.RuleGroup(chosen, group.parts())));
        });
    return kind;
  }

  private Button add(String key, Rule.RuleGroup group, List<Integer> place, Rule part) {
    return Look.button(
        Words.of(key), () -> edit(RuleEdits.with(rule(), place, group.plus(part))), "quiet");
  }

  private LineRow line(Rule.Line line, List<Integer> place) {
    int at = cells.size();
    EffectCells effect = new EffectCells(at, () -> nearlyIn(line, at));
    cells.add(effect);
    LineRow row = new LineRow(workspace.state().get().codebook(), line, new LineHand(place));
    rows.add(row);
    row.getChildren().add(effect.node());
    row.onOfferKey(offers::step);
    row.addEventFilter(KeyEvent.KEY_PRESSED, e -> moveByKey(e, place));
    Drop.from(row.handle(), PLACE, () -> place.toString());
    receive(row, place);
    return row;
  }

  private final class LineHand implements LineRow.Hand {
    private final List<Integer> place;

    LineHand(List<Integer> place) {
      this.place = place;
    }

    @Override
    public void edited(Rule.Line line) {
      edit(RuleEdits.with(rule(), place, line));
    }

    @Override
    public void drafted(Rule.Line line) {
      draft = crate.with(RuleEdits.with(rule(), place, line));
      count(draft);
    }

    @Override
    public void wrong(String message) {
      workspace.frame().inform(message, true, 0);
    }

    @Override
    public void removed() {
      edit(RuleEdits.without(rule(), place));
    }

    @Override
    public void writing(LineRow row) {
      if (!offers.taking()) {
        offer(row);
      }
    }
  }

  /** Names are counted here, from what the crates hold; other values beside the window. */
  private void offer(LineRow row) {
    CollectionState now = workspace.state().get();
    Subject subject = row.asked();
    String typed = row.piece();
    LocalDate today = workspace.collection().today();
    List<Offer> names = Completions.named(subject, typed, now.crates(), contents());
    workspace.latestOnly(
        offers,
        () ->
            names.isEmpty()
                ? new Completions(now.snapshot(), now.codebook(), today)
                    .of(subject, typed, now.snapshot().tracks())
                : names,
        found -> {
          if (row.isWriting()) {
            offers.show(row, found);
          }
        });
  }

  private void moveByKey(KeyEvent event, List<Integer> place) {
    boolean down = event.getCode() == KeyCode.DOWN;
    if (event.isAltDown() && (down || event.getCode() == KeyCode.UP)) {
      RuleEdits.step(rule(), place, down).ifPresent(to -> edit(RuleEdits.moved(rule(), place, to)));
      event.consume();
    }
  }

  /** A line that is dropped on a node goes before a place. */
  private void receive(Node node, List<Integer> before) {
    Drop.onto(
        node,
        PLACE,
        () -> true,
        carried -> {
          List<Integer> from =
              Stream.of(String.valueOf(carried).split("\\D+"))
                  .filter(n -> !n.isEmpty())
                  .map(Integer::valueOf)
                  .toList();
          edit(RuleEdits.moved(rule(), from, before));
        });
  }

  /** Those that one line alone keeps out, as a list of their own. */
  private void nearlyIn(Rule.Line line, int at) {
    workspace
        .frame()
        .show(
            TrackList.of(
                Words.of("rule.nearlyIn", line.text()),
                contents().explanation(crate).nearlyIn(at)));
  }
}
