package tenterhook.desktop.control;

import java.time.LocalDate;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Finder;
import tenterhook.core.find.NamedLists;
import tenterhook.core.find.Query;
import tenterhook.core.narrow.Narrowings;
import tenterhook.core.track.Column;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;
import tenterhook.core.track.TrackOrder;
import tenterhook.desktop.workspace.TrackList;

/**
 * What a table is asked to show: a list, in an order, with the words of the find field and
 * narrowed. Immutable, so that the rows can be worked out beside the window. What an earlier answer
 * gave is used again: the list in its order, and, while somebody goes on typing, the tracks found.
 *
 * @param list the tracks
 * @param order empty for the list's own
 * @param query what the find field asks for
 * @param narrowings what the list is narrowed to
 * @param snapshot whose values are compared
 * @param finder answers the query
 */
record RowRequest(
    TrackList list,
    List<TrackOrder.Key> order,
    Query query,
    Narrowings narrowings,
    Snapshot snapshot,
    Finder finder) {

  /**
   * What is to be shown.
   *
   * @param asked what for
   * @param ordered the whole list in its order
   * @param found the tracks that the query found, before they were narrowed
   * @param rows the tracks to show, in order
   * @param sums of the tracks to show
   */
  record Rows(
      RowRequest asked, TrackIds ordered, RoaringBitmap found, TrackIds rows, TrackSums sums) {
    /** No row, of no list. */
    static final Rows NONE =
        new Rows(
            new RowRequest(
                TrackList.NONE,
                List.of(),
                Query.ALL,
                Narrowings.NONE,
                Snapshot.empty(),
                new Finder(Snapshot.empty(), Codebook.EMPTY, NamedLists.NONE, LocalDate.EPOCH)),
            TrackIds.NONE,
            new RoaringBitmap(),
            TrackIds.NONE,
            new TrackSums(0, 0));
  }

  /**
   * What tracks come to.
   *
   * @param seconds how long they are
   * @param bytes how large their files are
   */
  record TrackSums(double seconds, double bytes) {
    private static TrackSums of(Snapshot snapshot, TrackIds ids) {
      Column lengths = snapshot.column(Fields.DURATION);
      Column sizes = snapshot.column(Fields.SIZE);
      double seconds = 0;
      double bytes = 0;
      for (int i = 0; i < ids.size(); i++) {
        int id = ids.at(i);
        double length = lengths.dictionary().value(lengths.number(id), Fields.DURATION.type());
        double size = sizes.dictionary().value(sizes.number(id), Fields.SIZE.type());
        seconds += Double.isNaN(length) ? 0 : length;
        bytes += Double.isNaN(size) ? 0 : size;
      }
      return new TrackSums(seconds, bytes);
    }
  }

  /** Works out what to show; costs little more than what changed since an earlier answer. */
  Rows after(Rows before) {
    TrackIds ordered = isOrderOf(before.asked()) ? before.ordered() : ordered();
    RoaringBitmap found = found(before);
    RoaringBitmap narrowed = narrowings.isEmpty() ? found : finder.find(narrowings.query(), found);
    TrackIds rows = ordered.in(RoaringBitmap.and(narrowed, snapshot.tracks()));
    return new Rows(this, ordered, found, rows, TrackSums.of(snapshot, rows));
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
    return order.isEmpty() ? list.ids() : list.ids().sorted(snapshot, order);
  }

  private boolean isOrderOf(RowRequest before) {
    return before.list == list
        && before.order.equals(order)
        && (order.isEmpty() || before.snapshot == snapshot);
  }
}
