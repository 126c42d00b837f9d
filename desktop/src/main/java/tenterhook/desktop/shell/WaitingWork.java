package tenterhook.desktop.shell;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.state.Delta;
import tenterhook.core.arrival.Arrivals;
import tenterhook.core.code.Codebook;
import tenterhook.core.track.KeptTracks;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.code.CodingModel;
import tenterhook.desktop.workspace.ArrivalsModel;
import tenterhook.desktop.workspace.Station;

/**
 * The tracks that wait at stations, kept in step with the collection by its deltas, on the thread
 * that makes them. Counting them all is for another thread than the toolkit's.
 */
final class WaitingWork {
  private final MusicCollection collection;
  private List<String> demanded = List.of();
  private volatile @Nullable Map<Station, KeptTracks> kept;

  WaitingWork(MusicCollection collection) {
    this.collection = collection;
    collection.listen(this::changed);
  }

  /** Counts all tracks: for the first time, and when other things are demanded. */
  synchronized void count() {
    CollectionState state = collection.state();
    demanded = ArrivalsModel.demanded(collection);
    kept = counted(state.snapshot(), state.codebook());
  }

  private Map<Station, KeptTracks> counted(Snapshot snapshot, Codebook book) {
    List<String> keys = demanded;
    Map<Station, Function<Snapshot, IntPredicate>> tests =
        Map.of(
            Station.ARRIVALS, at -> Arrivals.isOpen(at, book, keys),
            Station.CODING, at -> CodingModel.waits(at, book),
            Station.LOST, at -> at::lost);
    return Map.copyOf(
        tests.entrySet().stream()
            .collect(
                Collectors.toMap(Map.Entry::getKey, t -> KeptTracks.of(snapshot, t.getValue()))));
  }

  private synchronized void changed(Delta delta) {
    Map<Station, KeptTracks> before = kept;
    if (before == null) {
      return;
    }
    Snapshot after = delta.after().snapshot();
    kept =
        delta.codebookChanged()
            ? counted(after, delta.after().codebook())
            : Map.copyOf(
                before.entrySet().stream()
                    .collect(
                        Collectors.toMap(
                            Map.Entry::getKey, k -> k.getValue().after(after, delta.changed()))));
  }

  /** How many tracks wait at a station; 0 where no tracks are counted, or none were yet. */
  int at(Station station) {
    Map<Station, KeptTracks> now = kept;
    KeptTracks tracks = now == null ? null : now.get(station);
    return tracks == null ? 0 : tracks.count();
  }
}
