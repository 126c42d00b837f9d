package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.event.EventHandler;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.arrival.Pace;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.field.Fields;
import tenterhook.desktop.code.CodingModel;
import tenterhook.desktop.workspace.ArrivalsModel;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.TrackList;

/** The desk driven by keys alone. */
class CodingDeskTest extends WindowTest {
  private Codebook book() {
    return collection.state().codebook();
  }

  private List<Facet> open(int id) {
    List<String> own = now().value(id, Fields.CODES).orElse(List.of());
    return book().facets().stream()
        .filter(f -> f.demanded() && own.stream().noneMatch(c -> f.code(c).isPresent()))
        .toList();
  }

  private RoaringBitmap arrived() {
    RoaringBitmap ids = ArrivalsModel.waiting(collection);
    ids.and(now().tracks(id -> !now().lost(id) && open(id).size() == 4));
    return ids;
  }

  private ListView<?> queue() {
    return (ListView<?>) lookup("#queue-tracks");
  }

  private int chosen() {
    return (Integer) queue().getSelectionModel().getSelectedItem();
  }

  @Test
  void tenArrivedTracksAreCodedWithSixtyKeysAtMost() {
    RoaringBitmap ten = arrived().limit(10);
    assertThat(ten.getCardinality()).isEqualTo(10);
    fx(() -> shell.code(TrackList.of("arrived", ten)));
    settle();
    AtomicInteger presses = new AtomicInteger();
    EventHandler<KeyEvent> counter = e -> presses.incrementAndGet();
    fx(() -> shell.addEventFilter(KeyEvent.KEY_PRESSED, counter));
    Map<String, Character> keys = CodingModel.keys(book());
    for (int n = 0; n < 10; n++) {
      int id = chosen();
      robot.write('=');
      settle();
      for (Facet facet : open(id)) {
        robot.write(keys.get(facet.codes().getFirst().token()));
        settle();
      }
      key(KeyCode.ENTER);
      settle();
    }
    fx(() -> shell.removeEventFilter(KeyEvent.KEY_PRESSED, counter));
    ten.forEach((int id) -> assertThat(open(id)).as(now().name(id)).isEmpty());
    System.out.println("keys pressed for ten tracks: " + presses.get());
    assertThat(presses.get()).isBetween(10, 60);
    assertThat(text("sitting")).startsWith("10 coded in this session");
    assertThat(Pace.of(collection.history()).measured()).isTrue();
    station(Station.WEAVE);
    settle();
    assertThat(lookupAll("#next-steps .step .second"))
        .extracting(n -> ((Label) n).getText())
        .anyMatch(w -> w.startsWith("about ") && w.endsWith(" at your pace"));
  }

  @Test
  void whatFollowsFromTheDataIsShownAndWrittenByNextAlone() throws Exception {
    int id =
        now()
            .tracks(
                i ->
                    !now().lost(i)
                        && now()
                            .value(i, Fields.YEAR)
                            .filter(y -> y >= 1980 && y < 1990)
                            .isPresent()
                        && open(i).stream().anyMatch(f -> f.name().equals("Era")))
            .first();
    fx(() -> shell.code(TrackList.of("one", RoaringBitmap.bitmapOf(id))));
    settle();
    Button cap = (Button) lookup("#code-80S");
    assertThat(cap.getPseudoClassStates()).anyMatch(p -> p.getPseudoClassName().equals("derived"));
    assertThat(text("written")).contains("80S");
    assertThat(now().value(id, Fields.CODES).orElse(List.of())).doesNotContain("80S");
    key(KeyCode.ENTER);
    settle();
    assertThat(now().value(id, Fields.CODES).orElse(List.of())).contains("80S");
    fx(() -> shell.code(TrackList.of("one", RoaringBitmap.bitmapOf(id))));
    robot.write(CodingModel.keys(book()).get("90S"));
    settle();
    assertThat(now().value(id, Fields.CODES).orElse(List.of()))
        .contains("90S")
        .doesNotContain("80S");
    key(KeyCode.ENTER);
    settle();
    assertThat(now().value(id, Fields.CODES).orElse(List.of()))
        .as("the DJ's own stays")
        .contains("90S");
  }

  @Test
  void theSameAsLastAndSeveralAtOnce() {
    RoaringBitmap three = arrived().limit(3);
    fx(() -> shell.code(TrackList.of("three", three)));
    settle();
    char ska = CodingModel.keys(book()).get("SKA");
    robot.write(ska);
    key(KeyCode.ENTER);
    settle();
    robot.write('.');
    settle();
    int second = chosen();
    assertThat(now().value(second, Fields.CODES).orElse(List.of())).contains("SKA");
    fx(() -> queue().getSelectionModel().selectAll());
    settle();
    Button cap = (Button) lookup("#code-SKA");
    assertThat(cap.getPseudoClassStates()).anyMatch(p -> p.getPseudoClassName().equals("some"));
    assertThat(text("desk-title")).isEqualTo("3 tracks");
    robot.write(ska);
    settle();
    three.forEach(
        (int id) -> assertThat(now().value(id, Fields.CODES).orElse(List.of())).contains("SKA"));
  }
}
