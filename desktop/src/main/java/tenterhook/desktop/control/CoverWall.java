package tenterhook.desktop.control;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.ListView;
import javafx.scene.input.Clipboard;
import javafx.scene.input.DragEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.StackPane;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.album.Album;
import tenterhook.core.album.Albums;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;
import tenterhook.core.track.TrackIds;
import tenterhook.desktop.edit.PictureInput;
import tenterhook.desktop.theme.Dyes;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/**
 * The albums of a list as a wall of covers. Choosing an album chooses its tracks in the table that
 * it stands in for; a picture that is dropped on an album goes to all its tracks as one change.
 */
final class CoverWall extends StackPane {
  /** The least and the most side of a cover, in pixels. */
  static final double LEAST_SIDE = 84;

  static final double MOST_SIDE = 192;

  private static final double USUAL_SIDE = 132;
  private static final double STEP = 12;
  private static final double SCROLL_BAR = 16;
  private static final String SIZE = "cover size";

  private final Workspace workspace;
  private final TrackPane pane;
  private final ListView<Integer> rows = new ListView<>();
  private final List<CoverRow> cells = new ArrayList<>(); // before dyes, which draw them
  private final Dyes dyes = new Dyes(this::dyed);
  private final CoverDrawing drawing = new CoverDrawing(dyes);
  private final DoubleProperty side = new SimpleDoubleProperty(USUAL_SIDE);
  private final BitSet chosen = new BitSet();
  private List<Album> albums = List.of();
  private int filling;
  private int columns = 1;
  private int lead = -1;
  private int anchor = -1;
  private int under = -1;

  CoverWall(Workspace workspace, TrackPane pane) {
    this.workspace = workspace;
    this.pane = pane;
    rows.setId("covers");
    rows.getStyleClass().add("cover-wall");
    rows.setPlaceholder(Look.label(Words.of("table.empty"), "empty"));
    rows.setCellFactory(l -> cell());
    workspace.collection().setting(SIZE).map(Double::parseDouble).ifPresent(side::set);
    side.addListener(
        (o, before, after) -> {
          workspace.keepSetting(SIZE, String.valueOf(Math.round(side.get())));
          arrange();
        });
    rows.widthProperty().addListener((o, before, after) -> arrange());
    rows.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    rows.addEventFilter(KeyEvent.KEY_TYPED, this::typed);
    getChildren().addAll(dyes, rows);
  }

  private CoverRow cell() {
    CoverRow cell = new CoverRow(this, workspace.covers(), drawing);
    cells.add(cell);
    cell.addEventFilter(MouseEvent.MOUSE_PRESSED, e -> pressed(cell, e));
    cell.setOnContextMenuRequested(
        e -> {
          if (lead >= 0) {
            menu().show(cell, e.getScreenX(), e.getScreenY());
          }
        });
    cell.setOnDragOver(e -> over(cell, e));
    cell.setOnDragExited(e -> mark(-1));
    cell.setOnDragDropped(e -> dropped(cell, e));
    return cell;
  }

  /** The side of a cover, in pixels. */
  DoubleProperty sideProperty() {
    return side;
  }

  double side() {
    return Math.rint(side.get());
  }

  /** The room that an album takes, from one to the next. */
  double pitch() {
    return Math.max(side() + CoverDrawing.GAP, Math.floor(room() / columns));
  }

  double rowHeight() {
    return side() + CoverDrawing.GAP + CoverDrawing.WORDS;
  }

  int columns() {
    return columns;
  }

  List<Album> albums() {
    return albums;
  }

  /** How often other albums were shown. */
  int filling() {
    return filling;
  }

  boolean isMarked(int album) {
    return chosen.get(album) || album == under;
  }

  private double room() {
    return Math.max(1, rows.getWidth() - SCROLL_BAR);
  }

  /** The list itself, for the focus. */
  ListView<Integer> list() {
    return rows;
  }

