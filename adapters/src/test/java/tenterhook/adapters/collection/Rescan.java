package tenterhook.adapters.collection;

import java.nio.file.Path;
import java.time.InstantSource;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.LostFinder;

/** A program of its own that scans a folder again, to be started with other names of files. */
final class Rescan {
  private Rescan() {}

  /** Scans the second folder into the collection in the first, and says what was lost. */
  public static void main(String[] args) throws Exception {
    try (MusicCollection collection =
        MusicCollection.open(Path.of(args[0]), InstantSource.system())) {
      collection.startupProblems().forEach(p -> System.out.println(p.reason()));
      collection
          .scan(Path.of(args[1]), Progress.SILENT)
          .issues()
          .forEach(i -> System.out.println(i.path() + ": " + i.reason()));
      collection.disks().presence(Progress.SILENT);
      System.out.println("lost " + LostFinder.lost(collection.state().snapshot()).getCardinality());
    }
  }
}
