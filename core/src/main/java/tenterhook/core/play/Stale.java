package tenterhook.core.play;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/**
 * Tracks that nobody plays. Resting and lost ones are left out, and so are those that came too
 * lately to be called stale.
 */
public final class Stale {
  private Stale() {}

  /** In which order stale tracks are looked through. */
  public enum Order {
    /** The longest in the collection first. */
    AGE,
    /** The largest file first. */
    SIZE,
    /** The least played first. */
    PLAYS
  }

  /**
   * Tracks that were never played and have been here for some months.
   *
   * @param today the day to count from
   * @param months how long they must have been here
   */
  public static RoaringBitmap never(Snapshot snapshot, LocalDate today, int months) {
    double since = day(today.minusMonths(months));
    return snapshot.tracks(
        id -> waits(snapshot, id) && plays(snapshot, id) == 0 && addedBefore(snapshot, id, since));
  }

  /**
   * Tracks that were played, but not for some months.
   *
   * @param today the day to count from
   * @param months since the last play; a track whose last play is not dated counts from its arrival
   */
  public static RoaringBitmap notFor(Snapshot snapshot, LocalDate today, int months) {
    double since = day(today.minusMonths(months));
    return snapshot.tracks(
        id -> waits(snapshot, id) && plays(snapshot, id) > 0 && lastBefore(snapshot, id, since));
  }

  private static boolean waits(Snapshot snapshot, int id) {
    return snapshot.raw(id, Fields.RESTING).isEmpty() && !snapshot.lost(id);
  }

  private static int plays(Snapshot snapshot, int id) {
    return snapshot.value(id, Fields.PLAYS).orElse(0);
  }

  private static double day(LocalDate date) {
    return date.atStartOfDay().toInstant(ZoneOffset.UTC).getEpochSecond() / 86400.0;
  }

  private static boolean addedBefore(Snapshot snapshot, int id, double since) {
    return !(Fields.ADDED.type().number(snapshot.raw(id, Fields.ADDED)) >= since);
  }

  private static boolean lastBefore(Snapshot snapshot, int id, double since) {
    double last = Fields.LAST_PLAYED.type().number(snapshot.raw(id, Fields.LAST_PLAYED));
    return Double.isNaN(last) ? addedBefore(snapshot, id, since) : last < since;
  }

  /** Tracks in an order; equal ones by name. */
  public static List<Integer> sorted(Snapshot snapshot, RoaringBitmap ids, Order order) {
    Comparator<Integer> by =
        switch (order) {
          case AGE -> Comparator.comparing(id -> snapshot.raw(id, Fields.ADDED));
          case SIZE -> Comparator.comparing(id -> -snapshot.value(id, Fields.SIZE).orElse(0L));
          case PLAYS -> Comparator.comparing(id -> plays(snapshot, id));
        };
    return ids.stream().boxed().sorted(by.thenComparing(snapshot::name)).toList();
  }

  /** How many bytes the files of tracks take. */
  public static long bytes(Snapshot snapshot, RoaringBitmap ids) {
    return ids.stream().mapToLong(id -> snapshot.value(id, Fields.SIZE).orElse(0L)).sum();
  }

  /**
   * Moves files to a root of its own, where they stay known and rest, and takes them out of crates
   * that are filled by hand.
   *
   * @param archive name of the root
   * @param below a folder in it, empty for the root itself; the tracks' own roots become folders in
   *     it
   */
  public static Change archive(
      Snapshot snapshot, Crates crates, RoaringBitmap ids, String archive, String below) {
    String folder = below.isEmpty() ? "" : below + "/";
    List<Edit> edits = new ArrayList<>();
    RoaringBitmap moved = new RoaringBitmap();
    ids.forEach(
        (int id) -> {
          Place from = TrackEdits.place(snapshot, id);
          if (!from.root().equals(archive) || !from.path().startsWith(folder)) {
            moved.add(id);
            edits.add(
                new Edit.MoveFile(
                    id, from, new Place(archive, folder + from.root() + "/" + from.path())));
            String resting = snapshot.raw(id, Fields.RESTING);
            if (resting.isEmpty()) {
              edits.add(new Edit.SetField(id, Fields.RESTING, resting, "yes"));
            }
          }
        });
    Crates without = without(crates, moved);
    if (!without.equals(crates)) {
      edits.add(new Edit.SetCrates(crates, without));
    }
    return new Change(
        "moves " + TrackEdits.tracks(edits) + " to " + archive, moved.getCardinality() == 1, edits);
  }

  private static Crates without(Crates crates, RoaringBitmap ids) {
    Crates after = crates;
    for (Crate crate : crates.all()) {
      if (crate instanceof Crate.HandCrate hand && hand.tracks().stream().anyMatch(ids::contains)) {
        List<Integer> left = hand.tracks().stream().filter(id -> !ids.contains(id)).toList();
        after = after.with(hand.name(), c -> new Crate.HandCrate(hand.name(), left));
      }
    }
    return after;
  }
}
