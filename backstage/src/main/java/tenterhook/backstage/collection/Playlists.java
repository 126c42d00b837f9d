package tenterhook.backstage.collection;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tenterhook.backstage.playlist.M3u8;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** Crates as playlists on disk, out and in. */
public final class Playlists {
  private Playlists() {}

  /**
   * Writes a crate as M3U8. Lost tracks are left out: a player could not load them.
   *
   * @param collection where the crate is
   * @param crate which
   * @param file the playlist to write
   * @param relative whether paths start from the playlist's folder
   * @return how many tracks were written
   * @throws IOException when the disk refuses; an older playlist of the name is then as it was
   */
  public static int export(MusicCollection collection, Crate crate, Path file, boolean relative)
      throws IOException {
    Snapshot snapshot = collection.state().snapshot();
    List<M3u8.Entry> entries = new ArrayList<>();
    for (int id : collection.contents().list(crate)) {
      if (!snapshot.lost(id)) {
        long seconds = Math.round(snapshot.value(id, Fields.DURATION).orElse(-1.0));
        entries.add(new M3u8.Entry(collection.state().path(id), snapshot.name(id), seconds));
      }
    }
    M3u8.write(file, entries, relative);
    return entries.size();
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
   * @param file M3U or M3U8
   * @param shelf where the crate goes
   * @throws IOException when it cannot be read
   */
  public static Imported read(CollectionState state, Path file, String shelf) throws IOException {
    Map<Path, Integer> byPath = new HashMap<>();
    state.snapshot().tracks().forEach((int id) -> byPath.put(state.path(id).normalize(), id));
    List<Integer> ids = new ArrayList<>();
    List<Path> unknown = new ArrayList<>();
    for (Path path : M3u8.read(file)) {
      Integer id = byPath.get(path);
      if (id == null) {
        unknown.add(path);
      } else {
        ids.add(id);
      }
    }
    String base = file.getFileName().toString().replaceFirst("\\.[^.]+$", "");
    String name = base;
    for (int i = 2; state.crates().crate(name).isPresent(); i++) {
      name = base + " " + i;
    }
    Crate crate = new Crate.HandCrate(name, ids);
    Change change =
        new Change(
            "brings in playlist " + name,
            true,
            List.of(new Edit.SetCrates(state.crates(), state.crates().plus(shelf, crate))));
    return new Imported(change, unknown);
  }
}
