package tenterhook.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleConsumer;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.PathElement;
import javafx.scene.shape.Rectangle;
import tenterhook.core.measure.Overview;
import tenterhook.desktop.theme.Look;

/**
 * The shape of a track as threads that stand on a line: the low part thick at the foot, the rest
 * thin above it. What was heard is drawn stronger. A click or drag says which share of the length
 * is wished.
 */
public final class Waveform extends Region {
  private static final double STEP = 3;

  private final Path rest = path("wave-rest");
  private final Path low = path("wave-low");
  private final Path heardRest = path("wave-rest", "heard");
  private final Path heardLow = path("wave-low", "heard");
  private final Rectangle heardClip = new Rectangle();
  private final Rectangle heardLowClip = new Rectangle();
  private final Rectangle ground = new Rectangle();
  private final Rectangle needle = new Rectangle(2, 1);
  private final Rectangle loop = new Rectangle();
  private final List<Label> marks = new ArrayList<>();
  private final List<Double> markPlaces = new ArrayList<>();
  private final boolean large;
  private Overview overview = Overview.EMPTY;
  private double position = -1;
  private double loopFrom;
  private double loopTo;

  /**
   * A waveform.
   *
   * @param large whether it has marks and a needle; a small one stands in a table
   */
  public Waveform(boolean large) {
    this.large = large;
    getStyleClass().add("waveform");
    ground.getStyleClass().add("wave-ground");
    needle.getStyleClass().add("wave-needle");
    loop.getStyleClass().add("wave-loop");
    heardRest.setClip(heardClip);
    heardLow.setClip(heardLowClip);
    if (large) {
      getChildren().addAll(ground, loop, rest, low, heardRest, heardLow, needle);
    } else {
      getChildren().addAll(ground, rest, low);
    }
    setMinSize(20, 12);
    setMouseTransparent(!large);
  }

  private static Path path(String... classes) {
    Path path = new Path();
    path.getStyleClass().setAll(classes);
    path.setManaged(false);
    return path;
  }

  /** Says what a click or drag on it wishes: a share of the length, 0 to 1. */
  public void onWish(DoubleConsumer wish) {
    setOnMousePressed(e -> wish.accept(Math.clamp(e.getX() / getWidth(), 0, 1)));
    setOnMouseDragged(e -> wish.accept(Math.clamp(e.getX() / getWidth(), 0, 1)));
  }

  /** Shows another track's shape. */
  public void show(Overview other) {
    overview = other;
    requestLayout();
  }

  /** The shape it shows. */
  public Overview overview() {
    return overview;
  }

  /**
   * Shows what is heard.
   *
   * @param share of the length, less than 0 for nowhere
   */
  public void position(double share) {
    position = share;
    needle();
  }

  /** Shows the stretch that is repeated; none when both are equal. */
  public void loop(double fromShare, double toShare) {
    loopFrom = fromShare;
    loopTo = toShare;
    needle();
  }

  /** Takes all marks away. */
  public void clearMarks() {
    getChildren().removeAll(marks);
    marks.clear();
    markPlaces.clear();
  }

  /** Marks a place by a word. */
  public void mark(double share, String word) {
    Label label = Look.label(word, "wave-mark");
    label.setMouseTransparent(true);
    marks.add(label);
    markPlaces.add(share);
    getChildren().add(label);
    requestLayout();
  }

  @Override
  protected void layoutChildren() {
    double width = getWidth();
    double height = getHeight();
    double head = large ? 13 : 0;
    threads(width, height, head);
    ground.setWidth(width);
    ground.setHeight(1);
    ground.setY(height - 1);
    marks(width, height);
    needle();
  }

  private void threads(double width, double height, double head) {
    List<PathElement> restThreads = new ArrayList<>();
    List<PathElement> lowThreads = new ArrayList<>();
    double room = (height - head - 1) / Math.max(0.05, overview.reach(0, 1, false));
    int threads = overview.columns() == 0 ? 0 : (int) (width / STEP);
    for (int i = 0; i < threads; i++) {
      double from = (double) i / threads;
      double to = (i + 1.0) / threads;
      double x = i * STEP + 1;
      thread(restThreads, x, height, overview.reach(from, to, false) * room);
      thread(lowThreads, x, height, overview.reach(from, to, true) * room);
    }
    rest.getElements().setAll(restThreads);
    heardRest.getElements().setAll(restThreads);
    low.getElements().setAll(lowThreads);
    heardLow.getElements().setAll(lowThreads);
  }

  private static void thread(List<PathElement> into, double x, double height, double reach) {
    into.add(new MoveTo(x, height));
    into.add(new LineTo(x, height - Math.max(1, reach)));
  }

  /** A word that would run over its neighbour is left out; its place can still be jumped to. */
  private void marks(double width, double height) {
    double free = 0;
    for (int i = 0; i < marks.size(); i++) {
      Label mark = marks.get(i);
      double x = markPlaces.get(i) * width;
      double wide = mark.prefWidth(-1);
      double left = Math.min(x, width - wide);
      mark.setVisible(left >= free);
      if (mark.isVisible()) {
        mark.resizeRelocate(left, 0, wide, height);
        free = left + wide + 4;
      }
    }
  }

  private void needle() {
    double height = getHeight();
    double x = position * getWidth();
    needle.setVisible(large && position >= 0);
    needle.setX(x);
    needle.setHeight(height);
    for (Rectangle clip : List.of(heardClip, heardLowClip)) {
      clip.setWidth(Math.max(0, x));
      clip.setHeight(height);
    }
    loop.setVisible(loopTo > loopFrom);
    loop.setX(loopFrom * getWidth());
    loop.setWidth(Math.max(2, (loopTo - loopFrom) * getWidth()));
    loop.setHeight(height);
  }
}
