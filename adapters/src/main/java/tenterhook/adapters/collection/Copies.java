package tenterhook.adapters.collection;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.duplicate.Duplicates;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Cell;

/** Reads the files that may be copies of one another; a file of a size of its own is never read. */
final class Copies {
  private Copies() {}

  /**
   * The content hashes that are not yet known.
   *
   * @param troubles gets files that could not be read
   */
  static List<Cell> contents(CollectionState state, Progress progress, List<Refusal> troubles) {
    RoaringBitmap ids = Duplicates.toHash(state.snapshot());
    List<Cell> cells = new ArrayList<>();
    int[] done = {0};
    ids.forEach(
        (int id) -> {
          if (progress.stopped()) {
            return;
          }
          Path file = state.path(id);
          try {
            cells.add(new Cell(id, Fields.CONTENT, SafeFiles.hash(file)));
          } catch (IOException trouble) {
            troubles.add(
                new Refusal(id, file.toString(), "cannot be read: " + trouble.getMessage()));
          }
          progress.at(++done[0], ids.getCardinality(), file.getFileName().toString());
        });
    return cells;
  }
}
