package tenterhook.desktop.crate;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Rule;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.FindText;
import tenterhook.core.find.Parsed;
import tenterhook.core.find.Subject;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** One line of a rule: what is tested, how, and for which values. Its text is the find language. */
final class LineRow extends HBox {
  private final Codebook codebook;
  private final Hand hand;
  private final ComboBox<String> subject = new ComboBox<>();
  private final ComboBox<Comparison> how = new ComboBox<>();
  private final TextField values = new TextField();
  private final Region handle = new Region();
  private final String kept;
  private boolean filling;

  /** What a line tells the editor. */
  interface Hand {
    /** The line is another now. */
    void edited(Rule.Line line);

    /** The line would be this one if what is typed were taken. */
    void drafted(Rule.Line line);

    /** Something that cannot be read was typed. */
    void wrong(String message);

    /** The line goes away. */
    void removed();

    /** The values are being written; offers may be shown. */
    void writing(LineRow row);
  }

  LineRow(Codebook codebook, Rule.Line line, Hand hand) {
    this.codebook = codebook;
    this.hand = hand;
    getStyleClass().add("line-row");
    prepare();
    fill(line);
    kept = values.getText();
    subject.setOnAction(e -> changed());
    how.setOnAction(e -> changed());
    values.setOnAction(e -> changed());
    values.textProperty().addListener((o, before, after) -> typed());
    values.focusedProperty().addListener((o, before, now) -> focused(now));
    getChildren()
        .addAll(
            handle,
            subject,
            how,
            values,
            Look.tip(
                Look.button(Words.of("rule.removeLine"), hand::removed, "quiet"),
                Words.of("rule.removeLineTip")));
  }

  private void prepare() {
    handle.getStyleClass().add("line-handle");
    Look.tip(handle, Words.of("rule.handle"));
    subject.getItems().setAll(subjects());
    subject.setPrefWidth(118);
    subject.setMinWidth(118);
    subject.setAccessibleText(Words.of("rule.subject"));
    how.setPrefWidth(104);
    how.setMinWidth(104);
    how.setAccessibleText(Words.of("rule.how"));
    values.setPromptText(Words.of("rule.values"));
    values.setAccessibleText(Words.of("rule.values"));
    values.getStyleClass().add("mono");
    HBox.setHgrow(values, Priority.ALWAYS);
  }

  private void fill(Rule.Line line) {
    Condition asked = line.condition();
    subject.setValue(shown(asked.subject().key()));
    how.getItems().setAll(Comparison.possible(asked.subject(), codebook));
    how.setValue(Comparison.of(line));
    values.setVisible(how.getValue().takesValues());
    values.setText(textOf(asked));
  }

  private static String textOf(Condition asked) {
    String between = asked.test() instanceof Condition.AllOf ? "&" : "|";
    return String.join(between, asked.values().stream().map(FindText::value).toList());
  }

  /** A line to begin with: it holds for every track that has a year. */
  static Rule.Line fresh() {
    return new Rule.Line(new Condition("year", new Condition.Present()));
  }

  /** Where the line is taken to be dragged. */
  Region handle() {
    return handle;
  }

  /** What is tested. */
  Subject asked() {
    return Subject.named(subjectKey());
  }

  /** The value that is being written: what stands behind the last mark. */
  String piece() {
    return values.getText().substring(pieceStart());
  }

  private int pieceStart() {
    String text = values.getText();
    return Math.max(text.lastIndexOf('|'), text.lastIndexOf('&')) + 1;
  }

  /** Puts a value in the place of the one that is being written. */
  void take(String value) {
    values.setText(values.getText().substring(0, pieceStart()) + value);
    values.positionCaret(values.getLength());
  }

  /** Passes keys that choose among offers. */
  void onOfferKey(Consumer<Integer> step) {
    values.addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (!e.isAltDown() && (e.getCode() == KeyCode.DOWN || e.getCode() == KeyCode.UP)) {
            step.accept(e.getCode() == KeyCode.DOWN ? 1 : -1);
            e.consume();
          }
        });
  }

  /** Whether the values are being written. */
  boolean isWriting() {
    return values.isFocused();
  }

  /** Puts the cursor into the values. */
  void focusValues() {
    values.requestFocus();
    values.end();
  }

  /** All that a line can ask: codes first, then what is no field, then fields. */
  private List<String> subjects() {
    Set<String> names = new LinkedHashSet<>(List.of(Subject.Own.CODE.key()));
    codebook.facets().forEach(f -> names.add(f.name()));
    Arrays.stream(Subject.Own.values()).map(Subject::key).forEach(names::add);
    Fields.offered().stream()
        .filter(f -> f != Fields.CODES && codebook.facet(f.key()).isEmpty())
        .map(Field::label)
        .forEach(names::add);
    return List.copyOf(names);
  }

  private static String shown(String subject) {
    return Fields.named(subject).map(Field::label).orElse(subject);
  }

  private String subjectKey() {
    return Fields.named(subject.getValue()).map(Field::key).orElse(subject.getValue());
  }

  private Parsed parsed() {
    String key = subjectKey();
    String quoted = key.contains(" ") ? '"' + key + '"' : key;
    Comparison asked = how.getValue();
    String typed = values.getText().strip();
    return FindParser.parse(
        asked.takesValues()
            ? asked.before() + quoted + ":" + marked(asked, typed)
            : asked.before() + quoted,
        codebook);
  }

  private static String marked(Comparison asked, String typed) {
    return asked == Comparison.ALL ? typed.replace('|', '&') : typed;
  }

  private static Optional<Rule.Line> one(Parsed parsed) {
    return parsed instanceof Parsed.Good good ? Rule.line(good.query()) : Optional.empty();
  }

  private void typed() {
    values.getStyleClass().remove("wrong");
    one(parsed()).ifPresent(hand::drafted);
    if (values.isFocused()) {
      hand.writing(this);
    }
  }

  private void focused(boolean now) {
    if (now) {
      hand.writing(this);
    } else if (!values.getText().equals(kept) && !filling) {
      changed();
    }
  }

  private void changed() {
    if (filling) {
      return;
    }
    if (!Comparison.possible(asked(), codebook).contains(how.getValue())) {
      filling = true;
      how.setValue(Comparison.IS);
      filling = false;
    }
    if (how.getValue().takesValues() && values.getText().isBlank()) {
      values.setVisible(true);
      values.requestFocus();
      return;
    }
    Parsed read = parsed();
    one(read)
        .ifPresentOrElse(
            hand::edited,
            () -> wrong(read instanceof Parsed.Bad bad ? bad.message() : Words.of("rule.oneTerm")));
  }

  private void wrong(String message) {
    if (!values.getStyleClass().contains("wrong")) {
      values.getStyleClass().add("wrong");
    }
    hand.wrong(message);
  }
}
