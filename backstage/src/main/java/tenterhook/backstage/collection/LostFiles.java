package tenterhook.backstage.collection;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tenterhook.backstage.disk.MusicWalk;
import tenterhook.core.change.Place;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.LostFinder.FoundFile;

/** Lists what is on the disk for {@link tenterhook.core.lost.LostFinder}. */
public final class LostFiles {
  private LostFiles() {}

  /**
   * The music files below a folder, as places of the collection.
   *
   * @param state whose roots give the names
   * @param folder below a root
   * @param progress told of every folder
   * @throws IOException when the folder cannot be read, or no root holds it
   */
  public static List<FoundFile> filesBelow(CollectionState state, Path folder, Progress progress)
      throws IOException {
    Path target = folder.toRealPath();
    Map.Entry<String, Path> root =
        state.roots().entrySet().stream()
            .filter(r -> target.startsWith(r.getValue()) && !r.getKey().equals(Place.HOLDING_BAY))
            .findFirst()
            .orElseThrow(
                () ->
                    new IOException(target + " is in no folder of the collection; scan it first"));
    List<FoundFile> files = new ArrayList<>();
    for (MusicWalk.Found found : MusicWalk.walk(target, progress).files()) {
      String path = root.getValue().relativize(found.path()).toString().replace('\\', '/');
      files.add(new FoundFile(new Place(root.getKey(), path), found.size()));
    }
    return files;
  }
}
