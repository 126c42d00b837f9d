package tenterhook.desktop.control;

import java.util.List;
import java.util.function.IntFunction;
import javafx.collections.ObservableList;
import javafx.collections.ObservableListBase;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableColumnBase;
import javafx.scene.control.TablePosition;
import javafx.scene.control.TableView;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.track.TrackIds;

/**
 * Which tracks of a table are selected: a set of tracks, whatever row they stand in, so that they
 * stay selected when the rows are sorted or narrowed. Every act costs what the set costs, not what
 * the rows cost. A range goes from the anchor, the row that was chosen last by itself.
 */
final class TrackSelection extends TableView.TableViewSelectionModel<Integer> {
  private final TrackRows rows;
  private final Runnable changed;
  private RoaringBitmap ids = new RoaringBitmap();

  /** The rows of the selected tracks, worked out when asked for; null when not yet known. */
  private int @Nullable [] places = new int[0];

  private int anchor;

  private final Selected<Integer> indices = new Selected<>(place -> place);
  private final Selected<Integer> items;

  /** The toolkit's own type is raw. */
  @SuppressWarnings("rawtypes")
  private final Selected<TablePosition> cells;

  /**
   * Nothing selected.
   *
   * @param table whose rows are selected
   * @param rows of the table
   * @param changed called after every change
   */
  TrackSelection(TableView<Integer> table, TrackRows rows, Runnable changed) {
    super(table);
    this.rows = rows;
    this.changed = changed;
    this.items = new Selected<>(rows::get);
    this.cells = new Selected<>(place -> new TablePosition<Integer, Object>(table, place, null));
    setSelectionMode(SelectionMode.MULTIPLE);
  }

  /** What is selected, as a list for the toolkit, made element by element as it is asked for. */
  private final class Selected<T> extends ObservableListBase<T> {
    private final IntFunction<T> of;

    Selected(IntFunction<T> of) {
      this.of = of;
    }

    @Override
    public T get(int index) {
      return of.apply(places()[index]);
    }

    @Override
    public int size() {
      return ids.getCardinality();
    }

    /** Says no more than that the newest one is new: the toolkit asks each row in sight again. */
    void fire(boolean any) {
      int at = any ? size() - 1 : 0;
      fireChange(new TrackRows.RangeChange<>(this, at, any ? at + 1 : 0, List.of()));
    }
  }

  /** The selected tracks. A set of its own. */
  RoaringBitmap ids() {
    return ids.clone();
  }

  private int[] places() {
    int[] known = places;
    if (known == null) {
      known = new int[ids.getCardinality()];
      TrackIds all = rows.ids();
      int count = 0;
      for (int i = 0; i < all.size() && count < known.length; i++) {
        if (ids.contains(all.at(i))) {
          known[count++] = i;
        }
      }
      places = known;
    }
    return known;
  }

  /** Takes over after the rows are others: what is still there stays selected. */
  void follow() {
    if (ids.isEmpty()) {
      return;
    }
    int lead = getSelectedItem() == null ? 0 : getSelectedItem();
    RoaringBitmap there = RoaringBitmap.and(ids, rows.ids().set());
    boolean same = there.equals(ids);
    int row = there.contains(lead) ? rows.ids().indexOf(lead) : -1;
    ids = there;
    places = null;
    if (row < 0 && !there.isEmpty()) {
      row = places()[0];
    }
    anchor = Math.max(0, row);
    say(row, !same);
    if (row >= 0) {
      focus(row);
    }
  }

  /** Selects tracks and nothing else; each must be in a row. Taken over. */
  void choose(RoaringBitmap tracks) {
    select(tracks, tracks.isEmpty() ? -1 : rows.ids().indexOf(tracks.first()));
  }

  private void select(RoaringBitmap now, int lead) {
    ids = now;
    places = null;
    say(lead, true);
    if (lead >= 0) {
      focus(lead);
    }
  }

  private void say(int lead, boolean other) {
    boolean any = !ids.isEmpty();
    setSelectedIndex(any ? lead : -1);
    setSelectedItem(any && lead >= 0 ? rows.get(lead) : null);
    indices.fire(any);
    items.fire(any);
    cells.fire(any);
    if (other) {
      changed.run();
    }
  }

  private boolean isRow(int row) {
    return row >= 0 && row < rows.size();
  }

  private RoaringBitmap between(int one, int other) {
    RoaringBitmap range = new RoaringBitmap();
    for (int row = Math.min(one, other); row <= Math.max(one, other); row++) {
      range.add(rows.ids().at(row));
    }
    return range;
  }

