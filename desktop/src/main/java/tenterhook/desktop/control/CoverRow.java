package tenterhook.desktop.control;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.application.Platform;
import javafx.scene.AccessibleAttribute;
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
  private final List<DrawnTile> drawn = new ArrayList<>();
  private boolean stale;

  /**
   * What stands on the canvas in a place.
   *
   * @param filling which filling of the wall it is of
   * @param album its place there; less than 0 for none
   * @param image its picture, as far as it is there
   */
  private record DrawnTile(int filling, int album, boolean marked, Optional<Image> image) {
    static final DrawnTile NONE = new DrawnTile(-1, -1, false, Optional.empty());
  }

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
      return;
    }
    setGraphic(canvas);
    draw();
  }

  /** What the row shows, put into words only for who reads it out. */
  @Override
  public Object queryAccessibleAttribute(AccessibleAttribute attribute, Object... parameters) {
    return attribute == AccessibleAttribute.TEXT && getItem() != null
        ? words()
        : super.queryAccessibleAttribute(attribute, parameters);
  }

  private String words() {
    return IntStream.range(first(), first() + wall.columns())
        .filter(i -> i < wall.albums().size())
        .mapToObj(i -> CoverWall.words(wall.albums().get(i)))
        .collect(Collectors.joining("; "));
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
    drawn.clear();
    draw();
  }

  /** Draws the row as it is by now; what stands there already is left. */
  void draw() {
    stale = false;
    if (isEmpty() || getItem() == null) {
      return;
    }
    fit(wall.columns() * wall.pitch(), wall.rowHeight());
    for (int place = 0; place < wall.columns(); place++) {
      DrawnTile now = tile(first() + place);
      if (!now.equals(drawn.get(place))) {
        drawn.set(place, now);
        draw(now, place);
      }
    }
  }

  private void fit(double width, double height) {
    boolean other = canvas.getWidth() != width || canvas.getHeight() != height;
    if (other || drawn.size() != wall.columns()) {
      canvas.setWidth(width);
      canvas.setHeight(height);
      canvas.getGraphicsContext2D().clearRect(0, 0, width, height);
      drawn.clear();
      drawn.addAll(Collections.nCopies(wall.columns(), DrawnTile.NONE));
    }
  }

  private DrawnTile tile(int album) {
    return album < wall.albums().size()
        ? new DrawnTile(
            wall.filling(), album, wall.isMarked(album), image(wall.albums().get(album)))
        : DrawnTile.NONE;
  }

  private void draw(DrawnTile tile, int place) {
    GraphicsContext pen = canvas.getGraphicsContext2D();
    pen.clearRect(place * wall.pitch(), 0, wall.pitch(), wall.rowHeight());
    if (tile.album() >= 0) {
      drawing.draw(
          pen,
          wall.albums().get(tile.album()),
          place * wall.pitch(),
          wall.side(),
          tile.image(),
          tile.marked());
    }
  }

  private Optional<Image> image(Album album) {
    if (album.covers().isEmpty()) {
      return Optional.empty();
    }
    AlbumCover cover = album.covers().getFirst();
    return images.get(
        cover.artwork().sha256(), cover.track(), drawing.side(album, wall.side()), this::drawSoon);
  }
}
