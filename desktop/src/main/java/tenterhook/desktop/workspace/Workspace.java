package tenterhook.desktop.workspace;

import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.value.ObservableValue;
import javafx.collections.ObservableList;
import javafx.scene.Node;
import javafx.util.Duration;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.state.Delta;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.LedgerEntry;
import tenterhook.core.change.Outcome;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.job.Progress;
import tenterhook.desktop.theme.Words;

/**
 * What every station works with: the collection, jobs, changes, messages, and the way to other
 * stations. Its properties change on the toolkit's thread only.
 */
public final class Workspace {
  private static final String KEYS = "keys";

  private final MusicCollection collection;
  private final ReadOnlyObjectWrapper<CollectionState> state;
  private final SimpleObjectProperty<Integer> chosen = new SimpleObjectProperty<>(0);
  private final Jobs jobs = new Jobs(words -> frame().inform(words, true, 0));
  private final AtomicBoolean posted = new AtomicBoolean();
  private volatile LatestState newest;
  private CrateContents contents;
  private final RepairsModel repairs;
  private final Listening listening;
  private final CoverImages covers;
  private final MeasuringModel measuring;
  private final NarrowingModel narrowing;
  private final SimpleBooleanProperty wheelKeys = new SimpleBooleanProperty();
  private final Timeline ticking = new Timeline(new KeyFrame(Duration.seconds(20), e -> tick()));
  private Frame frame = new Frame() {};

  /**
   * The workspace of a collection.
   *
   * @param outside what it uses of the world outside
   */
  public Workspace(MusicCollection collection, ExternalServices outside) {
    this.collection = collection;
    this.state = new ReadOnlyObjectWrapper<>(collection.state());
    this.contents = collection.contents();
    this.newest = new LatestState(collection.state(), contents);
    this.repairs = new RepairsModel(this, outside.catalogue());
    this.listening = new Listening(this, outside.outputs(), outside.silent());
    this.covers =
        new CoverImages(
            (id, side) -> collection.covers().small(id).flatMap(b -> CoverImages.read(b, side)),
            Platform::runLater);
    this.measuring = new MeasuringModel(this);
    this.narrowing = new NarrowingModel(this);
    this.wheelKeys.set(collection.setting(KEYS).map("wheel"::equals).orElse(false));
    collection.listen(this::changed);
    ticking.setCycleCount(Animation.INDEFINITE);
    ticking.play();
  }

  /** Crates that count days back from today are made anew when a day begins. */
  void tick() {
    if (!collection.today().equals(contents.today())) {
      synchronized (this) {
        newest = new LatestState(newest.state(), newest.state().contents(collection.today()));
      }
      post();
    }
  }

  /** A finished moment of the collection, and what its crates hold then. */
  private record LatestState(CollectionState state, CrateContents contents) {
    /** Brings crates in step: after plain edits only the changed tracks are tested again. */
    LatestState after(Delta delta) {
      CollectionState next = delta.after();
      boolean others = delta.codebookChanged() || delta.cratesChanged();
      return new LatestState(
          next,
          others
              ? next.contents(contents.today())
              : contents.after(next.snapshot(), delta.changed()));
    }
  }

  /** The proposals for this collection. */
  public RepairsModel repairs() {
    return repairs;
  }

  /** Small pictures of covers. */
  public CoverImages covers() {
    return covers;
  }

  /** Listening to the chosen track. */
  public Listening listening() {
    return listening;
  }

  /** Measuring tracks, and what came of it. */
  public MeasuringModel measuring() {
    return measuring;
  }

  /** What lists are narrowed to, beyond one list. */
  public NarrowingModel narrowing() {
    return narrowing;
  }

  /** Whether keys are shown as numbers on the wheel of fifths. */
  public ReadOnlyBooleanProperty wheelKeys() {
    return wheelKeys;
  }

  /** Shows keys the other way, and remembers it. */
  public void otherKeys() {
    wheelKeys.set(!wheelKeys.get());
    keepSetting(KEYS, wheelKeys.get() ? "wheel" : "notes");
  }

  /** On the thread that made the change: the toolkit's only takes over what came of it. */
  private void changed(Delta delta) {
    synchronized (this) {
      newest = newest.after(delta);
    }
    post();
  }

  /** What the crates hold at the newest moment; for the toolkit's thread only. */
  public CrateContents contents() {
    return contents;
  }

  private void post() {
    if (posted.compareAndSet(false, true)) {
      Platform.runLater(
          () -> {
            posted.set(false);
            LatestState now = newest;
            contents = now.contents();
            state.set(now.state());
          });
    }
  }

  /** Says by which window the stations are shown. */
  public void frame(Frame window) {
    this.frame = window;
  }

  /** The open collection. */
  public MusicCollection collection() {
    return collection;
  }

