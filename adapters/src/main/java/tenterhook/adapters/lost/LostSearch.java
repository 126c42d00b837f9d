package tenterhook.adapters.lost;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.MusicWalk;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Outcome;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.change.Place;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.LostFinder;
import tenterhook.core.lost.LostFinder.Candidate;
import tenterhook.core.lost.LostFinder.FolderMove;
import tenterhook.core.lost.LostFinder.FoundFile;
import tenterhook.core.track.Snapshot;

/**
 * What a search for lost files found. Immutable; it stays true until files move again.
 *
 * @param candidates the files that each lost track may be, best first
 * @param moves folders that moved as a whole
 */
public record LostSearch(Map<Integer, List<Candidate>> candidates, List<FolderMove> moves) {
  /** Nothing looked for. */
  public static final LostSearch NONE = new LostSearch(Map.of(), List.of());

  /** Copies. */
  public LostSearch {
    moves = List.copyOf(moves);
  }

  /**
   * Looks for all lost tracks: by name and size everywhere first, then, where that settles nothing,
   * by length, tags and sound.
   *
   * @param collection whose tracks are lost
   * @param places folders to look in, of the collection or not
   * @param progress told of every folder, file and track; a stop keeps what was found so far
   * @throws IOException when a folder cannot be read
   */
  public static LostSearch run(MusicCollection collection, List<Path> places, Progress progress)
      throws IOException {
    CollectionState state = collection.state();
    List<FoundFile> files = new ArrayList<>();
    for (Path place : places) {
      Path target = place.toRealPath();
      files.addAll(FilesBelow.of(state, target, MusicWalk.walk(target, progress)));
    }
    Snapshot snapshot = state.snapshot();
    Map<Integer, List<Candidate>> first = LostFinder.candidates(snapshot, files);
    Map<Integer, List<Candidate>> found =
        LostFinder.closer(snapshot, first, files, new OpenedFiles(collection), progress);
    return new LostSearch(found, LostFinder.moves(snapshot, found));
  }

  /** The folders of a collection that can be looked in now. */
  public static List<Path> everywhere(CollectionState state) {
    return state.roots().entrySet().stream()
        .filter(r -> !r.getKey().equals(Place.HOLDING_BAY))
        .map(Map.Entry::getValue)
        .filter(Files::isDirectory)
        .toList();
  }

  /** Those that surely are one file and that no folder explains. */
  public List<Candidate> single() {
    List<Integer> explained =
        moves.stream().flatMap(m -> m.files().stream()).map(Candidate::id).toList();
    return candidates.entrySet().stream()
        .filter(e -> !explained.contains(e.getKey()))
        .map(e -> LostFinder.sure(e.getValue()))
        .flatMap(Optional::stream)
        .toList();
  }

  /** What is left of it once some tracks were settled. */
  public LostSearch without(List<Candidate> settled) {
    List<Integer> ids = settled.stream().map(Candidate::id).toList();
    Map<Integer, List<Candidate>> rest = new java.util.TreeMap<>(candidates);
    ids.forEach(rest::remove);
    return new LostSearch(
        rest,
        moves.stream()
            .filter(m -> m.files().stream().noneMatch(c -> ids.contains(c.id())))
            .toList());
  }

  /**
   * Settles lost tracks. Where the file is the track's own, the track points to it; where it is
   * another file of the recording, that file takes its place with codes, plays and crates. A folder
   * outside the collection becomes one of its folders.
   *
   * @param chosen one candidate a track
   * @param progress told of every track
   * @throws IOException when a folder cannot be taken into the collection
   */
  public static Outcome close(MusicCollection collection, List<Candidate> chosen, Progress progress)
      throws IOException {
    List<Candidate> own = new ArrayList<>();
    List<Refusal> refused = new ArrayList<>();
    Outcome last = new Outcome(0, "nothing was done", 0, 0, List.of());
    int tracks = 0;
    for (Candidate one : chosen) {
      if (one.likeness().anotherFile()) {
        Path file = FilesBelow.path(collection.state(), one.file().place());
        last = Replacing.one(collection, one.id(), file);
        refused.addAll(last.refused());
        tracks += last.tracks();
      } else {
        own.add(rooted(collection, one));
      }
    }
    if (!own.isEmpty()) {
      last =
          collection.apply(now -> LostFinder.repoint(now.snapshot(), now.holders(), own), progress);
      refused.addAll(last.refused());
      tracks += last.tracks();
    }
    return new Outcome(last.number(), last.title(), tracks, last.written(), refused);
  }

  private static Candidate rooted(MusicCollection collection, Candidate one) throws IOException {
    Place place = one.file().place();
    if (collection.state().roots().containsKey(place.root())) {
      return one;
    }
    String root = collection.disks().root(Path.of(place.root()));
    FoundFile file = new FoundFile(new Place(root, place.path()), one.file().size());
    return new Candidate(one.id(), file, one.likeness());
  }
}
