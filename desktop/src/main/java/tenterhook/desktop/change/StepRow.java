package tenterhook.desktop.change;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.recipe.Recipe;
import tenterhook.core.recipe.RecipeStep;
import tenterhook.core.recipe.RecipeText;
import tenterhook.desktop.change.StepKind.Input;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** One step to be filled in: what it does, to which field, with which words. */
final class StepRow extends VBox {
  private static final List<String> FORMS = List.of("rule", "sentence", "upper", "lower");

  private final ComboBox<StepKind> kind = new ComboBox<>();
  private final ComboBox<Field<?>> field = fields();
  private final ComboBox<Field<?>> other = fields();
  private final ComboBox<String> form = new ComboBox<>();
  private final TextField text = new TextField();
  private final TextField otherText = new TextField();
  private final TextField codes = new TextField();
  private final FlowPane inputs = new FlowPane(6, 6);
  private final Label trouble = Look.label("", "hole");
  private final Runnable changed;
  private boolean filling;

  /** What a row wants of the list that it stands in. */
  interface StepList {
    /** Something of a step is another. */
    void changed();

    /** A step goes. */
    void remove(StepRow row);

    /** A step goes so many places down. */
    void move(StepRow row, int by);
  }

  StepRow(StepList list) {
    super(4);
    this.changed = list::changed;
    getStyleClass().add("step-row");
    prepare();
    HBox buttons =
        new HBox(
            2,
            named("\u2039", "change.up", () -> list.move(this, -1)),
            named("\u203A", "change.down", () -> list.move(this, 1)),
            named("×", "change.removeStep", () -> list.remove(this)));
    buttons.setAlignment(Pos.CENTER_RIGHT);
    HBox head = new HBox(6, kind, Look.spring(), buttons);
    head.setAlignment(Pos.CENTER_LEFT);
    trouble.setWrapText(true);
    getChildren().setAll(head, inputs, trouble);
    show(RecipeText.line(new RecipeStep.Trim(Fields.TITLE)));
  }

  private static Node named(String sign, String words, Runnable action) {
    return Look.tip(Look.button(sign, action, "quiet"), Words.of(words));
  }

  private void prepare() {
    kind.getItems().setAll(StepKind.values());
    kind.setId("step-kind");
    kind.setAccessibleText(Words.of("change.kind"));
    kind.setVisibleRowCount(StepKind.values().length);
    field.setId("step-field");
    other.setId("step-other-field");
    other.setAccessibleText(Words.of("change.otherField"));
    field.setAccessibleText(Words.of("change.field"));
    form.getItems().setAll(FORMS);
    form.setConverter(converter(f -> Words.of("change.form." + f)));
    form.setValue(FORMS.getFirst());
    form.setId("step-form");
    form.setAccessibleText(Words.of("change.capitals"));
    text.setId("step-text");
    otherText.setId("step-other-text");
    codes.setId("step-codes");
    for (TextField one : List.of(text, otherText, codes)) {
      one.setPrefColumnCount(11);
      one.textProperty().addListener((o, before, after) -> changed());
    }
    kind.setOnAction(
        e -> {
          lay();
          changed();
        });
    List.of(field, other, form).forEach(box -> box.setOnAction(e -> changed()));
  }

  private static ComboBox<Field<?>> fields() {
    ComboBox<Field<?>> box = new ComboBox<>();
    box.getItems()
        .setAll(
            Fields.offered().stream()
                .filter(Field::settable)
                .filter(f -> f.type().shape() != FieldType.Shape.PICTURE)
                .toList());
    box.setConverter(converter(Field::label));
    box.setValue(Fields.TITLE);
    return box;
  }

  private static <T> StringConverter<T> converter(java.util.function.Function<T, String> words) {
    return new StringConverter<>() {
      @Override
      public String toString(T value) {
        return value == null ? "" : words.apply(value);
      }

      @Override
      public T fromString(String typed) {
        throw new UnsupportedOperationException("one of a list is chosen, none is typed");
      }
    };
  }

  private void changed() {
    if (!filling) {
      changed.run();
    }
  }

  /** Shows what its kind has to be told. */
  private void lay() {
    StepKind now = kind.getValue();
    text.setPromptText(Words.of("change.prompt." + now.verb()));
    text.setAccessibleText(text.getPromptText());
    otherText.setPromptText(Words.of("change.promptOther"));
    otherText.setAccessibleText(otherText.getPromptText());
    codes.setPromptText(Words.of("change.prompt.codes"));
    codes.setAccessibleText(codes.getPromptText());
    inputs.getChildren().setAll(now.inputs().stream().map(this::input).toList());
  }

  private Node input(Input input) {
    return switch (input) {
      case FIELD -> field;
      case OTHER_FIELD -> other;
      case TEXT -> text;
      case OTHER_TEXT -> otherText;
      case FORM -> form;
      case CODES -> codes;
    };
  }

  /** Fills the row from a line of a recipe. */
  void show(String line) {
    filling = true;
    List<String> words = RecipeText.words(line);
    kind.setValue(StepKind.of(words.getFirst()));
    int at = 1;
    for (Input input : kind.getValue().inputs()) {
      String word = at < words.size() ? words.get(at) : "";
      at++;
      switch (input) {
        case FIELD -> Fields.named(word).ifPresent(field::setValue);
        case OTHER_FIELD -> Fields.named(word).ifPresent(other::setValue);
        case TEXT -> text.setText(word);
        case OTHER_TEXT -> otherText.setText(word);
        case FORM -> form.setValue(word.toLowerCase(Locale.ROOT));
        case CODES -> codes.setText(String.join(" ", words.subList(1, words.size())));
      }
    }
    lay();
    filling = false;
  }

  /** The row as a line of a recipe. */
  String line() {
    StringBuilder line = new StringBuilder(kind.getValue().verb());
    for (Input input : kind.getValue().inputs()) {
      line.append(' ')
          .append(
              switch (input) {
                case FIELD -> field.getValue().key();
                case OTHER_FIELD -> other.getValue().key();
                case TEXT -> RecipeText.quoted(text.getText());
                case OTHER_TEXT -> RecipeText.quoted(otherText.getText());
                case FORM -> form.getValue();
                case CODES -> codes.getText();
              });
    }
    return line.toString();
  }

  /** The step, and says what is wrong where it is none yet. */
  Optional<RecipeStep> step() {
    return switch (RecipeText.read(line())) {
      case RecipeText.Read.Good(Recipe recipe) -> {
        say("");
        yield recipe.steps().stream().findFirst();
      }
      case RecipeText.Read.Bad bad -> {
        say(bad.message());
        yield Optional.empty();
      }
    };
  }

  private void say(String words) {
    trouble.setText(words);
    trouble.setManaged(!words.isEmpty());
    trouble.setVisible(!words.isEmpty());
  }
}
