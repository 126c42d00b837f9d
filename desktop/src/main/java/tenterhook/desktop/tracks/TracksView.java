package tenterhook.desktop.tracks;

import java.io.File;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.DataFormat;
import javafx.scene.input.DragEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.disk.RelativePaths;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.place.Place;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.theme.Drop;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.tracks.BrowseRow.Source;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/**
 * Where one browses: standing lists, places and folders at the left, the tracks of one of them in
 * the middle, what they can be narrowed by at the right. Lists that other stations open, such as
 * the holes behind a cell of the Weave, are shown here as well.
 */
public final class TracksView extends StationOutline {
  /** A folder of the tree that is dragged, as the text of its place. */
  static final DataFormat FOLDER = new DataFormat("application/x-tenterhook-folder");

  private static final String PLACES = "places";

  private final ListView<BrowseRow> rows = new ListView<>();
  private final Label title = Look.label("", "heading");
  private final Label from = Look.label("", "second");
  private final TrackPane pane;
  private final Set<Source> open = new HashSet<>();
  private BrowseModel model = BrowseModel.NONE;
  private Source own = new Source.Whole();
  private boolean guest;
  private boolean guestComes;
  private boolean listing;

  /** The view. */
  public TracksView(Workspace workspace) {
    super(workspace, "keys.tracks", new TrackPane(workspace, "tracks"));
    this.pane = tracks().orElseThrow();
    title.setId("list-title");
    from.setId("list-from");
    rows.setId("browse");
    rows.setAccessibleText(Words.of("tracks.browse"));
    rows.setCellFactory(l -> new BrowseCell(this));
    rows.getSelectionModel()
        .selectedItemProperty()
        .addListener((o, before, after) -> picked(after));
    rows.addEventFilter(KeyEvent.KEY_PRESSED, this::foldByKey);
    Drop.onto(rows, FOLDER, () -> true, text -> Place.read((String) text).forEach(this::add));
    rows.setOnDragOver(this::folderOver);
    rows.setOnDragDropped(this::folderDropped);
    pane.openNarrow(true);
    HBox head =
        new HBox(
            12,
            head(title, from),
            Look.spring(),
            Look.button(Words.of("tracks.change"), pane::changeMany),
            Look.button(Words.of("tracks.edit"), pane::openEdit));
    VBox main = new VBox(8, head, pane);
    main.getStyleClass().add("main");
    VBox.setVgrow(pane, Priority.ALWAYS);
    VBox left = side(212, rows, rows);
    node.setLeft(left);
    node.setCenter(main);
    workspace.whileInView(node, this::refresh);
  }

  @Override
  public void shown() {
    if (!guestComes) {
      open(own);
    }
    guestComes = false;
    refresh();
  }

  /** What is listed stays as it was opened, but for the whole collection when tracks came in. */
  private void refresh() {
    if (pane.list().whole() && pane.list().ids().size() != count()) {
      showWhole();
    }
    CollectionState state = workspace.state().get();
    CrateContents contents = workspace.contents();
    workspace.latestOnly(
        this,
        () -> BrowseModel.of(state.snapshot(), state.codebook(), contents),
        counted -> {
          model = counted;
          list();
        });
  }

  private int count() {
    return workspace.state().get().snapshot().count();
  }

  /** Lists what can be browsed, and marks what is open. */
  private void list() {
    List<BrowseRow> now = model.rows(places(), open);
    listing = true;
    if (!now.equals(rows.getItems())) {
      rows.getItems().setAll(now);
    }
    rows.getSelectionModel().clearSelection();
    now.stream()
        .filter(r -> !guest && r.of().equals(own))
        .findFirst()
        .ifPresent(rows.getSelectionModel()::select);
    listing = false;
  }

  private void picked(BrowseRow row) {
    if (row != null && !listing && !row.isHeading() && (guest || !row.of().equals(own))) {
      open(row.of());
    }
  }

