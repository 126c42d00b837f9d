package tenterhook.adapters.lost;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tenterhook.adapters.disk.MusicWalk;
import tenterhook.adapters.disk.RelativePaths;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Place;
import tenterhook.core.lost.LostFinder.FoundFile;

/**
 * Names files as places. A file in no folder of the collection has the folder that was searched in
 * place of a root, as its absolute path, until it is chosen.
 */
final class FilesBelow {
  private FilesBelow() {}

  /** The files of a walk. */
  static List<FoundFile> of(CollectionState state, Path searched, MusicWalk.Result walk) {
    List<FoundFile> files = new ArrayList<>();
    for (MusicWalk.Found found : walk.files()) {
      files.add(new FoundFile(place(state, searched, found.path()), found.size()));
    }
    return files;
  }

  static Place place(CollectionState state, Path searched, Path file) {
    for (Map.Entry<String, Path> root : state.roots().entrySet()) {
      if (file.startsWith(root.getValue()) && !root.getKey().equals(Place.HOLDING_BAY)) {
        return new Place(root.getKey(), relative(root.getValue(), file));
      }
    }
    return new Place(searched.toString(), relative(searched, file));
  }

  private static String relative(Path folder, Path file) {
    return RelativePaths.below(folder, file);
  }

  /** Where a file is that {@link #place} named. */
  static Path path(CollectionState state, Place place) {
    return state.path(place).orElseGet(() -> Path.of(place.root()).resolve(place.path()));
  }
}
