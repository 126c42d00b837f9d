package tenterhook.backstage.collection;

import java.io.IOException;
import java.nio.file.Path;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.backstage.store.CodebookJson;
import tenterhook.backstage.store.CollectionRefused;
import tenterhook.backstage.store.CrateJson;
import tenterhook.backstage.store.Ledger;
import tenterhook.backstage.store.Measured;
import tenterhook.backstage.store.PlainFiles;
import tenterhook.backstage.store.Store;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.change.Outcome;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.change.Place;
import tenterhook.core.change.UndoOrder;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Derived;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Home;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.core.weave.Weave;
import tenterhook.core.weave.WeaveBy;

/**
 * An open collection. Anything is altered by {@link #apply} alone; reading never waits: {@link
 * #state} is the newest finished moment. Writers take turns. Listeners are called on the writer's
 * thread.
 */
public final class MusicCollection implements AutoCloseable {
  private final Path folder;
  private final Store store;
  private final Ledger ledger;
  private final PlainFiles plain;
  private final Road road;
  private final Measured measured;
  private final InstantSource clock;
  private final Disks disks;
  private final Covers covers;
  private final List<Consumer<Delta>> listeners = new CopyOnWriteArrayList<>();
  private final List<Refusal> openingTroubles = new ArrayList<>();
  private final Set<Long> cannotUndo = ConcurrentHashMap.newKeySet();
  private volatile CollectionState state;

  private MusicCollection(Path folder, Store store, InstantSource clock) {
    this.folder = folder;
    this.store = store;
    this.ledger = new Ledger(store);
    this.plain = new PlainFiles(folder, store);
    this.road = new Road(store, ledger);
    this.measured = new Measured(store);
    this.clock = clock;
    this.disks = new Disks(this, clock);
    this.covers = new Covers(store, this::state);
    Map<String, Path> roots = new LinkedHashMap<>(store.roots());
    roots.put(Place.HOLDING_BAY, folder.resolve("holding bay"));
    Codebook codebook = store.document("codebook").map(CodebookJson::read).orElse(Codebook.EMPTY);
    Crates crates = store.document("crates").map(CrateJson::fromIds).orElse(Crates.NONE);
    Snapshot loaded = store.load();
    this.state =
        new CollectionState(
            Derived.refreshed(loaded, codebook, loaded.known()), codebook, crates, roots);
  }

  /**
   * Opens a collection, or makes an empty one; an interrupted change is brought to an end first,
   * and plain files that a person edited are taken over.
   *
   * @param folder of the collection
   * @param clock tells the time
   * @throws CollectionRefused when it is in use, newer or damaged
   */
  public static MusicCollection open(Path folder, InstantSource clock) throws CollectionRefused {
    Path place = folder.toAbsolutePath().normalize();
    Store store = Store.open(place);
    try {
      MusicCollection collection = new MusicCollection(place, store, clock);
      collection.recover();
      collection.takePlainFiles();
      return collection;
    } catch (IOException | RuntimeException trouble) {
      store.close();
      throw new CollectionRefused(
          "the collection in " + place + " cannot be opened: " + trouble.getMessage(), trouble);
    }
  }

  private void recover() throws IOException {
    for (long number : ledger.interrupted()) {
      Change change =
          ledger.change(number).orElseGet(() -> new Change("interrupted", true, List.of()));
      Road.Done done = road.recover(state, number, change);
      if (done.others()) {
        takeOthers(change);
      }
      takeOver(done.cells());
    }
  }

  private void takePlainFiles() throws IOException {
    List<Edit> edits = new ArrayList<>();
    Optional<Codebook> codebook = plain.editedCodebook(openingTroubles);
    codebook
        .filter(c -> !c.equals(state.codebook()))
        .ifPresent(c -> edits.add(new Edit.SetCodebook(state.codebook(), c)));
    Optional<Crates> crates = plain.editedCrates(state.crates(), this::trackNamed, openingTroubles);
    crates
        .filter(c -> !c.equals(state.crates()))
        .ifPresent(c -> edits.add(new Edit.SetCrates(state.crates(), c)));
    if (!edits.isEmpty()) {
      apply(new Change("takes over files edited by hand", true, edits), Progress.SILENT);
    }
  }

