package tenterhook.desktop.control;

import java.time.LocalDate;
import java.util.Optional;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Field;
import tenterhook.core.find.Finder;
import tenterhook.core.find.NamedLists;
import tenterhook.core.find.Query;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;
import tenterhook.desktop.workspace.TrackList;

/**
 * What a table is asked to show: a list, in an order, narrowed by a query. Immutable, so that the
 * rows can be worked out beside the window. What an earlier answer gave is used again: the list in
 * its order, and, while somebody goes on typing, the tracks found.
 *
 * @param list the tracks
 * @param order empty for the list's own
 * @param query narrows the list
 * @param snapshot whose values are compared
 * @param finder answers the query
 */
record Narrowing(
    TrackList list, Optional<ColumnOrder> order, Query query, Snapshot snapshot, Finder finder) {

  /** By which column, and whether the highest stands first. */
  record ColumnOrder(Field<?> field, boolean falling) {}

  /**
   * What is to be shown.
   *
   * @param asked what for
   * @param ordered the whole list in its order
   * @param found the tracks that the query found
   * @param rows the tracks to show, in order
   */
  record Rows(Narrowing asked, TrackIds ordered, RoaringBitmap found, TrackIds rows) {
    /** No row, of no list. */
    static final Rows NONE =
        new Rows(
            new Narrowing(
                TrackList.NONE,
                Optional.empty(),
                Query.ALL,
                Snapshot.empty(),
                new Finder(Snapshot.empty(), Codebook.EMPTY, NamedLists.NONE, LocalDate.EPOCH)),
            TrackIds.NONE,
            new RoaringBitmap(),
            TrackIds.NONE);
  }

  /** Works out what to show; costs little more than what changed since an earlier answer. */
  Rows after(Rows before) {
    TrackIds ordered = isOrderOf(before.asked()) ? before.ordered() : ordered();
    RoaringBitmap found = found(before);
    return new Rows(this, ordered, found, ordered.in(RoaringBitmap.and(found, snapshot.tracks())));
  }

  private RoaringBitmap found(Rows before) {
    boolean same = before.asked().list == list && before.asked().snapshot == snapshot;
    if (same && before.asked().query.equals(query) && before.asked().finder == finder) {
      return before.found();
    }
    boolean goesOn = same && Finder.narrows(before.asked().query, query);
    RoaringBitmap scope = goesOn ? before.found() : list.ids().set();
    return query.equals(Query.ALL) ? scope : finder.find(query, scope);
  }

  private TrackIds ordered() {
    return order.map(o -> list.ids().sorted(snapshot, o.field(), o.falling())).orElseGet(list::ids);
  }

  private boolean isOrderOf(Narrowing before) {
    return before.list == list
        && before.order.equals(order)
        && (order.isEmpty() || before.snapshot == snapshot);
  }
}
