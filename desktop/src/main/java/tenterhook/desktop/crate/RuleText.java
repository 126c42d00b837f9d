package tenterhook.desktop.crate;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Rule;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.FindText;
import tenterhook.core.find.Parsed;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** A rule as text of the find language: to copy, paste, and send to somebody. */
final class RuleText extends VBox {
  private static final int ROWS = 4;

  private final Workspace workspace;
  private final Consumer<Rule.RuleGroup> edited;
  private Optional<Crate.RuleCrate> shown = Optional.empty();
  private final TextArea area = new TextArea();
  private final Label wrong = Look.label("", "hole");

  RuleText(Workspace workspace, Consumer<Rule.RuleGroup> edited) {
    super(6);
    this.workspace = workspace;
    this.edited = edited;
    setId("rule-as-text");
    prepare();
    wrong.setId("rule-text-wrong");
    var use = Look.primary(Words.of("rule.useText"), this::use);
    use.setId("rule-use-text");
    HBox foot = new HBox(10, use, wrong);
    foot.setAlignment(Pos.CENTER_LEFT);
    getChildren().addAll(area, foot);
  }

  private void prepare() {
    area.setId("rule-text");
    area.setWrapText(true);
    area.setPrefRowCount(ROWS);
    area.getStyleClass().add("mono");
    area.setAccessibleText(Words.of("rule.text"));
    area.textProperty().addListener((o, before, now) -> read());
    area.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ENTER && e.isShortcutDown()) {
            use();
          }
        });
  }

  /** Shows a crate's rule; what is typed stays while the crate is the same. */
  void show(Crate.RuleCrate crate) {
    if (shown.filter(crate::equals).isPresent()) {
      return;
    }
    shown = Optional.of(crate);
    area.setText(FindText.write(crate.rule().query()));
  }

  private Parsed read() {
    Parsed read = FindParser.parse(area.getText().strip(), workspace.state().get().codebook());
    wrong.setText(
        read instanceof Parsed.Bad bad
            ? Words.of("rule.textWrong", bad.position() + 1, bad.message())
            : "");
    return read;
  }

  private void use() {
    if (read() instanceof Parsed.Good good) {
      edited.accept(Rule.of(good.query()));
    }
  }
}
