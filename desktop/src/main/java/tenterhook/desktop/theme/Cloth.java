package tenterhook.desktop.theme;

import javafx.scene.canvas.GraphicsContext;

/** The woven cloth by which the program shows how far something is filled. */
public final class Cloth {
  private Cloth() {}

  /**
   * Draws a piece: woven as far as it is filled, bare ground where it is not, and a madder edge
   * between. Whole cloth is of another dye. Threads stand every fourth pixel both ways; an even
   * cloth is calm to look at.
   *
   * @param share filled, 0 to 1; anything below 1 leaves room for the edge
   * @return how far it is filled, in pixels
   */
  public static double draw(
      GraphicsContext pen,
      Dyes dyes,
      double x,
      double y,
      double width,
      double height,
      double share) {
    boolean whole = share >= 1;
    double filled = whole ? width : Math.min(Math.floor(width * share), width - 3);
    pen.setGlobalAlpha(1);
    pen.setFill(dyes.ground());
    pen.fillRect(x, y, width, height);
    pen.setFill(whole ? dyes.whole() : dyes.part());
    pen.setGlobalAlpha(0.30);
    pen.fillRect(x, y, filled, height);
    pen.setGlobalAlpha(0.55);
    for (double at = 1; at < filled; at += 4) {
      for (double down = at % 8 < 4 ? 1 : 3; down < height; down += 4) {
        pen.fillRect(x + at, y + down, Math.min(2, filled - at), 2);
      }
    }
    pen.setGlobalAlpha(1);
    if (!whole) {
      pen.setFill(dyes.edge());
      pen.fillRect(x + filled, y, 1.5, height);
    }
    return filled;
  }
}
