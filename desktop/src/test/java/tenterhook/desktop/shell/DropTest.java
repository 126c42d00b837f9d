package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.File;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import javafx.event.EventType;
import javafx.scene.Node;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.DataFormat;
import javafx.scene.input.DragEvent;
import javafx.scene.input.Dragboard;
import javafx.scene.input.PickResult;
import javafx.scene.input.TransferMode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tenterhook.core.field.Fields;
import tenterhook.core.narrow.Narrowings;
import tenterhook.core.place.Place;
import tenterhook.desktop.control.HandCrates;
import tenterhook.desktop.tracks.TracksView;
import tenterhook.desktop.workspace.Station;

/**
 * What is carried and dropped; the platform of the tests carries nothing, so its events are sent.
 */
class DropTest extends WindowTest {
  @BeforeEach
  void onTheWholeCollection() {
    station(Station.TRACKS);
    fx(() -> ((TracksView) shell.inView()).showWhole());
    fx(() -> pane().narrow(Narrowings.NONE));
    fx(() -> pane().openNarrow(true));
    settle();
  }

  @AfterEach
  void noPlaces() {
    workspace.keepSetting("places", "");
  }

  /** Something is held over a node and let go; whether it would be taken comes back. */
  private boolean drop(Node node, Map<DataFormat, Object> carried, List<File> files) {
    Dragboard board = mock(Dragboard.class);
    when(board.hasContent(any()))
        .thenAnswer(call -> carried.containsKey((DataFormat) call.getArgument(0)));
    when(board.getContent(any())).thenAnswer(call -> carried.get((DataFormat) call.getArgument(0)));
    when(board.getFiles()).thenReturn(files);
    when(board.hasFiles()).thenReturn(!files.isEmpty());
    when(board.getTransferModes()).thenReturn(EnumSet.allOf(TransferMode.class));
    DragEvent over = event(node, DragEvent.DRAG_OVER, board);
    DragEvent dropped = event(node, DragEvent.DRAG_DROPPED, board);
    fx(() -> node.fireEvent(over));
    fx(() -> node.fireEvent(dropped));
    settle();
    return over.isAccepted();
  }

  private static DragEvent event(Node node, EventType<DragEvent> type, Dragboard board) {
    return new DragEvent(
        type, board, 5, 20, 5, 20, TransferMode.MOVE, node, node, new PickResult(node, 5, 20));
  }

  private Node row(String list, String words) {
    ListView<?> view = (ListView<?>) lookup("#" + list);
    for (int i = 0; i < view.getItems().size(); i++) {
      if (view.getItems().get(i).toString().contains("words=" + words + ",")) {
        int at = i;
        fx(() -> view.scrollTo(Math.max(0, at - 2)));
        events();
        return lookupAll("#" + list + " .list-cell").stream()
            .filter(c -> c instanceof ListCell<?> cell && cell.getIndex() == at && !cell.isEmpty())
            .findFirst()
            .orElseThrow();
      }
    }
    throw new AssertionError(words + " is not among the rows");
  }

  private int[] twoWithout(String code) {
    return now()
        .tracks(
            id ->
                !now().lost(id)
                    && now().raw(id, Fields.GUARDED).isEmpty()
                    && !now().value(id, Fields.CODES).orElse(List.of()).contains(code))
        .limit(2)
        .toArray();
  }

  @Test
  void tracksDroppedOnACodeGetIt() {
    int[] two = twoWithout("DUB");
    assertThat(drop(row("narrow-values", "DUB"), Map.of(HandCrates.TRACKS, two), List.of()))
        .isTrue();
    for (int id : two) {
      assertThat(now().value(id, Fields.CODES).orElse(List.of())).contains("DUB");
    }
    fx(() -> workspace.undo());
    settle();
    assertThat(twoWithout("DUB")).isEqualTo(two);
    assertThat(
            drop(row("narrow-values", "not measured"), Map.of(HandCrates.TRACKS, two), List.of()))
        .as("no code")
        .isFalse();
    station(Station.CODING);
    chooseIn("coding-choice", 1);
    settle();
    assertThat(drop(lookup("#entry-DUB"), Map.of(HandCrates.TRACKS, two), List.of())).isTrue();
    assertThat(now().value(two[0], Fields.CODES).orElse(List.of())).contains("DUB");
    fx(() -> workspace.undo());
    settle();
    chooseIn("coding-choice", 0);
  }

  @Test
  void aFolderDroppedAmongTheListsIsAPlace() {
    Node list = lookup("#browse");
    var root =
        collection.state().roots().entrySet().stream()
            .filter(r -> r.getValue().resolve("Ferry").toFile().isDirectory())
            .findFirst()
            .orElseThrow();
    File folder = root.getValue().resolve("Ferry").toFile();
    assertThat(folder).isDirectory();
    assertThat(drop(list, Map.of(), List.of(folder))).isTrue();
    assertThat(places()).containsExactly(new Place(root.getKey(), "Ferry"));
    assertThat(row("browse", "Ferry")).isNotNull();
    DataFormat carried = DataFormat.lookupMimeType("application/x-tenterhook-folder");
    Place other = new Place(root.getKey(), "Downloads");
    assertThat(drop(list, Map.of(carried, Place.write(List.of(other))), List.of())).isTrue();
    assertThat(places()).containsExactly(new Place(root.getKey(), "Ferry"), other);
    assertThat(drop(list, Map.of(carried, Place.write(List.of(other))), List.of())).isTrue();
    assertThat(places()).as("once").hasSize(2);
  }

  private List<Place> places() {
    return Place.read(collection.setting("places").orElse(""));
  }
}
