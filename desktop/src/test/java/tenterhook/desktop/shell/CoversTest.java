package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.AccessibleAttribute;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.image.WritableImage;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.tagfile.ArtworkImages;
import tenterhook.core.album.Album;
import tenterhook.core.album.Albums;
import tenterhook.core.field.Fields;
import tenterhook.core.track.TrackIds;
import tenterhook.desktop.workspace.CoverImages;
import tenterhook.desktop.workspace.Station;
import tenterhook.standins.synth.Cover;

/** Lists as walls of covers, by the DJ's hand on the demo. */
class CoversTest extends WindowTest {
  @TempDir Path folder;

  @BeforeEach
  void openWall() {
    station(Station.TRACKS);
    settle();
    control(KeyCode.L);
    settle();
  }

  @AfterEach
  void closeWall() {
    fx(() -> pane().openCovers(false));
    settle();
  }

  private ListView<?> wall() {
    return (ListView<?>) lookup("#covers");
  }

  private List<Album> albums() {
    return Albums.of(now(), collection.state().codebook(), TrackIds.copyOf(pane().rows()));
  }

  private double pitch() {
    return canvases().getFirst().getWidth() / columns();
  }

  private int columns() {
    return (albums().size() + wall().getItems().size() - 1) / wall().getItems().size();
  }

  private List<Canvas> canvases() {
    List<Canvas> all = new ArrayList<>();
    lookupAll(".cover-row").stream()
        .map(c -> (ListCell<?>) c)
        .filter(c -> !c.isEmpty() && c.getGraphic() != null)
        .sorted((a, b) -> (Integer) a.getItem() - (Integer) b.getItem())
        .forEach(c -> all.add((Canvas) c.getGraphic()));
    return all;
  }

  /** How many different colours stand in the middle of an album's cover. */
  private int colours(WritableImage row, int place) {
    List<Integer> seen = new ArrayList<>();
    int left = (int) (place * pitch());
    for (int x = left + 20; x < left + 110; x += 3) {
      for (int y = 20; y < 90; y += 3) {
        int colour = row.getPixelReader().getArgb(x, y);
        if (!seen.contains(colour)) {
          seen.add(colour);
        }
      }
    }
    return seen.size();
  }

  @Test
  void everyAlbumInSightHasItsCoverWhenTheWallIsOpenedFirst() {
    List<Album> albums = albums();
    List<Canvas> rows = canvases();
    assertThat(rows.size()).isGreaterThan(2);
    Album first = albums.getFirst();
    assertThat(rows.getFirst().getParent().queryAccessibleAttribute(AccessibleAttribute.TEXT))
        .asString()
        .contains(first.title().isEmpty() ? "No album" : first.title());
    int covers = 0;
    for (int row = 0; row < rows.size(); row++) {
      Canvas canvas = rows.get(row);
      WritableImage[] drawn = new WritableImage[1];
      fx(() -> drawn[0] = canvas.snapshot(null, null));
      assertThat(SwingFXUtils.fromFXImage(drawn[0], null).getWidth()).isGreaterThan(300);
      for (int place = 0; place < columns() && row * columns() + place < albums.size(); place++) {
        Album album = albums.get(row * columns() + place);
        if (!album.covers().isEmpty() && !album.trouble().equals("broken")) {
          covers++;
          assertThat(colours(drawn[0], place)).as(album.toString()).isGreaterThan(2);
        }
      }
    }
    assertThat(covers).isGreaterThan(8);
    assertThat(workspace.covers().bytes()).isPositive().isLessThan(CoverImages.MOST_BYTES);
  }

