package tenterhook.desktop.control;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.input.KeyEvent;
import tenterhook.desktop.workspace.Destination;

/** One station, or a view beside the rail. */
public interface StationView {
  /** Its nodes, made once. */
  Node node();

  /** The table in view, which the find field narrows; empty when there is none. */
  default Optional<TrackPane> tracks() {
    return Optional.empty();
  }

  /** Goes to a track so many further down in what is listed. */
  default void walk(int steps) {
    tracks().ifPresent(p -> p.walk(steps));
  }

  /** Goes to something in particular, such as a kind of repairs or a list of tracks. */
  default void open(Destination to) {}

  /** Called whenever it comes into view. */
  default void shown() {}

  /** What its keys do, for F1. */
  String keys();

  /**
   * Takes a key before the window does; not asked while somebody types a text.
   *
   * @return whether it was taken
   */
  default boolean take(KeyEvent event) {
    return false;
  }
}
