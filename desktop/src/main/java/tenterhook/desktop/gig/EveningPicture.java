package tenterhook.desktop.gig;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.geometry.VPos;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.DragEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;
import javafx.scene.text.Font;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.GigProgram.Stretch;
import tenterhook.core.gig.GigReadiness;
import tenterhook.desktop.control.HandCrates;
import tenterhook.desktop.gig.GigLook.TempoPoint;
import tenterhook.desktop.theme.Cloth;
import tenterhook.desktop.theme.Drop;
import tenterhook.desktop.theme.Dyes;
import tenterhook.desktop.theme.Words;

/**
 * The evening as a picture: its parts along the hours, woven as far as they are filled with music
 * that can be played, and the tempo along the order as a line. A part is chosen by a click or by
 * arrows, and takes tracks that are dropped on it.
 */
final class EveningPicture extends Region {
  private static final double HEIGHT = 138;
  private static final double CLOTH = 24;
  private static final double CLOTH_HEIGHT = 34;
  private static final double LINE_TOP = 84;
  private static final double LINE_BOTTOM = 120;
  private static final double GAP = 4;
  private static final Font NAME = Font.font("IBM Plex Sans Cond SmBld", 13.5);
  private static final Font SECOND = Font.font("IBM Plex Sans Cond", 12.5);

  private final Canvas canvas = new Canvas();
  private final Dyes dyes = new Dyes(this::draw);
  private final Consumer<String> choose;
  private Optional<GigLook> look = Optional.empty();
  private String chosen = "";

  /**
   * A picture of nothing yet.
   *
   * @param choose gets the name of a part
   * @param dropped gets tracks and the part that they were dropped on
   */
  EveningPicture(Consumer<String> choose, BiConsumer<List<Integer>, String> dropped) {
    this.choose = choose;
    getStyleClass().add("evening");
    setId("evening");
    setFocusTraversable(true);
    setAccessibleText(Words.of("gigs.evening"));
    getChildren().addAll(canvas, dyes);
    setOnMouseClicked(
        e -> {
          requestFocus();
          at(e.getX()).ifPresent(choose);
        });
    addEventHandler(KeyEvent.KEY_PRESSED, this::walk);
    double[] over = new double[1];
    addEventFilter(DragEvent.DRAG_OVER, e -> over[0] = e.getX());
    Drop.onto(
        this,
        HandCrates.TRACKS,
        () -> at(over[0]).isPresent(),
        carried ->
            at(over[0])
                .ifPresent(
                    part -> dropped.accept(Arrays.stream((int[]) carried).boxed().toList(), part)));
  }

  void show(GigLook other, String part) {
    look = Optional.of(other);
    chosen = part;
    draw();
  }

  private List<Stretch> stretches() {
    return look.map(l -> l.program().stretches()).orElse(List.of()).stream()
        .filter(s -> s.music().part().parts().isEmpty())
        .toList();
  }

  private void walk(KeyEvent event) {
    List<String> names = stretches().stream().map(s -> s.music().part().name()).toList();
    int step = event.getCode() == KeyCode.RIGHT ? 1 : event.getCode() == KeyCode.LEFT ? -1 : 0;
    if (step != 0 && !event.isAltDown() && !names.isEmpty()) {
      int at = names.indexOf(chosen);
      choose.accept(names.get(Math.clamp(at < 0 ? 0 : at + step, 0, names.size() - 1)));
      event.consume();
    }
  }

  /** The part at a place of the picture. */
  private Optional<String> at(double x) {
    return stretches().stream()
        .filter(s -> x >= left(s) && x < left(s) + width(s))
        .map(s -> s.music().part().name())
        .findFirst();
  }

  private double minutes() {
    double planned =
        look.map(l -> l.gig().parts().stream().mapToInt(GigPart::planned).sum()).orElse(0);
    return Math.max(1, Math.max(planned, look.map(l -> l.gig().evening().minutes()).orElse(1)));
  }

  private double left(Stretch stretch) {
    return 10 + (getWidth() - 20) * stretch.begins() / minutes();
  }

