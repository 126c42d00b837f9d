package tenterhook.desktop.control;

import java.util.List;
import javafx.collections.ListChangeListener;
import javafx.collections.ObservableList;
import javafx.collections.ObservableListBase;
import tenterhook.core.track.TrackIds;

/** The tracks of a table for the toolkit: an index array that is replaced as a whole. */
final class TrackRows extends ObservableListBase<Integer> {
  private TrackIds ids = TrackIds.NONE;

  TrackIds ids() {
    return ids;
  }

  /**
   * Holds other tracks. The toolkit is told of no more than that there are more or fewer: told that
   * all are others, it would make all its cells anew. Whoever calls this lets the rows in sight
   * look at their tracks again.
   */
  void show(TrackIds other) {
    TrackIds before = ids;
    ids = other;
    int most = other.size();
    if (most > before.size()) {
      fireChange(new RangeChange<>(this, before.size(), most, List.of()));
    } else if (most < before.size()) {
      fireChange(new RangeChange<>(this, most, most, before.subList(most, before.size())));
    }
  }

  @Override
  public Integer get(int index) {
    return ids.get(index);
  }

  @Override
  public int size() {
    return ids.size();
  }

  /**
   * The places of a list from one to another are new, and what is named stood there before.
   *
   * @param <T> what the list holds
   */
  static final class RangeChange<T> extends ListChangeListener.Change<T> {
    private final int from;
    private final int to;
    private final List<T> before;
    private boolean seen;

    RangeChange(ObservableList<T> list, int from, int to, List<T> before) {
      super(list);
      this.from = from;
      this.to = to;
      this.before = before;
    }

    @Override
    public boolean next() {
      boolean first = !seen;
      seen = true;
      return first;
    }

    @Override
    public void reset() {
      seen = false;
    }

    @Override
    public int getFrom() {
      return from;
    }

    @Override
    public int getTo() {
      return to;
    }

    @Override
    public List<T> getRemoved() {
      return before;
    }

    @Override
    protected int[] getPermutation() {
      return new int[0];
    }
  }
}
