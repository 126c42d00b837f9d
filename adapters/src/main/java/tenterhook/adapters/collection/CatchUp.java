package tenterhook.adapters.collection;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.disk.MusicWalk;
import tenterhook.adapters.execution.ScanCells;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/**
 * Reads the tags of files again that were read before the catalogue of fields had all the fields
 * that it has now. It can be stopped and goes on where it was; a file that changed since, or is not
 * there, is left to a scan.
 */
final class CatchUp {
  private static final int BATCH = 256;

  private final MusicCollection collection;

  CatchUp(MusicCollection collection) {
    this.collection = collection;
  }

  /** The tracks that are behind, lost ones left out. */
  RoaringBitmap behind() {
    Snapshot snapshot = collection.state().snapshot();
    return snapshot.tracks(id -> ScanCells.behind(snapshot, id) && !snapshot.lost(id));
  }

  /** The tracks that are behind and whose files a change would write to. */
  RoaringBitmap behind(Change change) {
    Snapshot snapshot = collection.state().snapshot();
    RoaringBitmap behind = new RoaringBitmap();
    for (Edit edit : change.edits()) {
      if (edit instanceof Edit.SetField set
          && set.inFile()
          && ScanCells.behind(snapshot, set.id())) {
        behind.add(set.id());
      }
    }
    return behind;
  }

  /**
   * Reads tracks again.
   *
   * @param progress told of every file; a stop keeps what was read so far
   * @return how many were read
   */
  int read(RoaringBitmap tracks, Progress progress) {
    int read = 0;
    int seen = 0;
    List<Cell> cells = new ArrayList<>();
    long since = collection.moment();
    for (int id : tracks) {
      if (progress.stopped()) {
        break;
      }
      List<Cell> caughtUp = caughtUp(collection.state(), id);
      read += caughtUp.isEmpty() ? 0 : 1;
      cells.addAll(caughtUp);
      progress.at(++seen, tracks.getCardinality(), collection.state().snapshot().name(id));
      if (seen % BATCH == 0) {
        collection.keep(cells, since);
        cells.clear();
        since = collection.moment();
      }
    }
    collection.keep(cells, since);
    return read;
  }

  private static List<Cell> caughtUp(CollectionState state, int id) {
    Path file = state.path(id);
    try {
      MusicWalk.Found now = MusicWalk.found(file);
      Snapshot snapshot = state.snapshot();
      boolean same =
          snapshot.raw(id, Fields.SIZE).equals(String.valueOf(now.size()))
              && snapshot.raw(id, Fields.MODIFIED).equals(String.valueOf(now.modified()));
      return same ? ScanCells.caughtUp(id, TagFiles.read(file)) : List.of();
    } catch (Unreadable damaged) {
      return List.of(ScanCells.upToDate(id)); // it stays as it was; a scan says what is wrong
    } catch (IOException gone) {
      return List.of();
    }
  }
}
