package tenterhook.desktop.workspace;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.ForkJoinTask;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.catalogue.CatalogueClient;
import tenterhook.adapters.catalogue.CatalogueClient.Manners;
import tenterhook.adapters.catalogue.CatalogueSources;
import tenterhook.adapters.repair.RepairService;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.catalogue.AbsentTracks;
import tenterhook.core.catalogue.Catalogue;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.core.catalogue.Lookup;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.CrateEffect;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.RepairRules;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.ExternalServices.CatalogueStarter;
import tenterhook.desktop.workspace.ExternalServices.RunningCatalogue;

/**
 * The proposals of the open collection as the window sees them: kept in step beside the window, and
 * what can be done with them. No nodes. Its property changes on the toolkit's thread only.
 */
public final class RepairsModel {
  private static final List<Field<?>> LOOKED_UP =
      List.of(
          Fields.ARTIST,
          Fields.TITLE,
          Fields.ALBUM,
          Fields.YEAR,
          Fields.GENRE,
          Fields.TRACK,
          Fields.ARTWORK);

  private final Workspace workspace;
  private final RepairService repairService;
  private final ReadOnlyObjectWrapper<List<Proposal>> proposals =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<List<String>> sources;
  private final ExecutorService keeper =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().name("repairs").factory());
  private final AtomicInteger waiting = new AtomicInteger();
  private boolean begun;
  private volatile @Nullable Catalogue replacement;
  private volatile @Nullable Catalogue lastAsked;
  private final CatalogueSources catalogues;
  private final CatalogueStarter starter;
  private @Nullable RunningCatalogue service;

  /**
   * The proposals of a workspace's collection; nothing is looked at yet.
   *
   * @param starter starts the catalogue that ships
   */
  RepairsModel(Workspace workspace, CatalogueStarter starter) {
    this.workspace = workspace;
    this.starter = starter;
    this.catalogues = new CatalogueSources(this::standIn);
    this.sources = new ReadOnlyObjectWrapper<>(CatalogueSources.of(workspace.collection()));
    this.repairService = new RepairService(workspace.collection());
    workspace.state().addListener((o, before, after) -> follow());
  }

  /** The newest proposals; empty before the first look. */
  public ReadOnlyObjectProperty<List<Proposal>> proposals() {
    return proposals.getReadOnlyProperty();
  }

  /** What keeps them, for a test. */
  public RepairService repairService() {
    return repairService;
  }

  /**
   * Looks at the whole collection for the first time, beside the jobs; asked again, does nothing.
   */
  public void look() {
    if (!begun) {
      begun = true;
      workspace.chore(
          Words.of("repairs.job"),
          true,
          p -> leavingCore(() -> repairService.look(p)),
          proposals::set,
          () -> begun = repairService.looked());
    }
  }

  /** Looks on all cores but one, which is left for the hand. */
  private List<Proposal> leavingCore(Runnable look) {
    int cores = Math.max(1, Runtime.getRuntime().availableProcessors() - 1);
    try (ForkJoinPool pool = new ForkJoinPool(cores)) {
      pool.invoke(ForkJoinTask.adapt(look));
    }
    return repairService.proposals();
  }

  /** Brings the property in step with what is kept. */
  public void follow() {
    beside(repairService::proposals, proposals::set);
  }

  /** Work of a moment, beside the window and beside jobs. */
  public <T> void beside(java.util.function.Supplier<T> work, Consumer<T> then) {
    waiting.incrementAndGet();
    keeper.submit(
        () -> {
          try {
            T result = work.get();
            Platform.runLater(() -> then.accept(result));
          } catch (RuntimeException | Error broken) {
            Platform.runLater(
                () ->
                    workspace
                        .frame()
                        .inform(Words.of("told.failed", Words.of("job.reading"), broken), true, 0));
          } finally {
            Platform.runLater(waiting::decrementAndGet);
          }
        });
  }

  /** Whether nothing is being looked at, seen from any thread. */
  public boolean quiet() {
    return waiting.get() == 0;
  }

  /** The proposals of a list that may be taken in bulk: certain, and the track is not guarded. */
  public List<Proposal> certain(List<Proposal> some) {
    Snapshot snapshot = workspace.collection().state().snapshot();
    int from = rules().certainFrom();
    return some.stream()
        .filter(p -> p.certainty() >= from && snapshot.isBlank(p.id(), Fields.GUARDED))
        .toList();
  }

  /** Accepts proposals of one kind. */
  public void accept(RepairKind kind, List<Proposal> some) {
    accept(some, Words.of("repair.did." + kind.key()));
  }

  /** Accepts proposals of several kinds as one change. */
  public void acceptAll(List<Proposal> some) {
    accept(some, Words.of("repair.did.all"));
  }

  private void accept(List<Proposal> some, String words) {
    Change change = repairService.change(some, words);
    if (change.isEmpty()) {
      workspace.frame().inform(Words.of("repairs.guarded"), false, 0);
      return;
    }
    workspace.job(
        change.title(), some.size() > 20, p -> repairService.apply(change, p), workspace::told);
  }

  /** Accepts one proposal with other values than it proposed. */
  public void acceptAs(Proposal proposal, List<SetField> edits) {
    accept(
        proposal.kind(),
        List.of(
            new Proposal(
                proposal.kind(),
                proposal.decision(),
                proposal.id(),
                edits,
                100,
                proposal.reason())));
  }

  /** What is settled. */
  public RepairRules rules() {
    return repairService.rules();
  }

  /** Settles something for good, and says so. */
  public void settle(RepairRules rules, String told) {
    repairService.settle(rules);
    follow();
    workspace.frame().inform(told, false, 0);
  }

  /** Refuses a kind for tracks. */
  public void dismiss(RepairKind kind, RoaringBitmap ids) {
    settle(
        rules().dismissing(kind, ids, true),
        Words.of("repairs.dismissed", ids.getCardinality(), Words.of("repair.kind." + kind.key())));
  }

  /** Brings back all that was refused, kinds and tracks. */
  public void bringBack() {
    settle(rules().refusingNothing(), Words.of("repairs.back"));
  }

  /** The tracks with a hole that a catalogue could close. */
  public RoaringBitmap toLookUp() {
    Snapshot snapshot = workspace.state().get().snapshot();
    return snapshot.tracks(
        id ->
            !snapshot.lost(id)
                && repairService.answer(id).isEmpty()
                && LOOKED_UP.stream().anyMatch(f -> f.isHole(snapshot.raw(id, f))));
  }

  /** Asks the catalogues as a job; what they say is kept, also when it stops halfway. */
  public void lookUp(RoaringBitmap ids) {
    workspace.independentJob(
        Words.of("catalogue.job"), p -> repairService.lookUp(ids, catalogue(p), p), this::said);
  }

  /** Asks for all tracks with a hole, now and on this thread. */
  public Lookup.LookedUp lookUpNow(Progress progress) throws IOException {
    return repairService.lookUp(toLookUp(), catalogue(progress), progress);
  }

  private void said(Lookup.LookedUp found) {
    follow();
    long answered = found.answers().values().stream().filter(a -> !a.matches().isEmpty()).count();
    String said = Words.of("catalogue.said", answered, found.answers().size());
    String leftOut = catalogues.leftOut();
    boolean trouble = !found.trouble().isEmpty();
    String then = trouble ? found.trouble() : leftOut;
    workspace
        .frame()
        .inform(then.isEmpty() ? said : Words.of("catalogue.trouble", said, then), trouble, 0);
  }

  /** The tracks of a release that the collection does not have; asked beside the window. */
  public void missing(CatalogueEntry entry, Consumer<List<CatalogueEntry>> then) {
    Snapshot snapshot = workspace.state().get().snapshot();
    workspace.unseen(
        Words.of("catalogue.job"),
        p -> {
          try {
            Catalogue known = lastAsked;
            Catalogue asked = known == null ? catalogue(p) : known;
            List<CatalogueEntry> byOne = asked.album(entry.album(), entry.artist());
            boolean several = byOne.size() < 2;
            return AbsentTracks.of(snapshot, several ? asked.album(entry.album(), "") : byOne);
          } catch (IOException | Catalogue.Unanswered unanswered) {
            return List.<CatalogueEntry>of(); // the list is an extra; the answer itself is there
          } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return List.<CatalogueEntry>of();
          }
        },
        then);
  }

  /** Another catalogue than those of the collection, for a test. */
  public void use(Catalogue other) {
    replacement = other;
  }

  /** The catalogues that are asked, the most believed first. */
  public ReadOnlyObjectProperty<List<String>> sources() {
    return sources.getReadOnlyProperty();
  }

  /** Lets these be asked from now on, and says so. */
  public void ask(List<String> some) {
    beside(() -> asking(some), this::toldSources);
  }

  /** Adds a catalogue behind the others, or says why it can be none. */
  public void alsoAsk(String source) {
    beside(
        () -> {
          try {
            Collection<Path> roots = workspace.collection().state().roots().values();
            String checked = CatalogueSources.checked(source, roots);
            List<String> all = new ArrayList<>(CatalogueSources.of(workspace.collection()));
            all.remove(checked);
            all.add(checked);
            List<String> asked = asking(all);
            return (Runnable) () -> toldSources(asked);
          } catch (IOException none) {
            return (Runnable) () -> workspace.frame().inform(none.getMessage(), true, 0);
          }
        },
        Runnable::run);
  }

  /** Keeping may have to wait for a scan, so it is done beside the window. */
  private List<String> asking(List<String> some) {
    repairService.askFrom(some);
    lastAsked = null;
    return List.copyOf(some);
  }

  private void toldSources(List<String> asked) {
    sources.set(asked);
    follow();
    workspace.frame().inform(Words.of("catalogue.toldSources", asked.size()), false, 0);
  }

  /** Opens what the collection asks; files are read anew, as they may have changed. */
  private Catalogue catalogue(Progress progress) throws IOException {
    Catalogue other = replacement;
    Catalogue opened =
        other != null
            ? other
            : catalogues.open(CatalogueSources.of(workspace.collection()), progress);
    lastAsked = opened;
    return opened;
  }

  /** The service that ships starts when it is first asked. */
  private synchronized Catalogue standIn() throws IOException {
    RunningCatalogue started = starter.start();
    service = started;
    return new CatalogueClient(started.address(), Manners.NEIGHBOURLY, Thread::sleep);
  }

  /** What proposals would do to crates; found beside the window. */
  public void effects(List<Proposal> some, Consumer<List<CrateEffect>> then) {
    CollectionState state = workspace.state().get();
    workspace.latestOnly(
        this,
        () -> {
          List<Cell> cells = new ArrayList<>();
          RoaringBitmap changed = new RoaringBitmap();
          for (Proposal one : some) {
            for (SetField edit : one.edits()) {
              cells.add(new Cell(edit.id(), edit.field(), edit.after()));
              changed.add(edit.id());
            }
          }
          Snapshot next =
              Derived.refreshed(state.snapshot().with(cells), state.codebook(), changed);
          CrateContents now =
              new CrateContents(
                  state.snapshot(),
                  state.codebook(),
                  state.crates(),
                  workspace.collection().today());
          return CrateEffect.of(state.crates(), now, next, changed);
        },
        then);
  }

  /** Ends the work beside the window, and the service if it was started. */
  public synchronized void close() {
    keeper.shutdownNow();
    if (service != null) {
      service.close();
    }
  }
}
