package tenterhook.adapters.collection;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.disk.DiskPresence;
import tenterhook.adapters.disk.MusicWalk;
import tenterhook.adapters.disk.RelativePaths;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.tagfile.AudioPayload;
import tenterhook.core.change.Place;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/**
 * Which files are where the collection says, at one moment.
 *
 * @param away folders that are not there as a whole
 * @param gone tracks whose file was there before and is not now
 * @param back tracks whose file was lost and is there again
 * @param changed tracks whose file another program changed since it was read
 */
public record FileAvailability(
    List<Away> away, RoaringBitmap gone, RoaringBitmap back, RoaringBitmap changed) {
  private static final int STEP = 1000;
  private static final boolean NAMES_READABLE = RelativePaths.allNamesReadable();

  /** How many days it takes until all tags were compared, when they are once a day. */
  static final int SLOTS = 64;

  /** Nothing looked at yet. */
  public static final FileAvailability UNKNOWN =
      new FileAvailability(
          List.of(), new RoaringBitmap(), new RoaringBitmap(), new RoaringBitmap());

  /** Copies. */
  public FileAvailability {
    away = List.copyOf(away);
  }

  /**
   * A folder that is not there as a whole, such as a disk that is not connected.
   *
   * @param root its name
   * @param path where it should be
   * @param tracks how many tracks it holds
   */
  public record Away(String root, Path path, int tracks) {}

  /**
   * Looks at all files.
   *
   * @param slot from 0 to {@value #SLOTS}: of the tracks that it names the tags are compared as
   *     well, since another program may keep size and time of a file that it writes
   */
  static FileAvailability of(CollectionState state, int slot, Progress progress) {
    Snapshot snapshot = state.snapshot();
    Map<String, Integer> missing = missing(state);
    FileAvailability seen =
        new FileAvailability(
            List.of(), new RoaringBitmap(), new RoaringBitmap(), new RoaringBitmap());
    int done = 0;
    int all = snapshot.tracks().getCardinality();
    for (int id : snapshot.tracks()) {
      if (done % STEP == 0) {
        progress.at(done, all, "");
        if (progress.stopped()) {
          break;
        }
      }
      done++;
      if (missing.computeIfPresent(snapshot.raw(id, Fields.ROOT), (r, n) -> n + 1) == null) {
        seen.look(state, id, id % SLOTS == slot);
      }
    }
    return new FileAvailability(away(state, missing), seen.gone, seen.back, seen.changed);
  }

  /** The roots whose disks are not there, each with no track counted yet. */
  private static Map<String, Integer> missing(CollectionState state) {
    Map<String, Integer> missing = new TreeMap<>();
    state
        .roots()
        .forEach(
            (name, path) -> {
              if (!name.equals(Place.HOLDING_BAY) && !DiskPresence.connected(path)) {
                missing.put(name, 0);
              }
            });
    return missing;
  }

  private static List<Away> away(CollectionState state, Map<String, Integer> missing) {
    List<Away> away = new ArrayList<>();
    missing.forEach(
        (root, tracks) -> {
          if (tracks > 0) {
            away.add(new Away(root, state.roots().get(root), tracks));
          }
        });
    return away;
  }

  private void look(CollectionState state, int id, boolean closely) {
    Snapshot snapshot = state.snapshot();
    if (!state.named(id)) {
      return;
    }
    try {
      MusicWalk.Found file = MusicWalk.found(state.path(id));
      if (snapshot.lost(id)) {
        back.add(id);
      }
      if (!snapshot.raw(id, Fields.SIZE).equals(String.valueOf(file.size()))
          || !snapshot.raw(id, Fields.MODIFIED).equals(String.valueOf(file.modified()))) {
        changed.add(id);
      } else if (closely && otherTags(state, id)) {
        changed.add(id);
      }
    } catch (IOException trouble) {
      // a file that may not be looked at is not known to be gone
      if (!snapshot.lost(id) && Files.notExists(state.path(id)) && NAMES_READABLE) {
        gone.add(id);
      }
    }
  }

  private static boolean otherTags(CollectionState state, int id) throws IOException {
    String known = state.snapshot().raw(id, Fields.TAGS_SEAL);
    return !known.isEmpty() && !known.equals(AudioPayload.seal(state.path(id)).tags());
  }

  /** What the collection must take over of it. */
  List<Cell> cells() {
    List<Cell> cells = new ArrayList<>();
    gone.forEach((int id) -> cells.add(new Cell(id, Fields.STATE, "lost")));
    back.forEach((int id) -> cells.add(new Cell(id, Fields.STATE, "present")));
    return cells;
  }
}
