package tenterhook.backstage.pack;

import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import tenterhook.backstage.collection.MusicCollection;
import tenterhook.backstage.collection.Playlists;
import tenterhook.backstage.playlist.PlaylistFile;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.job.Progress;
import tenterhook.core.text.PortableNames;
import tenterhook.core.track.Snapshot;

/** Writes crates as playlists into a folder, with or without their music. */
public final class SendingOut {
  /** The folder beside the playlists that copies of music go into. */
  public static final String MUSIC = "Music";

  private SendingOut() {}

  /** How playlists name the music. */
  public sealed interface Paths {
    /** By paths that start from the playlist's folder. */
    record Relative() implements Paths {}

    /** By absolute paths of this machine. */
    record Absolute() implements Paths {}

    /**
     * By paths of another machine, on which a folder has another name.
     *
     * @param here the folder on this machine
     * @param there what it is called there, such as {@code D:/Music}
     */
    record Elsewhere(Path here, String there) implements Paths {}

    /** Music is copied along, and playlists name the copies. */
    record Copies() implements Paths {}
  }

  /**
   * What was written.
   *
   * @param tracks how many lines each playlist has, by its file
   * @param copied how many files were copied
   * @param there how many copies were there already
   * @param refused files that could not be copied
   * @param stopped whether it was stopped; then no playlist was written
   */
  public record Report(
      Map<Path, Integer> tracks, int copied, int there, List<Refusal> refused, boolean stopped) {}

  /**
   * Writes playlists. Lost tracks are left out, as are tracks that could not be copied.
   *
   * @param collection where the crates are
   * @param crates which
   * @param folder where to
   * @param form of the playlists
   * @param paths how they name the music
   * @param progress told of each copy
   * @throws IOException when a playlist cannot be written; older ones are then as they were
   */
  public static Report write(
      MusicCollection collection,
      List<Crate> crates,
      Path folder,
      PlaylistFile form,
      Paths paths,
      Progress progress)
      throws IOException {
    Packing.Report copies =
        paths instanceof Paths.Copies
            ? new Packing(folder.resolve(MUSIC)).copy(music(collection, crates), progress)
            : new Packing.Report(Map.of(), 0, 0, List.of(), false);
    Map<Path, Integer> written = new TreeMap<>();
    if (!copies.stopped()) {
      PortableNames names = new PortableNames();
      for (Crate crate : crates) {
        Path file = folder.resolve(names.give(crate.name() + "." + form.ending()));
        written.put(file, playlist(collection, crate, file, paths, copies));
      }
    }
    return new Report(written, copies.copied(), copies.there(), copies.refused(), copies.stopped());
  }

  private static int playlist(
      MusicCollection collection, Crate crate, Path file, Paths paths, Packing.Report copies)
      throws IOException {
    return switch (paths) {
      case Paths.Relative relative ->
          Playlists.export(collection, crate, file, PlaylistFile.Paths.from(file));
      case Paths.Absolute absolute ->
          Playlists.export(collection, crate, file, PlaylistFile.Paths.absolute());
      case Paths.Elsewhere other ->
          Playlists.export(
              collection, crate, file, PlaylistFile.Paths.elsewhere(other.here(), other.there()));
      case Paths.Copies with ->
          Playlists.export(
              collection,
              crate,
              file,
              path -> MUSIC + "/" + copies.names().get(path),
              id -> copies.names().containsKey(collection.state().path(id)));
    };
  }

  /** The files of all tracks in the order of ids, each once. */
  private static List<Path> music(MusicCollection collection, List<Crate> crates) {
    Snapshot snapshot = collection.state().snapshot();
    Set<Integer> ids = new java.util.TreeSet<>();
    CrateContents contents = collection.contents();
    crates.forEach(c -> ids.addAll(contents.list(c)));
    Set<Path> files = new LinkedHashSet<>();
    ids.stream()
        .filter(id -> !snapshot.lost(id))
        .forEach(id -> files.add(collection.state().path(id)));
    return List.copyOf(files);
  }
}
