package tenterhook.desktop.control;

import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.stream.IntStream;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.Rectangle;
import tenterhook.core.narrow.TempoSpread;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/**
 * How the tempi of a list are spread, and the range that is chosen of them: by a drag, or by keys
 * (arrows move it, with Shift its end, with Ctrl its beginning).
 */
final class TempoChart extends Region {
  private static final double FOOT = 18;
  private static final double HEIGHT = 70;
  private static final int STEP = TempoSpread.WIDTH;
  private static final int LAST = TempoSpread.FROM + TempoSpread.BARS * TempoSpread.WIDTH;

  private final Path others = path("tempo-rest");
  private final Path inside = path("tempo-inside");
  private final Rectangle ground = new Rectangle();
  private final Label fromWords = Look.label("", "second");
  private final Label toWords = Look.label("", "second");
  private final BiConsumer<Integer, Integer> chosen;
  private TempoSpread spread =
      new TempoSpread(IntStream.range(0, TempoSpread.BARS).mapToObj(i -> 0).toList());
  private Optional<TempoRange> range = Optional.empty();
  private int pressedAt;

  /** Tempi from one to another, both included. */
  record TempoRange(int from, int to) {}

  /**
   * A chart.
   *
   * @param chosen gets the ends of a range
   */
  TempoChart(BiConsumer<Integer, Integer> chosen) {
    this.chosen = chosen;
    setId("tempo-chart");
    getStyleClass().add("tempo-chart");
    ground.getStyleClass().add("tempo-ground");
    setFocusTraversable(true);
    setAccessibleText(Words.of("narrow.tempoTip"));
    getChildren().addAll(ground, others, inside, fromWords, toWords);
    addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
    addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
    addEventHandler(MouseEvent.MOUSE_RELEASED, this::released);
    addEventHandler(KeyEvent.KEY_PRESSED, this::keys);
    setMinHeight(HEIGHT);
    setPrefHeight(HEIGHT);
    setMaxHeight(HEIGHT);
  }

  private static Path path(String style) {
    Path path = new Path();
    path.getStyleClass().setAll(style);
    path.setManaged(false);
    path.setMouseTransparent(true);
    return path;
  }

  /** Shows tempi and the range that is chosen of them. */
  void show(TempoSpread other, Optional<TempoRange> now) {
    spread = other;
    range = now;
    requestLayout();
  }

  private int bpm(MouseEvent event) {
    int at = (int) Math.round(event.getX() / Math.max(1, getWidth()) * (LAST - TempoSpread.FROM));
    return Math.clamp(TempoSpread.FROM + at, TempoSpread.FROM, LAST);
  }

  private void pressed(MouseEvent event) {
    requestFocus();
    pressedAt = bpm(event);
    event.consume();
  }

  private void dragged(MouseEvent event) {
    range = Optional.of(between(pressedAt, bpm(event)));
    requestLayout();
    event.consume();
  }

  private void released(MouseEvent event) {
    TempoRange wished = between(pressedAt, bpm(event));
    if (wished.to() > wished.from()) {
      chosen.accept(wished.from(), wished.to());
    }
    event.consume();
  }

  private static TempoRange between(int one, int other) {
    return new TempoRange(Math.min(one, other), Math.max(one, other));
  }

  private void keys(KeyEvent event) {
    if (event.getCode() != KeyCode.LEFT && event.getCode() != KeyCode.RIGHT) {
      return;
    }
    int by = event.getCode() == KeyCode.RIGHT ? STEP : -STEP;
    TempoRange now = range.orElseGet(this::usual);
    int from = now.from() + (event.isShiftDown() ? 0 : by);
    int to = now.to() + (event.isControlDown() ? 0 : by);
    if (from < to && from >= TempoSpread.FROM && to <= LAST) {
      chosen.accept(from, to);
    }
    event.consume();
  }

  /** Where a range begins that nobody has drawn yet: around the tempo that most tracks have. */
  private TempoRange usual() {
    int fullest =
        IntStream.range(0, TempoSpread.BARS)
            .reduce((a, b) -> spread.tracks().get(b) > spread.tracks().get(a) ? b : a)
            .orElse(0);
    int middle = TempoSpread.FROM + fullest * TempoSpread.WIDTH;
    return new TempoRange(Math.max(TempoSpread.FROM, middle - 6), Math.min(LAST, middle + 6));
  }

  @Override
  protected void layoutChildren() {
    double width = getWidth();
    double height = HEIGHT - FOOT;
    ground.setY(height);
    ground.setWidth(width);
    ground.setHeight(1);
    others.getElements().clear();
    inside.getElements().clear();
    int most = Math.max(1, spread.tracks().stream().mapToInt(Integer::intValue).max().orElse(1));
    double bar = width / TempoSpread.BARS;
    for (int i = 0; i < TempoSpread.BARS; i++) {
      int tracks = spread.tracks().get(i);
      if (tracks > 0) {
        double tall = Math.max(2, (height - 4) * tracks / most);
        bar(isInside(i) ? inside : others, i * bar, bar - 1, height, tall);
      }
    }
    layoutWords(width, height);
  }

  private boolean isInside(int bar) {
    int from = TempoSpread.FROM + bar * TempoSpread.WIDTH;
    return range.filter(r -> from + TempoSpread.WIDTH > r.from() && from <= r.to()).isPresent();
  }

  private static void bar(Path path, double x, double width, double foot, double tall) {
    path.getElements()
        .addAll(
            new MoveTo(x, foot),
            new LineTo(x, foot - tall),
            new LineTo(x + width, foot - tall),
            new LineTo(x + width, foot),
            new ClosePath());
  }

  private void layoutWords(double width, double height) {
    fromWords.setText(
        range.map(r -> String.valueOf(r.from())).orElse(String.valueOf(TempoSpread.FROM)));
    toWords.setText(range.map(r -> String.valueOf(r.to())).orElse(String.valueOf(LAST)));
    double share = width / (LAST - TempoSpread.FROM);
    double from = range.map(r -> (r.from() - TempoSpread.FROM) * share).orElse(0.0);
    double to = range.map(r -> (r.to() - TempoSpread.FROM) * share).orElse(width);
    double fromWidth = fromWords.prefWidth(-1);
    double toWidth = toWords.prefWidth(-1);
    double left = Math.clamp(from - fromWidth / 2, 0, width - fromWidth - toWidth - 8);
    double right = Math.clamp(to - toWidth / 2, left + fromWidth + 8, width - toWidth);
    fromWords.resizeRelocate(left, height + 2, fromWidth, FOOT - 2);
    toWords.resizeRelocate(right, height + 2, toWidth, FOOT - 2);
  }
}
