package tenterhook.desktop.shell;

import java.util.EnumMap;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.DoubleSupplier;
import javafx.animation.PauseTransition;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Rectangle;
import javafx.util.Duration;
import tenterhook.desktop.control.HandCrates;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.workspace.Station;

/** The rail: every station with the work that waits there, hung on one line. */
final class Rail extends Pane {
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
  private static final double WIDEST_GAP = 22;
  private static final double LEAST_GAP = 4;

  /** For so long tracks are held over a station until it opens. */
  private static final Duration HELD = Duration.millis(500);

  private final HBox names = new HBox(WIDEST_GAP);
  private final Rectangle line = new Rectangle(0, 3);
  private final Map<Station, ToggleButton> buttons = new EnumMap<>(Station.class);
  private final Map<Station, Circle> rings = new EnumMap<>(Station.class);
  private final Map<Station, Label> counts = new EnumMap<>(Station.class);
  private final ToggleGroup group = new ToggleGroup();

  private final DoubleSupplier end;

  /**
   * A rail.
   *
   * @param go goes to a station
   * @param end where it must end, in pixels; its names stand closer in a narrow window
   */
  Rail(Consumer<Station> go, DoubleSupplier end) {
    this.end = end;
    getStyleClass().add("rail");
    line.getStyleClass().add("rail-line");
    getChildren().addAll(line, names);
    for (Station station : Station.values()) {
      Label count = Look.label("", "second");
      HBox text = new HBox(5, Look.label(station.title()), count);
      text.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
      ToggleButton button = new ToggleButton("", text);
      button.getStyleClass().add("station");
      button.setId("station-" + station.name().toLowerCase(java.util.Locale.ROOT));
      button.setAccessibleText(station.title());
      button.setToggleGroup(group);
      button.setOnAction(
          e -> {
            button.setSelected(true);
            go.accept(station);
          });
      openForDrag(button);
      Circle ring = new Circle(5.5);
      ring.getStyleClass().add("rail-ring");
      names.getChildren().add(button);
      getChildren().add(ring);
      buttons.put(station, button);
      rings.put(station, ring);
      counts.put(station, count);
    }
  }

  /** A station opens when tracks are held over it, so that they can be dropped there. */
  private static void openForDrag(ToggleButton button) {
    PauseTransition held = new PauseTransition(HELD);
    held.setOnFinished(e -> button.fire());
    button.setOnDragEntered(
        e -> {
          if (e.getDragboard().hasContent(HandCrates.TRACKS) && !button.isSelected()) {
            held.playFromStart();
          }
        });
    button.setOnDragExited(e -> held.stop());
  }

  @Override
  protected void layoutChildren() {
    double left = getInsets().getLeft() + 158;
    int gaps = Station.values().length - 1;
    double room = end.getAsDouble() - left - (names.prefWidth(-1) - gaps * names.getSpacing());
    names.setSpacing(Math.clamp(Math.floor(room / gaps), LEAST_GAP, WIDEST_GAP));
    double width = names.prefWidth(-1);
    names.resizeRelocate(left, 0, width, 28);
    names.layout();
    line.setX(0);
    line.setWidth(getWidth());
    line.setY(getHeight() - 8);
    for (Station station : Station.values()) {
      ToggleButton button = buttons.get(station);
      Circle ring = rings.get(station);
      ring.setCenterX(left + button.getLayoutX() + button.getWidth() / 2);
      ring.setCenterY(getHeight() - 6.5);
    }
  }

  @Override
  protected double computePrefHeight(double width) {
    return 42;
  }

  /** Shows how much work waits at a station; nothing for none. */
  void waiting(Station station, int count) {
    counts.get(station).setText(count == 0 ? "" : String.valueOf(count));
    requestLayout();
  }

  /** Marks a station as the one in view; null for a view that is not on the rail. */
  void choose(@org.jspecify.annotations.Nullable Station chosen) {
    buttons.forEach((station, button) -> button.setSelected(station == chosen));
    rings.forEach((station, ring) -> ring.pseudoClassStateChanged(CHOSEN, station == chosen));
  }
}