  private Optional<Integer> trackNamed(String name) {
    Snapshot snapshot = state.snapshot();
    int[] found = {0};
    snapshot.tracks().forEach((int id) -> found[0] = trackName(id).equals(name) ? id : found[0]);
    return found[0] == 0 ? Optional.empty() : Optional.of(found[0]);
  }

  private String trackName(int id) {
    return state.snapshot().raw(id, Fields.ROOT) + "/" + state.snapshot().raw(id, Fields.PATH);
  }

  /** The newest finished moment. */
  public CollectionState state() {
    return state;
  }

  /** What crates hold and finders find at the newest moment, today. */
  public CrateContents contents() {
    return state.contents(today());
  }

  /** Today's date where the program runs. */
  public LocalDate today() {
    return LocalDate.ofInstant(clock.instant(), ZoneId.systemDefault());
  }

  /** Files that could not be read when the collection was opened, and what was kept instead. */
  public List<Refusal> openingTroubles() {
    return List.copyOf(openingTroubles);
  }

  /** Calls a listener after every change, on the thread that made it. */
  public void listen(Consumer<Delta> listener) {
    listeners.add(listener);
  }

  /**
   * Alters the collection. What does not hold any more is refused track by track; the rest is done.
   *
   * @param change what to do
   * @param progress told of every track; a stop leaves the rest as it was
   * @return what was done and what was refused
   */
  public synchronized Outcome apply(Change change, Progress progress) {
    return apply(change, 0, progress);
  }

  private Outcome apply(Change change, long undoes, Progress progress) {
    Road.Done done = road.go(state, change, undoes, clock.instant(), progress);
    CollectionState before = state;
    if (done.others()) {
      takeOthers(change);
    }
    takeOver(done.cells());
    if (done.others()) {
      publish(before, state, state.snapshot().known());
    }
    return done.outcome();
  }

  private void takeOthers(Change change) {
    CollectionState now = state;
    Codebook codebook = now.codebook();
    Crates crates = now.crates();
    for (Edit edit : change.edits()) {
      if (edit instanceof Edit.SetCodebook book) {
        codebook = book.after();
      } else if (edit instanceof Edit.SetCrates shelves) {
        crates = shelves.after();
      }
    }
    Snapshot snapshot =
        codebook.equals(now.codebook())
            ? now.snapshot()
            : Derived.refreshed(now.snapshot(), codebook, now.snapshot().known());
    state = new CollectionState(snapshot, codebook, crates, now.roots());
    try {
      plain.write(codebook);
      plain.write(crates, this::trackName);
    } catch (IOException trouble) {
      openingTroubles.add(
          new Refusal(0, folder.toString(), "plain files not written: " + trouble.getMessage()));
    }
  }

  private void takeOver(List<Cell> cells) {
    if (cells.isEmpty()) {
      return;
    }
    RoaringBitmap changed = new RoaringBitmap();
    cells.forEach(c -> changed.add(c.id()));
    CollectionState before = state;
    Snapshot next = Derived.refreshed(before.snapshot().with(cells), before.codebook(), changed);
    state = before.with(next);
    publish(before, state, changed);
  }

  private void publish(CollectionState before, CollectionState after, RoaringBitmap changed) {
    Delta delta = new Delta(before, after, changed);
    listeners.forEach(l -> l.accept(delta));
  }

  /** The ledger, the newest entry first. */
  public List<LedgerEntry> history() {
    return ledger.entries();
  }

  /** The number of the change that last moved each track's file into a root. */
  public Map<Integer, Long> lastMovesInto(String root) {
    return ledger.lastMovesInto(root);
  }

  /** The edits of a ledger entry. */
  public Optional<Change> change(long number) {
    return ledger.change(number);
  }

