package tenterhook.desktop.workspace;

import java.util.Arrays;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.arrival.Arrivals;
import tenterhook.core.arrival.Arrivals.Batch;
import tenterhook.core.arrival.Pace;
import tenterhook.core.arrival.PathPattern;
import tenterhook.core.change.Change;
import tenterhook.core.change.Place;
import tenterhook.core.repair.Proposal;

/** What the arrivals station knows, without a node: what is demanded, what waits, where it goes. */
public final class ArrivalsModel {
  private static final String DEMANDED = "finished track";
  private static final String PATTERN = "path pattern";

  private ArrivalsModel() {}

  /** Keys of what the DJ demands of a finished track. */
  public static List<String> demanded(MusicCollection collection) {
    return collection
        .setting(DEMANDED)
        .map(text -> Arrays.stream(text.split("\n")).filter(k -> !k.isEmpty()).toList())
        .orElseGet(() -> Arrivals.demandedAtFirst(collection.state().codebook()));
  }

  /** Remembers what the DJ demands. */
  public static void demand(Workspace workspace, List<String> keys) {
    workspace.keepSetting(DEMANDED, String.join("\n", keys));
  }

  /** The tracks that are not finished. */
  public static RoaringBitmap waiting(MusicCollection collection) {
    CollectionState state = collection.state();
    return Arrivals.open(state.snapshot(), state.codebook(), demanded(collection));
  }

  /** What came in and is not yet settled, the latest first. */
  public static List<Batch> batches(MusicCollection collection) {
    CollectionState state = collection.state();
    return Arrivals.batches(state.snapshot(), state.codebook(), demanded(collection));
  }

  /** The certain ones among proposals that concern a batch. */
  public static List<Proposal> of(Batch batch, List<Proposal> certain) {
    return certain.stream().filter(p -> batch.all().contains(p.id())).toList();
  }

  /** How long a track takes the DJ, read off the ledger. */
  public static Pace pace(MusicCollection collection) {
    return Pace.of(collection.history());
  }

  /** The pattern that was used last. */
  public static String pattern(MusicCollection collection) {
    return collection.setting(PATTERN).orElse(PathPattern.USUAL);
  }

  /** Remembers the pattern by which arrivals are moved into place. */
  public static void keepPattern(Workspace workspace, String pattern) {
    workspace.keepSetting(PATTERN, pattern);
  }

  /**
   * The change that moves files under a root.
   *
   * @throws IllegalArgumentException when the pattern cannot be read; the message says why
   */
  public static Change moves(
      MusicCollection collection, RoaringBitmap ids, String root, String pattern) {
    CollectionState state = collection.state();
    return PathPattern.of(pattern).moves(state.snapshot(), ids, root, state::taken);
  }

  /** The roots that files can be moved under: those that are there now. */
  public static List<String> roots(MusicCollection collection) {
    CollectionState state = collection.state();
    return state.roots().keySet().stream()
        .filter(r -> !r.equals(Place.HOLDING_BAY) && !state.away(state.roots().get(r)))
        .sorted()
        .toList();
  }
}