  @Test
  void noPictureThatIsInSightIsForgottenAndMemoryIsBounded() {
    Random random = new Random(3);
    CoverImages images =
        new CoverImages(
            (id, side) -> id % 7 == 0 ? Optional.empty() : Optional.of(new WritableImage(192, 192)),
            Platform::runLater);
    for (int round = 0; round < 40; round++) {
      Set<Integer> came = new HashSet<>();
      List<Integer> asked = random.ints(120, 1, 3000).boxed().toList();
      Set<Integer> there = new HashSet<>();
      fx(
          () -> {
            for (int id : asked) { // some twice, while they are being read
              images.get("sha" + id, id, 192, () -> came.add(id)).ifPresent(i -> there.add(id));
              images.get("sha" + id, id, 192, () -> came.add(id)).ifPresent(i -> there.add(id));
            }
          });
      await(images::quiet);
      there.addAll(came);
      asked.stream().filter(id -> id % 7 != 0).forEach(id -> assertThat(there).contains(id));
      assertThat(images.bytes()).isLessThanOrEqualTo(CoverImages.MOST_BYTES);
    }
    assertThat(images.bytes()).isGreaterThan(CoverImages.MOST_BYTES / 2);
  }

  @Test
  void keysWalkChooseAndLeadToTheTable() {
    List<Album> albums = albums();
    key(KeyCode.HOME);
    key(KeyCode.RIGHT);
    settle();
    assertThat(pane().selection()).isEqualTo(albums.get(1).tracks().set());
    key(KeyCode.SHIFT, KeyCode.RIGHT);
    settle();
    assertThat(pane().selection().getCardinality())
        .isEqualTo(albums.get(1).tracks().size() + albums.get(2).tracks().size());
    key(KeyCode.END);
    settle();
    assertThat(pane().selection()).isEqualTo(albums.getLast().tracks().set());
    key(KeyCode.HOME);
    key(KeyCode.DOWN);
    settle();
    Album below = albums.get(columns());
    assertThat(pane().selection()).isEqualTo(below.tracks().set());
    assertThat(wall().getAccessibleText())
        .contains(below.title().isEmpty() ? "No album" : below.title());
    int before = columns();
    robot.write("---");
    settle();
    assertThat(columns()).as("smaller covers").isGreaterThan(before);
    robot.write("+++");
    key(KeyCode.ENTER);
    settle();
    assertThat(lookup("#tracks").getScene()).isNotNull();
    assertThat(pane().table().getSelectionModel().getSelectedItem()).isIn(below.tracks());
    control(KeyCode.L);
    settle();
    assertThat(pane().selection()).as("chosen still").isEqualTo(below.tracks().set());
  }

  @Test
  void theMouseChoosesAnAlbum() {
    Canvas row = canvases().get(1);
    robot.moveTo(row.localToScreen(pitch() * 1.5, 40)).clickOn(MouseButton.PRIMARY);
    settle();
    assertThat(pane().selection()).isEqualTo(albums().get(columns() + 1).tracks().set());
    robot.doubleClickOn(MouseButton.PRIMARY);
    settle();
    assertThat(pane().coversOpen()).isFalse();
  }

  @Test
  void aPictureGoesToAllTracksOfAnAlbumAsOneChange() throws Exception {
    Album album =
        albums().stream()
            .filter(a -> a.tracks().size() > 2 && a.tracks().stream().noneMatch(now()::lost))
            .findFirst()
            .orElseThrow();
    byte[] picture = Cover.draw(77, 500, "png");
    String sha256 = ArtworkImages.sha256(picture);
    Path file = Files.write(folder.resolve("new.png"), picture);
    List<String> before = artwork(album);
    key(KeyCode.HOME);
    for (int i = 0; i < albums().indexOf(album); i++) {
      key(KeyCode.RIGHT);
    }
    fx(
        () -> {
          ClipboardContent content = new ClipboardContent();
          content.putFiles(List.of(file.toFile()));
          Clipboard.getSystemClipboard().setContent(content);
        });
    assertThat(pane().selection()).isEqualTo(album.tracks().set());
    control(KeyCode.V);
    settle();
    assertThat(artwork(album)).as(text("told")).allMatch(a -> a.startsWith(sha256));
    control(KeyCode.Z);
    settle();
    assertThat(artwork(album)).as(text("told")).isEqualTo(before);
  }

  private List<String> artwork(Album album) {
    return album.tracks().stream().map(id -> now().raw(id, Fields.ARTWORK)).toList();
  }
}