  /** The newest finished moment. */
  public ReadOnlyObjectProperty<CollectionState> state() {
    return state.getReadOnlyProperty();
  }

  /**
   * Refreshes a view after every change while it can be seen; one that is hidden is refreshed when
   * it comes into view, so that an edit costs no more than what is on screen.
   *
   * @param node of the view
   * @param refresh what to do
   */
  public void whileInView(Node node, Runnable refresh) {
    whileInView(state, node, refresh);
  }

  /** The same after every change of something else. */
  public void whileInView(ObservableValue<?> what, Node node, Runnable refresh) {
    what.addListener(
        (o, before, after) -> {
          if (node.getScene() != null) {
            refresh.run();
          }
        });
  }

  /**
   * Chooses a track for a view; one that is not in sight, and only keeps itself in step, has no say
   * in what the strip shows and plays.
   *
   * @param view the one that asks
   * @param id the track
   */
  public void choose(Node view, int id) {
    if (view.getScene() != null) {
      chosen.set(id);
    }
  }

  /** The track that was chosen last, 0 for none; shown in the strip. */
  public SimpleObjectProperty<Integer> chosen() {
    return chosen;
  }

  /** The window. */
  public Frame frame() {
    return frame;
  }

  /** What runs and is shown. */
  public ObservableList<RunningJob> jobs() {
    return jobs.shown();
  }

  /** Makes a change by the one executor and says what became of it. */
  public void apply(Change change) {
    if (change.isEmpty()) {
      frame.inform(Words.of("told.nothing"), false, 0);
      return;
    }
    long files = change.edits().stream().filter(e -> e instanceof Edit.OfTrack).count();
    job(change.title(), files > 20, p -> collection.apply(change, p), this::told);
  }

  /**
   * Alters the collection by a command, made from the collection as it is when its turn comes, so
   * that quick hands are never refused.
   *
   * @param name shown when it takes long
   * @param tracks how many it concerns
   * @param command makes the change
   */
  public void command(String name, int tracks, MusicCollection.Command command) {
    job(name, tracks > 20, p -> collection.apply(command, p), this::told);
  }

  /** Takes the last change back. */
  public void undo() {
    undo(MusicCollection::nextUndo, "told.noUndo");
  }

  /** Does again what was taken back last. */
  public void redo() {
    undo(MusicCollection::nextRedo, "told.noRedo");
  }

  /** Which change it is says the ledger, when all that was begun before is in it. */
  private void undo(Function<MusicCollection, Optional<LedgerEntry>> which, String none) {
    job(
        Words.of("job.undoLast"),
        false,
        p -> which.apply(collection),
        found ->
            found.ifPresentOrElse(
                e -> undo(e.number()), () -> frame.inform(Words.of(none), false, 0)));
  }

  /**
   * Takes back a change of the ledger. Where the very bytes of a file cannot be made again, the DJ
   * is asked whether the old values will do.
   */
  public void undo(long number) {
    undo(number, true);
  }

  private void undo(long number, boolean exactly) {
    job(
        Words.of("job.undo", String.valueOf(number)),
        true,
        p -> collection.undoing().undo(number, exactly, p),
        outcome -> {
          told(outcome);
          long values = outcome.refused().stream().filter(Outcome.Refusal::valuesWouldDo).count();
          if (exactly && values > 0) {
            frame.ask(
                Words.of("ask.undoValues", values),
                Words.of("do.undoValues"),
                () -> undo(number, false));
          }
        });
  }

  /** Says what became of a change; with a button that takes it back. */
  public void told(Outcome outcome) {
    post();
    if (!outcome.unconfirmed().isEmpty()) {
      Outcome.Refusal first = outcome.unconfirmed().getFirst();
      frame.inform(
          Words.of("told.unconfirmed", outcome.unconfirmed().size(), first.path(), first.reason()),
          true,
          outcome.number());
    } else if (outcome.refused().isEmpty() && outcome.tracks() + outcome.number() == 0) {
      frame.inform(Words.of("told.nothing"), false, 0);
    } else if (outcome.refused().isEmpty()) {
      String note = outcome.notes().isEmpty() ? "" : "; " + noted(outcome.notes().getFirst());
      frame.inform(outcome.title() + note, false, outcome.number());
    } else {
      Outcome.Refusal first = outcome.refused().getFirst();
      String name = first.path().substring(first.path().lastIndexOf('/') + 1);
      frame.inform(
          Words.of(
              "told.refused", outcome.tracks(), outcome.refused().size(), name, first.reason()),
          true,
          outcome.number());
    }
  }

  private static String noted(Outcome.Refusal note) {
    return note.path().substring(note.path().lastIndexOf('/') + 1) + " " + note.reason();
  }

  /** Long work. */
  @FunctionalInterface
  public interface Work<T> {
    /** Does it; told to stop through its progress. */
    T run(Progress progress) throws Exception;
  }

