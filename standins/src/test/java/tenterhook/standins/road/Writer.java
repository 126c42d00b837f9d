package tenterhook.standins.road;

import java.nio.file.Path;
import java.time.InstantSource;
import java.util.Map;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;

/** A program of its own that writes to every file of a collection, to be killed in the middle. */
final class Writer {
  private Writer() {}

  /** Writes the album given as second argument on all tracks of the collection in the first. */
  public static void main(String[] args) throws Exception {
    try (MusicCollection collection =
        MusicCollection.open(Path.of(args[0]), InstantSource.system())) {
      Snapshot now = collection.state().snapshot();
      System.out.println("writing");
      Progress said = (done, total, words) -> System.out.println(done);
      collection.apply(TrackEdits.set(now, now.tracks(), Map.of(Fields.ALBUM, args[1])), said);
    }
  }
}