  /**
   * Shows the albums of tracks; what is chosen in the table stays chosen.
   *
   * @param reveal whether the wall is opened: then it goes to where this is
   */
  void show(TrackIds tracks, boolean reveal) {
    CollectionState state = workspace.state().get();
    if (reveal) { // not with each change, which would read them again and again
      workspace.covers().forgetUnreadable();
    }
    workspace.promptly(
        this,
        () -> Albums.of(state.snapshot(), state.codebook(), tracks),
        found -> filled(found, reveal));
  }

  private void filled(List<Album> found, boolean reveal) {
    albums = found;
    filling++;
    RoaringBitmap selected = pane.selection();
    chosen.clear();
    for (int i = 0; i < found.size() && !selected.isEmpty(); i++) {
      if (selected.contains(found.get(i).tracks().at(0))) {
        chosen.set(i);
      }
    }
    lead = chosen.nextSetBit(0);
    anchor = lead;
    arrange();
    if (reveal && lead >= 0) {
      reveal();
    }
  }

  private void arrange() {
    columns = Math.max(1, (int) (room() / (side() + CoverDrawing.GAP)));
    rows.setFixedCellSize(rowHeight());
    int wanted = (albums.size() + columns - 1) / columns;
    if (rows.getItems().size() != wanted) {
      rows.getItems().setAll(IntStream.range(0, wanted).boxed().toList());
    }
    draw();
  }

  private void dyed() {
    cells.forEach(CoverRow::drawAgain);
  }

  private void draw() {
    cells.forEach(CoverRow::draw);
  }

  private void mark(int album) {
    if (album != under) {
      under = album;
      draw();
    }
  }

  /** What is read out for an album. */
  static String words(Album album) {
    String note = CoverDrawing.noteOf(album);
    return CoverDrawing.titleOf(album)
        + ", "
        + CoverDrawing.byOf(album)
        + ", "
        + CoverDrawing.countOf(album)
        + (note.isEmpty() ? "" : ", " + note);
  }

  private void pressed(CoverRow cell, MouseEvent event) {
    rows.requestFocus();
    int album = cell.albumAt(event.getX());
    boolean left = event.getButton() == MouseButton.PRIMARY;
    if (album < 0) {
      return;
    }
    if (left || !chosen.get(album)) {
      choose(album, event.isShiftDown(), left && event.isShortcutDown());
    }
    if (left && event.getClickCount() == 2) {
      pane.openCovers(false);
    }
  }

  private void choose(int album, boolean extend, boolean toggle) {
    if (toggle) {
      chosen.flip(album);
    } else {
      chosen.clear();
      chosen.set(
          extend && anchor >= 0 ? Math.min(anchor, album) : album,
          (extend && anchor >= 0 ? Math.max(anchor, album) : album) + 1);
    }
    lead = album;
    anchor = extend && anchor >= 0 ? anchor : album;
    tell();
  }

  private void tell() {
    rows.setAccessibleText(lead < 0 ? null : words(albums.get(lead)));
    draw();
    pane.choose(tracks());
  }

  /** The tracks of all albums that are chosen. */
  private RoaringBitmap tracks() {
    RoaringBitmap all = new RoaringBitmap();
    chosen.stream().forEach(i -> all.or(albums.get(i).tracks().set()));
    return all;
  }

  private void pressed(KeyEvent event) {
    boolean does =
        event.isShortcutDown() ? command(event.getCode()) : !event.isAltDown() && alone(event);
    if (does) {
      event.consume();
    }
  }

  private boolean command(KeyCode key) {
    if (key == KeyCode.A) {
      chosen.set(0, albums.size());
      tell();
    } else if (key == KeyCode.V) {
      paste();
    }
    return key == KeyCode.A || key == KeyCode.V;
  }

