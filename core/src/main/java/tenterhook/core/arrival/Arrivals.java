package tenterhook.core.arrival;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntPredicate;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Column;
import tenterhook.core.track.Dictionary;
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
    return snapshot.tracks(isOpen(snapshot, codebook, demanded));
  }

  /** A test for such tracks, for one moment. */
  public static IntPredicate isOpen(
      Snapshot snapshot, Codebook codebook, Collection<String> demanded) {
    List<IntPredicate> holes = new ArrayList<>();
    for (WeaveColumn column : WeaveColumn.all(codebook)) {
      if (demanded.contains(column.key())) {
        holes.add(column.holes(snapshot, codebook));
      }
    }
    return id -> !snapshot.lost(id) && holes.stream().anyMatch(hole -> hole.test(id));
  }

  /** The batches that are not finished, the oldest first. */
  public static List<Batch> batches(
      Snapshot snapshot, Codebook codebook, Collection<String> demanded) {
    RoaringBitmap open = open(snapshot, codebook, demanded);
    Column arrivals = snapshot.column(Fields.ARRIVAL);
    Column folders = snapshot.column(Fields.FOLDER);
    Map<Long, Batch> byNumbers = new HashMap<>();
    snapshot
        .tracks(id -> !snapshot.lost(id))
        .forEach(
            (int id) -> {
              long key = (long) arrivals.number(id) << Integer.SIZE | folders.number(id);
              Batch batch =
                  byNumbers.computeIfAbsent(
                      key,
                      n ->
                          new Batch(
                              arrivals.text(id),
                              folders.text(id),
                              new RoaringBitmap(),
                              new RoaringBitmap()));
              batch.all().add(id);
              if (open.contains(id)) {
                batch.open().add(id);
              }
            });
    return byNumbers.values().stream()
        .filter(b -> !b.open().isEmpty())
        .sorted(Comparator.comparing(Batch::arrived).thenComparing(Batch::folder))
        .toList();
  }

  /** The tracks of a batch that the collection had before, in whatever folder. */
  public static List<Copy> copies(Snapshot snapshot, Batch batch) {
    Map<String, List<Integer>> byContent = new HashMap<>();
    Map<String, List<Integer>> bySong = new HashMap<>();
    BitSet contents = numbers(snapshot, Fields.CONTENT, batch.all());
    BitSet artists = sameKeys(snapshot, Fields.ARTIST, batch.all());
    Column content = snapshot.column(Fields.CONTENT);
    Column artist = snapshot.column(Fields.ARTIST);
    snapshot
        .tracks(id -> !batch.all().contains(id))
        .forEach(
            (int id) -> {
              if (contents.get(content.number(id))) {
                put(byContent, content.text(id), id);
              }
              if (artists.get(artist.number(id))) {
                put(bySong, song(snapshot, id), id);
              }
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

  private static BitSet numbers(Snapshot snapshot, Field<?> field, RoaringBitmap ids) {
    BitSet numbers = new BitSet();
    ids.forEach((int id) -> numbers.set(snapshot.column(field).number(id)));
    return numbers;
  }

  /** The numbers of all names that are one of those that some tracks have, however spelled. */
  private static BitSet sameKeys(Snapshot snapshot, Field<?> field, RoaringBitmap ids) {
    Set<String> keys = new HashSet<>();
    ids.forEach((int id) -> keys.add(NameKey.of(snapshot.raw(id, field))));
    Dictionary names = snapshot.column(field).dictionary();
    BitSet same = new BitSet(names.size());
    for (int number = 1; number < names.size(); number++) {
      same.set(number, keys.contains(NameKey.of(names.text(number))));
    }
    return same;
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
