package tenterhook.adapters.collection;

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
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.disk.FileCalls;
import tenterhook.adapters.disk.MusicWalk;
import tenterhook.adapters.execution.ChangeExecutor;
import tenterhook.adapters.execution.ChangeExecutor.Undo;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.state.Delta;
import tenterhook.adapters.store.CodebookJson;
import tenterhook.adapters.store.CollectionRefused;
import tenterhook.adapters.store.CrateJson;
import tenterhook.adapters.store.GigJson;
import tenterhook.adapters.store.KeptHistory;
import tenterhook.adapters.store.Ledger;
import tenterhook.adapters.store.Measured;
import tenterhook.adapters.store.SmallCovers;
import tenterhook.adapters.store.Store;
import tenterhook.adapters.store.StoreBroken;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.change.Outcome;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.change.Place;
import tenterhook.core.change.UndoOrder;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.derived.Derived;
import tenterhook.core.edit.FiguresInStep;
import tenterhook.core.field.FieldOrigin;
import tenterhook.core.gig.Gigs;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.core.weave.Weave;
import tenterhook.core.weave.WeaveBy;

/**
 * An open collection. Anything is altered by {@link #apply} alone; reading never waits: {@link
 * #state} is the newest finished moment. Writers take turns. Listeners are called on the writer's
 * thread. Whatever reads or writes the database throws {@link StoreBroken} when that fails.
 */
public final class MusicCollection implements AutoCloseable {
  private final Path folder;
  private final Store store;
  private final Ledger ledger;
  private final PlainDocuments plain;
  private final ChangeExecutor executor;
  private final Measured measured;
  private final InstantSource clock;
  private final Disks disks;
  private final Covers covers;
  private final List<Consumer<Delta>> listeners = new CopyOnWriteArrayList<>();
  private final StartupProblems startupProblems;
  private final Map<Integer, Long> writtenAt = new ConcurrentHashMap<>();
  private final UndoRedo undoing;
  private final Settings settings;
  private boolean closed;
  private volatile long moment;
  private volatile CollectionState state;

  private MusicCollection(Path folder, Store store, InstantSource clock, FileCalls calls) {
    this.folder = folder;
    this.store = store;
    this.ledger = new Ledger(store);
    this.startupProblems = new StartupProblems(folder);
    this.plain = new PlainDocuments(folder, store, startupProblems.all());
    this.executor = new ChangeExecutor(store, ledger, calls, ownWord(store));
    this.undoing = new UndoRedo(ledger, new KeptHistory(store), this::apply);
    this.measured = new Measured(store);
    this.clock = clock;
    this.disks = new Disks(this, clock);
    this.covers = new Covers(store, new SmallCovers(folder), this::state);
    this.settings = new Settings(store);
    Map<String, Path> roots = new LinkedHashMap<>(store.roots());
    roots.put(Place.HOLDING_BAY, folder.resolve(MusicWalk.HOLDING_BAY));
    Codebook codebook = store.document("codebook").map(CodebookJson::read).orElse(Codebook.EMPTY);
    this.state =
        new CollectionState(
            store.cached().orElseGet(() -> loaded(store, codebook)),
            codebook,
            store.document("crates").map(CrateJson::fromIds).orElse(Crates.NONE),
            store.document("gigs").map(GigJson::fromIds).orElse(Gigs.NONE),
            roots);
  }

  private static Snapshot loaded(Store store, Codebook codebook) {
    Snapshot loaded = store.load();
    return Derived.refreshed(loaded, codebook, loaded.known());
  }

  /**
   * Opens a collection, or makes an empty one; an interrupted change is brought to an end first,
   * and plain files that a person edited are taken over.
   *
   * @param folder of the collection, or of the demo as a whole
   * @param clock tells the time
   * @throws CollectionRefused when it is in use, newer or damaged
   */
  public static MusicCollection open(Path folder, InstantSource clock) throws CollectionRefused {
    return open(folder, clock, FileCalls.SYSTEM);
  }

  /**
   * Opens a collection whose files are altered by other calls than the system's.
   *
   * @param calls such as ones that fail, for tests
   * @throws CollectionRefused when it is in use, newer or damaged
   */
  public static MusicCollection open(Path folder, InstantSource clock, FileCalls calls)
      throws CollectionRefused {
    Path place = Store.meant(folder);
    Store store = Store.open(place);
    try {
      MusicCollection collection = new MusicCollection(place, store, clock, calls);
      collection.confirmOpen();
      collection.sayWaiting();
      collection.takePlainFiles();
      if (!store.problems().isEmpty()) {
        collection.disks.adoptHeld();
      }
      return collection;
    } catch (IOException | RuntimeException trouble) {
      store.close();
      throw new CollectionRefused(
          "the collection in " + place + " cannot be opened: " + trouble.getMessage(), trouble);
    }
  }

