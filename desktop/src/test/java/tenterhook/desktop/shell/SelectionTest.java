package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.event.Event;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableRow;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Fields;
import tenterhook.core.track.TrackIds;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.TrackList;

/** Which tracks are selected, by keys and by the mouse, as people expect it of a list. */
class SelectionTest extends WindowTest {
  @BeforeEach
  void aList() {
    fx(() -> shell.show(TrackList.of("some", now().tracks().limit(30))));
    await(() -> rows().size() == 30);
    fx(() -> pane().table().requestFocus());
    await(() -> pane().table().isFocused());
    fx(() -> pane().table().getSelectionModel().clearAndSelect(2));
    await(() -> lead() == 2);
  }

  private TrackIds rows() {
    return pane().rows();
  }

  private RoaringBitmap between(int first, int last) {
    RoaringBitmap ids = new RoaringBitmap();
    for (int row = first; row <= last; row++) {
      ids.add(rows().at(row));
    }
    return ids;
  }

  private void chord(KeyCode... keys) {
    robot.press(keys);
    for (int i = keys.length - 1; i >= 0; i--) {
      robot.release(keys[i]);
    }
    events();
  }

  private int lead() {
    return pane().table().getSelectionModel().getSelectedIndex();
  }

  @Test
  void arrowsMoveAndShiftExtendsFromTheAnchor() {
    key(KeyCode.DOWN);
    assertThat(pane().selection()).isEqualTo(between(3, 3));
    chord(KeyCode.SHIFT, KeyCode.DOWN);
    chord(KeyCode.SHIFT, KeyCode.DOWN);
    assertThat(pane().selection()).isEqualTo(between(3, 5));
    chord(KeyCode.SHIFT, KeyCode.UP);
    assertThat(pane().selection()).isEqualTo(between(3, 4));
    chord(KeyCode.SHIFT, KeyCode.HOME);
    assertThat(pane().selection()).isEqualTo(between(0, 3));
    chord(KeyCode.SHIFT, KeyCode.END);
    assertThat(pane().selection()).isEqualTo(between(3, rows().size() - 1));
    assertThat(lead()).isEqualTo(rows().size() - 1);
    key(KeyCode.HOME);
    assertThat(pane().selection()).isEqualTo(between(0, 0));
  }

  @Test
  void pagesExtendToo() {
    chord(KeyCode.SHIFT, KeyCode.PAGE_DOWN);
    int last = lead();
    assertThat(last).isGreaterThan(10);
    assertThat(pane().selection()).isEqualTo(between(2, last));
    chord(KeyCode.SHIFT, KeyCode.PAGE_UP);
    assertThat(pane().selection()).isEqualTo(between(2, 2));
  }

  @Test
  void allAndNoneAndTheOthers() {
    chord(KeyCode.CONTROL, KeyCode.A);
    assertThat(pane().selection()).isEqualTo(rows().set());
    assertThat(pane().table().getSelectionModel().getSelectedIndices()).hasSize(rows().size());
    assertThat(pane().table().getSelectionModel().getSelectedCells()).hasSize(rows().size());
    chord(KeyCode.CONTROL, KeyCode.I);
    assertThat(pane().selection().isEmpty()).isTrue();
    assertThat(lead()).isEqualTo(-1);
    fx(() -> pane().table().getSelectionModel().select(4));
    chord(KeyCode.CONTROL, KeyCode.I);
    RoaringBitmap others = rows().set();
    others.remove(rows().at(4));
    assertThat(pane().selection()).isEqualTo(others);
  }

  @Test
  void theMouseChoosesAddsAndExtends() {
    click(1, false, false);
    click(3, false, true);
    click(5, false, true);
    click(3, false, true);
    RoaringBitmap two = between(1, 1);
    two.add(rows().at(5));
    assertThat(pane().selection()).isEqualTo(two);
    click(6, false, false);
    click(3, true, false);
    assertThat(pane().selection()).isEqualTo(between(3, 6));
    click(8, true, false);
    assertThat(pane().selection()).isEqualTo(between(6, 8));
  }

  /** Fired, since the robot of the headless platform does not hold keys while it clicks. */
  private void click(int row, boolean shift, boolean control) {
    Node cell =
        lookupAll(".table-row-cell").stream()
            .map(TableRow.class::cast)
            .filter(r -> r.getIndex() == row)
            .findFirst()
            .orElseThrow()
            .lookup("#column-title");
    Point2D place = cell.localToScene(5, 5);
    for (var type : List.of(MouseEvent.MOUSE_PRESSED, MouseEvent.MOUSE_RELEASED)) {
      MouseEvent event =
          new MouseEvent(
              type,
              place.getX(),
              place.getY(),
              place.getX(),
              place.getY(),
              MouseButton.PRIMARY,
              1,
              shift,
              control,
              false,
              false,
              true,
              false,
              false,
              false,
              false,
              true,
              null);
      fx(() -> Event.fireEvent(cell, event));
    }
  }

  @Test
  void aTableThatComesIntoViewAgainHasNoSayInWhatIsHeard() {
    fx(() -> shell.go(Station.ARRIVALS));
    settle();
    fx(() -> pane().table().getSelectionModel().clearAndSelect(0));
    int arrived = workspace.chosen().get();
    fx(() -> shell.show(TrackList.of("others", now().tracks(id -> id != arrived))));
    fx(() -> pane().table().getSelectionModel().clearAndSelect(1));
    int heard = workspace.chosen().get();
    assertThat(heard).isNotEqualTo(arrived);
    fx(() -> shell.go(Station.ARRIVALS));
    settle();
    assertThat(pane().selection().contains(arrived)).isTrue();
    assertThat(workspace.chosen().get()).isEqualTo(heard);
  }

  @Test
  void selectedTracksStaySelectedWhenRowsAreSortedOrNarrowed() {
    fx(() -> pane().table().getSelectionModel().selectRange(2, 6));
    RoaringBitmap chosen = pane().selection();
    int track = pane().table().getSelectionModel().getSelectedItem();
    TableColumn<Integer, ?> title =
        pane().table().getColumns().stream()
            .filter(c -> c.getId().equals("column-title"))
            .findFirst()
            .orElseThrow();
    fx(() -> title.setSortType(TableColumn.SortType.DESCENDING));
    fx(() -> pane().table().getSortOrder().setAll(List.of(title)));
    assertThat(pane().selection()).isEqualTo(chosen);
    assertThat(rows().at(lead())).isEqualTo(track);
    String name = now().raw(track, Fields.TITLE);
    fx(() -> ((TextField) lookup("#find")).setText("title:=\"" + name + "\""));
    assertThat(pane().selection().contains(track)).isTrue();
    assertThat(rows().set().contains(pane().selection())).isTrue();
    fx(() -> pane().table().getSortOrder().clear());
    fx(() -> title.setSortType(TableColumn.SortType.ASCENDING));
  }
}
