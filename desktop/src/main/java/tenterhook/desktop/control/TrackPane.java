package tenterhook.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.scene.control.Label;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Query;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackOrder;
import tenterhook.desktop.edit.EditPanel;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/**
 * The one table of tracks. It shows a list, narrowed by a query; the list itself stays as it was
 * opened until it is opened anew, so that a row does not vanish under the hand that mends it.
 */
public final class TrackPane extends BorderPane {
  private final Workspace workspace;
  private final TableView<Integer> table = new TableView<>();
  private final ObservableList<Integer> rows = FXCollections.observableArrayList();
  private final Label count = Look.label("", "second");
  private final Columns columns;
  private final EditPanel editPanel;
  private final TrackActions actions;
  private final Narrowing narrowing;
  private TrackList list = new TrackList("", List.of(), false);
  private Query query = Query.ALL;

  /**
   * A table.
   *
   * @param workspace what it works with
   */
  public TrackPane(Workspace workspace) {
    this.workspace = workspace;
    this.actions = new TrackActions(workspace);
    this.narrowing = new Narrowing(workspace);
    this.columns = new Columns(workspace, table, this::edit);
    this.editPanel = new EditPanel(workspace, this::closeEdit);
    table.setItems(rows);
    table.setId("tracks");
    table.setAccessibleText(Words.of("table.name"));
    table.setEditable(true);
    table.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
    table.setPlaceholder(Look.label(Words.of("table.empty"), "empty"));
    table.setFixedCellSize(27);
    table.setSortPolicy(t -> sort());
    table.setContextMenu(new TrackMenu(workspace, this, columns, actions).menu());
    table.addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
    table
        .getSelectionModel()
        .getSelectedItems()
        .addListener((javafx.collections.ListChangeListener<Integer>) c -> selected());
    workspace.state().addListener((o, before, after) -> refresh());
    workspace.wheelKeys().addListener((o, before, after) -> table.refresh());
    setCenter(table);
    HBox foot = new HBox(count);
    foot.getStyleClass().add("table-foot");
    setBottom(foot);
  }

  /** Shows another list, unnarrowed. */
  public void show(TrackList other) {
    list = other;
    narrowing.forget();
    query = Query.ALL;
    fill();
  }

  /** The list it shows. */
  public TrackList list() {
    return list;
  }

  /** Narrows the list to what a query finds in it. */
  public void narrow(Query other) {
    query = other;
    fill();
  }

  /** The tracks that are selected; none is an empty set. */
  public RoaringBitmap selection() {
    RoaringBitmap ids = new RoaringBitmap();
    table
        .getSelectionModel()
        .getSelectedItems()
        .forEach(
            id -> {
              if (id != null) {
                ids.add(id);
              }
            });
    return ids;
  }

  /** The rows in view, in order. */
  public List<Integer> rows() {
    return List.copyOf(rows);
  }

  /** Selects the row so many rows further down; stays at the ends. */
  public void walk(int steps) {
    if (!rows.isEmpty()) {
      int now = table.getSelectionModel().getSelectedIndex();
      int next = Math.clamp(now < 0 ? 0 : now + steps, 0, rows.size() - 1);
      table.getSelectionModel().clearAndSelect(next);
      table.scrollTo(Math.max(0, next - 3));
    }
  }

  /** The table itself, for focus and tests. */
  public TableView<Integer> table() {
    return table;
  }

  private void fill() {
    Snapshot snapshot = workspace.state().get().snapshot();
    List<Integer> ids = new ArrayList<>();
    RoaringBitmap found = narrowing.found(list, query, snapshot);
    for (int id : list.ids()) {
      if (found.contains(id) && snapshot.has(id)) {
        ids.add(id);
      }
    }
    rows.setAll(ids);
    sort();
    count.setText(
        ids.size() == list.ids().size()
            ? Words.of("table.count", ids.size())
            : Words.of("table.countOf", ids.size(), list.ids().size()));
  }

  private void refresh() {
    Snapshot snapshot = workspace.state().get().snapshot();
    if (rows.stream().anyMatch(id -> !snapshot.has(id))) {
      fill();
    }
    table.refresh();
    selected();
  }

  private Boolean sort() {
    if (!table.getSortOrder().isEmpty()) {
      TableColumn<Integer, ?> by = table.getSortOrder().getFirst();
      boolean falling = by.getSortType() == TableColumn.SortType.DESCENDING;
      Field<?> field = Columns.field(by);
      rows.sort(TrackOrder.by(workspace.state().get().snapshot(), field, falling));
    }
    return true;
  }

  private void selected() {
    RoaringBitmap ids = selection();
    if (!ids.isEmpty()) {
      Integer item = table.getSelectionModel().getSelectedItem();
      workspace.choose(this, item == null ? ids.last() : item);
    }
    if (getRight() != null) {
      editPanel.choose(ids);
    }
  }

  /** Opens the edit panel on the selection. */
  public void openEdit() {
    if (table.getSelectionModel().isEmpty() && !rows.isEmpty()) {
      table.getSelectionModel().selectFirst();
    }
    setRight(editPanel);
    editPanel.show(selection());
    editPanel.focusFirst();
  }

  /**
   * Closes the edit panel.
   *
   * @return whether it was open
   */
  public boolean closeEdit() {
    boolean open = getRight() != null;
    setRight(null);
    table.requestFocus();
    return open;
  }

  private void edit(int id, Field<?> field, String raw) {
    RoaringBitmap one = RoaringBitmap.bitmapOf(id);
    workspace.command(
        field.label(), 1, now -> TrackEdits.set(now.snapshot(), one, Map.of(field, raw)));
  }

  private void keys(KeyEvent event) {
    if (table.getEditingCell() != null) {
      return;
    }
    if (event.isAltDown() && event.getCode().isDigitKey()) {
      int rating = event.getCode().ordinal() - KeyCode.DIGIT0.ordinal();
      if (rating <= 5) {
        actions.rate(selection(), rating);
        event.consume();
      }
    } else if (!event.isControlDown() && !event.isAltDown()) {
      switch (event.getCode()) {
        case R -> actions.flag(selection(), Fields.RESTING);
        case G -> actions.flag(selection(), Fields.GUARDED);
        case DELETE -> actions.remove(selection());
        case ENTER -> editFocused();
        default -> {
          return;
        }
      }
      event.consume();
    }
  }

  private void editFocused() {
    var at = table.getFocusModel().getFocusedCell();
    if (at.getRow() >= 0) {
      TableColumn<Integer, ?> column =
          at.getTableColumn() == null || !at.getTableColumn().isEditable()
              ? columns.firstEditable()
              : table.getVisibleLeafColumn(at.getColumn());
      table.edit(at.getRow(), column);
    }
  }

  /** The value of a cell for the toolkit. */
  static ReadOnlyObjectWrapper<Integer> value(Integer id) {
    return new ReadOnlyObjectWrapper<>(id);
  }
}
