package tenterhook.backstage.collection;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import tenterhook.backstage.disk.SafeFiles;
import tenterhook.backstage.tagfile.Reading;
import tenterhook.backstage.tagfile.TagFiles;
import tenterhook.backstage.tagfile.Unreadable;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Home;
import tenterhook.core.track.Cell;

/** Tells by a track's file whether an interrupted change had reached it. */
final class Recovery {
  private Recovery() {}

  /**
   * What the collection must take over of one track.
   *
   * @return empty when the change had not reached the track
   */
  static List<Cell> found(CollectionState state, int id, List<Edit.OfTrack> edits)
      throws IOException {
    List<Cell> cells = new ArrayList<>();
    Path file = state.path(id);
    boolean reached = false;
    for (Edit.OfTrack edit : edits) {
      if (edit instanceof Edit.MoveFile move
          && isAt(state, move.to())
          && !isAt(state, move.from())) {
        file = state.path(move.to()).orElse(file);
        cells.add(new Cell(id, Fields.ROOT, move.to().root()));
        cells.add(new Cell(id, Fields.PATH, move.to().path()));
        reached = true;
      }
    }
    SafeFiles.clear(file.resolveSibling(SafeFiles.WORKROOM));
    if (edits.stream().anyMatch(Recovery::inFile)) {
      reached |= holdsAll(file, id, edits, cells);
    }
    if (!reached) {
      return List.of();
    }
    cells.addAll(ofProgram(id, edits));
    return cells;
  }

  /** The values that live in the collection alone. */
  static List<Cell> ofProgram(int id, List<Edit.OfTrack> edits) {
    List<Cell> cells = new ArrayList<>();
    for (Edit.OfTrack edit : edits) {
      if (edit instanceof Edit.SetField set && needsNoFile(edit)) {
        cells.add(new Cell(id, set.field(), set.after()));
      }
    }
    return cells;
  }

  /** Whether an edit is made in the collection alone. */
  static boolean needsNoFile(Edit.OfTrack edit) {
    return edit instanceof Edit.SetField set && set.field().home() != Home.FILE;
  }

  private static boolean isAt(CollectionState state, Place place) {
    return state.path(place).map(Files::exists).orElse(false);
  }

  private static boolean inFile(Edit.OfTrack edit) {
    return edit instanceof Edit.SetField set && set.field().home() == Home.FILE;
  }

  private static boolean holdsAll(Path file, int id, List<Edit.OfTrack> edits, List<Cell> cells)
      throws IOException {
    try {
      Reading now = TagFiles.read(file);
      for (Edit.OfTrack edit : edits) {
        if (edit instanceof Edit.SetField set
            && set.field().home() == Home.FILE
            && !FileStep.agrees(set.field(), set.after(), now.raw(set.field()))) {
          return false;
        }
      }
      cells.addAll(ScanCells.of(id, now, file));
      return true;
    } catch (Unreadable gone) {
      return false;
    }
  }
}
