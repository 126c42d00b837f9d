package tenterhook.desktop.control;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;
import javafx.scene.paint.Paint;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import tenterhook.core.album.Album;
import tenterhook.core.album.Album.AlbumCover;
import tenterhook.desktop.theme.Dyes;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/**
 * Draws an album: its cover, or open cloth where there is none, a stack where its tracks carry
 * different pictures, and what is to be said of it. It is drawn, not built of nodes, since a screen
 * holds a hundred of them.
 */
final class CoverDrawing {
  /** Room below a cover for what is said of the album, in pixels. */
  static final double WORDS = 54;

  /** Room around a cover, in pixels. */
  static final double GAP = 14;

  private static final double LINE = 17;
  private static final double SPREAD = 4;
  private static final double THREAD = 9;
  private static final Font PLAIN = Font.font("IBM Plex Sans Cond", 12.5);
  private static final Font STRONG = Font.font("IBM Plex Sans Cond SmBld", 13);
  private static final Font ANY_SCRIPT = Font.font("System", 12.5);

  private final Dyes dyes;
  private final Text measured = new Text();
  private final Map<Font, Map<Integer, Double>> advances = new HashMap<>();

  CoverDrawing(Dyes dyes) {
    this.dyes = dyes;
  }

  /**
   * Draws an album.
   *
   * @param left of its room
   * @param side of its cover
   * @param image its cover, if it is there by now
   * @param chosen whether it is chosen
   */
  void draw(
      GraphicsContext pen,
      Album album,
      double left,
      double side,
      Optional<Image> image,
      boolean chosen) {
    double x = left + GAP / 2;
    double y = GAP / 2;
    if (chosen) {
      frame(pen, dyes.chosen(), x - 5, y - 5, side + 10, side + 10, 3);
    }
    double inner = side(album, side);
    if (album.mixed()) {
      stack(pen, x, y, inner);
    }
    pen.setFill(dyes.ground());
    pen.fillRect(x, y, inner, inner);
    if (album.covers().isEmpty()) {
      openCloth(pen, x, y, inner);
    } else {
      image.ifPresent(i -> picture(pen, i, x, y, inner));
    }
    frame(pen, dyes.line(), x, y, inner, inner, 1);
    note(pen, noteOf(album), x, y + inner, inner);
    words(pen, album, x, y + side + 4, side);
  }

  /**
   * The side of the picture itself, in whole pixels; a stack leaves room for what lies under it.
   */
  int side(Album album, double side) {
    return (int) (album.mixed() ? side - 2 * SPREAD : side);
  }

  /** Four filled strips: much sooner drawn than a stroke, which the toolkit lays out as a shape. */
  private static void frame(
      GraphicsContext pen,
      Paint dye,
      double x,
      double y,
      double width,
      double height,
      double thick) {
    pen.setFill(dye);
    pen.fillRect(x, y, width, thick);
    pen.fillRect(x, y + height - thick, width, thick);
    pen.fillRect(x, y + thick, thick, height - 2 * thick);
    pen.fillRect(x + width - thick, y + thick, thick, height - 2 * thick);
  }

  private void stack(GraphicsContext pen, double x, double y, double inner) {
    for (int under = 2; under > 0; under--) {
      double at = under * SPREAD;
      pen.setFill(dyes.ground());
      pen.fillRect(x + at, y + at, inner, inner);
      frame(pen, dyes.soft(), x + at, y + at, inner, inner, 1);
    }
  }

  /** Threads far apart, each over and under: what is not woven yet. */
  private void openCloth(GraphicsContext pen, double x, double y, double side) {
    pen.setFill(dyes.line());
    for (double at = THREAD / 2; at < side; at += THREAD) {
      pen.fillRect(x + at, y, 1.5, side);
      for (double cross = at % (2 * THREAD) < THREAD ? 0 : THREAD; cross < side; ) {
        double length = Math.min(THREAD + 3, side - cross);
        pen.fillRect(x + cross, y + at, length, 1.5);
        cross += 2 * THREAD;
      }
    }
  }

  /** Whole, in the middle: a picture that is not square is not cut. */
  private static void picture(GraphicsContext pen, Image image, double x, double y, double side) {
    double by = side / Math.max(image.getWidth(), image.getHeight());
    double width = image.getWidth() * by;
    double height = image.getHeight() * by;
    pen.drawImage(image, x + (side - width) / 2, y + (side - height) / 2, width, height);
  }

