package tenterhook.adapters.collection;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.tagfile.AudioPayload;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;

/**
 * A root that is elsewhere as a whole, such as a disk under another letter or a library that was
 * moved: what lies at the new place is compared with what the collection knows before anything is
 * said of it.
 *
 * @param root its name
 * @param from where the collection says it is
 * @param to where it is
 * @param tracks how many tracks it has
 * @param found how many of them have a file of their name there
 * @param compared how many of these were opened
 * @param others files of the right name that hold another recording
 */
public record RootRelocation(
    String root, Path from, Path to, int tracks, int found, int compared, List<Refusal> others) {
  private static final int SAMPLE = 200;

  /** Copies. */
  public RootRelocation {
    others = List.copyOf(others);
  }

  /**
   * Compares a folder with a root. Nothing is altered.
   *
   * @param name of the root
   * @param folder where it may be
   * @throws IOException when the folder is not there, or belongs to another root
   * @throws IllegalArgumentException when there is no such root
   */
  public static RootRelocation of(
      CollectionState state, String name, Path folder, Progress progress) throws IOException {
    Path target = folder.toRealPath();
    Map<String, Path> others = new TreeMap<>(state.roots());
    Path from = others.remove(name);
    if (from == null) {
      throw new IllegalArgumentException("no folder of the collection is called " + name);
    }
    if (others.containsKey(Roots.nameFor(others, target))) {
      throw new IOException(target + " belongs to another folder of the collection");
    }
    Snapshot snapshot = state.snapshot();
    int[] ids = snapshot.tracks(id -> snapshot.raw(id, Fields.ROOT).equals(name)).toArray();
    List<Integer> there = new ArrayList<>();
    for (int i = 0; i < ids.length && !progress.stopped(); i++) {
      progress.at(i, ids.length, "");
      if (Files.isRegularFile(target.resolve(snapshot.raw(ids[i], Fields.PATH)))) {
        there.add(ids[i]);
      }
    }
    int step = Math.max(1, there.size() / SAMPLE);
    List<Refusal> different = new ArrayList<>();
    int compared = 0;
    for (int i = 0; i < there.size(); i += step) {
      Path file = target.resolve(snapshot.raw(there.get(i), Fields.PATH));
      compared++;
      if (!sameRecording(snapshot, there.get(i), file)) {
        different.add(
            new Refusal(there.get(i), file.toString(), "holds another recording than it did"));
      }
    }
    return new RootRelocation(name, from, target, ids.length, there.size(), compared, different);
  }

  /** By what sounds; a track that was read before seals were kept is told by its size. */
  private static boolean sameRecording(Snapshot snapshot, int id, Path file) throws IOException {
    String known = snapshot.raw(id, Fields.SOUND_SEAL);
    return known.isEmpty()
        ? snapshot.raw(id, Fields.SIZE).equals(String.valueOf(Files.size(file)))
        : known.equals(AudioPayload.seal(file).sound());
  }

  /** Whether it is this root that lies there: files were found, and none is another recording. */
  public boolean certain() {
    return (found > 0 || tracks == 0) && others.isEmpty();
  }

  /** The change that says so; undo says again where it was. */
  public Change change() {
    return new Change(
        "finds " + root + " at " + to,
        true,
        List.of(new Edit.SetRoot(root, from.toString(), to.toString())));
  }
}
