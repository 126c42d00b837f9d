package tenterhook.adapters.state;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.disk.RelativePaths;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.edit.Holders;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.Gigs;
import tenterhook.core.track.Snapshot;

/**
 * All that the collection is at one moment. Immutable.
 *
 * @param snapshot the tracks
 * @param codebook the legend
 * @param crates the shelves
 * @param gigs the nights that are planned, and those that were
 * @param roots where each named root is; the holding bay under {@link Place#HOLDING_BAY}
 */
public record CollectionState(
    Snapshot snapshot, Codebook codebook, Crates crates, Gigs gigs, Map<String, Path> roots) {
  private static final String NO_NAME = "a name that cannot be written in this encoding";

  /** Copies. */
  public CollectionState {
    roots = Map.copyOf(roots);
  }

  /** The absolute path of a place, or empty when its root is not known. */
  public Optional<Path> path(Place place) {
    try {
      return Optional.ofNullable(roots.get(place.root())).map(r -> r.resolve(place.path()));
    } catch (InvalidPathException noName) {
      return Optional.empty();
    }
  }

  /**
   * The path of a folder below its root, with {@code /} between its parts; empty for the root.
   *
   * @throws IOException when it is not there
   */
  public String below(String root, Path folder) throws IOException {
    return RelativePaths.below(roots.get(root), folder.toRealPath());
  }

  /** Whether a file lies at a place on the disk. */
  public boolean taken(Place place) {
    return path(place).filter(Files::exists).isPresent();
  }

  /**
   * The absolute path of a track's file. Where the program was started so that it cannot name the
   * file, this is a path at which nothing lies.
   */
  public Path path(int id) {
    Path root = roots.getOrDefault(snapshot.raw(id, Fields.ROOT), Path.of(""));
    try {
      return root.resolve(snapshot.raw(id, Fields.PATH));
    } catch (InvalidPathException noName) {
      return root.resolve(NO_NAME);
    }
  }

  /** Whether a path lies in a folder of the collection that is not there now. */
  public boolean away(Path path) {
    return rootsAway().anyMatch(r -> path.startsWith(roots.get(r)));
  }

  /** The tracks in folders that are not there now, such as on a disk that is not connected. */
  public RoaringBitmap tracksAway() {
    Set<String> away = rootsAway().collect(Collectors.toSet());
    return away.isEmpty()
        ? new RoaringBitmap()
        : snapshot.tracks(id -> away.contains(snapshot.raw(id, Fields.ROOT)));
  }

  /** The holding bay is made when it is needed, so it is never away. */
  private Stream<String> rootsAway() {
    return roots.keySet().stream()
        .filter(r -> !r.equals(Place.HOLDING_BAY) && !Files.isDirectory(roots.get(r)));
  }

  /** Whether the program, as it was started, can name a track's file. */
  public boolean named(int id) {
    return !path(id).endsWith(NO_NAME);
  }

  /**
   * What the crates hold at this moment.
   *
   * @param today the day that spans such as {@code -30d} count back from
   */
  public CrateContents contents(LocalDate today) {
    return new CrateContents(snapshot, codebook, crates, today);
  }

  /** All that names tracks and asks by rules. */
  public Holders holders() {
    return new Holders(crates, gigs);
  }

  /** The same with other tracks. */
  public CollectionState with(Snapshot other) {
    return new CollectionState(other, codebook, crates, gigs, roots);
  }

  /** The same with other places of named roots. */
  public CollectionState with(Map<String, Path> others) {
    return new CollectionState(snapshot, codebook, crates, gigs, others);
  }

  /** The same with other documents and roots, as the edits of a change say; tracks stay. */
  public CollectionState withDocuments(List<Edit> edits) {
    Codebook book = codebook;
    Crates shelves = crates;
    Gigs nights = gigs;
    Map<String, Path> places = new LinkedHashMap<>(roots);
    for (Edit edit : edits) {
      switch (edit) {
        case Edit.SetCodebook set -> book = set.after();
        case Edit.SetCrates set -> shelves = set.after();
        case Edit.SetGigs set -> nights = set.after();
        case Edit.SetRoot set -> places.put(set.name(), Path.of(set.after()));
        case Edit.OfTrack one -> {}
      }
    }
    return new CollectionState(snapshot, book, shelves, nights, places);
  }
}
