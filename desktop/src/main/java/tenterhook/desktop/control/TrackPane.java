package tenterhook.desktop.control;

import java.util.Map;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.control.Label;
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
import tenterhook.core.track.TrackIds;
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
  private final TrackRows rows = new TrackRows();
  private final TrackTable table = new TrackTable(rows, this::fill, this::selected);
  private final Label count = Look.label("", "second");
  private final Columns columns;
  private final Once<EditPanel> editPanel;
  private final TrackActions actions;
  private TrackList list = TrackList.NONE;
  private Query query = Query.ALL;
  private Narrowing.Rows shown = Narrowing.Rows.NONE;
  private RoaringBitmap inRows = new RoaringBitmap();

  /**
   * A table.
   *
   * @param workspace what it works with
   */
  public TrackPane(Workspace workspace) {
    this.workspace = workspace;
    this.actions = new TrackActions(workspace);
    this.columns = new Columns(workspace, table, this::edit);
    this.editPanel = new Once<>(() -> new EditPanel(workspace, this::closeEdit));
    table.setId("tracks");
    table.setAccessibleText(Words.of("table.name"));
    table.setEditable(true);
    table.setPlaceholder(Look.label(Words.of("table.empty"), "empty"));
    table.setFixedCellSize(27);
    table.setContextMenu(new TrackMenu(workspace, this, columns, actions).menu());
    table.addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
    workspace.state().addListener((o, before, after) -> refresh());
    sceneProperty().addListener((o, before, after) -> look());
    workspace.wheelKeys().addListener((o, before, after) -> table.showAgain());
    setCenter(table);
    HBox foot = new HBox(count);
    foot.getStyleClass().add("table-foot");
    setBottom(foot);
  }

  /** Shows another list, unnarrowed. */
  public void show(TrackList other) {
    list = other;
    query = Query.ALL;
    fill();
    if (shown.asked().list() != other) { // meanwhile no row of another list stands under its name
      filled(Narrowing.Rows.NONE);
    }
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

  /** The tracks that are selected; none is an empty set. A set of its own. */
  public RoaringBitmap selection() {
    return table.selection().ids();
  }

  /** The rows in view, in order. */
  public TrackIds rows() {
    return rows.ids();
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

  /** Works out the rows beside the window; the newest wish wins. */
  private void fill() {
    Narrowing wanted =
        new Narrowing(
            list,
            order(),
            query,
            workspace.state().get().snapshot(),
            workspace.contents().finder());
    Narrowing.Rows before = shown;
    workspace.promptly(this, () -> wanted.after(before), this::filled);
  }

  private void filled(Narrowing.Rows found) {
    shown = found;
    inRows = found.rows().set();
    rows.show(found.rows());
    table.lookAgain();
    table.selection().follow();
    int all = found.asked().list().ids().size();
    int here = found.rows().size();
    count.setText(
        here == all ? Words.of("table.count", here) : Words.of("table.countOf", here, all));
  }

  private Optional<Narrowing.ColumnOrder> order() {
    return table.getSortOrder().stream()
        .findFirst()
        .map(
            by ->
                new Narrowing.ColumnOrder(
                    Columns.field(by), by.getSortType() == TableColumn.SortType.DESCENDING));
  }

  private void refresh() {
    look();
    sayChosen();
  }

  /** Brings into step what is in sight; a view that comes back chooses nothing by that. */
  private void look() {
    if (!workspace.state().get().snapshot().tracks().contains(inRows)) {
      fill();
    }
    if (getScene() != null) {
      table.showAgain();
      showInPanel();
    }
  }

  private void selected() {
    sayChosen();
    showInPanel();
  }

  private void sayChosen() {
    RoaringBitmap ids = selection();
    if (!ids.isEmpty()) {
      Integer item = table.getSelectionModel().getSelectedItem();
      workspace.choose(this, item == null ? ids.last() : item);
    }
  }

  private void showInPanel() {
    if (getRight() != null) {
      editPanel.get().choose(selection());
    }
  }

  /** Opens the edit panel on the selection. */
  public void openEdit() {
    if (table.getSelectionModel().isEmpty() && !rows.isEmpty()) {
      table.getSelectionModel().selectFirst();
    }
    setRight(editPanel.get());
    editPanel.get().show(selection());
    editPanel.get().focusFirst();
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