  private void open(Source of) {
    own = of;
    guest = false;
    if (of instanceof Source.Whole) { // at once, since the find field may wait for it
      showList(BrowseModel.whole(workspace.state().get().snapshot()));
      return;
    }
    Snapshot snapshot = workspace.state().get().snapshot();
    CrateContents contents = workspace.contents();
    workspace.promptly(rows, () -> BrowseModel.list(of, snapshot, contents), this::showList);
  }

  private void showList(TrackList list) {
    Look.data(title, list.title());
    from.setText("");
    from.setManaged(false);
    pane.show(list);
  }

  /** Shows the whole collection. */
  public void showWhole() {
    open(new Source.Whole());
  }

  /** Shows a list that was opened elsewhere. */
  public void show(TrackList list) {
    guest = true;
    guestComes = true;
    rows.getSelectionModel().clearSelection();
    showList(list);
    from.setText(Words.of("tracks.back"));
    from.setManaged(true);
  }

  /** Folds what hangs below a row, or unfolds it. */
  void fold(BrowseRow row) {
    if (row.folding().isPresent()) {
      if (!open.remove(row.of())) {
        open.add(row.of());
      }
      list();
    }
  }

  private void foldByKey(KeyEvent event) {
    BrowseRow row = rows.getSelectionModel().getSelectedItem();
    boolean unfold = event.getCode() == KeyCode.RIGHT;
    boolean simple = !event.isControlDown() && !event.isAltDown() && !event.isShiftDown();
    if (row == null || !simple || !unfold && event.getCode() != KeyCode.LEFT) {
      return;
    }
    if (row.folding().filter(shown -> shown != unfold).isPresent()) {
      fold(row);
    }
    event.consume();
  }

  private List<Place> places() {
    return Place.read(workspace.collection().setting(PLACES).orElse(""));
  }

  private void keep(List<Place> places) {
    workspace.keepSetting(PLACES, Place.write(places));
    list();
  }

  /** What can be done with a row. */
  ContextMenu menu(BrowseRow row) {
    ContextMenu menu = new ContextMenu();
    switch (row.of()) {
      case Source.InFolder in ->
          menu.getItems().add(Look.item("tracks.addPlace", () -> add(in.place())));
      case Source.AtPlace at ->
          menu.getItems().add(Look.item("tracks.removePlace", () -> remove(at)));
      case Source.Heading heading -> {}
      case Source.Whole whole -> {}
      case Source.Standing standing -> {}
      case Source.Decade decade -> {}
    }
    return menu;
  }

  private void add(Place place) {
    List<Place> places = new ArrayList<>(places());
    if (!places.contains(place)) {
      places.add(place);
      keep(places);
    }
  }

  private void remove(Source.AtPlace at) {
    List<Place> places = new ArrayList<>(places());
    places.remove(at.place());
    keep(places);
  }

  /** What is dragged of a row: its folder, to be dropped among the lists as a place. */
  @Nullable String dragged(BrowseRow row) {
    return row.of() instanceof Source.InFolder in ? Place.write(List.of(in.place())) : null;
  }

  /** The place that a path of a file manager would be; one outside of the collection is none. */
  private Optional<Place> place(DragEvent event) {
    List<File> files = event.getDragboard().getFiles();
    if (files.size() != 1) {
      return Optional.empty();
    }
    Path path = files.getFirst().toPath();
    return workspace.state().get().roots().entrySet().stream()
        .filter(r -> !r.getKey().equals(tenterhook.core.change.Place.HOLDING_BAY))
        .filter(r -> path.startsWith(r.getValue()))
        .map(r -> new Place(r.getKey(), RelativePaths.below(r.getValue(), path)))
        .findFirst();
  }

  private void folderOver(DragEvent event) {
    if (place(event).isPresent()) {
      event.acceptTransferModes(TransferMode.LINK, TransferMode.COPY);
      event.consume();
    }
  }

  /** What is no folder of the collection comes in as music does everywhere. */
  private void folderDropped(DragEvent event) {
    Optional<Place> place = place(event);
    if (place.isPresent() && event.getDragboard().getFiles().getFirst().isDirectory()) {
      add(place.get());
      event.setDropCompleted(true);
      event.consume();
    }
  }
}
