package tenterhook.adapters.play;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.collection.Playlists;
import tenterhook.adapters.playlist.Playlist;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Change;
import tenterhook.core.play.Plays;
import tenterhook.core.play.TrackNames;

/** Set lists of a night, as M3U8, XSPF, JSPF or CSV. */
public final class SetLists {
  private SetLists() {}

  /**
   * A set list read in; nothing is applied yet.
   *
   * @param night when
   * @param tracks what was played, in order
   * @param unmatched lines that no track fits
   * @param change counts what that night does not count yet; empty when all is counted
   */
  public record SetList(
      LocalDate night, List<Integer> tracks, List<String> unmatched, Change change) {
    /** Copies. */
    public SetList {
      tracks = List.copyOf(tracks);
      unmatched = List.copyOf(unmatched);
    }
  }

  /**
   * The night that a set list says it is of, in itself or in its name.
   *
   * @throws IOException when it cannot be read
   */
  public static Optional<LocalDate> night(Path file) throws IOException {
    return PlaylistFile.read(file).date();
  }

  /**
   * Reads a set list. A line means the track at its path; else the one whose path ends most like
   * it; else the one of its artist and title.
   *
   * @param state the collection
   * @param file the list
   * @param night when it was played
   * @throws IOException when it cannot be read
   */
  public static SetList read(CollectionState state, Path file, LocalDate night) throws IOException {
    Playlists.TracksByPath paths = new Playlists.TracksByPath(state);
    TrackNames names = new TrackNames(state.snapshot());
    List<Integer> tracks = new ArrayList<>();
    List<String> unmatched = new ArrayList<>();
    for (Playlist.Entry entry : PlaylistFile.read(file).entries()) {
      String path = entry.file().map(f -> f.toString().replace('\\', '/')).orElse("");
      entry
          .file()
          .flatMap(paths::track)
          .or(() -> names.meant(path, entry.artist(), entry.title()))
          .ifPresentOrElse(tracks::add, () -> unmatched.add(entry.name()));
    }
    return new SetList(night, tracks, unmatched, Plays.onNight(state.snapshot(), tracks, night));
  }
}
