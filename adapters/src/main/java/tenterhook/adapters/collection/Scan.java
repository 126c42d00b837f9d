package tenterhook.adapters.collection;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.disk.DiskPresence;
import tenterhook.adapters.disk.FileIdentity;
import tenterhook.adapters.disk.MusicWalk;
import tenterhook.adapters.disk.MusicWalk.Found;
import tenterhook.adapters.disk.RelativePaths;
import tenterhook.adapters.execution.ScanCells;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.tagfile.Reading;
import tenterhook.adapters.tagfile.SealedReading;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.measure.MeasuredFields;
import tenterhook.core.play.Plays;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/** One walk through a folder of a root: reads what is new or changed, sees what is lost or back. */
final class Scan {
  /** So many files are kept by one transaction. */
  private static final int BATCH = 1024;

  /** Disks that spin are not made faster by many hands, and the tags are small. */
  private static final int HANDS = Math.clamp(Runtime.getRuntime().availableProcessors(), 2, 4);

  private final CollectionState state;
  private final String root;
  private final String arrival;
  private final String now;
  private final MusicCollection collection;
  private final List<Refusal> issues = new ArrayList<>();
  private final RoaringBitmap seen = new RoaringBitmap();
  private final Map<String, List<Integer>> bySize = new HashMap<>();
  private int nextId;
  private int added;
  private int changed;
  private int returned;
  private int lost;
  private int unreadable;

  /**
   * A scan of a root. It holds nothing up: files are read while others change the collection, and
   * what was changed meanwhile is newer than what was read.
   */
  Scan(MusicCollection collection, String root, String arrival, String now) {
    this.collection = collection;
    this.state = collection.state();
    this.root = root;
    this.arrival = arrival;
    this.now = now;
    RoaringBitmap known = state.snapshot().known();
    this.nextId = known.isEmpty() ? 1 : known.last() + 1;
  }

  /** A file to read, and the track it belongs to. */
  private record FileToRead(int id, boolean fresh, boolean same, Found file, String path) {}

