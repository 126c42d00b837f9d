package tenterhook.core.play;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Fields;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Snapshot;

/** Finds tracks by what other programs write of them: a path, a file's name, artist and title. */
public final class TrackNames {
  private final Snapshot snapshot;
  private final Map<String, List<Integer>> byFile = new HashMap<>();
  private final Map<String, List<Integer>> byName = new HashMap<>();

  /** The names of all tracks of a collection. */
  public TrackNames(Snapshot snapshot) {
    this(snapshot, snapshot.tracks());
  }

  /** The names of some tracks of a collection. */
  public TrackNames(Snapshot snapshot, RoaringBitmap tracks) {
    this.snapshot = snapshot;
    tracks.forEach(
        (int id) -> {
          enter(byFile, fileKey(snapshot.fileName(id)), id);
          enter(
              byName, nameKey(snapshot.raw(id, Fields.ARTIST), snapshot.raw(id, Fields.TITLE)), id);
        });
  }

  private static void enter(Map<String, List<Integer>> map, String key, int id) {
    if (!key.isEmpty()) {
      map.computeIfAbsent(key, k -> new ArrayList<>()).add(id);
    }
  }

  private static String fileKey(String name) {
    return name.toLowerCase(Locale.ROOT);
  }

  /** Case, accents and punctuation do not count; what tells versions apart does. */
  private static String nameKey(String artist, String title) {
    String song = NameKey.plain(title);
    return song.isEmpty() ? "" : NameKey.of(artist) + "|" + song;
  }

  /** Tracks whose file has this name; case does not count. */
  public List<Integer> files(String fileName) {
    return List.copyOf(byFile.getOrDefault(fileKey(fileName), List.of()));
  }

  /** Tracks of this artist and title, cleaned. */
  public List<Integer> named(String artist, String title) {
    return List.copyOf(byName.getOrDefault(nameKey(artist, title), List.of()));
  }

  /**
   * The one track whose path ends most like a dead one, where one does alone.
   *
   * @param path with {@code /} between its parts
   * @return empty when no track's file has its name, or two end as much alike
   */
  public Optional<Integer> likest(String path) {
    String[] wanted = path.split("/");
    List<Integer> same = files(wanted[wanted.length - 1]);
    int best = 0;
    List<Integer> found = new ArrayList<>();
    for (int id : same) {
      int alike = alike(wanted, snapshot.raw(id, Fields.PATH).split("/"));
      if (alike > best) {
        best = alike;
        found.clear();
      }
      if (alike == best) {
        found.add(id);
      }
    }
    return found.size() == 1 ? Optional.of(found.getFirst()) : Optional.empty();
  }

  /** How many parts two paths have in common, counted from their ends. */
  private static int alike(String[] a, String[] b) {
    int n = 0;
    while (n < Math.min(a.length, b.length)
        && a[a.length - 1 - n].equalsIgnoreCase(b[b.length - 1 - n])) {
      n++;
    }
    return n;
  }

  /**
   * The track that a line of a list means. Of copies of one track the one is taken that is there,
   * then the one that was played most: plays are added up when copies become one.
   *
   * @param path as the list says; empty for none
   * @return empty when nothing fits
   */
  public Optional<Integer> meant(String path, String artist, String title) {
    Optional<Integer> byPath = path.isEmpty() ? Optional.empty() : likest(path);
    return byPath.isPresent() ? byPath : best(named(artist, title));
  }

  private Optional<Integer> best(List<Integer> ids) {
    return ids.stream()
        .min(
            Comparator.comparing((Integer id) -> snapshot.lost(id))
                .thenComparing(id -> -snapshot.value(id, Fields.PLAYS).orElse(0))
                .thenComparing(id -> id));
  }
}
