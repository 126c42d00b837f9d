package tenterhook.adapters.lost;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tenterhook.adapters.collection.Playlists;
import tenterhook.adapters.disk.BoundedText;
import tenterhook.adapters.disk.MusicWalk;
import tenterhook.adapters.playlist.Playlist;
import tenterhook.adapters.playlist.Playlist.Entry;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.job.Progress;
import tenterhook.core.play.TrackNames;
import tenterhook.core.track.Snapshot;

/**
 * What lies in the folders of a collection besides its tracks.
 *
 * @param unknown music files that the collection does not know
 * @param emptyFolders folders without any file
 * @param playlists playlists that are empty or point to files that are not there
 * @param troubles what could not be read, and why
 */
public record DiskReport(
    List<Path> unknown, List<Path> emptyFolders, List<OldList> playlists, List<Refusal> troubles) {
  /** Nothing looked at. */
  public static final DiskReport NONE = new DiskReport(List.of(), List.of(), List.of(), List.of());

  /** Copies. */
  public DiskReport {
    unknown = List.copyOf(unknown);
    emptyFolders = List.copyOf(emptyFolders);
    playlists = List.copyOf(playlists);
    troubles = List.copyOf(troubles);
  }

  /**
   * A playlist that no longer fits.
   *
   * @param file the playlist
   * @param entries how many lines it has
   * @param dead how many of them point to nothing
   * @param mended the list with every line that could be found pointing to its file
   * @param found how many of the dead lines it mends
   */
  public record OldList(Path file, int entries, int dead, Playlist mended, int found) {}

  /**
   * Looks through all folders of a collection that are there.
   *
   * @param progress told of every folder
   * @throws IOException when a folder cannot be read
   */
  public static DiskReport of(CollectionState state, Progress progress) throws IOException {
    Set<Path> known = new HashSet<>();
    state.snapshot().known().forEach((int id) -> known.add(state.path(id)));
    List<Path> unknown = new ArrayList<>();
    List<Path> empty = new ArrayList<>();
    List<OldList> old = new ArrayList<>();
    List<Refusal> troubles = new ArrayList<>();
    Snapshot snapshot = state.snapshot();
    TrackNames names = new TrackNames(snapshot, snapshot.tracks(id -> !snapshot.lost(id)));
    for (Path root : LostSearch.everywhere(state)) {
      MusicWalk.Result walk = MusicWalk.walk(root, progress);
      walk.files().stream()
          .map(MusicWalk.Found::path)
          .filter(f -> !known.contains(f))
          .forEach(unknown::add);
      empty.addAll(walk.empty());
      troubles.addAll(walk.issues());
      walk.playlists().forEach(list -> judge(state, names, list, old, troubles));
    }
    return new DiskReport(unknown, empty, old, troubles);
  }

  private static void judge(
      CollectionState state,
      TrackNames names,
      Path list,
      List<OldList> old,
      List<Refusal> troubles) {
    try {
      judged(state, names, list).ifPresent(old::add);
    } catch (IOException broken) {
      troubles.add(new Refusal(0, list.toString(), String.valueOf(broken.getMessage())));
    }
  }

  private static Optional<OldList> judged(CollectionState state, TrackNames names, Path file)
      throws IOException {
    Playlist list = PlaylistFile.read(file);
    List<Entry> mended = new ArrayList<>();
    int dead = 0;
    int found = 0;
    for (Entry entry : list.entries()) {
      Optional<Path> path = entry.file();
      if (path.isEmpty() || Files.exists(path.get())) {
        mended.add(entry);
        continue;
      }
      dead++;
      Optional<Path> now = now(state, names, entry);
      found += now.isPresent() ? 1 : 0;
      mended.add(now.map(entry::at).orElse(entry));
    }
    boolean fits = dead == 0 && !list.entries().isEmpty();
    return fits
        ? Optional.empty()
        : Optional.of(
            new OldList(
                file,
                list.entries().size(),
                dead,
                new Playlist(list.title(), list.date(), mended),
                found));
  }

  /** Where the file of a dead line is now, if one track alone fits and is there. */
  private static Optional<Path> now(CollectionState state, TrackNames names, Entry entry) {
    String path = entry.file().map(f -> f.toString().replace('\\', '/')).orElse("");
    return names
        .likest(path)
        .or(() -> only(names.named(entry.artist(), entry.title())))
        .map(state::path);
  }

  private static Optional<Integer> only(List<Integer> ids) {
    return ids.size() == 1 ? Optional.of(ids.getFirst()) : Optional.empty();
  }

  /**
   * Writes a mended playlist beside the old one, which stays as it is. Paths are written as the old
   * one did: from its folder, when any of its lines does so.
   *
   * @return the new file
   * @throws IOException when the disk refuses
   */
  public static Path mend(OldList old) throws IOException {
    Path target = free(old);
    boolean absolute =
        BoundedText.read(old.file(), 64L << 20)
            .lines()
            .anyMatch(l -> l.startsWith("/") || l.contains("file:") || l.matches("[A-Za-z]:.*"));
    Playlists.form(target)
        .write(
            target,
            old.mended(),
            absolute ? PlaylistFile.Paths.absolute() : PlaylistFile.Paths.from(target));
    return target;
  }

  private static Path free(OldList old) {
    String name = old.file().getFileName().toString();
    int dot = name.lastIndexOf('.');
    Path target = old.file();
    for (int i = 1; Files.exists(target); i++) {
      String more = i == 1 ? " mended" : " mended " + i;
      target = old.file().resolveSibling(name.substring(0, dot) + more + name.substring(dot));
    }
    return target;
  }
}
