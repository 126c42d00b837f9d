package tenterhook.desktop.weave;

import javafx.css.CssMetaData;
import javafx.css.SimpleStyleableObjectProperty;
import javafx.css.Styleable;
import javafx.css.StyleablePropertyFactory;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.StackPane;
import javafx.scene.paint.Color;
import javafx.scene.paint.Paint;
import tenterhook.desktop.theme.Look;

/**
 * One cell of the Weave: woven cloth as far as values are there, bare ground where they are holes,
 * a madder edge between, and the count of holes in figures. Whole cloth is of another dye.
 */
final class WeaveCell extends StackPane {
  private static final double HEIGHT = 30;
  private static final StyleablePropertyFactory<WeaveCell> FACTORY =
      new StyleablePropertyFactory<>(StackPane.getClassCssMetaData());
  private static final CssMetaData<WeaveCell, Paint> WHOLE =
      FACTORY.createPaintCssMetaData("-whole-dye", c -> c.whole, Color.TRANSPARENT, false);
  private static final CssMetaData<WeaveCell, Paint> PART =
      FACTORY.createPaintCssMetaData("-part-dye", c -> c.part, Color.TRANSPARENT, false);
  private static final CssMetaData<WeaveCell, Paint> EDGE =
      FACTORY.createPaintCssMetaData("-edge-dye", c -> c.edge, Color.TRANSPARENT, false);
  private static final CssMetaData<WeaveCell, Paint> GROUND =
      FACTORY.createPaintCssMetaData("-ground", c -> c.ground, Color.TRANSPARENT, false);

  private final SimpleStyleableObjectProperty<Paint> whole = paint(WHOLE, "whole");
  private final SimpleStyleableObjectProperty<Paint> part = paint(PART, "part");
  private final SimpleStyleableObjectProperty<Paint> edge = paint(EDGE, "edge");
  private final SimpleStyleableObjectProperty<Paint> ground = paint(GROUND, "ground");
  private final Canvas canvas = new Canvas(40, HEIGHT);
  private final Label count = Look.label("", "weave-count");
  private int tracks;
  private int holes;
  private Runnable open = () -> {};

  WeaveCell() {
    getStyleClass().add("weave-cell");
    getChildren().addAll(canvas, count);
    StackPane.setAlignment(count, javafx.geometry.Pos.CENTER_RIGHT);
    StackPane.setMargin(count, new javafx.geometry.Insets(0, 3, 0, 0));
    setOnMouseClicked(e -> run());
    setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
            run();
            e.consume();
          }
        });
  }

  private SimpleStyleableObjectProperty<Paint> paint(
      CssMetaData<WeaveCell, Paint> data, String name) {
    SimpleStyleableObjectProperty<Paint> property =
        new SimpleStyleableObjectProperty<>(data, this, name);
    property.addListener((o, before, after) -> draw());
    return property;
  }

  private void run() {
    if (holes > 0) {
      open.run();
    }
  }

  void show(double width, int tracksNow, int holesNow, Runnable onOpen) {
    tracks = tracksNow;
    holes = holesNow;
    open = onOpen;
    canvas.setWidth(width);
    WeaveView.sized(this, width);
    setFocusTraversable(holes > 0);
    count.setText(holes == 0 ? "" : String.valueOf(holes));
    count.setVisible(holes > 0);
    draw();
  }

  /** Threads every third pixel both ways; an even cloth is calm to look at. */
  private void draw() {
    GraphicsContext pen = canvas.getGraphicsContext2D();
    double width = canvas.getWidth();
    pen.setFill(ground.get());
    pen.fillRect(0, 0, width, HEIGHT);
    double filled = tracks == 0 ? 0 : Math.floor(width * (tracks - holes) / tracks);
    if (holes > 0) {
      filled = Math.min(filled, width - 3);
    }
    pen.setFill(holes == 0 ? whole.get() : part.get());
    pen.setGlobalAlpha(0.30);
    pen.fillRect(0, 0, filled, HEIGHT);
    pen.setGlobalAlpha(0.55);
    for (double x = 1; x < filled; x += 4) {
      for (double y = x % 8 < 4 ? 1 : 3; y < HEIGHT; y += 4) {
        pen.fillRect(x, y, Math.min(2, filled - x), 2);
      }
    }
    pen.setGlobalAlpha(1);
    if (holes > 0) {
      pen.setFill(edge.get());
      pen.fillRect(filled, 0, 1.5, HEIGHT);
    }
  }

  /** The style properties of every cell. */
  public static java.util.List<CssMetaData<? extends Styleable, ?>> getClassCssMetaData() {
    return FACTORY.getCssMetaData();
  }

  @Override
  public java.util.List<CssMetaData<? extends Styleable, ?>> getCssMetaData() {
    return FACTORY.getCssMetaData();
  }
}
