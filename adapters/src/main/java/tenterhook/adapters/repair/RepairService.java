package tenterhook.adapters.repair;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.catalogue.CatalogueSources;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.state.Delta;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.catalogue.Answer;
import tenterhook.core.catalogue.Catalogue;
import tenterhook.core.catalogue.Lookup;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.change.Outcome;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.Acceptance;
import tenterhook.core.repair.ArtworkCandidate;
import tenterhook.core.repair.ExternalEvidence;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairRules;
import tenterhook.core.repair.engine.Repairs;
import tenterhook.core.track.Snapshot;

/**
 * The proposals of an open collection, kept in step. {@link #look} first; from then on {@link
 * #proposals} follows every change. May be used from any thread; one works at a time.
 */
public final class RepairService {
  private static final String RULES = "repairs";
  private static final String ANSWERS = "catalogue";
  private static final String COVERS = "catalogueCovers";
  private static final String FITTED = "fitted covers";

  private final MusicCollection collection;
  private final FolderPictures pictures = new FolderPictures();
  private final RoaringBitmap changed = new RoaringBitmap();
  private CollectionState latest;
  private volatile RepairRules rules;
  private volatile ExternalEvidence externalEvidence;
  private volatile @Nullable Repairs repairs;
  private List<Proposal> proposals = List.of();
  private boolean stale;

  /** The mending of a collection; nothing is looked at yet. */
  public RepairService(MusicCollection collection) {
    this.collection = collection;
    this.latest = collection.state();
    this.rules = collection.setting(RULES).map(RepairsJson::rules).orElse(RepairRules.DEFAULT);
    this.externalEvidence =
        ExternalEvidence.none(collection.today().getYear())
            .withAnswers(
                collection.setting(ANSWERS).map(RepairsJson::answers).orElse(Map.of()),
                collection.setting(COVERS).map(RepairsJson::covers).orElse(Map.of()));
    collection.listen(this::changed);
  }

  /** Crates mean nothing to inspectors, and of a codebook they see by themselves what changed. */
  private void changed(Delta delta) {
    synchronized (changed) {
      latest = delta.after();
      if (!delta.codebookChanged() && !delta.cratesChanged()) {
        changed.or(delta.changed());
      }
    }
  }

  /**
   * Looks at the whole collection and at what lies beside it.
   *
   * @param progress told of folders and tracks; a stop leaves what was found so far
   */
  public synchronized void look(Progress progress) {
    CollectionState state = collection.state();
    Map<String, List<ExternalEvidence.Beside>> beside = pictures.look(state, progress);
    Map<String, Artwork> known =
        collection.setting(FITTED).map(RepairsJson::fitted).orElse(Map.of());
    Map<String, Artwork> fitted = FittedCovers.of(state, known, progress);
    if (!fitted.equals(known)) {
      collection.keepSetting(FITTED, RepairsJson.fitted(fitted));
    }
    externalEvidence =
        new ExternalEvidence(
            collection.today().getYear(),
            beside,
            fitted,
            externalEvidence.answers(),
            externalEvidence.covers());
    synchronized (changed) {
      changed.clear();
      state = collection.state();
      latest = state;
    }
    repairs = Repairs.of(state.snapshot(), state.codebook(), rules, externalEvidence, progress);
    stale = true;
  }

  /** Whether {@link #look} was called. */
  public boolean looked() {
    return repairs != null;
  }

  /** The proposals for the newest moment; empty before {@link #look}. */
  public synchronized List<Proposal> proposals() {
    follow(new RoaringBitmap());
    Repairs kept = repairs;
    if (stale && kept != null) {
      proposals = kept.proposals();
      stale = false;
    }
    return proposals;
  }

  /** Ids and the moment they belong to are taken together, or counts would go wrong. */
  private void follow(RoaringBitmap also) {
    Repairs repairs = this.repairs;
    if (repairs == null) {
      return;
    }
    CollectionState state;
    RoaringBitmap ids;
    synchronized (changed) {
      state = latest;
      ids = RoaringBitmap.or(changed, also);
      changed.clear();
    }
    boolean settled = !rules.equals(repairs.rules()) || !repairs.knows(state.codebook());
    if (!ids.isEmpty() || settled) {
      repairs.follow(state.snapshot(), state.codebook(), rules, externalEvidence, ids);
      stale = true;
    }
  }

  /** What the DJ settled; never waits. */
  public RepairRules rules() {
    return rules;
  }

  /** Settles something for good; never waits: {@link #proposals} follows when it is asked next. */
  public void settle(RepairRules other) {
    rules = other;
    collection.keepSetting(RULES, RepairsJson.rules(other));
  }

  /** The answer of the catalogue about a track, if it was asked; never waits. */
  public Optional<Answer> answer(int id) {
    return Optional.ofNullable(externalEvidence.answers().get(id));
  }

