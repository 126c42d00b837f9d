package tenterhook.desktop.theme;

import java.io.InputStream;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.text.Font;

/** Type, and the small pieces that all views are made of. */
public final class Look {
  private static final List<String> FACES =
      List.of(
          "Fraunces_600SemiBold.ttf",
          "IBMPlexMono_400Regular.ttf",
          "IBMPlexMono_500Medium.ttf",
          "IBMPlexSansCondensed-Italic.woff",
          "IBMPlexSansCondensed-Medium.woff",
          "IBMPlexSansCondensed-Regular.woff",
          "IBMPlexSansCondensed-SemiBold.woff");
  private static final String ANY_SCRIPT = "any-script";

  private Look() {}

  /** Loads the faces that the program ships; once, before the first scene. */
  public static void loadFonts() {
    for (String face : FACES) {
      InputStream in = Look.class.getResourceAsStream("/tenterhook/desktop/fonts/" + face);
      if (in == null || Font.loadFont(in, 13) == null) {
        throw new IllegalStateException("the program was built without its face " + face);
      }
    }
  }

  /** Puts the theme on a window's root. */
  public static void apply(Parent root, boolean night) {
    root.getStylesheets()
        .setAll(
            List.of(Look.class.getResource("/tenterhook/desktop/tenterhook.css").toExternalForm()));
    root.getStyleClass().remove("night");
    if (night) {
      root.getStyleClass().add("night");
    }
  }

  /**
   * Shows a text from the collection. The face covers Latin, Greek and Cyrillic; a text with any
   * other letter is shown whole in the system's font, because the toolkit would draw boxes.
   *
   * @param place gets the text
   * @param text any text in any script
   */
  public static void data(Labeled place, String text) {
    place.setText(text);
    script(place, text);
  }

  /** Chooses the face for a node that shows a text from the collection. */
  public static void script(Node place, String text) {
    boolean other = !covered(text);
    if (other != place.getStyleClass().contains(ANY_SCRIPT)) {
      if (other) {
        place.getStyleClass().add(ANY_SCRIPT);
      } else {
        place.getStyleClass().remove(ANY_SCRIPT);
      }
    }
  }

  /** Whether the program's face has every letter of a text. */
  public static boolean covered(String text) {
    return text.codePoints()
        .allMatch(
            c ->
                c < 0x0300
                    || c >= 0x0370 && c < 0x0482
                    || c >= 0x048A && c < 0x0500
                    || c >= 0x1E00 && c < 0x1F00
                    || c >= 0x2010 && c <= 0x2026
                    || c == 0x203A
                    || c == 0x20AC
                    || c == 0x2192
                    || c == 0x00D7);
  }

  /** A label of the program's own words. */
  public static Label label(String text, String... classes) {
    Label label = new Label(text);
    label.getStyleClass().addAll(classes);
    return label;
  }

  /** A label of a text from the collection. */
  public static Label dataLabel(String text, String... classes) {
    Label label = label("", classes);
    data(label, text);
    return label;
  }

  /** A button that says what it does. */
  public static Button button(String text, Runnable action, String... classes) {
    Button button = new Button(text);
    button.getStyleClass().addAll(classes);
    button.setOnAction(e -> action.run());
    button.setAccessibleText(text);
    return button;
  }

  /** The one button of a view that is proposed. */
  public static Button primary(String text, Runnable action) {
    return button(text, action, "primary");
  }

  /** Takes all the room that is left. */
  public static Region spring() {
    Region region = new Region();
    HBox.setHgrow(region, Priority.ALWAYS);
    return region;
  }

  /** A tip for a node, also its name for screen readers. */
  public static <T extends Node> T tip(T node, String text) {
    Tooltip.install(node, new Tooltip(text));
    node.setAccessibleText(text);
    return node;
  }

  /**
   * A row of choices of which one holds.
   *
   * @param names shown, in order
   * @param chosen which one holds first
   * @param onChoice gets the place of the one chosen
   */
  public static HBox choices(List<String> names, int chosen, Consumer<Integer> onChoice) {
    HBox row = new HBox();
    row.getStyleClass().add("choices");
    ToggleGroup group = new ToggleGroup();
    for (int i = 0; i < names.size(); i++) {
      int place = i;
      ToggleButton button = new ToggleButton(names.get(i));
      button.setToggleGroup(group);
      button.setSelected(i == chosen);
      button.setOnAction(
          e -> {
            button.setSelected(true);
            onChoice.accept(place);
          });
      row.getChildren().add(button);
    }
    return row;
  }

  /** An entry of a menu; its id is its message's key with hyphens. */
  public static MenuItem item(String key, Runnable action) {
    MenuItem item = named(Words.of(key), action);
    item.setId(key.replace('.', '-'));
    return item;
  }

  /** An entry of a menu with a name that is no message, such as a crate's. */
  public static MenuItem named(String name, Runnable action) {
    MenuItem item = new MenuItem(name);
    item.setOnAction(e -> action.run());
    return item;
  }
}
