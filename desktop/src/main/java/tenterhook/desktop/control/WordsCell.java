package tenterhook.desktop.control;

import java.util.List;
import java.util.function.IntFunction;
import javafx.scene.control.TableCell;

/** What is said of a track in one list, such as when a gig plays it; no field of the track. */
final class WordsCell extends TableCell<Integer, Integer> {
  private static final List<String> STYLES = List.of("hole", "doubt", "whole", "second");

  private final IntFunction<SaidOfTrack> words;

  WordsCell(IntFunction<SaidOfTrack> words) {
    this.words = words;
  }

  @Override
  protected void updateItem(Integer id, boolean empty) {
    super.updateItem(id, empty);
    getStyleClass().removeAll(STYLES);
    if (empty || id == null) {
      setText(null);
      return;
    }
    SaidOfTrack said = words.apply(id);
    setText(said.text());
    if (!said.style().isEmpty()) {
      getStyleClass().add(said.style());
    }
  }

  /** Says it anew, since something else may hold by now. */
  void showAgain() {
    updateItem(getItem(), isEmpty());
  }
}
