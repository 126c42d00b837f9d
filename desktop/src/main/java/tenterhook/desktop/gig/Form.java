package tenterhook.desktop.gig;

import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/**
 * Fields with their names in a column, with a button that takes them and one that does not. Enter
 * in a line and Ctrl+Enter in a text take them too, Escape does not.
 */
final class Form extends VBox {
  private final Label title = Look.label("", "heading");
  private final GridPane grid = new GridPane();
  private final HBox buttons = new HBox(8);
  private final Runnable take;
  private final Runnable leave;
  private int rows;

  /**
   * A form without fields.
   *
   * @param name its id, and the prefix of its messages
   * @param take called to take what was typed
   * @param leave called to let it be
   */
  Form(String name, Runnable take, Runnable leave) {
    super(12);
    this.take = take;
    this.leave = leave;
    setId(name);
    getStyleClass().add("main");
    grid.setHgap(14);
    grid.setVgap(10);
    var takeButton = Look.primary(Words.of(name + ".take"), take);
    takeButton.setId(name + "-take");
    var leaveButton = Look.button(Words.of("gigs.leave"), leave);
    leaveButton.setId(name + "-leave");
    buttons.getChildren().addAll(takeButton, leaveButton);
    getChildren().addAll(title, grid, buttons);
    addEventFilter(KeyEvent.KEY_PRESSED, this::key);
  }

  private void key(KeyEvent event) {
    boolean line = event.getTarget() instanceof TextField;
    if (event.getCode() == KeyCode.ESCAPE) {
      leave.run();
      event.consume();
    } else if (event.getCode() == KeyCode.ENTER && (line || event.isShortcutDown())) {
      take.run();
      event.consume();
    }
  }

  void titled(String words) {
    Look.data(title, words);
  }

  /** One more button beside those that take and leave. */
  void add(javafx.scene.control.Button button) {
    buttons.getChildren().add(button);
  }

  /** A field of one line. */
  TextField line(String message, int columns) {
    TextField field = new TextField();
    field.setPrefColumnCount(columns);
    field.setMaxWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    return put(message, field);
  }

  /** A field of several lines, with a word on what stands in each. */
  TextArea lines(String message, int count) {
    TextArea area = new TextArea();
    area.setPrefRowCount(count);
    area.setPrefColumnCount(40);
    area.setMaxWidth(560);
    return put(message, area);
  }

  private <T extends TextInputControl> T put(String message, T field) {
    String name = Words.of(message);
    Label label = Look.label(name, "strong");
    label.setLabelFor(field);
    field.setId(message.replace('.', '-'));
    field.setAccessibleText(name);
    if (Words.has(message + "Prompt")) {
      field.setPromptText(Words.of(message + "Prompt"));
    }
    GridPane.setValignment(label, javafx.geometry.VPos.TOP);
    GridPane.setHgrow(field, Priority.ALWAYS);
    grid.addRow(rows++, label, field);
    return field;
  }
}
