package tenterhook.desktop.crate;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import tenterhook.core.crate.RuleExplanation.LineEffect;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/**
 * What one line does: holds for, left after with a bar, shut out by it alone; refilled in place.
 */
final class EffectCells {
  private static final double HOLDS = 64;
  private static final double BAR = 92;
  private static final double SHUT = 96;

  private final Label holds = wide(Look.label(""), HOLDS);
  private final Label left = wide(Look.label(""), BAR);
  private final Region part = new Region();
  private final Button shut;
  private final HBox cells;

  /**
   * Empty cells.
   *
   * @param at the line's number, for the button's name
   * @param open lists those that the line alone keeps out
   */
  EffectCells(int at, Runnable open) {
    part.getStyleClass().add("bar-part");
    StackPane bar = new StackPane(part);
    bar.getStyleClass().add("bar-ground");
    bar.setAlignment(Pos.CENTER_LEFT);
    bar.setMaxHeight(6);
    bar.setMinSize(BAR, 6);
    VBox both = new VBox(2, left, bar);
    both.setMinWidth(BAR);
    shut = Look.button("", open, "quiet", "hole");
    shut.setId("nearly-in-" + at);
    shut.setMinWidth(SHUT);
    shut.setMaxWidth(SHUT);
    shut.setAlignment(Pos.CENTER_RIGHT);
    cells = new HBox(8, holds, both, shut);
    cells.setAlignment(Pos.CENTER_LEFT);
  }

  /** The heads of the columns. */
  static HBox heads() {
    return new HBox(
        8,
        Look.label(Words.of("rule.keep"), "second"),
        Look.spring(),
        wide(Look.label(Words.of("rule.holds"), "second"), HOLDS),
        wide(Look.label(Words.of("rule.left"), "second"), BAR),
        wide(Look.label(Words.of("rule.shut"), "second"), SHUT));
  }

  HBox node() {
    return cells;
  }

  /**
   * Shows what the line does.
   *
   * @param most the longest bar's number
   */
  void show(LineEffect effect, int most) {
    holds.setText(String.valueOf(effect.holdsFor()));
    left.setText(String.valueOf(effect.leftAfter()));
    part.setMaxSize(BAR * effect.leftAfter() / Math.max(1, most), 6);
    shut.setText(String.valueOf(effect.shutOut()));
    shut.setDisable(effect.shutOut() == 0);
    shut.setAccessibleText(Words.of("rule.shutOut", effect.shutOut(), effect.line().text()));
  }

  private static Label wide(Label label, double width) {
    label.setMinWidth(width);
    label.setMaxWidth(width);
    label.setAlignment(Pos.CENTER_RIGHT);
    return label;
  }
}
