package tenterhook.core.duplicate;

import java.util.HashMap;
import java.util.Map;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.track.Snapshot;

/**
 * What a collection says about tracks, as far as preferences ask.
 *
 * @param snapshot the tracks
 * @param crates in how many crates that are filled by hand a track is; those in none may lack
 */
record PreferenceContext(Snapshot snapshot, Map<Integer, Integer> crates) {
  static PreferenceContext of(Snapshot snapshot, Crates shelves) {
    Map<Integer, Integer> crates = new HashMap<>();
    for (Crate crate : shelves.all()) {
      if (crate instanceof Crate.HandCrate hand) {
        hand.tracks().forEach(id -> crates.merge(id, 1, Integer::sum));
      }
    }
    return new PreferenceContext(snapshot, crates);
  }
}
