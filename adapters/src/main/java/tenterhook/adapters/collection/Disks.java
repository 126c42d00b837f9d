package tenterhook.adapters.collection;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.disk.FileExtensions;
import tenterhook.adapters.disk.MusicWalk;
import tenterhook.adapters.disk.RelativePaths;
import tenterhook.adapters.execution.ScanCells;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Change;
import tenterhook.core.change.Place;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/**
 * A collection's folders: brings in what lies in them and tells what is where. It changes no file.
 */
public final class Disks {
  private static final DateTimeFormatter BATCH = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm:ss");

  private final MusicCollection collection;
  private final InstantSource clock;
  private final CatchUp catchUp;

  /** One scan at a time: only scans make tracks. Changes need not wait for it. */
  private final Object scanning = new Object();

  Disks(MusicCollection collection, InstantSource clock) {
    this.collection = collection;
    this.clock = clock;
    this.catchUp = new CatchUp(collection);
  }

  /**
   * Brings a folder in or up to date. A folder that no root holds becomes a root of its own name.
   *
   * @param place the folder
   * @param progress told of every file
   * @throws IOException when the folder cannot be read; the collection is then as it was
   */
  public ScanReport scan(Path place, Progress progress) throws IOException {
    Path target = place.toRealPath();
    if (!Files.isDirectory(target)) {
      throw new IOException(target + " is not a folder");
    }
    String root = root(target);
    synchronized (scanning) {
      ScanReport report = scanner(root).run(target, progress);
      ended();
      return report;
    }
  }

  /**
   * Brings single files in, where they are. Their folder becomes a root when no root holds it; what
   * else lies in it is not looked at.
   *
   * @param files music files
   * @param progress told of every file
   * @return one report a root
   * @throws IOException when a file is not there; the collection is then as it was
   */
  public List<ScanReport> bring(List<Path> files, Progress progress) throws IOException {
    List<MusicWalk.Found> found = new ArrayList<>();
    for (Path file : files) {
      found.add(MusicWalk.found(file.toRealPath()));
    }
    if (found.isEmpty()) {
      throw new IOException("there is no music file among them");
    }
    synchronized (scanning) {
      Map<String, List<MusicWalk.Found>> byRoot = new TreeMap<>();
      for (MusicWalk.Found file : found) {
        String root = root(file.path().getParent());
        byRoot.computeIfAbsent(root, r -> new ArrayList<>()).add(file);
      }
      List<ScanReport> reports = new ArrayList<>();
      byRoot.forEach((root, mine) -> reports.add(scanner(root).run(mine, progress)));
      ended();
      return reports;
    }
  }

  /**
   * Reads the files of tracks again that another program changed.
   *
   * @param tracks those whose file is not there are left as they are
   * @param progress told of every file
   * @return how many were read
   */
  public int readAgain(RoaringBitmap tracks, Progress progress) throws IOException {
    List<Path> files = new ArrayList<>();
    CollectionState state = collection.state();
    tracks.forEach((int id) -> files.add(state.path(id)));
    files.removeIf(f -> !Files.exists(f));
    return files.isEmpty()
        ? 0
        : bring(files, progress).stream().mapToInt(ScanReport::changed).sum();
  }

  /** The tracks whose tags were read before the program knew all of its fields. */
  public RoaringBitmap behind() {
    return catchUp.behind();
  }

  /**
   * Reads the tags of tracks that are {@link #behind}.
   *
   * @param progress told of every file; a stop keeps what was read so far
   * @return how many were read
   */
  public int catchUp(Progress progress) {
    return catchUp.read(catchUp.behind(), progress);
  }

  /** Reads what a change would write to before it was all read; whether anything was. */
  boolean catchUp(Change change, Progress progress) {
    RoaringBitmap behind = catchUp.behind(change);
    return !behind.isEmpty() && catchUp.read(behind, progress) > 0;
  }