  /** The covers that a track could have, the best first. */
  public synchronized List<ArtworkCandidate> artworkFor(int id) {
    Repairs kept = repairs;
    return kept == null ? List.of() : kept.artworkFor(id);
  }

  /**
   * Asks the catalogue; answers are kept, also when it stops answering halfway.
   *
   * @param ids the tracks to ask for
   * @param catalogue who is asked
   * @param progress told of every track; a stop keeps what was found so far
   */
  public Lookup.LookedUp lookUp(RoaringBitmap ids, Catalogue catalogue, Progress progress) {
    List<String> sources = CatalogueSources.of(collection);
    Snapshot snapshot = collection.state().snapshot();
    Lookup.LookedUp found = Lookup.of(snapshot, ids, catalogue, progress);
    CatalogueCovers covers = new CatalogueCovers(catalogue, collection.covers());
    Map<Integer, ArtworkCandidate> offered = covers.of(snapshot, found.answers(), progress);
    if (!take(sources, found.answers(), offered)) {
      return new Lookup.LookedUp(
          Map.of(), "other catalogues were chosen meanwhile, so nothing of it was kept");
    }
    return found.trouble().isEmpty()
        ? new Lookup.LookedUp(found.answers(), covers.trouble())
        : found;
  }

  /**
   * Chooses which catalogues are asked from now on. What others said before is forgotten, so that
   * every track is asked about anew; what was taken stays.
   *
   * @param sources as {@link CatalogueSources#checked} returns them, the most believed first
   */
  public synchronized void askFrom(List<String> sources) {
    if (sources.equals(CatalogueSources.of(collection))) {
      return;
    }
    CatalogueSources.keep(collection, sources);
    RoaringBitmap asked = new RoaringBitmap();
    externalEvidence.answers().keySet().forEach(asked::add);
    keep(Map.of(), Map.of());
    follow(asked);
  }

  private void keep(Map<Integer, Answer> answers, Map<Integer, ArtworkCandidate> covers) {
    externalEvidence = externalEvidence.withAnswers(answers, covers);
    collection.keepSetting(ANSWERS, RepairsJson.answers(answers));
    collection.keepSetting(COVERS, RepairsJson.covers(covers));
  }

  /** Takes what was said, unless others are asked by now. */
  private synchronized boolean take(
      List<String> sources, Map<Integer, Answer> answers, Map<Integer, ArtworkCandidate> offered) {
    if (!sources.equals(CatalogueSources.of(collection))) {
      return false;
    }
    Map<Integer, Answer> all = new HashMap<>(externalEvidence.answers());
    all.putAll(answers);
    Map<Integer, ArtworkCandidate> covers = new HashMap<>(externalEvidence.covers());
    covers.keySet().removeAll(answers.keySet());
    covers.putAll(offered);
    keep(all, covers);
    RoaringBitmap ids = new RoaringBitmap();
    answers.keySet().forEach(ids::add);
    follow(ids);
    return true;
  }

  /**
   * The change that proposals make.
   *
   * @param accepted what was accepted
   * @param words what was mended, for the title
   */
  public Change change(List<Proposal> accepted, String words) {
    CollectionState state = collection.state();
    return Acceptance.of(state.snapshot(), state.codebook(), accepted, words);
  }

  /**
   * Applies a change after the pictures that it names were put where the road finds them.
   *
   * @param change what {@link #change} made, or a part of it
   * @param progress told of every track
   */
  public Outcome apply(Change change, Progress progress) {
    Set<String> provided = new HashSet<>();
    for (Edit edit : change.edits()) {
      if (edit instanceof SetField set && set.field() == Fields.ARTWORK) {
        Artwork.parse(set.after())
            .filter(art -> provided.add(art.sha256()))
            .ifPresent(art -> provide(art.sha256(), set.id()));
      }
    }
    return collection.apply(change, progress);
  }

  /**
   * The bytes of a picture that a proposal names: beside the music, kept, in another track, or
   * fitted.
   */
  public Optional<byte[]> picture(String sha256, int id) {
    Optional<byte[]> beside = pictures.bytes(sha256);
    Optional<byte[]> kept = beside.isPresent() ? beside : collection.covers().kept(sha256);
    if (kept.isPresent()) {
      return kept;
    }
    CollectionState state = collection.state();
    Optional<Integer> other =
        state
            .snapshot()
            .tracks(t -> state.snapshot().raw(t, Fields.ARTWORK).startsWith(sha256 + " "))
            .stream()
            .boxed()
            .findFirst();
    return other.isPresent() ? collection.covers().of(other.get()) : FittedCovers.bytes(state, id);
  }

  private void provide(String sha256, int id) {
    picture(sha256, id)
        .ifPresent(
            bytes -> {
              try {
                collection.covers().keep(bytes);
              } catch (Unreadable noPicture) {
                throw new IllegalStateException("a cover that was offered is a picture", noPicture);
              }
            });
  }
}
