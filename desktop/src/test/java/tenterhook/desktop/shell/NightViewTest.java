package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Font;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.MustPlay;
import tenterhook.desktop.workspace.Station;

/** The view for the night, by keys: what can be done from it, and what cannot. */
class NightViewTest extends WindowTest {
  private static final String CLOSING = "Winter closing";

  @BeforeEach
  void open() {
    station(Station.GIGS);
    settle();
    assertThat(text("list-title-gig")).isEqualTo(CLOSING);
    fx(() -> lookup("#evening").requestFocus());
    key(KeyCode.F11);
    settle();
  }

  @AfterEach
  void leave() {
    if (isOpen()) {
      key(KeyCode.F11);
      settle();
    }
    assertThat(shell.lookup("#list-title-gig")).isNotNull();
  }

  private boolean isOpen() {
    return onToolkit(() -> shell.getCenter().getId() != null);
  }

  private Gig gig() {
    return collection.state().gigs().named(CLOSING).orElseThrow();
  }

  private long heard() {
    return gig().mustPlays().stream().filter(m -> m.heard().isPresent()).count();
  }

  @Test
  void itSaysWhoWhatIsLeftAndWhatIsNeverPlayedInLettersOfAtLeast28() {
    assertThat(words("night-people"))
        .contains("Maren Odegaard-Pugh", "MAH-ren OH-deh-gohr", "host");
    assertThat(text("night-left")).isEqualTo("Still to play: 3 of 3");
    assertThat(words("night-musts"))
        .contains(now().name(gig().mustPlays().get(1).track()))
        .contains("its file is not there");
    assertThat(text("night-part")).isEqualTo("Doors");
    key(KeyCode.RIGHT);
    assertThat(text("night-part")).isEqualTo("Easy laps");
    assertThat(shell.lookup("#rail")).isNull();
    List<Node> all = onToolkit(() -> List.copyOf(lookup("#night").lookupAll("*")));
    for (Node node : all) {
      if (node instanceof Labeled said && !said.getText().isBlank()) {
        Font font = onToolkit(said::getFont);
        assertThat(font.getSize()).as(said.getText()).isGreaterThanOrEqualTo(28);
      }
    }
  }

  @Test
  void aNumberTicksOffAndCtrlZTakesItBack() {
    MustPlay second = gig().mustPlays().get(1);
    key(KeyCode.DIGIT2);
    settle();
    assertThat(gig().mustPlays().get(1).heard()).isPresent();
    assertThat(heard()).isEqualTo(1);
    assertThat(text("night-left")).isEqualTo("Still to play: 2 of 3");
    assertThat(text("night-said")).contains(now().name(second.track()));
    assertThat(text("night-find")).isEmpty();
    key(KeyCode.DIGIT2);
    settle();
    assertThat(heard()).isEqualTo(1);
    key(KeyCode.DOWN);
    key(KeyCode.ENTER);
    settle();
    assertThat(gig().mustPlays().getFirst().heard()).isPresent();
    control(KeyCode.Z);
    settle();
    control(KeyCode.Z);
    settle();
    assertThat(heard()).isZero();
    control(KeyCode.Z);
    settle();
    assertThat(text("night-said")).startsWith("There is no tick");
  }

  @Test
  void aTickIsTakenBackAlsoWhenOtherWorkHoldsItUp() {
    CountDownLatch ticked = new CountDownLatch(1);
    workspace.job("busy", false, p -> ticked.await(20, TimeUnit.SECONDS), done -> {});
    robot.push(KeyCode.DIGIT2);
    robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
    robot.push(KeyCode.DIGIT3);
    ticked.countDown();
    settle();
    assertThat(gig().mustPlays().get(1).heard()).isEmpty();
    assertThat(gig().mustPlays().get(2).heard()).isPresent();
  }

  @Test
  void findingIsWithinTheGigAndTypedAtOnce() {
    String artist = now().raw(gig().mustPlays().get(1).track(), Fields.ARTIST);
    robot.write(artist.substring(0, 4), 0);
    settle();
    assertThat(words("night-found")).contains(now().name(gig().mustPlays().get(1).track()));
    robot.write("zzz", 0);
    settle();
    assertThat(words("night-found")).contains("Not in this gig.");
    key(KeyCode.ESCAPE);
    settle();
    assertThat(text("night-find")).isEmpty();
    assertThat(lookup("#night-musts")).isNotNull();
  }

  @Test
  void noTagIsAlteredAndNoKeyOfTheStationsWorks() {
    int id = gig().mustPlays().get(1).track();
    assertThat(text("night-held")).isEqualTo("no music file is altered");
    long changes = collection.history().getFirst().number();
    control(KeyCode.E);
    control(KeyCode.DIGIT1);
    key(KeyCode.R);
    settle();
    assertThat(isOpen()).isTrue();
    assertThat(shell.inView().getClass().getSimpleName()).isEqualTo("GigsView");
    assertThat(collection.history().getFirst().number()).isEqualTo(changes);
    fx(
        () ->
            workspace.apply(
                TrackEdits.set(
                    now(), RoaringBitmap.bitmapOf(id), Map.of(Fields.GENRE, "Nothing"))));
    settle();
    assertThat(text("told")).contains("a night is on");
    assertThat(now().raw(id, Fields.GENRE)).isNotEqualTo("Nothing");
    key(KeyCode.F11);
    settle();
    fx(
        () ->
            workspace.apply(
                TrackEdits.set(
                    now(), RoaringBitmap.bitmapOf(id), Map.of(Fields.GENRE, "Nothing"))));
    settle();
    assertThat(now().raw(id, Fields.GENRE)).isEqualTo("Nothing");
  }
}
