package tenterhook.adapters.duplicate;

import java.nio.file.Path;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.duplicate.SpareFate;
import tenterhook.core.job.Progress;

/** A program that keeps one of each group and is killed meanwhile. */
final class Holder {
  private Holder() {}

  public static void main(String[] args) throws Exception {
    try (MusicCollection collection = ManyCopies.open(Path.of(args[0]))) {
      var groups = ManyCopies.groups(collection);
      System.out.println("holding");
      Progress said = (done, total, words) -> System.out.println(done);
      Resolving.all(collection, groups, new SpareFate.Hold(), said);
    }
  }
}
