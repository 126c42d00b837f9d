package tenterhook.standins.road;

import java.nio.file.Path;
import java.time.InstantSource;
import java.util.Map;
import tenterhook.backstage.collection.MusicCollection;
import tenterhook.core.change.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;

/** A program of its own that writes to every file of a collection, to be killed in the middle. */
final class Writer {
  /** Says after every file how many are done, so that the kill comes in the middle. */
  private static final Progress SAYING =
      new Progress() {
        @Override
        public void at(long done, long total, String words) {
          System.out.println(done);
        }

        @Override
        public boolean stopped() {
          return false;
        }
      };

  private Writer() {}

  /** Writes the album given as second argument on all tracks of the collection in the first. */
  public static void main(String[] args) throws Exception {
    try (MusicCollection collection =
        MusicCollection.open(Path.of(args[0]), InstantSource.system())) {
      Snapshot now = collection.state().snapshot();
      System.out.println("writing");
      collection.apply(TrackEdits.set(now, now.tracks(), Map.of(Fields.ALBUM, args[1])), SAYING);
    }
  }
}