  /**
   * Runs work beside the window, one after the other.
   *
   * @param name shown with its progress
   * @param visible whether it is shown at all; short work is not
   * @param work what to do
   * @param then gets the result on the toolkit's thread
   */
  public <T> void job(String name, boolean visible, Work<T> work, Consumer<T> then) {
    jobs.job(name, visible, work, then);
  }

  /**
   * Runs work that takes long and that no job need wait for, shown like a job.
   *
   * @param name shown with its progress
   * @param work what to do
   * @param then gets the result on the toolkit's thread
   */
  public <T> void independentJob(String name, Work<T> work, Consumer<T> then) {
    independentJob(name, work, then, () -> {});
  }

  /**
   * Runs what the program does by itself, such as to look whether all files are there: one after
   * the other, so that a core is left for the hand.
   *
   * @param visible whether it is shown with its progress
   * @param work what to do
   * @param then gets the result on the toolkit's thread
   */
  public <T> void chore(String name, boolean visible, Work<T> work, Consumer<T> then) {
    jobs.chore(name, visible, work, then, () -> {});
  }

  /**
   * The same.
   *
   * @param ended called on the toolkit's thread when it is over, well or not
   */
  public <T> void chore(
      String name, boolean visible, Work<T> work, Consumer<T> then, Runnable ended) {
    jobs.chore(name, visible, work, then, ended);
  }

  /**
   * Runs long work that no job need wait for and that need not be seen.
   *
   * @param name said when it fails
   * @param work what to do
   * @param then gets the result on the toolkit's thread
   */
  public <T> void unseen(String name, Work<T> work, Consumer<T> then) {
    jobs.unseen(name, work, then);
  }

  /**
   * The same.
   *
   * @param ended called on the toolkit's thread when it is over, well or not
   */
  public <T> void independentJob(String name, Work<T> work, Consumer<T> then, Runnable ended) {
    jobs.independentJob(name, work, then, ended);
  }

  /**
   * Reads something small beside the window, without a word.
   *
   * @param work what to read
   * @param then gets it on the toolkit's thread
   */
  public <T> void background(Callable<T> work, Consumer<T> then) {
    jobs.background(work, then);
  }

  /**
   * Works out beside the window what a view is to show; an answer that came too late, since the
   * same view has asked again, is dropped.
   *
   * @param owner who asks
   * @param work what to work out, from what does not change
   * @param then gets it on the toolkit's thread
   */
  public <T> void latestOnly(Object owner, Callable<T> work, Consumer<T> then) {
    jobs.latestOnly(owner, work, then);
  }

  /**
   * The same for what is mostly quick: then it is shown within the frame.
   *
   * @param owner who asks
   * @param work what to work out, from what does not change
   * @param then gets it on the toolkit's thread
   */
  public <T> void promptly(Object owner, Callable<T> work, Consumer<T> then) {
    jobs.promptly(owner, work, then);
  }

  /** The first track with artwork that a text of the find language finds. */
  public Optional<Integer> findOne(String text) {
    if (FindParser.parse(text, state.get().codebook()) instanceof Parsed.Good good) {
      RoaringBitmap found = contents.finder().find(good.query(), state.get().snapshot().tracks());
      return found.stream()
          .boxed()
          .filter(id -> !state.get().snapshot().raw(id, Fields.ARTWORK).isEmpty())
          .findFirst();
    }
    return Optional.empty();
  }

  /** Remembers a setting: known at once, and written beside the window. */
  public void keepSetting(String name, String text) {
    Runnable write = collection.noteSetting(name, text);
    job(
        Words.of("job.settings"),
        false,
        p -> {
          write.run();
          return true;
        },
        done -> {});
  }

  /**
   * Does something small once the hand rests, such as remembering a column's width.
   *
   * @param name a later call of the same name takes its place
   */
  public void debounced(String name, Runnable work) {
    jobs.debounced(name, work);
  }

  /** Whether views show what was wanted {@link #promptly}; may be asked from any thread. */
  public boolean upToDate() {
    return jobs.upToDate();
  }

  /** Lets what only belongs to later frames wait until {@link #firstFrame}. */
  public void waitForFirstFrame() {
    jobs.waitForFirstFrame();
  }

  /** The first frame is shown: now the rest may begin. */
  public void firstFrame() {
    jobs.firstFrame();
  }

  /** Whether no work is waiting or running, seen from any thread. */
  public boolean quiet() {
    return jobs.quiet() && !posted.get() && repairs.quiet() && covers.quiet();
  }

  /** Asks all work to stop and waits for what is under way. */
  public void close() {
    ticking.stop();
    jobs.stop();
    covers.close();
    listening.close();
    repairs.close();
    jobs.await();
    collection.close();
  }
}