  ScanReport run(Path folder, Progress progress) throws IOException {
    long start = System.nanoTime();
    Path whole = state.roots().get(root);
    boolean known = !byPath().isEmpty();
    if (known && !DiskPresence.connected(whole)) {
      throw new IOException(
          whole + " is empty; if it is a disk, connect it. No track was counted as lost");
    }
    MusicWalk.Result walk = MusicWalk.walk(folder, progress);
    issues.addAll(walk.issues());
    boolean all = take(walk.files(), progress) && walk.complete();
    if (all && RelativePaths.allNamesReadable()) {
      Path base = state.roots().get(root);
      markLost(RelativePaths.below(base, folder), walk.unread());
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
    List<FileToRead> tasks = new ArrayList<>();
    List<Cell> back = new ArrayList<>();
    List<Found> fresh = new ArrayList<>();
    long since = collection.moment();
    Map<Object, Path> byKey = new HashMap<>();
    for (Found file : files) {
      String path = RelativePaths.below(base, file.path());
      Integer id = byPath.get(path);
      if (id == null) {
        fresh.add(file);
      } else {
        seen.add(id);
        sameFile(byKey, file)
            .ifPresent(
                other ->
                    issues.add(
                        new Refusal(id, file.path().toString(), "is the same file as " + other)));
        consider(id, file, path, tasks, back);
      }
    }
    addFresh(fresh, byKey, base, tasks);
    collection.keep(back, since);
    return read(tasks, progress);
  }

  private void addFresh(
      List<Found> fresh, Map<Object, Path> byKey, Path base, List<FileToRead> tasks) {
    for (Found file : fresh) {
      Optional<Path> other = sameFile(byKey, file).or(() -> ofOtherTrack(file));
      if (other.isPresent()) {
        issues.add(
            new Refusal(
                0,
                file.path().toString(),
                "is the same file as " + other.get() + "; one file is one track"));
      } else {
        tasks.add(
            new FileToRead(nextId++, true, false, file, RelativePaths.below(base, file.path())));
      }
    }
  }

  /** Another name of this walk under which the same file lies. */
  private static Optional<Path> sameFile(Map<Object, Path> byKey, Found file) {
    return file.key() == null
        ? Optional.empty()
        : Optional.ofNullable(byKey.putIfAbsent(file.key(), file.path()));
  }

  /** The path by which a track reaches this very file already, over a link or in another root. */
  private Optional<Path> ofOtherTrack(Found file) {
    return bySize().getOrDefault(String.valueOf(file.size()), List.of()).stream()
        .map(state::path)
        .filter(path -> FileIdentity.same(path, file.path()))
        .findFirst();
  }

  private Map<String, List<Integer>> bySize() {
    if (bySize.isEmpty()) {
      Snapshot snapshot = state.snapshot();
      snapshot
          .tracks()
          .forEach(
              (int id) ->
                  bySize
                      .computeIfAbsent(snapshot.raw(id, Fields.SIZE), s -> new ArrayList<>())
                      .add(id));
    }
    return bySize;
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

  private void consider(int id, Found file, String path, List<FileToRead> tasks, List<Cell> back) {
    Snapshot snapshot = state.snapshot();
    boolean same =
        snapshot.raw(id, Fields.SIZE).equals(String.valueOf(file.size()))
            && snapshot.raw(id, Fields.MODIFIED).equals(String.valueOf(file.modified()));
    if (snapshot.lost(id)) {
      returned++;
      back.add(new Cell(id, Fields.STATE, "present"));
    }
    if (!same || snapshot.raw(id, Fields.SOUND_SEAL).isEmpty() || ScanCells.behind(snapshot, id)) {
      tasks.add(new FileToRead(id, false, same, file, path));
    }
  }

  /** While one batch is kept, the next one is read already. */
  private boolean read(List<FileToRead> tasks, Progress progress) {
    try (ExecutorService pool = Executors.newFixedThreadPool(HANDS)) {
      ReadingBatch ahead = begin(pool, tasks, 0);
      while (!ahead.tasks().isEmpty()) {
        ReadingBatch now = ahead;
        if (progress.stopped()) {
          now.readings().forEach(r -> r.cancel(false));
          return false;
        }
        ahead = begin(pool, tasks, now.from() + now.tasks().size());
        keep(now, tasks.size(), progress);
      }
    }
    return true;
  }

  /** Files that are being read, and the moment before they were. */
  private record ReadingBatch(
      int from, long since, List<FileToRead> tasks, List<Future<List<Cell>>> readings) {}

  private ReadingBatch begin(ExecutorService pool, List<FileToRead> tasks, int from) {
    List<FileToRead> some = tasks.subList(from, Math.min(tasks.size(), from + BATCH));
    long since = collection.moment();
    return new ReadingBatch(
        from, since, some, some.stream().map(t -> pool.submit(() -> cells(t))).toList());
  }

  private void keep(ReadingBatch batch, long all, Progress progress) {
    List<Cell> cells = new ArrayList<>();
    for (int i = 0; i < batch.tasks().size(); i++) {
      take(batch.tasks().get(i), batch.readings().get(i), cells);
      progress.at(batch.from() + i + 1, all, batch.tasks().get(i).path());
    }
    collection.keep(cells, batch.since());
  }

  private void take(FileToRead task, Future<List<Cell>> reading, List<Cell> cells) {
    try {
      cells.addAll(reading.get());
      added += task.fresh() ? 1 : 0;
      changed += task.fresh() || task.same() ? 0 : 1;
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
    } catch (java.util.concurrent.ExecutionException trouble) {
      unreadable++;
      if (!task.fresh()) {
        cells.add(ScanCells.upToDate(task.id()));
      }
      issues.add(refusal(task, trouble));
    }
  }

  private static Refusal refusal(FileToRead task, Exception trouble) {
    return new Refusal(
        task.fresh() ? 0 : task.id(),
        task.file().path().toString(),
        String.valueOf(trouble.getCause().getMessage()));
  }

  private List<Cell> cells(FileToRead task) throws Unreadable, IOException {
    if (task.file().size() == 0) {
      throw new Unreadable("is empty");
    }
    SealedReading sealed = TagFiles.readSealed(task.file().path());
    List<Cell> cells = ScanCells.of(task.id(), sealed, task.file().path());
    plays(task, sealed.reading(), cells);
    if (task.fresh()) {
      cells.add(new Cell(task.id(), Fields.ROOT, root));
      cells.add(new Cell(task.id(), Fields.PATH, task.path()));
      cells.add(new Cell(task.id(), Fields.ADDED, now));
      cells.add(new Cell(task.id(), Fields.ARRIVAL, arrival));
    } else if (!task.same()) {
      cells.addAll(MeasuredFields.none(task.id())); // what sounds may be another now
    }
    return cells;
  }

  /** What the file's own counter rose by since it was last read was played elsewhere. */
  private void plays(FileToRead task, Reading reading, List<Cell> cells) {
    Snapshot snapshot = state.snapshot();
    int counted = Fields.COUNTED.type().parse(reading.raw(Fields.COUNTED)).orElse(0);
    int before = task.fresh() ? 0 : snapshot.value(task.id(), Fields.COUNTED).orElse(0);
    int plays = task.fresh() ? 0 : snapshot.value(task.id(), Fields.PLAYS).orElse(0);
    int now = Plays.afterReading(plays, before, counted);
    if (now > plays) {
      cells.add(new Cell(task.id(), Fields.PLAYS, String.valueOf(now)));
    }
  }

  /** Of what lies below something that could not be read nothing is said. */
  private void markLost(String below, List<Path> unread) {
    long since = collection.moment();
    CollectionState now = collection.state();
    Snapshot snapshot = now.snapshot();
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
                  && !snapshot.lost(id)
                  && now.named(id)
                  && unread.stream().noneMatch(u -> now.path(id).startsWith(u))
                  && Files.notExists(now.path(id))) {
                lost++;
                cells.add(new Cell(id, Fields.STATE, "lost"));
              }
            });
    collection.keep(cells, since);
  }
}