  /** What is to be said on the cover; empty for nothing. */
  static String noteOf(Album album) {
    if (album.covers().isEmpty()) {
      return Words.of("covers.none");
    }
    if (album.covers().size() > 1) {
      return Words.of("covers.several", album.covers().size());
    }
    AlbumCover one = album.covers().getFirst();
    if (album.bare() > 0) {
      return Words.of("covers.onSome", one.tracks(), album.tracks().size());
    }
    return switch (album.trouble()) {
      case "" -> "";
      case "tiny" -> Words.of("covers.tiny", one.artwork().size());
      case "not square" -> Words.of("covers.notSquare", one.artwork().size());
      case "huge" -> Words.of("covers.huge", one.artwork().size());
      default -> Words.of("covers.broken");
    };
  }

  private void note(GraphicsContext pen, String note, double x, double bottom, double side) {
    if (!note.isEmpty()) {
      String shown = fit(note, PLAIN, side - 14);
      double width = width(shown, PLAIN) + 10;
      pen.setFill(dyes.ground());
      pen.fillRect(x + 3, bottom - 22, width, 19);
      frame(pen, dyes.line(), x + 3, bottom - 22, width, 19, 1);
      text(pen, shown, PLAIN, dyes.ink(), x + 8, bottom - 12);
    }
  }

  private void words(GraphicsContext pen, Album album, double x, double y, double side) {
    line(pen, titleOf(album), STRONG, dyes.ink(), x, y + LINE / 2, side);
    line(pen, byOf(album), PLAIN, dyes.soft(), x, y + LINE * 1.5, side);
    line(pen, countOf(album), PLAIN, dyes.soft(), x, y + LINE * 2.5, side);
  }

  /** The album's title; that of its folder when it has none. */
  static String titleOf(Album album) {
    if (!album.title().isEmpty()) {
      return album.title();
    }
    String folder = album.folder().substring(album.folder().lastIndexOf('/') + 1);
    return folder.isEmpty() ? Words.of("covers.noAlbum") : Words.of("covers.noAlbumIn", folder);
  }

  /** Who made it, and when. */
  static String byOf(Album album) {
    String artist = album.artist().isEmpty() ? Words.of("covers.severalArtists") : album.artist();
    return album.year() == 0 ? artist : artist + " · " + album.year();
  }

  /** How much of it is there, and how whole. */
  static String countOf(Album album) {
    int tracks = album.tracks().size();
    String count =
        album.total() > tracks
            ? Words.of("covers.ofTotal", tracks, album.total())
            : Words.of("count.tracks", tracks);
    return album.holes() == 0 ? count : count + " · " + Words.of("covers.holes", album.holes());
  }

  private void line(
      GraphicsContext pen, String text, Font font, Paint dye, double x, double y, double width) {
    Font face = Look.covered(text) ? font : ANY_SCRIPT;
    text(pen, fit(text, face, width), face, dye, x, y);
  }

  private static void text(
      GraphicsContext pen, String text, Font font, Paint dye, double x, double y) {
    pen.setFont(font);
    pen.setFill(dye);
    pen.setTextBaseline(VPos.CENTER);
    pen.fillText(text, x, y);
  }

  /** A text cut to a width, with an ellipsis where letters are left out. */
  private String fit(String text, Font font, double width) {
    if (width(text, font) <= width) {
      return text;
    }
    double left = width - advance('…', font);
    int end = 0;
    while (end < text.length()) {
      left -= advance(text.codePointAt(end), font);
      if (left < 0) {
        break;
      }
      end += Character.charCount(text.codePointAt(end));
    }
    return text.substring(0, end).strip() + "…";
  }

  private double width(String text, Font font) {
    return text.codePoints().mapToDouble(c -> advance(c, font)).sum();
  }

  /**
   * The room that a letter takes; laid out once, since laying out each text would take too long.
   */
  private double advance(int letter, Font font) {
    return advances
        .computeIfAbsent(font, f -> new HashMap<>())
        .computeIfAbsent(
            letter,
            c -> {
              measured.setFont(font);
              measured.setText(Character.toString(c));
              return measured.getLayoutBounds().getWidth();
            });
  }
}
