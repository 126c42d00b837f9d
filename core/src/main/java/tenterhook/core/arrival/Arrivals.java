package tenterhook.core.arrival;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.IntPredicate;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Fields;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Snapshot;
import tenterhook.core.weave.WeaveColumn;

/** New files in batches, by scan and folder, until each track has what is demanded of it. */
public final class Arrivals {
  private static final double SAME_LENGTH_SECONDS = 2;

  private Arrivals() {}

  /**
   * Files that one scan found in one folder.
   *
   * @param arrived when, as text that sorts by time
   * @param folder where
   * @param all its tracks
   * @param open those that are not finished
   */
  public record Batch(String arrived, String folder, RoaringBitmap all, RoaringBitmap open) {}

  /**
   * A new track that the collection has already.
   *
   * @param id the new one
   * @param of the older one
   * @param bytes whether the files are the same byte for byte; else artist, title and length agree
   */
  public record Copy(int id, int of, boolean bytes) {}

  /** What is demanded at first: everything that the Weave counts but the file itself. */
  public static List<String> demandedAtFirst(Codebook codebook) {
    return WeaveColumn.all(codebook).stream()
        .map(WeaveColumn::key)
        .filter(k -> !k.equals(WeaveColumn.PRESENT))
        .toList();
  }

  /**
   * The tracks that lack something that is demanded. Lost ones wait elsewhere.
   *
   * @param demanded keys of {@link WeaveColumn}s; unknown ones are passed by
   */
  public static RoaringBitmap open(
      Snapshot snapshot, Codebook codebook, Collection<String> demanded) {
    List<IntPredicate> holes = new ArrayList<>();
    for (WeaveColumn column : WeaveColumn.all(codebook)) {
      if (demanded.contains(column.key())) {
        holes.add(column.holes(snapshot, codebook));
      }
    }
    return snapshot.tracks(
        id -> !snapshot.lost(id) && holes.stream().anyMatch(hole -> hole.test(id)));
  }

  /** The batches that are not finished, the oldest first. */
  public static List<Batch> batches(
      Snapshot snapshot, Codebook codebook, Collection<String> demanded) {
    RoaringBitmap open = open(snapshot, codebook, demanded);
    Map<String, Batch> byName = new TreeMap<>();
    snapshot
        .tracks(id -> !snapshot.lost(id))
        .forEach(
            (int id) -> {
              String arrived = snapshot.raw(id, Fields.ARRIVAL);
              String folder = snapshot.raw(id, Fields.FOLDER);
              Batch batch =
                  byName.computeIfAbsent(
                      arrived + "\n" + folder,
                      n -> new Batch(arrived, folder, new RoaringBitmap(), new RoaringBitmap()));
              batch.all().add(id);
              if (open.contains(id)) {
                batch.open().add(id);
              }
            });
    return byName.values().stream().filter(b -> !b.open().isEmpty()).toList();
  }

  /** The tracks of a batch that the collection had before, in whatever folder. */
  public static List<Copy> copies(Snapshot snapshot, Batch batch) {
    Map<String, List<Integer>> byContent = new HashMap<>();
    Map<String, List<Integer>> bySong = new HashMap<>();
    snapshot
        .tracks(id -> !batch.all().contains(id))
        .forEach(
            (int id) -> {
              put(byContent, snapshot.raw(id, Fields.CONTENT), id);
              put(bySong, song(snapshot, id), id);
            });
    List<Copy> copies = new ArrayList<>();
    batch
        .all()
        .forEach(
            (int id) -> {
              List<Integer> same =
                  byContent.getOrDefault(snapshot.raw(id, Fields.CONTENT), List.of());
              List<Integer> alike =
                  bySong.getOrDefault(song(snapshot, id), List.of()).stream()
                      .filter(other -> sameLength(snapshot, id, other))
                      .toList();
              List<Integer> found = same.isEmpty() ? alike : same;
              found.stream()
                  .filter(other -> earlier(snapshot, other, id))
                  .min(Comparator.naturalOrder())
                  .ifPresent(other -> copies.add(new Copy(id, other, !same.isEmpty())));
            });
    return copies;
  }

  private static boolean earlier(Snapshot snapshot, int a, int b) {
    int time = snapshot.raw(a, Fields.ARRIVAL).compareTo(snapshot.raw(b, Fields.ARRIVAL));
    return time < 0 || time == 0 && a < b;
  }

  private static void put(Map<String, List<Integer>> map, String key, int id) {
    if (!key.isEmpty()) {
      map.computeIfAbsent(key, k -> new ArrayList<>()).add(id);
    }
  }

  private static String song(Snapshot snapshot, int id) {
    String artist = NameKey.of(snapshot.raw(id, Fields.ARTIST));
    String title = NameKey.of(snapshot.raw(id, Fields.TITLE));
    return artist.isEmpty() || title.isEmpty() ? "" : artist + "\n" + title;
  }

  private static boolean sameLength(Snapshot snapshot, int a, int b) {
    double one = snapshot.value(a, Fields.DURATION).orElse(0.0);
    double other = snapshot.value(b, Fields.DURATION).orElse(0.0);
    return Math.abs(one - other) <= SAME_LENGTH_SECONDS;
  }
}