  private boolean alone(KeyEvent event) {
    int page = Math.max(1, (int) (rows.getHeight() / rowHeight()));
    switch (event.getCode()) {
      case LEFT -> walk(-1, event.isShiftDown());
      case RIGHT -> walk(1, event.isShiftDown());
      case UP -> walk(-columns, event.isShiftDown());
      case DOWN -> walk(columns, event.isShiftDown());
      case PAGE_UP -> walk(-columns * page, event.isShiftDown());
      case PAGE_DOWN -> walk(columns * page, event.isShiftDown());
      case HOME -> walk(-albums.size(), event.isShiftDown());
      case END -> walk(albums.size(), event.isShiftDown());
      case ENTER -> pane.openCovers(false);
      case BACK_SPACE -> pane.takeLastOff();
      default -> {
        return false;
      }
    }
    return true;
  }

  private void typed(KeyEvent event) {
    if (event.getCharacter().equals("+") || event.getCharacter().equals("-")) {
      double step = event.getCharacter().equals("+") ? STEP : -STEP;
      side.set(Math.clamp(side.get() + step, LEAST_SIDE, MOST_SIDE));
      event.consume();
    }
  }

  private void walk(int by, boolean extend) {
    if (!albums.isEmpty()) {
      choose(lead < 0 ? 0 : Math.clamp((long) lead + by, 0, albums.size() - 1), extend, false);
      reveal();
    }
  }

  /** Scrolls no further than is needed to see the album that is chosen. */
  private void reveal() {
    int row = lead / columns;
    int inSight = Math.max(1, (int) (rows.getHeight() / rowHeight()));
    int first =
        cells.stream()
            .filter(c -> !c.isEmpty() && c.getItem() != null && c.getParent() != null)
            .filter(c -> c.getBoundsInParent().getMinY() > -rowHeight() / 2)
            .mapToInt(CoverRow::getItem)
            .min()
            .orElse(0);
    if (row < first) {
      rows.scrollTo(row);
    } else if (row >= first + inSight) {
      rows.scrollTo(row - inSight + 1);
    }
  }

  private ContextMenu menu() {
    ContextMenu menu = new ContextMenu();
    menu.getItems()
        .addAll(
            Look.item("covers.inTable", () -> pane.openCovers(false)),
            Look.item("menu.edit", pane::openEdit),
            Look.item("menu.change", pane::changeMany),
            Look.item("art.file", this::fromFile),
            Look.item("art.paste", this::paste));
    return menu;
  }

  private void fromFile() {
    PictureInput.chosen(getScene().getWindow()).ifPresent(p -> take(p, tracks()));
  }

  private void paste() {
    PictureInput.held(Clipboard.getSystemClipboard())
        .ifPresentOrElse(
            p -> take(p, tracks()),
            () -> workspace.frame().inform(Words.of("art.noPaste"), false, 0));
  }

  private void over(CoverRow cell, DragEvent event) {
    int album = PictureInput.isHeld(event.getDragboard()) ? cell.albumAt(event.getX()) : -1;
    mark(album);
    if (album >= 0) {
      event.acceptTransferModes(TransferMode.COPY);
      event.consume();
    }
  }

  private void dropped(CoverRow cell, DragEvent event) {
    int album = cell.albumAt(event.getX());
    Optional<Callable<byte[]>> picture = PictureInput.held(event.getDragboard());
    mark(-1);
    if (album >= 0 && picture.isPresent()) {
      take(picture.get(), albums.get(album).tracks().set());
      event.setDropCompleted(true);
      event.consume();
    }
  }

  /** Gives a picture to tracks, as one change. */
  private void take(Callable<byte[]> picture, RoaringBitmap tracks) {
    workspace.background(
        () -> workspace.collection().covers().keep(picture.call()),
        (Artwork artwork) ->
            workspace.command(
                Fields.ARTWORK.label(),
                tracks.getCardinality(),
                now ->
                    TrackEdits.set(now.snapshot(), tracks, Map.of(Fields.ARTWORK, artwork.raw()))));
  }
}