  /**
   * Takes a change back.
   *
   * @param number its number in the ledger
   * @param progress told of every track
   * @throws IllegalArgumentException when there is no such change, or it was taken back already
   */
  public synchronized Outcome undo(long number, Progress progress) {
    LedgerEntry entry =
        ledger.entries().stream()
            .filter(e -> e.number() == number)
            .findFirst()
            .orElseThrow(() -> new IllegalArgumentException("the ledger has no change " + number));
    if (!entry.canUndo()) {
      throw new IllegalArgumentException(
          "change " + number + " was taken back already by change " + entry.undoneBy());
    }
    Change change = ledger.change(number).orElseThrow();
    cannotUndo.add(number);
    String title = (entry.undoes() > 0 ? "does again: " : "takes back: ") + plainTitle(entry);
    Outcome outcome = apply(change.inverse(title), number, progress);
    if (outcome.number() != 0 || progress.stopped()) {
      cannotUndo.remove(number);
    }
    return outcome;
  }

  private static String plainTitle(LedgerEntry entry) {
    return entry.title().replaceFirst("^(takes back|does again): ", "");
  }

  /** The change that undo would take back next; one that refused to be is passed over. */
  public Optional<LedgerEntry> nextUndo() {
    return UndoOrder.nextUndo(
        ledger.entries().stream().filter(e -> !cannotUndo.contains(e.number())).toList());
  }

  /** The change that redo would do again next; none once something new was done. */
  public Optional<LedgerEntry> nextRedo() {
    return UndoOrder.nextRedo(ledger.entries());
  }

  /** The folders that hold the music: scans, and what is where. */
  public Disks disks() {
    return disks;
  }

  /**
   * Brings a folder in or up to date. See {@link Disks#scan}.
   *
   * @throws IOException when the folder cannot be read; the collection is then as it was
   */
  public ScanReport scan(Path place, Progress progress) throws IOException {
    return disks.scan(place, progress);
  }

  /** Stores and takes over what was read off files. */
  void keep(List<Cell> cells) {
    store.put(cells);
    takeOver(cells);
  }

  /** Takes a folder as a root, or gives a root another folder. */
  void keepRoot(String name, Path folder) {
    store.putRoot(name, folder);
    Map<String, Path> roots = new LinkedHashMap<>(state.roots());
    roots.put(name, folder);
    CollectionState before = state;
    state = new CollectionState(before.snapshot(), before.codebook(), before.crates(), roots);
    publish(before, state, new RoaringBitmap());
  }

  /** Notes today how whole the collection is. */
  public void noteCourse() {
    Weave weave = Weave.of(state.snapshot(), state.codebook(), WeaveBy.FOLDER);
    if (weave.total().tracks() > 0) {
      store.putCourse(today().toString(), weave.total().whole(), weave.total().tracks());
    }
  }

  /** How whole the collection was, one point a day. */
  public List<Store.CoursePoint> course() {
    return store.course();
  }

  /**
   * Reads the files that may be copies of one another, so that groups of the same bytes are known.
   *
   * @param progress told of every file; a stop keeps what was read so far
   * @return files that could not be read
   */
  public synchronized List<Refusal> compareCopies(Progress progress) {
    List<Refusal> troubles = new ArrayList<>();
    keep(Copies.contents(state, progress, troubles));
    return troubles;
  }

  /** The covers of tracks. */
  public Covers covers() {
    return covers;
  }

  /** What was measured of sounds. */
  public Measured measured() {
    return measured;
  }

  /**
   * Takes over what was measured off files. It is no change: nothing that a person gave is altered.
   *
   * @param cells values of fields that are {@link Home#MEASURED}
   * @throws IllegalArgumentException when one is of another field
   */
  public synchronized void note(List<Cell> cells) {
    for (Cell cell : cells) {
      if (cell.field().home() != Home.MEASURED) {
        throw new IllegalArgumentException(cell.field() + " is not measured");
      }
    }
    keep(cells);
  }

  /** The folder that holds the database and the plain files. */
  public Path folder() {
    return folder;
  }

  /**
   * A remembered setting of the interface, such as column widths.
   *
   * @param name its name
   */
  public Optional<String> setting(String name) {
    return store.document("setting:" + name);
  }

  /** Remembers a setting of the interface. */
  public void keepSetting(String name, String text) {
    store.putDocument("setting:" + name, text);
  }

  @Override
  public synchronized void close() {
    try {
      noteCourse();
    } finally {
      store.close();
    }
  }
}
