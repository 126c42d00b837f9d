package tenterhook.adapters.collection;

import java.nio.file.Path;
import java.time.InstantSource;
import java.util.Map;
import tenterhook.core.change.Outcome;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.LostFinder;

/** A program of its own on a collection, to be started in another locale or as a plain user. */
final class SecondProgram {
  private SecondProgram() {}

  /** In the collection of the first word, {@code scan FOLDER} or {@code album VALUE}. */
  public static void main(String[] args) throws Exception {
    try (MusicCollection collection =
        MusicCollection.open(Path.of(args[0]), InstantSource.system())) {
      collection.startupProblems().forEach(p -> System.out.println(p.reason()));
      if (args[1].equals("scan")) {
        scan(collection, Path.of(args[2]));
      } else {
        setAlbums(collection, args[2]);
      }
    }
  }

  private static void scan(MusicCollection collection, Path folder) throws Exception {
    collection
        .scan(folder, Progress.SILENT)
        .issues()
        .forEach(i -> System.out.println(i.path() + ": " + i.reason()));
    collection.disks().availability(Progress.SILENT);
    System.out.println("lost " + LostFinder.lost(collection.state().snapshot()).getCardinality());
  }

  private static void setAlbums(MusicCollection collection, String album) {
    Outcome outcome =
        collection.apply(
            now ->
                TrackEdits.set(
                    now.snapshot(), now.snapshot().tracks(), Map.of(Fields.ALBUM, album)),
            Progress.SILENT);
    outcome.refused().forEach(r -> System.out.println(r.path() + ": " + r.reason()));
    System.out.println("written " + outcome.tracks());
  }
}
