package tenterhook.desktop.theme;

import java.util.List;
import javafx.css.CssMetaData;
import javafx.css.SimpleStyleableObjectProperty;
import javafx.css.Styleable;
import javafx.css.StyleablePropertyFactory;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.paint.Paint;
import javafx.scene.text.Font;

/** The dyes of the theme for what is drawn and not styled, and the face of its figures. */
public final class Dyes extends Region {
  private static final Font FIGURES = Font.font("IBM Plex Mono Medium", 12);
  private static final StyleablePropertyFactory<Dyes> FACTORY =
      new StyleablePropertyFactory<>(Region.getClassCssMetaData());
  private static final CssMetaData<Dyes, Paint> WHOLE =
      FACTORY.createPaintCssMetaData("-whole-dye", c -> c.whole, Color.TRANSPARENT, false);
  private static final CssMetaData<Dyes, Paint> PART =
      FACTORY.createPaintCssMetaData("-part-dye", c -> c.part, Color.TRANSPARENT, false);
  private static final CssMetaData<Dyes, Paint> EDGE =
      FACTORY.createPaintCssMetaData("-edge-dye", c -> c.edge, Color.TRANSPARENT, false);
  private static final CssMetaData<Dyes, Paint> GROUND =
      FACTORY.createPaintCssMetaData("-ground", c -> c.ground, Color.TRANSPARENT, false);
  private static final CssMetaData<Dyes, Paint> INK =
      FACTORY.createPaintCssMetaData("-ink-dye", c -> c.ink, Color.TRANSPARENT, false);
  private static final CssMetaData<Dyes, Paint> SOFT =
      FACTORY.createPaintCssMetaData("-soft-dye", c -> c.soft, Color.TRANSPARENT, false);
  private static final CssMetaData<Dyes, Paint> LINE =
      FACTORY.createPaintCssMetaData("-line-dye", c -> c.line, Color.TRANSPARENT, false);
  private static final CssMetaData<Dyes, Paint> CHOSEN =
      FACTORY.createPaintCssMetaData("-chosen-dye", c -> c.chosen, Color.TRANSPARENT, false);

  private final SimpleStyleableObjectProperty<Paint> whole = paint(WHOLE, "whole");
  private final SimpleStyleableObjectProperty<Paint> part = paint(PART, "part");
  private final SimpleStyleableObjectProperty<Paint> edge = paint(EDGE, "edge");
  private final SimpleStyleableObjectProperty<Paint> ground = paint(GROUND, "ground");
  private final SimpleStyleableObjectProperty<Paint> ink = paint(INK, "ink");
  private final SimpleStyleableObjectProperty<Paint> soft = paint(SOFT, "soft");
  private final SimpleStyleableObjectProperty<Paint> line = paint(LINE, "line");
  private final SimpleStyleableObjectProperty<Paint> chosen = paint(CHOSEN, "chosen");
  private final Runnable changed;

  /**
   * The dyes of the theme in use.
   *
   * @param changed called when they are others
   */
  public Dyes(Runnable changed) {
    this.changed = changed;
    getStyleClass().add("dyes");
    setManaged(false);
  }

  private SimpleStyleableObjectProperty<Paint> paint(CssMetaData<Dyes, Paint> data, String name) {
    SimpleStyleableObjectProperty<Paint> property =
        new SimpleStyleableObjectProperty<>(data, this, name);
    property.addListener((o, before, after) -> changed.run());
    return property;
  }

  /** Where nothing is missing. */
  public Paint whole() {
    return whole.get();
  }

  /** Where something is missing, the values that are there. */
  public Paint part() {
    return part.get();
  }

  /** Between values and holes, and the count of holes. */
  public Paint edge() {
    return edge.get();
  }

  /** Where nothing is woven. */
  public Paint ground() {
    return ground.get();
  }

  /** Words. */
  public Paint ink() {
    return ink.get();
  }

  /** Words that stand back. */
  public Paint soft() {
    return soft.get();
  }

  /** Thin lines. */
  public Paint line() {
    return line.get();
  }

  /** Behind what is chosen. */
  public Paint chosen() {
    return chosen.get();
  }

  /** The face of the counts. */
  public Font figures() {
    return FIGURES;
  }

  /** The style properties of the dyes. */
  public static List<CssMetaData<? extends Styleable, ?>> getClassCssMetaData() {
    return FACTORY.getCssMetaData();
  }

  @Override
  public List<CssMetaData<? extends Styleable, ?>> getCssMetaData() {
    return FACTORY.getCssMetaData();
  }
}
