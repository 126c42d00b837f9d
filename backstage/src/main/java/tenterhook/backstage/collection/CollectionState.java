package tenterhook.backstage.collection;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import tenterhook.core.change.Place;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/**
 * All that the collection is at one moment. Immutable.
 *
 * @param snapshot the tracks
 * @param codebook the legend
 * @param crates the shelves
 * @param roots where each named root is; the holding bay under {@link Place#HOLDING_BAY}
 */
public record CollectionState(
    Snapshot snapshot, Codebook codebook, Crates crates, Map<String, Path> roots) {
  /** Copies. */
  public CollectionState {
    roots = Map.copyOf(roots);
  }

  /** The absolute path of a place, or empty when its root is not known. */
  public Optional<Path> path(Place place) {
    return Optional.ofNullable(roots.get(place.root())).map(r -> r.resolve(place.path()));
  }

  /**
   * The path of a folder below its root, with {@code /} between its parts; empty for the root.
   *
   * @throws IOException when it is not there
   */
  public String below(String root, Path folder) throws IOException {
    return roots.get(root).relativize(folder.toRealPath()).toString().replace('\\', '/');
  }

  /** Whether a file lies at a place on the disk. */
  public boolean taken(Place place) {
    return path(place).filter(Files::exists).isPresent();
  }

  /** The absolute path of a track's file. */
  public Path path(int id) {
    Path root = roots.get(snapshot.raw(id, Fields.ROOT));
    String path = snapshot.raw(id, Fields.PATH);
    return root == null ? Path.of(path) : root.resolve(path);
  }

  /**
   * What the crates hold at this moment.
   *
   * @param today the day that spans such as {@code -30d} count back from
   */
  public CrateContents contents(LocalDate today) {
    return new CrateContents(snapshot, codebook, crates, today);
  }

  CollectionState with(Snapshot other) {
    return new CollectionState(other, codebook, crates, roots);
  }
}
