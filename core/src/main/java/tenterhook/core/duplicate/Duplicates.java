package tenterhook.core.duplicate;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.TrackEdits;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** Finds groups of copies and makes the change that resolves one. Pure: nothing is applied here. */
public final class Duplicates {
  private Duplicates() {}

  /**
   * Copies of one another.
   *
   * @param tracks two or more ids; the proposed survivor first
   * @param bytesFreed size of the files that are not needed
   * @param reason why the first one is proposed
   */
  public record Group(List<Integer> tracks, long bytesFreed, String reason) {
    /** Copies. */
    public Group {
      if (tracks.size() < 2) {
        throw new IllegalArgumentException("a group has two tracks or more: " + tracks);
      }
      tracks = List.copyOf(tracks);
    }

    /** The proposed survivor. */
    public int survivor() {
      return tracks.getFirst();
    }

    /** The others. */
    public List<Integer> spares() {
      return tracks.subList(1, tracks.size());
    }
  }

  /** The tracks that share their size with another one and whose content is not yet known. */
  public static RoaringBitmap toHash(Snapshot snapshot) {
    Map<String, List<Integer>> bySize = present(snapshot, Fields.SIZE);
    RoaringBitmap ids = new RoaringBitmap();
    bySize.values().stream()
        .filter(same -> same.size() > 1)
        .flatMap(List::stream)
        .filter(id -> snapshot.raw(id, Fields.CONTENT).isEmpty())
        .forEach(ids::add);
    return ids;
  }

  /** The groups of files that are the same byte for byte, most bytes to free first. */
  public static List<Group> sameBytes(Snapshot snapshot) {
    return present(snapshot, Fields.CONTENT).values().stream()
        .filter(same -> same.size() > 1)
        .map(same -> group(snapshot, same))
        .sorted(
            Comparator.comparingLong(Group::bytesFreed).reversed().thenComparing(Group::survivor))
        .toList();
  }

  private static Map<String, List<Integer>> present(Snapshot snapshot, Field<?> field) {
    Map<String, List<Integer>> byValue = new HashMap<>();
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              String value = snapshot.raw(id, field);
              if (!value.isEmpty() && !snapshot.lost(id)) {
                byValue.computeIfAbsent(value, v -> new ArrayList<>()).add(id);
              }
            });
    return byValue;
  }

  private static Group group(Snapshot snapshot, List<Integer> same) {
    Preference decided =
        Preference.ORDER.stream()
            .filter(p -> p.decides(snapshot, same))
            .findFirst()
            .orElse(Preference.FIRST);
    List<Integer> ranked = new ArrayList<>(same);
    Comparator<Integer> order = Preference.order(snapshot);
    ranked.sort(order);
    long size = snapshot.value(same.getFirst(), Fields.SIZE).orElse(0L);
    return new Group(ranked, size * (same.size() - 1), decided.words());
  }

  /**
   * The change that keeps one copy: spares go to the holding bay, hand crates point to the
   * survivor, plays are added up and the latest day is kept.
   *
   * @param snapshot the collection
   * @param crates the shelves
   * @param survivor the copy to keep
   * @param spares the other copies
   */
  public static Change resolve(
      Snapshot snapshot, Crates crates, int survivor, List<Integer> spares) {
    RoaringBitmap ids = new RoaringBitmap();
    spares.forEach(ids::add);
    String name = snapshot.name(survivor);
    List<Edit> edits = new ArrayList<>(plays(snapshot, survivor, spares));
    Crates after = pointed(crates, survivor, ids);
    if (!after.equals(crates)) {
      edits.add(new Edit.SetCrates(crates, after));
    }
    edits.addAll(TrackEdits.hold(snapshot, ids, "copies").edits());
    String copies = spares.size() == 1 ? "1 copy" : spares.size() + " copies";
    return new Change("keeps one of " + name + ", holds " + copies, false, edits);
  }

  private static List<Edit> plays(Snapshot snapshot, int survivor, List<Integer> spares) {
    int own = snapshot.value(survivor, Fields.PLAYS).orElse(0);
    int sum = own;
    String last = snapshot.raw(survivor, Fields.LAST_PLAYED);
    for (int spare : spares) {
      sum += snapshot.value(spare, Fields.PLAYS).orElse(0);
      String other = snapshot.raw(spare, Fields.LAST_PLAYED);
      last = other.compareTo(last) > 0 ? other : last;
    }
    List<Edit> edits = new ArrayList<>();
    if (sum != own) {
      edits.add(set(snapshot, survivor, Fields.PLAYS, String.valueOf(sum)));
    }
    if (!last.equals(snapshot.raw(survivor, Fields.LAST_PLAYED))) {
      edits.add(set(snapshot, survivor, Fields.LAST_PLAYED, last));
    }
    return edits;
  }

  private static Edit set(Snapshot snapshot, int id, Field<?> field, String after) {
    return new Edit.SetField(id, field, snapshot.raw(id, field), after);
  }

  private static Crates pointed(Crates crates, int survivor, RoaringBitmap spares) {
    Crates after = crates;
    for (Crate crate : crates.all()) {
      if (crate instanceof Crate.HandCrate hand
          && hand.tracks().stream().anyMatch(spares::contains)) {
        List<Integer> tracks =
            new ArrayList<>(
                new LinkedHashSet<>(
                    hand.tracks().stream()
                        .map(id -> spares.contains(id) ? survivor : id)
                        .toList()));
        after = after.with(hand.name(), c -> new Crate.HandCrate(hand.name(), tracks));
      }
    }
    return after;
  }
}
