package tenterhook.core.place;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.IntPredicate;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Fields;
import tenterhook.core.text.Fold;
import tenterhook.core.track.Column;
import tenterhook.core.track.Snapshot;
import tenterhook.core.weave.WeaveColumn;

/**
 * The folders of all roots, with how many tracks are in each and how whole they are.
 *
 * @param roots in the order of their names
 */
public record FolderTree(List<Folder> roots) {
  /** No root. */
  public static final FolderTree NONE = new FolderTree(List.of());

  /** Copies. */
  public FolderTree {
    roots = List.copyOf(roots);
  }

  /**
   * A folder.
   *
   * @param place where it is
   * @param tracks how many tracks are in it and below
   * @param whole the share of their values that are no holes, 0 to 1, as the Weave counts
   * @param folders what is in it, in the order of their names
   */
  public record Folder(Place place, int tracks, double whole, List<Folder> folders) {
    /** Copies. */
    public Folder {
      folders = List.copyOf(folders);
    }
  }

  /** Tracks and holes of one folder while they are being added up. */
  private static final class Sum {
    private int tracks;
    private long holes;
    private final Map<String, Sum> below = new TreeMap<>(FolderTree::byName);

    Folder folder(Place place, int columns) {
      List<Folder> folders = new ArrayList<>();
      below.forEach(
          (name, sum) ->
              folders.add(
                  sum.folder(
                      new Place(
                          place.root(), place.path().isEmpty() ? name : place.path() + "/" + name),
                      columns)));
      long cells = (long) tracks * columns;
      return new Folder(place, tracks, cells == 0 ? 1 : 1 - holes / (double) cells, folders);
    }
  }

  /** As people read: without upper case, and only then by letter. */
  private static int byName(String one, String other) {
    int folded = Fold.fold(one).compareTo(Fold.fold(other));
    return folded != 0 ? folded : one.compareTo(other);
  }

  /**
   * The folders of a collection.
   *
   * @param codebook whose demanded facets are counted as well
   */
  public static FolderTree of(Snapshot snapshot, Codebook codebook) {
    List<WeaveColumn> columns = WeaveColumn.all(codebook);
    Map<String, Sum> roots = new TreeMap<>(FolderTree::byName);
    counted(snapshot, columns, codebook)
        .forEach((place, count) -> add(roots, place, count[0], count[1]));
    List<Folder> folders = new ArrayList<>();
    roots.forEach((name, sum) -> folders.add(sum.folder(new Place(name, ""), columns.size())));
    return new FolderTree(folders);
  }

  private static void add(Map<String, Sum> roots, Place place, int tracks, int holes) {
    Sum at = roots.computeIfAbsent(place.root(), r -> new Sum());
    at.tracks += tracks;
    at.holes += holes;
    for (String part : place.path().isEmpty() ? new String[0] : place.path().split("/")) {
      at = at.below.computeIfAbsent(part, p -> new Sum());
      at.tracks += tracks;
      at.holes += holes;
    }
  }

  /** Tracks and holes by the folder that the file itself is in. */
  private static Map<Place, int[]> counted(
      Snapshot snapshot, List<WeaveColumn> columns, Codebook codebook) {
    Column roots = snapshot.column(Fields.ROOT);
    Column folders = snapshot.column(Fields.FOLDER);
    int[] tracks = snapshot.tracks().toArray();
    int width = folders.dictionary().size();
    int[][] counts = new int[roots.dictionary().size() * width][];
    for (int id : tracks) {
      int slot = roots.number(id) * width + folders.number(id);
      counts[slot] = counts[slot] == null ? new int[2] : counts[slot];
      counts[slot][0]++;
    }
    for (WeaveColumn column : columns) {
      IntPredicate holes = column.holes(snapshot, codebook);
      for (int id : tracks) {
        if (holes.test(id)) {
          counts[roots.number(id) * width + folders.number(id)][1]++;
        }
      }
    }
    Map<Place, int[]> counted = new HashMap<>();
    for (int slot = 0; slot < counts.length; slot++) {
      if (counts[slot] != null) {
        String root = roots.dictionary().text(slot / width);
        counted.put(new Place(root, folders.dictionary().text(slot % width)), counts[slot]);
      }
    }
    return counted;
  }
}
