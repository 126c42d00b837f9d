package tenterhook.adapters.backup;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tenterhook.adapters.disk.MusicWalk;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.change.Place;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;

/**
 * Compares the music of a collection with a second disk, by content; it alters nothing.
 *
 * @param same how many files are there, the same to the byte
 * @param moved files that are there the same, but under another name
 * @param missing tracks without a copy there
 * @param different files of the right name with other bytes, such as other tags
 * @param extra music there that the collection does not have
 * @param unread what could not be compared, and why
 * @param complete false when it was stopped
 */
public record MirrorCheck(
    int same,
    List<Path> moved,
    List<Path> missing,
    List<Path> different,
    List<Path> extra,
    List<Refusal> unread,
    boolean complete) {
  /** Copies. */
  public MirrorCheck {
    moved = List.copyOf(moved);
    missing = List.copyOf(missing);
    different = List.copyOf(different);
    extra = List.copyOf(extra);
    unread = List.copyOf(unread);
  }

  /** Whether the second disk holds all of the music as it is. */
  public boolean whole() {
    return complete && missing.isEmpty() && different.isEmpty() && unread.isEmpty();
  }

  /**
   * Compares.
   *
   * @param folder the second disk: the roots by their names in it, or the only root itself
   * @param progress told of every file; a stop leaves the rest uncompared
   * @throws IOException when the folder cannot be read
   */
  public static MirrorCheck of(CollectionState state, Path folder, Progress progress)
      throws IOException {
    return new Run(state, folder.toRealPath(), progress).run();
  }

  private static final class Run {
    private final CollectionState state;
    private final Path folder;
    private final Progress progress;
    private final List<Path> moved = new ArrayList<>();
    private final List<Path> missing = new ArrayList<>();
    private final List<Path> different = new ArrayList<>();
    private final List<Refusal> unread = new ArrayList<>();
    private final Set<Path> seen = new HashSet<>();
    private int same;

    Run(CollectionState state, Path folder, Progress progress) {
      this.state = state;
      this.folder = folder;
      this.progress = progress;
    }

    MirrorCheck run() throws IOException {
      MusicWalk.Result walk = MusicWalk.walk(folder, progress);
      unread.addAll(walk.issues());
      List<Integer> absent = new ArrayList<>();
      Snapshot snapshot = state.snapshot();
      int[] ids = snapshot.tracks(id -> !snapshot.lost(id)).toArray();
      for (int i = 0; i < ids.length && !progress.stopped(); i++) {
        progress.at(i, ids.length, snapshot.fileName(ids[i]));
        compare(ids[i], absent);
      }
      List<Path> extra = settle(walk, absent);
      return new MirrorCheck(
          same, moved, missing, different, extra, unread, walk.complete() && !progress.stopped());
    }

    private List<Path> settle(MusicWalk.Result walk, List<Integer> absent) {
      Map<Long, List<Path>> others = new HashMap<>();
      walk.files().stream()
          .filter(f -> !seen.contains(f.path()))
          .forEach(f -> others.computeIfAbsent(f.size(), s -> new ArrayList<>()).add(f.path()));
      absent.forEach(id -> elsewhere(id, others));
      List<Path> extra = others.values().stream().flatMap(List::stream).sorted().toList();
      return extra;
    }

    private void compare(int id, List<Integer> absent) {
      Path file = state.path(id);
      Path copy = copyOf(id);
      if (!Files.isRegularFile(copy)) {
        absent.add(id);
        return;
      }
      seen.add(copy);
      compare(id, file, copy);
    }

    private void compare(int id, Path file, Path copy) {
      try {
        if (Files.mismatch(file, copy) == -1) {
          same++;
        } else {
          different.add(copy);
        }
      } catch (IOException trouble) {
        unread.add(new Refusal(id, copy.toString(), "cannot be read: " + trouble.getMessage()));
      }
    }

    /** Below the root's name, or in the folder itself where it mirrors the only root. */
    private Path copyOf(int id) {
      Snapshot snapshot = state.snapshot();
      String path = snapshot.raw(id, Fields.PATH);
      Path below = folder.resolve(snapshot.raw(id, Fields.ROOT)).resolve(path);
      boolean onlyRoot =
          state.roots().keySet().stream().filter(r -> !r.equals(Place.HOLDING_BAY)).count() == 1;
      return onlyRoot && !Files.exists(below) ? folder.resolve(path) : below;
    }

    /** A file of the same bytes under another name, if there is one. */
    private void elsewhere(int id, Map<Long, List<Path>> others) {
      Path file = state.path(id);
      try {
        List<Path> candidates = others.getOrDefault(Files.size(file), List.of());
        String hash = candidates.isEmpty() ? "" : SafeFiles.hash(file);
        for (Path one : candidates) {
          if (SafeFiles.hash(one).equals(hash)) {
            moved.add(one);
            candidates.remove(one);
            return;
          }
        }
        missing.add(file);
      } catch (IOException trouble) {
        unread.add(new Refusal(id, file.toString(), "cannot be read: " + trouble.getMessage()));
      }
    }
  }
}
