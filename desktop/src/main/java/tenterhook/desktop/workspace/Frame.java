package tenterhook.desktop.workspace;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import tenterhook.core.repair.RepairKind;

/** The part of the window that stations ask for. Each method does nothing until a window is up. */
public interface Frame {
  /** Shows a line; with the number of a change (0 for none) also a button that takes it back. */
  default void inform(String words, boolean trouble, long change) {}

  /** Asks before something is done. */
  default void ask(String question, String button, Runnable yes) {}

  /** Asks for a text; an empty one is no answer. */
  default void askText(String question, String now, String button, Consumer<String> answer) {}

  /** Asks for a text that may be empty. */
  default void askWords(String question, String now, String button, Consumer<String> answer) {}

  /** Gives the whole window to a view, without rail, find field and strip, or takes it back. */
  default void fillWindow(Optional<Node> view) {}

  /** Goes to a station. */
  default void go(Station station) {}

  /** Goes to a station, and there to something in particular. */
  default void go(Destination to) {}

  /** Goes to the repairs of one kind. */
  default void repair(RepairKind kind) {
    go(new Destination.Repair(kind));
  }

  /** Shows a list of tracks. */
  default void show(TrackList list) {}

  /** Changes many tracks by steps, in the order of the list. */
  default void changeMany(TrackList list) {}

  /** Another list came into the table in view. */
  default void listed() {}

  /** Gives codes to a list of tracks at the coding station. */
  default void code(TrackList list) {
    go(new Destination.ToCode(list));
  }

  /** Counts anew what waits at the stations, since other things are demanded. */
  default void recount() {}

  /** Shows what follows the chosen track well. */
  default void goesWith() {}

  /** Opens the edit panel on the tracks of the table in view. */
  default void edit() {}
}
