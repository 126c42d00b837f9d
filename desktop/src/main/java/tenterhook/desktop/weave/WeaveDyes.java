package tenterhook.desktop.weave;

import java.util.List;
import javafx.css.CssMetaData;
import javafx.css.SimpleStyleableObjectProperty;
import javafx.css.Styleable;
import javafx.css.StyleablePropertyFactory;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.paint.Paint;
import javafx.scene.text.Font;

/** The dyes of the theme that cells of the Weave are drawn with, and the face of their figures. */
final class WeaveDyes extends Region {
  private static final Font FIGURES = Font.font("IBM Plex Mono Medium", 12);
  private static final StyleablePropertyFactory<WeaveDyes> FACTORY =
      new StyleablePropertyFactory<>(Region.getClassCssMetaData());
  private static final CssMetaData<WeaveDyes, Paint> WHOLE =
      FACTORY.createPaintCssMetaData("-whole-dye", c -> c.whole, Color.TRANSPARENT, false);
  private static final CssMetaData<WeaveDyes, Paint> PART =
      FACTORY.createPaintCssMetaData("-part-dye", c -> c.part, Color.TRANSPARENT, false);
  private static final CssMetaData<WeaveDyes, Paint> EDGE =
      FACTORY.createPaintCssMetaData("-edge-dye", c -> c.edge, Color.TRANSPARENT, false);
  private static final CssMetaData<WeaveDyes, Paint> GROUND =
      FACTORY.createPaintCssMetaData("-ground", c -> c.ground, Color.TRANSPARENT, false);

  private final SimpleStyleableObjectProperty<Paint> whole = paint(WHOLE, "whole");
  private final SimpleStyleableObjectProperty<Paint> part = paint(PART, "part");
  private final SimpleStyleableObjectProperty<Paint> edge = paint(EDGE, "edge");
  private final SimpleStyleableObjectProperty<Paint> ground = paint(GROUND, "ground");
  private final Runnable changed;

  /**
   * The dyes of the theme in use.
   *
   * @param changed called when they are others
   */
  WeaveDyes(Runnable changed) {
    this.changed = changed;
    getStyleClass().add("weave-dyes");
    setManaged(false);
  }

  private SimpleStyleableObjectProperty<Paint> paint(
      CssMetaData<WeaveDyes, Paint> data, String name) {
    SimpleStyleableObjectProperty<Paint> property =
        new SimpleStyleableObjectProperty<>(data, this, name);
    property.addListener((o, before, after) -> changed.run());
    return property;
  }

  /** Where nothing is missing. */
  Paint whole() {
    return whole.get();
  }

  /** Where something is missing, the values that are there. */
  Paint part() {
    return part.get();
  }

  /** Between values and holes, and the count of holes. */
  Paint edge() {
    return edge.get();
  }

  /** Where nothing is woven. */
  Paint ground() {
    return ground.get();
  }

  /** The face of the counts. */
  Font figures() {
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
