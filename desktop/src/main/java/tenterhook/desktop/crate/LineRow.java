package tenterhook.desktop.crate;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import tenterhook.core.crate.Rule;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.FindText;
import tenterhook.core.find.Parsed;
import tenterhook.core.find.Query;
import tenterhook.desktop.shell.Desk;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** One line of a rule: what is tested, how, and for which values. Its text is the find language. */
final class LineRow extends HBox {
  private static final int HOLDS = 0;
  private static final int MISSING = 1;
  private static final int PRESENT = 2;

  private final Desk desk;
  private final Consumer<Rule.Line> edited;
  private final ComboBox<String> subject = new ComboBox<>();
  private final ComboBox<String> how = new ComboBox<>();
  private final TextField values = new TextField();

  LineRow(Desk desk, Rule.Line line, Consumer<Rule.Line> edited, Runnable remove) {
    this.desk = desk;
    this.edited = edited;
    getStyleClass().add("line-row");
    subject.getItems().setAll(subjects());
    subject.setValue(shown(line.condition().subject()));
    subject.setPrefWidth(118);
    subject.setAccessibleText(Words.of("rule.subject"));
    how.getItems().setAll(Words.of("rule.is"), Words.of("rule.missing"), Words.of("rule.present"));
    how.getSelectionModel()
        .select(
            switch (line.condition().test()) {
              case Condition.Missing missing -> MISSING;
              case Condition.Present present -> PRESENT;
              case Condition.AnyOf any -> HOLDS;
            });
    how.setPrefWidth(104);
    how.setAccessibleText(Words.of("rule.how"));
    String text = FindText.condition(line.condition());
    boolean holds = line.condition().test() instanceof Condition.AnyOf;
    values.setText(holds ? afterName(text) : "");
    values.setVisible(holds);
    values.setPromptText(Words.of("rule.values"));
    values.setAccessibleText(Words.of("rule.values"));
    values.getStyleClass().add("mono");
    HBox.setHgrow(values, Priority.ALWAYS);
    subject.setOnAction(e -> changed());
    how.setOnAction(e -> changed());
    values.setOnAction(e -> changed());
    values
        .focusedProperty()
        .addListener(
            (o, before, after) -> {
              if (before && !values.getText().equals(holds ? afterName(text) : "")) {
                changed();
              }
            });
    getChildren()
        .addAll(
            subject,
            how,
            values,
            Look.tip(
                Look.button(Words.of("rule.removeLine"), remove, "quiet"),
                Words.of("rule.removeLineTip")));
  }

  /** A line to begin with: it holds for every track that has a year. */
  static Rule.Line fresh() {
    return new Rule.Line(new Condition("year", new Condition.Present()));
  }

  private static String afterName(String text) {
    int quote = text.startsWith("\"") ? text.indexOf('"', 1) : 0;
    return text.substring(text.indexOf(':', quote) + 1);
  }

  private List<String> subjects() {
    List<String> names = new ArrayList<>(List.of("code", "crate"));
    desk.state().get().codebook().facets().forEach(f -> names.add(f.name()));
    Fields.all().stream()
        .filter(f -> f != Fields.STANDING && f != Fields.CONTENT && f != Fields.CODES)
        .map(Field::label)
        .forEach(names::add);
    return names;
  }

  private static String shown(String subject) {
    return Fields.named(subject).map(Field::label).orElse(subject);
  }

  private void changed() {
    String name = Fields.named(subject.getValue()).map(Field::key).orElse(subject.getValue());
    String quoted = name.contains(" ") ? '"' + name + '"' : name;
    String typed = values.getText().strip();
    String text =
        switch (how.getSelectionModel().getSelectedIndex()) {
          case MISSING -> "missing:" + quoted;
          case PRESENT -> "present:" + quoted;
          default -> quoted + ":" + typed;
        };
    if (how.getSelectionModel().getSelectedIndex() == HOLDS && typed.isEmpty()) {
      values.setVisible(true);
      values.requestFocus();
      return;
    }
    switch (FindParser.parse(text, desk.state().get().codebook())) {
      case Parsed.Good(Query.Term(Condition condition)) -> edited.accept(new Rule.Line(condition));
      case Parsed.Good other -> wrong(Words.of("rule.oneTerm"));
      case Parsed.Bad bad -> wrong(bad.message());
    }
  }

  private void wrong(String message) {
    if (!values.getStyleClass().contains("wrong")) {
      values.getStyleClass().add("wrong");
    }
    desk.frame().tell(message, true, 0);
  }
}
