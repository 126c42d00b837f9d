package tenterhook.desktop.weave;

import javafx.geometry.VPos;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyCode;
import javafx.scene.text.TextAlignment;
import tenterhook.desktop.theme.Cloth;
import tenterhook.desktop.theme.Dyes;

/**
 * One cell of the Weave: woven cloth as far as values are there, bare ground where they are holes,
 * a madder edge between, and the count of holes in figures. Whole cloth is of another dye. It is
 * one drawing, since hundreds of them stand in a frame.
 */
final class WeaveCell extends Canvas {
  private static final double HEIGHT = 30;
  private static final double FIGURE = 7.2;

  private final Dyes dyes;
  private int tracks;
  private int holes;
  private Runnable open = () -> {};

  WeaveCell(Dyes dyes) {
    super(40, HEIGHT);
    this.dyes = dyes;
    getStyleClass().add("weave-cell");
    setOnMouseClicked(e -> run());
    setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
            run();
            e.consume();
          }
        });
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
    setWidth(width);
    setFocusTraversable(holes > 0);
    draw();
  }

  void draw() {
    GraphicsContext pen = getGraphicsContext2D();
    if (tracks == 0) {
      pen.setFill(dyes.ground());
      pen.fillRect(0, 0, getWidth(), HEIGHT);
      return;
    }
    Cloth.draw(pen, dyes, 0, 0, getWidth(), HEIGHT, 1 - (double) holes / tracks);
    if (holes > 0) {
      count(pen, getWidth());
    }
  }

  private void count(GraphicsContext pen, double width) {
    String figures = String.valueOf(holes);
    double room = figures.length() * FIGURE + 6;
    pen.setFill(dyes.ground());
    pen.fillRect(width - 3 - room, 7, room, 16);
    pen.setFill(dyes.edge());
    pen.setFont(dyes.figures());
    pen.setTextAlign(TextAlignment.RIGHT);
    pen.setTextBaseline(VPos.CENTER);
    pen.fillText(figures, width - 6, HEIGHT / 2);
  }
}
