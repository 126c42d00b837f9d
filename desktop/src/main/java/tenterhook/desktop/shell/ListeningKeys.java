package tenterhook.desktop.shell;

import java.util.function.IntConsumer;
import javafx.event.EventTarget;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Slider;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.TreeView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import tenterhook.desktop.workspace.Listening;

/**
 * The keys of the listening strip, the same at every station; a field that is typed in goes first.
 */
final class ListeningKeys {
  private static final double SKIP_SECONDS = 5;

  private final Listening listening;
  private final IntConsumer walk;

  ListeningKeys(Listening listening, IntConsumer walk) {
    this.listening = listening;
    this.walk = walk;
  }

  /**
   * Does what a key means for listening.
   *
   * @return whether it meant anything
   */
  boolean take(KeyEvent event) {
    EventTarget target = event.getTarget();
    boolean typing = target instanceof TextInputControl || target instanceof ComboBoxBase<?>;
    if (typing || event.isAltDown() || event.isShiftDown()) {
      return false;
    }
    boolean arrow = event.getCode() == KeyCode.LEFT || event.getCode() == KeyCode.RIGHT;
    int way = event.getCode() == KeyCode.LEFT ? -1 : 1;
    if (event.isShortcutDown()) {
      if (arrow) {
        walk.accept(way);
      }
      return arrow;
    }
    if (arrow) {
      boolean own =
          target instanceof ToggleButton || target instanceof TreeView || target instanceof Slider;
      if (!own) {
        listening.skip(way * SKIP_SECONDS);
      }
      return !own && listening.here();
    }
    return event.getCode() == KeyCode.SPACE ? space(target) : digit(event.getCode());
  }

  /** Space presses what is pressed by it, and plays everywhere else. */
  private boolean space(EventTarget target) {
    boolean pressed =
        target instanceof ButtonBase
            || target instanceof Node node && node.getStyleClass().contains("weave-cell");
    if (!pressed) {
      listening.toggle();
    }
    return !pressed;
  }

  /** 1 to 8 are eighths, 9 is the loudest passage, 0 repeats a bar. */
  private boolean digit(KeyCode code) {
    if (!code.isDigitKey()) {
      return false;
    }
    int number = code.getChar().charAt(0) - '0';
    if (number == 0) {
      listening.loop();
    } else if (number == 9) {
      listening.loudest();
    } else {
      listening.eighth(number);
    }
    return true;
  }
}
