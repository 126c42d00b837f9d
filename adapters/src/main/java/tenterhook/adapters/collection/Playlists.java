package tenterhook.adapters.collection;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tenterhook.adapters.playlist.Playlist;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** Crates as playlists on disk, out and in. */
public final class Playlists {
  private Playlists() {}

  /** Which track lies at which path. */
  public static final class TracksByPath {
    private final Map<Path, Integer> tracks = new HashMap<>();

    /** The paths of all tracks of a collection. */
    public TracksByPath(CollectionState state) {
      state.snapshot().tracks().forEach((int id) -> tracks.put(state.path(id).normalize(), id));
    }

    /** The track at an absolute path. */
    public Optional<Integer> track(Path file) {
      return Optional.ofNullable(tracks.get(file));
    }
  }

  /**
   * Writes a crate as a playlist. Lost tracks are left out: a player could not load them.
   *
   * @param collection where the crate is
   * @param crate which
   * @param file the playlist to write; its ending says the form
   * @param paths how files are named in it
   * @return how many tracks were written
   * @throws IOException when the disk refuses; an older playlist of the name is then as it was
   * @throws IllegalArgumentException when no form has this ending
   */
  public static int export(
      MusicCollection collection, Crate crate, Path file, PlaylistFile.Paths paths)
      throws IOException {
    CollectionState now = collection.state();
    List<Integer> ids = playable(now, now.contents(collection.today()), crate);
    form(file).write(file, of(now, crate.name(), ids), paths);
    return ids.size();
  }

  /**
   * The tracks of a crate that a player could load, in the crate's order.
   *
   * @param contents of the same moment
   */
  public static List<Integer> playable(CollectionState state, CrateContents contents, Crate crate) {
    return contents.list(crate).stream().filter(id -> !state.snapshot().lost(id)).toList();
  }

  /** The form that a file's ending says; refuses others with those that there are. */
  public static PlaylistFile form(Path file) {
    String name = file.getFileName().toString();
    return PlaylistFile.named(name.substring(name.lastIndexOf('.') + 1));
  }

  /** Tracks as a playlist, in order. */
  public static Playlist of(CollectionState state, String title, Iterable<Integer> ids) {
    Snapshot snapshot = state.snapshot();
    List<Playlist.Entry> entries = new ArrayList<>();
    for (int id : ids) {
      entries.add(
          new Playlist.Entry(
              Optional.of(state.path(id)),
              snapshot.shown(id, Fields.ARTIST),
              snapshot.raw(id, Fields.TITLE),
              snapshot.raw(id, Fields.ALBUM),
              Math.round(snapshot.value(id, Fields.DURATION).orElse(-1.0))));
    }
    return new Playlist(title, entries);
  }

  /**
   * A playlist read in.
   *
   * @param change makes a hand crate of it
   * @param unknown files that the collection does not know
   */
  public record Imported(Change change, List<Path> unknown) {
    /** Copies. */
    public Imported {
      unknown = List.copyOf(unknown);
    }
  }

  /**
   * Reads a playlist; nothing is applied yet.
   *
   * @param state the collection
   * @param file of any form that {@link PlaylistFile} knows
   * @param shelf where the crate goes
   * @throws IOException when it cannot be read
   */
  public static Imported read(CollectionState state, Path file, String shelf) throws IOException {
    TracksByPath paths = new TracksByPath(state);
    List<Integer> ids = new ArrayList<>();
    List<Path> unknown = new ArrayList<>();
    for (Playlist.Entry entry : PlaylistFile.read(file).entries()) {
      Path path = entry.file().orElse(Path.of(entry.name()));
      paths.track(path).ifPresentOrElse(ids::add, () -> unknown.add(path));
    }
    String name = freeName(state, file);
    Crate crate = new Crate.HandCrate(name, ids);
    Change change =
        new Change(
            "brings in playlist " + name,
            true,
            List.of(new Edit.SetCrates(state.crates(), state.crates().plus(shelf, crate))));
    return new Imported(change, unknown);
  }

  private static String freeName(CollectionState state, Path file) {
    String base = file.getFileName().toString().replaceFirst("\\.[^.]+$", "");
    String name = base;
    for (int i = 2; state.crates().crate(name).isPresent(); i++) {
      name = base + " " + i;
    }
    return name;
  }
}
