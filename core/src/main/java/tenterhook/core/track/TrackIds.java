package tenterhook.core.track;

import java.util.AbstractList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.RandomAccess;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Field;

/**
 * Tracks in an order, as an array of their ids that reads as a list: no object a track. Immutable.
 */
public final class TrackIds extends AbstractList<Integer> implements RandomAccess {
  /** No track. */
  public static final TrackIds NONE = new TrackIds(new int[0]);

  private final int[] ids;

  private TrackIds(int[] ids) {
    this.ids = ids;
  }

  /** Tracks in the order of their ids. */
  public static TrackIds of(RoaringBitmap set) {
    return new TrackIds(set.toArray());
  }

  /**
   * Tracks in an order.
   *
   * @param ids taken over; not to be altered any more
   */
  public static TrackIds of(int... ids) {
    return new TrackIds(ids);
  }

  /** Tracks in the order of a collection. */
  public static TrackIds copyOf(Collection<Integer> ids) {
    return ids instanceof TrackIds same
        ? same
        : new TrackIds(ids.stream().mapToInt(Integer::intValue).toArray());
  }

  /** The track in a place, from 0. */
  public int at(int index) {
    return ids[index];
  }

  @Override
  public Integer get(int index) {
    return ids[index];
  }

  @Override
  public int size() {
    return ids.length;
  }

  /** Makes no object a track, unlike a plain list. */
  @Override
  public int indexOf(Object track) {
    if (track instanceof Integer id) {
      for (int i = 0; i < ids.length; i++) {
        if (ids[i] == id) {
          return i;
        }
      }
    }
    return -1;
  }

  /** The same tracks without their order; a set of its own. */
  public RoaringBitmap set() {
    return RoaringBitmap.bitmapOfUnordered(ids);
  }

  /** Those that are in a set, in the same order. */
  public TrackIds in(RoaringBitmap set) {
    int[] kept = new int[Math.min(ids.length, set.getCardinality())];
    int count = 0;
    for (int id : ids) {
      if (count < kept.length && set.contains(id)) {
        kept[count++] = id;
      }
    }
    return count == ids.length ? this : new TrackIds(Arrays.copyOf(kept, count));
  }

  /**
   * The same tracks in the order of a field, equal ones by id.
   *
   * @param snapshot whose values are compared
   * @param field which attribute
   * @param falling whether the highest stands first
   */
  public TrackIds sorted(Snapshot snapshot, Field<?> field, boolean falling) {
    return sorted(snapshot, List.of(new TrackOrder.Key(field.key(), falling)));
  }

  /**
   * The same tracks in the order of several fields, equal ones by id.
   *
   * @param snapshot whose values are compared
   * @param keys the first that differs decides
   */
  public TrackIds sorted(Snapshot snapshot, List<TrackOrder.Key> keys) {
    return new TrackIds(TrackOrder.sorted(snapshot, ids, keys));
  }
}
