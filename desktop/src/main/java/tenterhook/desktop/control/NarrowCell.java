package tenterhook.desktop.control;

import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import tenterhook.core.narrow.NarrowGroup;
import tenterhook.core.narrow.NarrowValue;
import tenterhook.core.narrow.NarrowValue.Stands;
import tenterhook.desktop.control.NarrowRows.NarrowRow;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** A row of the pane that narrows. */
final class NarrowCell extends ListCell<NarrowRow> {
  private static final PseudoClass IN = PseudoClass.getPseudoClass("in");
  private static final PseudoClass OUT = PseudoClass.getPseudoClass("out");
  private static final PseudoClass IDLE = PseudoClass.getPseudoClass("idle");
  private static final PseudoClass HEAD = PseudoClass.getPseudoClass("head");
  private static final PseudoClass TEMPO = PseudoClass.getPseudoClass("tempo");

  private final NarrowPane pane;
  private final Label words = Look.label("");
  private final Label note = Look.label("", "second");
  private final Label count = Look.label("", "count");
  private final Button not;
  private final HBox value;

  NarrowCell(NarrowPane pane) {
    this.pane = pane;
    this.not = Look.button(Words.of("narrow.not"), () -> onValue(true), "quiet", "narrow-not");
    not.setFocusTraversable(false);
    value = new HBox(5, words, note, Look.spring(), not, count);
    value.setAlignment(Pos.CENTER_LEFT);
    count.setMinWidth(USE_PREF_SIZE);
    not.setMinWidth(USE_PREF_SIZE);
    words.setMinWidth(30);
    setPrefWidth(0);
    getStyleClass().add("narrow-cell");
    addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
    CodeDrop.onto(this, pane.workspace(), this::code);
  }

  /** The code that the row stands for. */
  private Optional<String> code() {
    return getItem() instanceof NarrowRow.Value row
            && row.value().narrowing().group() instanceof NarrowGroup.OfFacet
        ? Optional.of(row.value().narrowing().condition().values().getFirst().text())
        : Optional.empty();
  }

  /** Not a click, which would come here too when the button within has moved by its own action. */
  private void pressed(MouseEvent event) {
    if (getItem() instanceof NarrowRow.More more) {
      pane.listAll(more.group());
    } else if (event.getButton() == MouseButton.PRIMARY) {
      onValue(event.isAltDown());
    } else if (event.getButton() == MouseButton.SECONDARY) {
      onValue(true);
    }
    event.consume();
  }

  private void onValue(boolean out) {
    if (getItem() instanceof NarrowRow.Value row) {
      pane.click(row.value(), out);
    }
  }

  @Override
  protected void updateItem(NarrowRow row, boolean empty) {
    super.updateItem(row, empty);
    setText(null);
    setGraphic(null);
    pseudoClassStateChanged(HEAD, row instanceof NarrowRow.Head);
    pseudoClassStateChanged(TEMPO, row instanceof NarrowRow.Tempo);
    Stands stands = row instanceof NarrowRow.Value v ? v.value().stands() : Stands.FREE;
    pseudoClassStateChanged(IN, stands == Stands.IN);
    pseudoClassStateChanged(OUT, stands == Stands.OUT);
    pseudoClassStateChanged(IDLE, row instanceof NarrowRow.Value v && v.value().idle());
    if (empty || row == null) {
      setAccessibleText(null);
      return;
    }
    switch (row) {
      case NarrowRow.Head head -> setText(head.group().title());
      case NarrowRow.Value shown -> show(shown.value());
      case NarrowRow.Tempo tempo -> setGraphic(pane.chart(tempo.spread()));
      case NarrowRow.More more -> setText(Words.of("narrow.more", more.values()));
    }
  }

  private void show(NarrowValue shown) {
    boolean key = shown.narrowing().group() == NarrowGroup.Own.KEY;
    Look.data(words, key ? pane.key(shown.words()) : shown.words());
    Look.data(note, shown.note());
    note.setManaged(!shown.note().isEmpty());
    not.setText(Words.of(shown.stands() == Stands.OUT ? "narrow.letIn" : "narrow.not"));
    count.setText(
        switch (shown.stands()) {
          case FREE, IN -> String.valueOf(shown.tracks());
          case BESIDES -> "+" + shown.tracks();
          case OUT -> "\u2013" + shown.tracks();
        });
    setGraphic(value);
    setAccessibleText(
        Words.of(
            "narrow.value",
            shown.words(),
            count.getText(),
            Words.of("narrow.stands." + shown.stands())));
  }
}