  /** A word that no other collection has, for the names of work rooms. */
  private static String ownWord(Store store) {
    return store
        .document("own word")
        .orElseGet(
            () -> {
              String word = UUID.randomUUID().toString().substring(0, 8);
              store.putDocument("own word", word);
              return word;
            });
  }

  /**
   * Asks files again of changes that were interrupted or could not be confirmed, as far as their
   * disks are there.
   *
   * @return how many tracks still wait
   */
  public synchronized int confirmOpen() {
    executor.clearLeftovers(state);
    for (long number : executor.interrupted()) {
      ChangeExecutor.Executed done = executor.recover(state, number);
      applyDocuments(done);
      applyCells(done.cells());
    }
    return ledger.waiting().getCardinality();
  }

  private void sayWaiting() {
    store.problems().forEach(startupProblems::add);
    startupProblems.sayUnreadableNames();
    startupProblems.sayWaiting(ledger.waiting().getCardinality());
  }

  /**
   * Takes over plain files that a person edited. A file that cannot be read is named, and stays.
   *
   * @return whether anything was taken over
   */
  public synchronized boolean takePlainFiles() {
    List<Edit> edits = plain.edits(state);
    if (!edits.isEmpty()) {
      Change change = new Change("takes over files edited by hand", true, edits);
      applyDocuments(executor.execute(state, change, Undo.NONE, clock.instant(), Progress.SILENT));
      publish(state, state, state.snapshot().known());
    }
    return !edits.isEmpty();
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
  public List<Refusal> startupProblems() {
    return List.copyOf(startupProblems.all());
  }

  /** Calls a listener after every change, on the thread that made it. */
  public void listen(Consumer<Delta> listener) {
    listeners.add(listener);
  }

  /** Makes a change from the collection as it is at the moment when the change is made. */
  @FunctionalInterface
  public interface Command {
    /** The change; an empty one does nothing. */
    Change on(CollectionState now);
  }

  /**
   * Alters the collection. What no longer holds is refused, track by track; the rest is done.
   *
   * @param change what to do
   * @param progress told of every track; a stop leaves the rest as it was
   * @return what was done and what was refused
   * @throws StoreBroken when the database cannot be read or written
   */
  public Outcome apply(Change change, Progress progress) {
    return apply(now -> change, progress);
  }

  /**
   * Alters the collection by a command, which is never out of date: it sees all that was done
   * before it.
   *
   * @param command makes the change
   * @param progress told of every track; a stop leaves the rest as it was
   * @return what was done and what was refused
   * @throws StoreBroken when the database cannot be read or written
   */
  public synchronized Outcome apply(Command command, Progress progress) {
    Command inStep = now -> FiguresInStep.with(now.snapshot(), now.codebook(), command.on(now));
    return apply(inStep, Undo.NONE, progress);
  }

  private synchronized Outcome apply(Command command, Undo undo, Progress progress) {
    executor.clearLeftovers(state);
    if (!ledger.waiting().isEmpty()) {
      confirmOpen();
    }
    Change change = newest(command, progress);
    ChangeExecutor.Executed done = executor.execute(state, change, undo, clock.instant(), progress);
    CollectionState before = state;
    moment++;
    done.change().tracks().forEach((int id) -> writtenAt.put(id, moment));
    applyDocuments(done);
    applyCells(done.cells());
    if (done.others()) {
      publish(before, state, state.snapshot().known());
    }
    return done.outcome();
  }

  /** Lets no track be altered, or lets it again; what is under way ends before this returns. */
  public synchronized void holdStill(boolean on) {
    executor.holdStill(on);
  }

  /** What a command says of the collection once all was taken in that it depends on. */
  private Change newest(Command command, Progress progress) {
    Change change = command.on(state);
    boolean plainFiles = change.hasDocuments() && takePlainFiles();
    boolean newFields = disks.catchUp(change, progress);
    return plainFiles || newFields ? command.on(state) : change;
  }

  private void applyDocuments(ChangeExecutor.Executed done) {
    if (!done.others()) {
      return;
    }
    Codebook before = state.codebook();
    CollectionState after = state.withDocuments(done.change().edits());
    Snapshot tracks = after.snapshot();
    state =
        after.codebook().equals(before)
            ? after
            : after.with(Derived.refreshed(tracks, after.codebook(), tracks.known()));
    plain.write(state);
  }

  private void applyCells(List<Cell> cells) {
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
    for (Consumer<Delta> listener : listeners) {
      try {
        listener.accept(delta);
      } catch (RuntimeException | Error broken) {
        // what was done is done: a view that breaks over it must not make it look undone
        startupProblems.addView(broken);
      }
    }
  }

  /** The ledger and what can be taken back of it. */
  public UndoRedo undoing() {
    return undoing;
  }

  /** The ledger, the newest entry first. */
  public List<LedgerEntry> history() {
    return ledger.entries();
  }

  /** The edits of a ledger entry. */
  public Optional<Change> change(long number) {
    return ledger.change(number);
  }

  /**
   * Takes a change back, track by track, to the byte. See {@link UndoRedo#undo}.
   *
   * @throws IllegalArgumentException when there is no such change, or it was taken back already
   * @throws StoreBroken when the database cannot be read or written
   */
  public Outcome undo(long number, Progress progress) {
    return undoing.undo(number, true, progress);
  }

  /** The change that undo would take back next; one that refused to be is passed over. */
  public Optional<LedgerEntry> nextUndo() {
    return undoing.next();
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

  /** Counts changes: what is read off a file is compared with it when it is kept. */
  long moment() {
    return moment;
  }

  /**
   * Stores and takes over what was read off files. What a change wrote since is newer, and stays.
   *
   * @param since the {@link #moment} before the files were read
   */
  synchronized void keep(List<Cell> cells, long since) {
    List<Cell> fresh =
        cells.stream().filter(c -> writtenAt.getOrDefault(c.id(), 0L) <= since).toList();
    store.put(fresh);
    applyCells(fresh);
  }

  /** Takes a folder as a root, or gives a root another folder. */
  synchronized void keepRoot(String name, Path folder) {
    store.putRoot(name, folder);
    Map<String, Path> roots = new LinkedHashMap<>(state.roots());
    roots.put(name, folder);
    CollectionState before = state;
    state = before.with(roots);
    publish(before, state, new RoaringBitmap());
  }

  /** Notes today how whole the collection is. */
  public void noteCompleteness() {
    Weave weave = Weave.of(state.snapshot(), state.codebook(), WeaveBy.FOLDER);
    if (weave.total().tracks() > 0) {
      store.putCompleteness(today().toString(), weave.total().whole(), weave.total().tracks());
    }
  }

  /** How whole the collection was, one point a day. */
  public List<Store.Completeness> completenessHistory() {
    return store.completenessHistory();
  }

  /**
   * Reads the files that may be copies of one another, so that groups of the same bytes are known.
   *
   * @param progress told of every file; a stop keeps what was read so far
   * @return files that could not be read
   */
  public List<Refusal> compareCopies(Progress progress) {
    List<Refusal> troubles = new ArrayList<>();
    long since = moment;
    keep(Copies.contents(state, progress, troubles), since);
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
   * @param cells values of fields that are {@link FieldOrigin#MEASURED}
   * @throws IllegalArgumentException when one is of another field
   */
  public synchronized void note(List<Cell> cells) {
    for (Cell cell : cells) {
      if (cell.field().origin() != FieldOrigin.MEASURED) {
        throw new IllegalArgumentException(cell.field() + " is not measured");
      }
    }
    keep(cells, moment);
  }

  /**
   * Writes a whole copy of the database as it is now.
   *
   * @param copy must not be there
   */
  public void copyDatabase(Path copy) {
    store.copyTo(copy);
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
    return settings.get(name);
  }

  /** Remembers a setting of the interface. */
  public void keepSetting(String name, String text) {
    settings.note(name, text).run();
  }

  /** The same, known at once; what is returned writes it, and may have to wait for a scan. */
  public Runnable noteSetting(String name, String text) {
    return settings.note(name, text);
  }

  @Override
  public synchronized void close() {
    if (closed) {
      return;
    }
    closed = true;
    try {
      if (store.cached().filter(state.snapshot()::equals).isEmpty()) { // else it was noted before
        noteCompleteness();
      }
    } finally {
      covers.close();
      store.close(state.snapshot());
    }
  }
}
