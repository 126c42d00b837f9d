package tenterhook.desktop.control;

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

  /** Draws the row as it is by now. */
  void draw() {
    stale = false;
    if (isEmpty() || getItem() == null) {
      return;
    }
    double width = wall.columns() * wall.pitch();
    double height = wall.rowHeight();
    canvas.setWidth(width);
    canvas.setHeight(height);
    GraphicsContext pen = canvas.getGraphicsContext2D();
    pen.clearRect(0, 0, width, height);
    for (int i = 0; i < wall.columns() && first() + i < wall.albums().size(); i++) {
      Album album = wall.albums().get(first() + i);
      drawing.draw(
          pen, album, i * wall.pitch(), wall.side(), image(album), wall.isMarked(first() + i));
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
