package tenterhook.backstage.collection;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Consumer;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.backstage.disk.MusicWalk;
import tenterhook.backstage.disk.MusicWalk.Found;
import tenterhook.backstage.tagfile.Reading;
import tenterhook.backstage.tagfile.TagFiles;
import tenterhook.backstage.tagfile.Unreadable;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.measure.MeasuredFields;
import tenterhook.core.play.Plays;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/** One walk through a folder of a root: reads what is new or changed, sees what is lost or back. */
final class Scan {
  private static final int BATCH = 256;

  private final CollectionState state;
  private final String root;
  private final String arrival;
  private final String now;
  private final Consumer<List<Cell>> keep;
  private final List<Refusal> issues = new ArrayList<>();
  private final RoaringBitmap seen = new RoaringBitmap();
  private int nextId;
  private int added;
  private int changed;
  private int returned;
  private int lost;
  private int unreadable;

  /**
   * A scan of a root.
   *
   * @param keep stores and publishes a batch of values
   */
  Scan(CollectionState state, String root, String arrival, String now, Consumer<List<Cell>> keep) {
    this.state = state;
    this.root = root;
    this.arrival = arrival;
    this.now = now;
    this.keep = keep;
    RoaringBitmap known = state.snapshot().known();
    this.nextId = known.isEmpty() ? 1 : known.last() + 1;
  }

  /** A file to read, and the track it belongs to. */
  private record Task(int id, boolean fresh, Found file, String path) {}

  ScanReport run(Path folder, Progress progress) throws IOException {
    long start = System.nanoTime();
    Path whole = state.roots().get(root);
    boolean known = !byPath().isEmpty();
    if (known && !Roots.connected(whole)) {
      throw new IOException(
          whole + " is empty; if it is a disk, connect it. No track was counted as lost");
    }
    MusicWalk.Result walk = MusicWalk.walk(folder, progress);
    issues.addAll(walk.issues());
    boolean all = take(walk.files(), progress) && walk.complete();
    if (all) {
      Path base = state.roots().get(root);
      markLost(base.relativize(folder).toString().replace('\\', '/'));
    }
    return report(walk.files().size(), start, all);
  }

  /** Takes in single files; what else lies beside them is not looked at. */
  ScanReport run(List<Found> files, Progress progress) {
    long start = System.nanoTime();
    boolean all = take(files, progress);
    return report(files.size(), start, all);
  }

  private ScanReport report(int files, long start, boolean all) {
    double seconds = (System.nanoTime() - start) / 1e9;
    return new ScanReport(files, added, changed, lost, returned, unreadable, issues, seconds, all);
  }

  private boolean take(List<Found> files, Progress progress) {
    Path base = state.roots().get(root);
    Map<String, Integer> byPath = byPath();
    List<Task> tasks = new ArrayList<>();
    List<Cell> back = new ArrayList<>();
    for (Found file : files) {
      String path = base.relativize(file.path()).toString().replace('\\', '/');
      Integer id = byPath.get(path);
      if (id == null) {
        tasks.add(new Task(nextId++, true, file, path));
      } else {
        seen.add(id);
        consider(id, file, path, tasks, back);
      }
    }
    keep.accept(back);
    return read(tasks, progress);
  }

  private Map<String, Integer> byPath() {
    Map<String, Integer> byPath = new HashMap<>();
    Snapshot snapshot = state.snapshot();
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              if (snapshot.raw(id, Fields.ROOT).equals(root)) {
                byPath.put(snapshot.raw(id, Fields.PATH), id);
              }
            });
    return byPath;
  }

  private void consider(int id, Found file, String path, List<Task> tasks, List<Cell> back) {
    Snapshot snapshot = state.snapshot();
    boolean same =
        snapshot.raw(id, Fields.SIZE).equals(String.valueOf(file.size()))
            && snapshot.raw(id, Fields.MODIFIED).equals(String.valueOf(file.modified()));
    if (snapshot.lost(id)) {
      returned++;
      back.add(new Cell(id, Fields.STATE, "present"));
    }
    if (!same) {
      tasks.add(new Task(id, false, file, path));
    }
  }

  private boolean read(List<Task> tasks, Progress progress) {
    try (ExecutorService pool = Executors.newFixedThreadPool(2)) {
      for (int from = 0; from < tasks.size(); from += BATCH) {
        List<Task> batch = tasks.subList(from, Math.min(tasks.size(), from + BATCH));
        if (progress.stopped()) {
          return false;
        }
        List<Future<List<Cell>>> readings = new ArrayList<>();
        for (Task task : batch) {
          readings.add(pool.submit(() -> cells(task)));
        }
        List<Cell> cells = new ArrayList<>();
        for (int i = 0; i < batch.size(); i++) {
          take(batch.get(i), readings.get(i), cells);
          progress.at(from + i + 1L, tasks.size(), batch.get(i).path());
        }
        keep.accept(cells);
      }
    }
    return true;
  }

  private void take(Task task, Future<List<Cell>> reading, List<Cell> cells) {
    try {
      cells.addAll(reading.get());
      added += task.fresh() ? 1 : 0;
      changed += task.fresh() ? 0 : 1;
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
    } catch (java.util.concurrent.ExecutionException trouble) {
      unreadable++;
      issues.add(
          new Refusal(
              task.fresh() ? 0 : task.id(),
              task.file().path().toString(),
              String.valueOf(trouble.getCause().getMessage())));
    }
  }

  private List<Cell> cells(Task task) throws Unreadable, IOException {
    if (task.file().size() == 0) {
      throw new Unreadable("is empty");
    }
    Reading reading = TagFiles.read(task.file().path());
    List<Cell> cells = ScanCells.of(task.id(), reading, task.file().path());
    plays(task, reading, cells);
    if (task.fresh()) {
      cells.add(new Cell(task.id(), Fields.ROOT, root));
      cells.add(new Cell(task.id(), Fields.PATH, task.path()));
      cells.add(new Cell(task.id(), Fields.ADDED, now));
      cells.add(new Cell(task.id(), Fields.ARRIVAL, arrival));
    } else {
      cells.addAll(MeasuredFields.none(task.id())); // what sounds may be another now
    }
    return cells;
  }

  /** What the file's own counter rose by since it was last read was played elsewhere. */
  private void plays(Task task, Reading reading, List<Cell> cells) {
    Snapshot snapshot = state.snapshot();
    int counted = Fields.COUNTED.type().parse(reading.raw(Fields.COUNTED)).orElse(0);
    int before = task.fresh() ? 0 : snapshot.value(task.id(), Fields.COUNTED).orElse(0);
    int plays = task.fresh() ? 0 : snapshot.value(task.id(), Fields.PLAYS).orElse(0);
    int now = Plays.afterReading(plays, before, counted);
    if (now > plays) {
      cells.add(new Cell(task.id(), Fields.PLAYS, String.valueOf(now)));
    }
  }

  private void markLost(String below) {
    Snapshot snapshot = state.snapshot();
    List<Cell> cells = new ArrayList<>();
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              String path = snapshot.raw(id, Fields.PATH);
              boolean inScope = below.isEmpty() || path.startsWith(below + "/");
              if (inScope
                  && snapshot.raw(id, Fields.ROOT).equals(root)
                  && !seen.contains(id)
                  && !snapshot.lost(id)) {
                lost++;
                cells.add(new Cell(id, Fields.STATE, "lost"));
              }
            });
    keep.accept(cells);
  }
}
