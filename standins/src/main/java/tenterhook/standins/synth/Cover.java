package tenterhook.standins.synth;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Random;
import javax.imageio.ImageIO;

/** Draws a cover of plain shapes. The same seed and size give the same bytes. */
public final class Cover {
  private static final int[] DYES = {
    0x54402F, 0x2C4A7A, 0xB23A2B, 0xB98A14, 0x3E7A6B, 0xD8CCB9, 0x7A5C8A, 0x26221D
  };

  private Cover() {}

  /**
   * Draws a cover.
   *
   * @param seed chooses shapes and dyes
   * @param side in pixels
   * @param format {@code jpg} or {@code png}
   */
  public static byte[] draw(long seed, int side, String format) {
    BufferedImage image = new BufferedImage(side, side, BufferedImage.TYPE_INT_RGB);
    Graphics2D pen = image.createGraphics();
    pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    Random random = new Random(seed);
    pen.setColor(new Color(DYES[random.nextInt(DYES.length)]));
    pen.fillRect(0, 0, side, side);
    shapes(pen, side, random);
    pen.dispose();
    try {
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      ImageIO.write(image, format, out);
      return out.toByteArray();
    } catch (IOException impossible) {
      throw new IllegalStateException("memory can be written", impossible);
    }
  }

  private static void shapes(Graphics2D pen, int side, Random random) {
    for (int i = 0; i < 9; i++) {
      pen.setColor(new Color(DYES[random.nextInt(DYES.length)]));
      double size = side * (0.1 + 0.5 * random.nextDouble());
      double x = side * random.nextDouble() - size / 2;
      double y = side * random.nextDouble() - size / 2;
      pen.setStroke(new BasicStroke(side / 40f + 1));
      switch (random.nextInt(3)) {
        case 0 -> pen.fill(new Ellipse2D.Double(x, y, size, size));
        case 1 -> pen.fill(new Rectangle2D.Double(x, y, size, size / 3));
        default -> pen.draw(new Ellipse2D.Double(x, y, size, size));
      }
    }
  }
}