  private double width(Stretch stretch) {
    return Math.max(3, (getWidth() - 20) * stretch.music().part().planned() / minutes() - GAP);
  }

  @Override
  protected double computePrefHeight(double width) {
    return HEIGHT;
  }

  @Override
  protected double computeMinHeight(double width) {
    return HEIGHT;
  }

  @Override
  protected void layoutChildren() {
    if (canvas.getWidth() != getWidth()) {
      canvas.setWidth(getWidth());
      canvas.setHeight(HEIGHT);
      draw();
    }
  }

  private void draw() {
    GraphicsContext pen = canvas.getGraphicsContext2D();
    pen.clearRect(0, 0, canvas.getWidth(), HEIGHT);
    look.ifPresent(
        l -> {
          for (Stretch stretch : stretches()) {
            draw(pen, l, stretch);
          }
          drawTempo(pen, l);
        });
  }

  private void draw(GraphicsContext pen, GigLook l, Stretch stretch) {
    GigPart part = stretch.music().part();
    double x = left(stretch);
    double width = width(stretch);
    double playable = l.time(part.name()).map(GigReadiness.PartTime::playable).orElse(0.0);
    double share = part.planned() == 0 ? 1 : Math.min(1, playable / part.planned());
    boolean is = part.name().equals(chosen);
    pen.save();
    pen.beginPath();
    pen.rect(x - 2, 0, width + 4, HEIGHT);
    pen.clip();
    pen.setTextBaseline(VPos.CENTER);
    pen.setFill(dyes.ink());
    pen.setFont(NAME);
    pen.fillText(part.name(), x, 12);
    Cloth.draw(pen, dyes, x, CLOTH, width, CLOTH_HEIGHT, share);
    if (is) {
      pen.setStroke(dyes.chosen());
      pen.setLineWidth(2);
      pen.strokeRect(x, CLOTH, width, CLOTH_HEIGHT);
    }
    pen.setFill(share < 1 ? dyes.edge() : dyes.soft());
    pen.setFont(SECOND);
    pen.fillText(
        Words.of(
            "gigs.partTime",
            l.program().clock(stretch.begins()).toString(),
            (int) Math.floor(playable),
            part.planned()),
        x,
        CLOTH + CLOTH_HEIGHT + 12);
    pen.restore();
  }

  /** The tempo along the night; music beyond what is planned is squeezed into its part. */
  private void drawTempo(GraphicsContext pen, GigLook l) {
    double least = 300;
    double most = 1;
    for (List<TempoPoint> line : l.tempos()) {
      for (TempoPoint point : line) {
        least = Math.min(least, point.bpm());
        most = Math.max(most, point.bpm());
      }
    }
    if (most <= 1) {
      return;
    }
    double span = Math.max(20, most - least);
    pen.setStroke(dyes.chosen());
    pen.setLineWidth(1.5);
    List<Stretch> all = l.program().stretches();
    boolean begun = false;
    pen.beginPath();
    for (int i = 0; i < all.size(); i++) {
      Stretch stretch = all.get(i);
      double planned = stretch.music().part().planned() * 60.0;
      double squeeze = Math.min(1, planned / Math.max(1, stretch.minutes() * 60));
      for (TempoPoint point : l.tempos().get(i)) {
        double minutes =
            stretch.begins() + (point.second() - stretch.begins() * 60.0) * squeeze / 60;
        double x = 10 + (getWidth() - 20) * minutes / minutes();
        double y = LINE_BOTTOM - (LINE_BOTTOM - LINE_TOP) * (point.bpm() - least) / span;
        if (begun) {
          pen.lineTo(x, y);
        } else {
          pen.moveTo(x, y);
        }
        begun = true;
      }
    }
    pen.stroke();
    pen.setFont(SECOND);
    pen.setFill(dyes.chosen());
    pen.setTextBaseline(VPos.CENTER);
    pen.fillText(Words.of("gigs.tempo", Math.round(least), Math.round(most)), 10, HEIGHT - 9);
  }
}