  /**
   * Selects all from the anchor to a row.
   *
   * @param add whether the rest stays selected
   */
  void extendTo(int row, boolean add) {
    if (isRow(row)) {
      RoaringBitmap range = between(Math.min(anchor, rows.size() - 1), row);
      if (add) {
        range.or(ids);
      }
      select(range, row);
    }
  }

  /** Selects what is not, and nothing else. */
  void invert() {
    RoaringBitmap others = rows.ids().set();
    others.andNot(ids);
    select(others, others.isEmpty() ? -1 : rows.ids().indexOf(others.first()));
  }

  /** The track of a row is selected or not, whichever it was not; the row is the anchor now. */
  void toggle(int row) {
    if (isSelected(row)) {
      clearSelection(row);
    } else {
      select(row);
    }
  }

  @Override
  public boolean isSelected(int row) {
    return isRow(row) && ids.contains(rows.ids().at(row));
  }

  @Override
  public boolean isSelected(int row, TableColumn<Integer, ?> column) {
    return isSelected(row);
  }

  @Override
  public boolean isEmpty() {
    return ids.isEmpty();
  }

  @Override
  public void select(int row) {
    if (isRow(row)) {
      RoaringBitmap now = ids.clone();
      now.add(rows.ids().at(row));
      anchor = row;
      select(now, row);
    }
  }

  @Override
  public void select(int row, TableColumn<Integer, ?> column) {
    select(row);
  }

  @Override
  public void select(Integer id) {
    select(rows.ids().indexOf(id));
  }

  @Override
  public void clearAndSelect(int row) {
    if (isRow(row)) {
      anchor = row;
      select(RoaringBitmap.bitmapOf(rows.ids().at(row)), row);
    }
  }

  @Override
  public void clearAndSelect(int row, TableColumn<Integer, ?> column) {
    clearAndSelect(row);
  }

  @Override
  public void clearSelection(int row) {
    if (isSelected(row)) {
      RoaringBitmap now = ids.clone();
      now.remove(rows.ids().at(row));
      anchor = row;
      int lead = getSelectedIndex();
      ids = now;
      places = null;
      say(lead == row ? last() : lead, true);
    }
  }

  private int last() {
    return ids.isEmpty() ? -1 : places()[places().length - 1];
  }

  @Override
  public void clearSelection(int row, TableColumn<Integer, ?> column) {
    clearSelection(row);
  }

  @Override
  public void clearSelection() {
    if (!ids.isEmpty()) {
      select(new RoaringBitmap(), -1);
    }
  }

  @Override
  public void selectAll() {
    int lead = getSelectedIndex();
    select(rows.ids().set(), rows.isEmpty() ? -1 : Math.max(0, lead));
  }

  /** {@inheritDoc} The end is exclusive, and may lie before the start. */
  @Override
  public void selectRange(int start, int end) {
    if (start != end) {
      range(start, start < end ? end - 1 : end + 1);
    }
  }

  @Override
  public void selectRange(
      int first,
      TableColumnBase<Integer, ?> firstColumn,
      int last,
      TableColumnBase<Integer, ?> lastColumn) {
    range(first, last);
  }

  private void range(int first, int last) {
    if (!rows.isEmpty()) {
      anchor = Math.clamp(first, 0, rows.size() - 1);
      extendTo(Math.clamp(last, 0, rows.size() - 1), true);
    }
  }

  @Override
  public void selectIndices(int row, int... others) {
    RoaringBitmap now = ids.clone();
    int lead = row;
    if (isRow(row)) {
      now.add(rows.ids().at(row));
    }
    for (int other : others) {
      if (isRow(other)) {
        now.add(rows.ids().at(other));
        lead = other;
      }
    }
    if (isRow(lead)) {
      anchor = lead;
      select(now, lead);
    }
  }

  @Override
  public void selectFirst() {
    clearAndSelect(0);
  }

  @Override
  public void selectLast() {
    clearAndSelect(rows.size() - 1);
  }

  @Override
  public void selectPrevious() {
    select(Math.max(0, getFocusedIndex() - 1));
  }

  @Override
  public void selectNext() {
    select(Math.min(rows.size() - 1, getFocusedIndex() + 1));
  }

  @Override
  public void selectAboveCell() {
    selectPrevious();
  }

  @Override
  public void selectBelowCell() {
    selectNext();
  }

  /** Whole rows are selected, so there is nothing to the left. */
  @Override
  public void selectLeftCell() {}

  /** Whole rows are selected, so there is nothing to the right. */
  @Override
  public void selectRightCell() {}

  @Override
  public ObservableList<Integer> getSelectedIndices() {
    return indices;
  }

  @Override
  public ObservableList<Integer> getSelectedItems() {
    return items;
  }

  @Override
  @SuppressWarnings("rawtypes")
  public ObservableList<TablePosition> getSelectedCells() {
    return cells;
  }
}
