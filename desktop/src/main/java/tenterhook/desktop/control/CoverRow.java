package tenterhook.desktop.control;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.application.Platform;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.ListCell;
import javafx.scene.image.Image;
import tenterhook.core.album.Album;
import tenterhook.core.album.Album.AlbumCover;
import tenterhook.desktop.workspace.CoverImages;

/** One row of the wall of covers, drawn as one picture. */
final class CoverRow extends ListCell<Integer> {
  private final CoverWall wall;
  private final CoverImages images;
  private final CoverDrawing drawing;
  private final Canvas canvas = new Canvas();
  private boolean stale;
  private Optional<DrawnRow> drawn = Optional.empty();

  /**
   * What stands on the canvas.
   *
   * @param filling which filling of the wall it is of
   * @param marked which of its albums are chosen
   * @param images their pictures, as far as they are there
   */
  private record DrawnRow(
      int filling,
      int first,
      double side,
      double pitch,
      List<Boolean> marked,
      List<Optional<Image>> images) {}

  CoverRow(CoverWall wall, CoverImages images, CoverDrawing drawing) {
    this.wall = wall;
    this.images = images;
    this.drawing = drawing;
    setPrefWidth(0);
    getStyleClass().add("cover-row");
  }

  @Override
  protected void updateItem(Integer row, boolean empty) {
    super.updateItem(row, empty);
    setText(null);
    if (empty || row == null) {
      setGraphic(null);
      setAccessibleText(null);
      return;
    }
    setGraphic(canvas);
    setAccessibleText(
        IntStream.range(first(), first() + wall.columns())
            .filter(i -> i < wall.albums().size())
            .mapToObj(i -> CoverWall.words(wall.albums().get(i)))
            .collect(Collectors.joining("; ")));
    draw();
  }

  private int first() {
    return getItem() * wall.columns();
  }

  /** The album at a place of the row; less than 0 where there is none. */
  int albumAt(double x) {
    int place = (int) (x / wall.pitch());
    int album = isEmpty() || getItem() == null ? -1 : first() + place;
    return place < wall.columns() && album < wall.albums().size() ? album : -1;
  }

  /** Draws once for all pictures that come within a frame. */
  private void drawSoon() {
    if (!stale) {
      stale = true;
      Platform.runLater(this::draw);
    }
  }

  /** Draws the row as it is by now, also when only the dyes are others. */
  void drawAgain() {
    drawn = Optional.empty();
    draw();
  }

  /** Draws the row as it is by now. */
  void draw() {
    stale = false;
    if (isEmpty() || getItem() == null) {
      return;
    }
    int last = Math.min(first() + wall.columns(), wall.albums().size());
    List<Album> albums = wall.albums().subList(Math.min(first(), last), last);
    DrawnRow now =
        new DrawnRow(
            wall.filling(),
            first(),
            wall.side(),
            wall.pitch(),
            IntStream.range(0, albums.size()).mapToObj(i -> wall.isMarked(first() + i)).toList(),
            albums.stream().map(this::image).toList());
    if (!drawn.equals(Optional.of(now))) {
      drawn = Optional.of(now);
      draw(now, albums);
    }
  }

  private void draw(DrawnRow now, List<Album> albums) {
    double width = wall.columns() * now.pitch();
    canvas.setWidth(width);
    canvas.setHeight(wall.rowHeight());
    GraphicsContext pen = canvas.getGraphicsContext2D();
    pen.clearRect(0, 0, width, wall.rowHeight());
    for (int i = 0; i < albums.size(); i++) {
      drawing.draw(
          pen,
          albums.get(i),
          i * now.pitch(),
          now.side(),
          now.images().get(i),
          now.marked().get(i));
    }
  }

  private Optional<Image> image(Album album) {
    if (album.covers().isEmpty()) {
      return Optional.empty();
    }
    AlbumCover cover = album.covers().getFirst();
    return images.get(cover.artwork().sha256(), cover.track(), this::drawSoon);
  }
}