  /** What waited for files that are there now goes on. */
  private void ended() {
    collection.confirmOpen();
    collection.takePlainFiles();
    collection.noteCompleteness();
  }

  private Scan scanner(String root) {
    Instant now = clock.instant();
    String arrival = ZonedDateTime.ofInstant(now, ZoneId.systemDefault()).format(BATCH);
    return new Scan(collection, root, arrival, now.toString());
  }

  /**
   * The root that holds a folder; one is made of it when none does. Nothing is read from it yet.
   *
   * @return its name
   * @throws IOException when the folder cannot be one
   */
  public String root(Path folder) throws IOException {
    Path target = folder.toRealPath();
    synchronized (collection) {
      String name = Roots.nameFor(collection.state().roots(), target);
      if (!collection.state().roots().containsKey(name)) {
        collection.keepRoot(name, target);
      }
      return name;
    }
  }

  /**
   * Looks whether the files of all tracks are where the collection says, without opening any. A
   * track whose file is gone becomes lost, one whose file is back is there again; of a folder that
   * is not there as a whole, such as a disk that is not connected, nothing is said of its tracks.
   *
   * @param progress told of every thousand tracks; after a stop nothing is noted
   */
  public FileAvailability availability(Progress progress) {
    long since = collection.moment();
    int slot = (int) (collection.today().toEpochDay() % FileAvailability.SLOTS);
    FileAvailability found = FileAvailability.of(collection.state(), slot, progress);
    if (!progress.stopped()) {
      collection.keep(found.cells(), since);
      collection.confirmOpen();
    }
    return found;
  }

  /**
   * Takes up music of the holding bay that no track knows, as it is after the database was lost: it
   * is held, and can be restored to where it came from.
   *
   * @return how many files
   * @throws IOException when the bay cannot be read
   */
  int adoptHeld() throws IOException {
    CollectionState state = collection.state();
    Path bay = state.roots().get(Place.HOLDING_BAY);
    if (!Files.isDirectory(bay)) {
      return 0;
    }
    List<Path> files = heldIn(bay);
    int id = state.snapshot().known().isEmpty() ? 0 : state.snapshot().known().last();
    List<Cell> cells = new ArrayList<>();
    for (Path file : files) {
      cells.addAll(held(++id, bay, file));
    }
    collection.keep(cells, collection.moment());
    return files.size();
  }

  private static List<Path> heldIn(Path bay) throws IOException {
    try (Stream<Path> all = Files.walk(bay)) {
      return all.filter(f -> Files.isRegularFile(f, LinkOption.NOFOLLOW_LINKS))
          .filter(f -> FileExtensions.isMusic(f) && f.getNameCount() - bay.getNameCount() > 2)
          .sorted()
          .toList();
    }
  }

  private List<Cell> held(int id, Path bay, Path file) throws IOException {
    List<Cell> cells = new ArrayList<>();
    cells.add(new Cell(id, Fields.ROOT, Place.HOLDING_BAY));
    cells.add(new Cell(id, Fields.PATH, RelativePaths.below(bay, file)));
    cells.add(new Cell(id, Fields.LIFECYCLE, "held"));
    cells.add(new Cell(id, Fields.ADDED, clock.instant().toString()));
    try {
      cells.addAll(ScanCells.of(id, TagFiles.read(file), file));
    } catch (Unreadable damaged) {
      cells.add(new Cell(id, Fields.STATE, "present")); // held all the same
    }
    return cells;
  }

  /** Counts all tracks of a root as lost, for a disk that will not come back. */
  public void countAsLost(String root) {
    synchronized (collection) {
      Snapshot snapshot = collection.state().snapshot();
      List<Cell> cells = new ArrayList<>();
      snapshot
          .tracks(id -> snapshot.raw(id, Fields.ROOT).equals(root) && !snapshot.lost(id))
          .forEach((int id) -> cells.add(new Cell(id, Fields.STATE, "lost")));
      collection.keep(cells, collection.moment());
    }
  }
}
