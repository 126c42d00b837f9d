package tenterhook.adapters.lost;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.collection.Playlists;
import tenterhook.adapters.duplicate.Resolving;
import tenterhook.core.change.Outcome;
import tenterhook.core.duplicate.SpareFate;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;

/** Puts another file in the place of a lost one. */
public final class Replacing {
  private Replacing() {}

  /**
   * The file takes over the lost track's codes, plays, places in crates, rating and all that it
   * lacks; the lost track leaves the collection. One change, which undo takes back.
   *
   * @param lost the lost track
   * @param file a music file; brought in where it is when the collection does not know it
   * @return what was done
   * @throws IOException when the file cannot be brought in; nothing is done then
   */
  public static Outcome one(MusicCollection collection, int lost, Path file) throws IOException {
    Path target = file.toRealPath();
    if (new Playlists.TracksByPath(collection.state()).track(target).isEmpty()) {
      collection.disks().bring(List.of(target), Progress.SILENT);
    }
    int heir =
        new Playlists.TracksByPath(collection.state())
            .track(target)
            .orElseThrow(() -> new IOException(target + " could not be read as music"));
    if (collection.state().snapshot().lost(heir)) {
      throw new IOException(target + " is lost itself");
    }
    // a cover that went with the file cannot be carried over
    Set<String> declined =
        collection.covers().of(lost).isPresent() ? Set.of() : Set.of(Fields.ARTWORK.key());
    return Resolving.one(
        collection,
        new Resolving.Wanted(heir, List.of(lost), Map.of()),
        declined,
        new SpareFate.Remove(),
        true);
  }
}
