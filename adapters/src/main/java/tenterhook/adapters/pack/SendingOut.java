package tenterhook.adapters.pack;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.collection.Playlists;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Shelf;
import tenterhook.core.job.Progress;
import tenterhook.core.text.PortableNames;

/** Writes crates as playlists into a folder, with or without their music. */
public final class SendingOut {
  /** The folder beside the playlists that copies of music go into. */
  public static final String MUSIC = "Music";

  private SendingOut() {}

  /** How playlists name the music. */
  public sealed interface Naming {
    /** By paths that start from the playlist's folder. */
    record Relative() implements Naming {}

    /** By absolute paths of this machine. */
    record Absolute() implements Naming {}

    /**
     * By paths of another machine, on which a folder has another name.
     *
     * @param here the folder on this machine
     * @param there what it is called there, such as {@code D:/Music}
     */
    record Elsewhere(Path here, String there) implements Naming {}

    /** Music is copied along, and playlists name the copies. */
    record Copied() implements Naming {}
  }

  /**
   * A crate to be written.
   *
   * @param folders the folders that its playlist goes into, one in the other; none for beside the
   *     others
   */
  public record PlacedCrate(List<String> folders, Crate crate) {
    /** Copies. */
    public PlacedCrate {
      folders = List.copyOf(folders);
    }

    /** All crates of a shelf, those of shelves in it in folders called as these. */
    public static List<PlacedCrate> of(Shelf shelf) {
      List<PlacedCrate> all = new ArrayList<>();
      add(shelf, List.of(), all);
      return all;
    }

    private static void add(Shelf shelf, List<String> folders, List<PlacedCrate> all) {
      shelf.crates().forEach(c -> all.add(new PlacedCrate(folders, c)));
      for (Shelf inner : shelf.shelves()) {
        List<String> deeper = new ArrayList<>(folders);
        deeper.add(inner.name());
        add(inner, deeper, all);
      }
    }
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
  public record SentReport(
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
  public static SentReport write(
      MusicCollection collection,
      List<PlacedCrate> crates,
      Path folder,
      PlaylistFile form,
      Naming paths,
      Progress progress)
      throws IOException {
    CollectionState now = collection.state();
    CrateContents contents = now.contents(collection.today());
    Map<PlacedCrate, List<Integer>> lists = new LinkedHashMap<>();
    crates.forEach(c -> lists.put(c, Playlists.playable(now, contents, c.crate())));
    Packing.PackReport copies =
        paths instanceof Naming.Copied
            ? new Packing(folder.resolve(MUSIC)).copy(music(now, lists.values()), progress)
            : new Packing.PackReport(Map.of(), 0, 0, List.of(), false);
    Map<Path, Integer> written = new TreeMap<>();
    if (!copies.stopped()) {
      PortableFolders names = new PortableFolders(folder);
      for (Map.Entry<PlacedCrate, List<Integer>> list : lists.entrySet()) {
        String name = list.getKey().crate().name();
        Path file = names.file(list.getKey().folders(), name + "." + form.ending());
        List<Integer> ids =
            paths instanceof Naming.Copied
                ? list.getValue().stream()
                    .filter(id -> copies.names().containsKey(now.path(id)))
                    .toList()
                : list.getValue();
        form.write(file, Playlists.of(now, name, ids), named(paths, folder, file, copies));
        written.put(file, ids.size());
      }
    }
    return new SentReport(
        written, copies.copied(), copies.there(), copies.refused(), copies.stopped());
  }

  private static PlaylistFile.Paths named(
      Naming paths, Path folder, Path playlist, Packing.PackReport copies) {
    return switch (paths) {
      case Naming.Relative relative -> PlaylistFile.Paths.from(playlist);
      case Naming.Absolute absolute -> PlaylistFile.Paths.absolute();
      case Naming.Elsewhere other -> PlaylistFile.Paths.elsewhere(other.here(), other.there());
      case Naming.Copied with -> {
        String up = "../".repeat(folder.relativize(playlist).getNameCount() - 1);
        yield path -> up + MUSIC + "/" + copies.names().get(path);
      }
    };
  }

  /** Gives folders and files names that any disk takes, each once in its folder. */
  private static final class PortableFolders {
    private final Map<List<String>, Path> folders = new HashMap<>();
    private final Map<Path, PortableNames> names = new HashMap<>();

    PortableFolders(Path top) {
      folders.put(List.of(), top);
      in(top).give(MUSIC); // no shelf may lie where the music is copied to
    }

    Path file(List<String> shelves, String name) throws IOException {
      Path folder = folder(shelves);
      return folder.resolve(in(folder).give(name));
    }

    private Path folder(List<String> shelves) throws IOException {
      Path known = folders.get(shelves);
      if (known != null) {
        return known;
      }
      Path above = folder(shelves.subList(0, shelves.size() - 1));
      Path made = above.resolve(in(above).give(shelves.getLast()));
      if (!Files.isDirectory(made)) {
        Files.createDirectory(made);
      }
      folders.put(List.copyOf(shelves), made);
      return made;
    }

    private PortableNames in(Path folder) {
      return names.computeIfAbsent(folder, f -> new PortableNames());
    }
  }

  /** The files of all tracks in the order of ids, each once. */
  private static List<Path> music(CollectionState state, Collection<List<Integer>> lists) {
    return lists.stream()
        .flatMap(List::stream)
        .distinct()
        .sorted()
        .map(state::path)
        .distinct()
        .toList();
  }
}
