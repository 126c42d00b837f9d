package tenterhook.desktop.control;

import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.control.Label;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.find.Query;
import tenterhook.core.narrow.Narrowings;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;
import tenterhook.core.track.TrackOrder;
import tenterhook.desktop.edit.EditPanel;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/**
 * The one table of tracks. It shows a list, narrowed; the list itself stays as it was opened until
 * it is opened anew, so that a row does not vanish under the hand that mends it.
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
  private final Once<NarrowPane> narrowPane;
  private final Trail trail;
  private final ToggleButton narrow = new ToggleButton(Words.of("narrow.title"));
  private final Once<CoverWall> wall;
  private final CoverSwitch covers;
  private final TrackKeys keys;
  private Narrowings narrowings = Narrowings.NONE;
  private boolean narrowOpen;
  private RowRequest.Rows shown = RowRequest.Rows.NONE;
  private RoaringBitmap inRows = new RoaringBitmap();

  /**
   * A table.
   *
   * @param workspace what it works with
   * @param kind of lists, for which columns and order are remembered
   */
  public TrackPane(Workspace workspace, String kind) {
    this(workspace, kind, List.of());
  }

  /**
   * A table that shows columns of its own at first.
   *
   * @param first columns until others are chosen; the usual ones when empty
   */
  public TrackPane(Workspace workspace, String kind, List<Field<?>> first) {
    this.workspace = workspace;
    this.actions = new TrackActions(workspace);
    this.editPanel = new Once<>(() -> new EditPanel(workspace, this::closeEdit));
    this.narrowPane = new Once<>(() -> new NarrowPane(workspace, this));
    this.trail = new Trail(workspace, this);
    this.wall = new Once<>(this::makeWall);
    this.covers = new CoverSwitch(workspace, kind, this::openCovers, wall);
    this.columns = new Columns(workspace, table, kind, first, this::edit); // may sort, and so fill
    table.setId("tracks");
    table.setAccessibleText(Words.of("table.name"));
    table.setEditable(true);
    table.setPlaceholder(Look.label(Words.of("table.empty"), "empty"));
    table.setFixedCellSize(27);
    HandOrder hand = new HandOrder(workspace, this);
    table.setRowFactory(t -> hand.row());
    table.setContextMenu(new TrackMenu(workspace, this, columns, actions).menu());
    this.keys = new TrackKeys(this, table, columns, actions, hand);
    table.addEventFilter(KeyEvent.KEY_PRESSED, keys::take);
    workspace.state().addListener((o, before, after) -> refresh());
    sceneProperty().addListener((o, before, after) -> look());
    workspace.wheelKeys().addListener((o, before, after) -> table.showAgain());
    setCenter(table);
    narrow.setId("narrow-open");
    narrow.getStyleClass().add("quiet");
    Look.tip(narrow, Words.of("narrow.openTip"));
    narrow.setOnAction(e -> openNarrow(narrow.isSelected()));
    HBox foot = new HBox(8, count, Look.spring(), covers, narrow);
    foot.getStyleClass().add("table-foot");
    setBottom(foot);
    if (covers.isRemembered()) {
      covers.show(true);
      setCenter(wall.get());
    }
  }

  /**
   * Shows a list. Another one than before is unnarrowed, unless narrowing is pinned; the same one,
   * with what it holds by now, stays narrowed as it was. What the find field asks for stays too,
   * since its words stay in sight.
   */
  public void show(TrackList other) {
    boolean same = other.title().equals(list.title());
    list = other;
    if (!same || workspace.narrowing().pinned().get()) {
      narrowings = workspace.narrowing().forNextList();
    }
    fill();
    workspace.frame().listed();
    if (shown.asked().list() != other) { // meanwhile no row of another list stands under its name
      filled(RowRequest.Rows.NONE);
    }
  }

  /** The list it shows. */
  public TrackList list() {
    return list;
  }

  /** Shows only what the words of the find field find in the list. */
  public void find(Query other) {
    if (!other.equals(query)) {
      query = other;
      fill();
    }
  }

  /** What the find field asks for. */
  public Query query() {
    return query;
  }

  /** Narrows the list. */
  public void narrow(Narrowings other) {
    narrowings = other;
    workspace.narrowing().chosen(other);
    fill();
  }

  /** What the list is narrowed to. */
  public Narrowings narrowings() {
    return narrowings;
  }

  /** Takes off what the list was narrowed to last. */
  void takeLastOff() {
    if (!narrowings.isEmpty()) {
      narrow(narrowings.without(narrowings.steps().getLast()));
    }
  }

  /** Opens or closes the pane that narrows, beside the table. */
  public void openNarrow(boolean open) {
    narrowOpen = open;
    narrow.setSelected(open);
    if (getRight() == null || narrowPane.is(getRight())) {
      showNarrow();
    }
  }

  private void showNarrow() {
    setRight(narrowOpen ? narrowPane.get() : null);
    showTrail();
    if (narrowOpen) {
      narrowPane.get().count(shown);
    }
  }

  /** Shows the list as a wall of covers, or as a table again with what was chosen in sight. */
  public void openCovers(boolean open) {
    covers.show(open);
    setCenter(open ? wall.get() : table);
    if (open) {
      wall.get().show(rows(), true);
      wall.get().list().requestFocus();
    } else {
      table.scrollTo(Math.max(0, table.getSelectionModel().getSelectedIndex() - 3));
      table.requestFocus();
    }
  }

  /** Whether the list is shown as a wall of covers. */
  public boolean coversOpen() {
    return covers.isOpen();
  }

  private CoverWall makeWall() {
    CoverWall made = new CoverWall(workspace, this);
    made.list().addEventFilter(KeyEvent.KEY_PRESSED, keys::take);
    return made;
  }

  /** Chooses tracks, as a hand would in the table; those that are in no row are left out. */
  void choose(RoaringBitmap tracks) {
    table.selection().choose(RoaringBitmap.and(tracks, inRows));
  }

  /** Opens the pane that narrows and goes to where values are typed. */
  public void goNarrow() {
    closeEdit();
    openNarrow(true);
    narrowPane.get().focusFilter();
  }

  /** Changes by steps what is chosen, or all rows while fewer than two are. */
  public void changeMany() {
    RoaringBitmap chosen = selection();
    boolean all = chosen.getCardinality() < 2;
    workspace.frame().changeMany(new TrackList(list.title(), all ? rows() : rows().in(chosen)));
  }

  /** What the columns show, in their order. */
  List<Field<?>> fields() {
    return table.getVisibleLeafColumns().stream()
        .filter(c -> c.getUserData() != null)
        .<Field<?>>map(Columns::field)
        .toList();
  }

  /** Puts the chosen rows into the clipboard as they are shown, values between tabs. */
  public void copyText() {
    List<Field<?>> fields = fields();
    Snapshot snapshot = workspace.state().get().snapshot();
    TrackIds chosen = rows().in(selection());
    workspace.background(
        () -> RowText.of(snapshot, fields, chosen),
        text -> {
          CopiedText.put(text);
          workspace.frame().inform(Words.of("told.copied", chosen.size()), false, 0);
        });
  }

  /** Keeps what is shown as a crate. */
  public void keepAsCrate() {
    KeptCrate.ask(workspace, this);
  }

  void closeNarrow() {
    openNarrow(false);
    table.requestFocus();
  }

  private void showTrail() {
    setTop(narrowPane.is(getRight()) || !narrowings.isEmpty() ? trail : null);
    trail.show(narrowings);
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

  /**
   * Shows a column that is no field, such as the time at which a gig plays a track.
   *
   * @param at before which column; the number of columns for the end
   * @param name its id and the message of its head
   * @param words of a track
   */
  public void addColumn(int at, String name, int width, IntFunction<SaidOfTrack> words) {
    TableColumn<Integer, Integer> column = new TableColumn<>(Words.of(name));
    column.setId("column-" + name.replace('.', '-'));
    column.setPrefWidth(width);
    column.setSortable(false);
    column.setEditable(false);
    column.setCellValueFactory(row -> value(row.getValue()));
    column.setCellFactory(c -> new WordsCell(words));
    table.getColumns().add(Math.min(at, table.getColumns().size()), column);
  }

  /** The table itself, for focus and tests. */
  public TableView<Integer> table() {
    return table;
  }

  /** Works out the rows beside the window; the newest wish wins. */
  private void fill() {
    RowRequest wanted =
        new RowRequest(
            list,
            order(),
            query,
            narrowings,
            workspace.state().get().snapshot(),
            workspace.contents().finder());
    RowRequest.Rows before = shown;
    workspace.promptly(this, () -> wanted.after(before), this::filled);
  }

  private void filled(RowRequest.Rows found) {
    shown = found;
    inRows = found.rows().set();
    rows.show(found.rows());
    table.lookAgain();
    table.selection().follow();
    sayCount(found);
    showTrail();
    if (covers.isOpen()) {
      wall.get().show(found.rows(), false);
    }
    if (narrowOpen && narrowPane.is(getRight())) {
      narrowPane.get().count(found);
    }
  }

  private void sayCount(RowRequest.Rows found) {
    int all = found.asked().list().ids().size();
    int here = found.rows().size();
    String tracks =
        here == all ? Words.of("table.count", here) : Words.of("table.countOf", here, all);
    count.setText(
        here == 0
            ? tracks
            : Words.of(
                "table.sums",
                tracks,
                Sums.hours(found.sums().seconds()),
                Sums.size(found.sums().bytes())));
  }

  /** By which columns the rows are sorted; none for the list's own order. */
  List<TrackOrder.Key> order() {
    return table.getSortOrder().stream()
        .map(
            by ->
                new TrackOrder.Key(
                    Columns.field(by).key(), by.getSortType() == TableColumn.SortType.DESCENDING))
        .toList();
  }

  private void refresh() {
    look();
    sayChosen();
  }

  /** Brings into step what is in sight; a view that comes back chooses nothing by that. */
  private void look() {
    boolean pinned = getScene() != null && workspace.narrowing().pinned().get();
    if (pinned && !narrowings.equals(workspace.narrowing().forNextList())) {
      narrowings = workspace.narrowing().forNextList();
      fill();
    } else if (!workspace.state().get().snapshot().tracks().contains(inRows)) {
      fill();
    }
    if (getScene() != null) {
      table.showAgain();
      if (covers.isOpen()) {
        wall.get().show(rows(), false);
      }
      showInPanel();
      if (narrowPane.is(getRight())) {
        narrowPane.get().follow();
      }
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
    if (editPanel.is(getRight())) {
      editPanel.get().choose(selection());
    }
  }

  /** Opens the edit panel on the selection. */
  public void openEdit() {
    if (table.getSelectionModel().isEmpty() && !rows.isEmpty()) {
      table.getSelectionModel().selectFirst();
    }
    setRight(editPanel.get());
    showTrail();
    editPanel.get().show(selection());
    editPanel.get().focusFirst();
  }

  /**
   * Closes the edit panel.
   *
   * @return whether it was open
   */
  public boolean closeEdit() {
    boolean open = editPanel.is(getRight());
    if (open) {
      showNarrow();
      table.requestFocus();
    }
    return open;
  }

  private void edit(int id, Field<?> field, String raw) {
    RoaringBitmap one = RoaringBitmap.bitmapOf(id);
    workspace.command(
        field.label(), 1, now -> TrackEdits.set(now.snapshot(), one, Map.of(field, raw)));
  }

  /** The value of a cell for the toolkit. */
  static ReadOnlyObjectWrapper<Integer> value(Integer id) {
    return new ReadOnlyObjectWrapper<>(id);
  }
}
