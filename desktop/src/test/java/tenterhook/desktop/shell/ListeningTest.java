package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.listen.Status.State;
import tenterhook.adapters.measure.Measuring;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.goeswith.Follower;
import tenterhook.core.job.Progress;
import tenterhook.core.measure.MeasuredFields;
import tenterhook.core.measure.Passage;
import tenterhook.desktop.control.Waveform;
import tenterhook.desktop.workspace.Listening;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.TrackList;

/** The strip, Goes with and Measuring by keys and buttons, with the silent device. */
class ListeningTest extends WindowTest {
  private Listening listening;

  @BeforeAll
  void measureTheDemo() {
    listening = workspace.listening();
    Measuring.run(collection, now().tracks(id -> id <= 30), Progress.SILENT);
    settle();
  }

  @AfterEach
  void rest() {
    fx(() -> listening.rest());
  }

  /** Opens a list of measured tracks that are there and chooses one. */
  private int choose(int row) {
    fx(() -> shell.show(TrackList.of("heard", now().tracks(id -> id <= 30 && !now().lost(id)))));
    fx(() -> pane().table().requestFocus());
    fx(() -> pane().table().getSelectionModel().clearAndSelect(row));
    return pane().rows().get(row);
  }

  /**
   * Loads the chosen track and lets it stand still, so that its clock does not run on meanwhile.
   */
  private void hold() {
    key(KeyCode.SPACE);
    await(() -> state() == State.PLAYING);
    key(KeyCode.SPACE);
    await(() -> state() == State.PAUSED);
  }

  private boolean standsAt(double seconds) {
    return Math.abs(seconds() - seconds) < 0.1;
  }

  private State state() {
    return listening.status().get().state();
  }

  private double seconds() {
    return listening.status().get().seconds();
  }

  @Test
  void spacePlaysAndStandsStill() {
    int id = choose(2);
    key(KeyCode.SPACE);
    await(() -> state() == State.PLAYING && seconds() > 0.05);
    assertThat(listening.loaded()).isEqualTo(id);
    assertThat(listening.file()).contains(collection.state().path(id));
    key(KeyCode.SPACE);
    await(() -> state() == State.PAUSED);
    double at = seconds();
    assertThat(text("strip-time")).startsWith("0:0").contains(" / ");
    key(KeyCode.SPACE);
    await(() -> seconds() > at + 0.05);
    assertThat(text("strip-note")).isEqualTo("no sound card here: it plays in silence");
  }

  @Test
  void digitsJumpToEighthsTheLoudestPassageAndRepeatABar() {
    choose(3);
    hold();
    double length = listening.length().orElseThrow();
    key(KeyCode.DIGIT5);
    await(() -> standsAt(length / 2));
    key(KeyCode.DIGIT9);
    String sound = now().raw(listening.loaded(), Fields.SOUND);
    double loudest =
        collection
            .measured()
            .of(sound)
            .flatMap(m -> m.loudest())
            .map(Passage::startSeconds)
            .orElseThrow();
    await(() -> standsAt(loudest));
    key(KeyCode.DIGIT0);
    await(() -> listening.status().get().loop().isPresent());
    double from = listening.status().get().loop().get().fromSeconds();
    double bpm =
        now()
            .value(listening.loaded(), Fields.BPM)
            .or(() -> now().value(listening.loaded(), Fields.MEASURED_BPM))
            .orElseThrow();
    assertThat(listening.status().get().loop().get().toSeconds() - from)
        .isCloseTo(240 / bpm, org.assertj.core.api.Assertions.within(0.001));
    key(KeyCode.DIGIT0);
    await(() -> listening.status().get().loop().isEmpty());
  }

  @Test
  void aListOutOfSightHasNoSayInWhatIsHeard() {
    station(Station.CRATES);
    settle();
    fx(() -> pane().table().getSelectionModel().clearAndSelect(0));
    int inCrate = workspace.chosen().get();
    int heard = choose(2) == inCrate ? choose(3) : workspace.chosen().get();
    fx(
        () ->
            workspace.apply(
                TrackEdits.set(
                    now(), RoaringBitmap.bitmapOf(heard), Map.of(Fields.COMPOSER, "Ines Corrow"))));
    settle();
    assertThat(now().raw(heard, Fields.COMPOSER)).isEqualTo("Ines Corrow");
    assertThat(workspace.chosen().get()).isEqualTo(heard).isNotEqualTo(inCrate);
  }

  @Test
  void arrowsSkipAndControlArrowsGoToTheNextTrack() {
    int id = choose(1);
    hold();
    double from = seconds();
    key(KeyCode.RIGHT);
    await(() -> standsAt(from + 5));
    key(KeyCode.LEFT);
    await(() -> standsAt(from));
    key(KeyCode.SPACE);
    await(() -> state() == State.PLAYING);
    robot.press(KeyCode.CONTROL, KeyCode.RIGHT).release(KeyCode.RIGHT, KeyCode.CONTROL);
    await(() -> listening.loaded() == pane().rows().get(2) && state() == State.PLAYING);
    assertThat(listening.loaded()).isNotEqualTo(id);
    press("strip-before");
    await(() -> listening.loaded() == id);
    assertThat(workspace.chosen().get()).isEqualTo(id);
  }

  @Test
  void whoTypesIsNotHeard() {
    choose(0);
    fx(() -> lookup("#find").requestFocus());
    TextField find = (TextField) lookup("#find");
    fx(find::requestFocus);
    robot.write("1 2");
    assertThat(find.getText()).isEqualTo("1 2");
    assertThat(state()).isNotEqualTo(State.PLAYING);
    fx(find::clear);
  }

  @Test
  void aClickInTheShapeGoesThere() {
    choose(4);
    hold();
    await(() -> ((Waveform) lookup("#strip-wave")).overview().columns() > 100);
    Node wave = lookup("#strip-wave");
    robot.clickOn(wave, MouseButton.PRIMARY);
    double length = listening.length().orElseThrow();
    await(() -> Math.abs(seconds() - length / 2) < length / 100);
    assertThat(state()).isEqualTo(State.PAUSED);
  }

  @Test
  void aLostFileSaysWhyAndTheNextOnePlays() throws IOException {
    int id = choose(5);
    Path file = collection.state().path(id);
    Path aside = Files.move(file, file.resolveSibling("aside.part"));
    try {
      key(KeyCode.SPACE);
      await(() -> state() == State.TROUBLE);
      assertThat(text("strip-note")).startsWith("Cannot be played: the file is not there");
    } finally {
      Files.move(aside, file);
    }
    key(KeyCode.SPACE);
    await(() -> state() == State.PLAYING);
  }

  @Test
  void evenLevelAndDeviceAreRemembered() {
    choose(0);
    ToggleButton even = (ToggleButton) lookup("#strip-even");
    assertThat(even.isSelected()).isTrue();
    fx(even::fire);
    assertThat(collection.setting("even level")).contains("no");
    fx(even::fire);
    assertThat(listening.even()).isTrue();
    fx(() -> listening.device("headphones"));
    assertThat(collection.setting("sound device")).contains("headphones");
    fx(() -> listening.device(""));
  }

  @Test
  void keysAreShownAsNotesOrAsWheelNumbers() {
    int id =
        now().tracks(i -> i <= 30 && now().raw(i, Fields.KEY).equals("F#m")).isEmpty()
            ? now().tracks(i -> !now().raw(i, Fields.KEY).isEmpty()).first()
            : now().tracks(i -> i <= 30 && now().raw(i, Fields.KEY).equals("F#m")).first();
    fx(() -> workspace.chosen().set(id));
    String note = now().raw(id, Fields.KEY);
    assertThat(text("strip-facts")).contains(note);
    fx(workspace::otherKeys);
    fx(() -> workspace.chosen().set(0));
    fx(() -> workspace.chosen().set(id));
    assertThat(text("strip-facts")).containsPattern("\\d (major|minor)");
    assertThat(now().raw(id, Fields.KEY)).isEqualTo(note);
    fx(workspace::otherKeys);
  }

  @SuppressWarnings("unchecked")
  private ListView<Follower> followers() {
    return (ListView<Follower>) lookup("#followers");
  }

  @Test
  void goesWithListsFollowersLimitedByScopeAndTempo() {
    int id = choose(6);
    robot.press(KeyCode.CONTROL, KeyCode.G).release(KeyCode.G, KeyCode.CONTROL);
    settle();
    assertThat(text("follow-heading")).isEqualTo("What goes with " + now().name(id));
    int usual = followers().getItems().size();
    assertThat(usual).isPositive();
    chooseIn("follow-share", 0);
    assertThat(followers().getItems()).hasSizeLessThan(usual);
    chooseIn("follow-share", 2);
    ComboBox<?> scope = (ComboBox<?>) lookup("#follow-scope");
    fx(() -> scope.getSelectionModel().select(1));
    assertThat(followers().getItems()).allMatch(f -> f.id() <= 30);
    fx(() -> scope.getSelectionModel().select(0));
    fx(() -> followers().getSelectionModel().select(0));
    int next = followers().getItems().getFirst().id();
    assertThat(workspace.chosen().get()).isEqualTo(next);
    fx(() -> followers().requestFocus());
    key(KeyCode.ENTER);
    assertThat(text("follow-heading")).contains(now().name(next));
    key(KeyCode.ESCAPE);
    assertThat(lookup("#followers")).isNull();
  }

  private Button button(String id) {
    return (Button) lookup("#" + id);
  }

  @Test
  void measuringRunsBesideTheWindowFillsAndListsFailures() throws IOException {
    int broken = now().tracks(id -> id > 30 && id <= 60 && !now().lost(id)).first();
    Path file = collection.state().path(broken);
    byte[] whole = Files.readAllBytes(file);
    Files.write(file, new byte[3000]);
    fx(
        () ->
            shell.show(
                TrackList.of(
                    "to measure", now().tracks(id -> id > 30 && id <= 45 && !now().lost(id)))));
    robot.press(KeyCode.CONTROL, KeyCode.M).release(KeyCode.M, KeyCode.CONTROL);
    settle();
    int waiting = MeasuredFields.waiting(now()).getCardinality();
    assertThat(text("measure-heading")).endsWith("tracks are measured");
    assertThat(button("measure-all").getText()).isEqualTo("Measure " + waiting + " tracks");
    CheckBox fills = (CheckBox) lookup("#measure-fills");
    assertThat(fills.isSelected()).isTrue();
    press("measure-list");
    await(() -> !workspace.measuring().running().get());
    settle();
    assertThat(workspace.measuring().failed().get())
        .extracting(Refusal::id)
        .containsExactly(broken);
    assertThat(((ListView<?>) lookup("#measure-failed")).getItems()).hasSize(1);
    Files.write(file, whole);
    assertThat(MeasuredFields.waiting(now()).getCardinality()).isLessThan(waiting);
    assertThat(collection.history().getFirst().title()).contains("filled from the sound");
    fx(() -> workspace.undo());
    settle();
    assertThat(workspace.measuring().left().isEmpty()).isTrue();
  }

  @Test
  void measuringThatWasStoppedCanGoOn() {
    fx(() -> workspace.measuring().fills(false));
    fx(shell::showMeasuring);
    fx(() -> workspace.measuring().measure(now().tracks(id -> id > 45)));
    fx(() -> workspace.measuring().stop());
    await(() -> !workspace.measuring().running().get());
    settle();
    int left = workspace.measuring().left().getCardinality();
    assertThat(left).isPositive();
    assertThat(button("measure-go-on").getText()).isEqualTo("Go on with " + left + " tracks");
    assertThat(new tenterhook.desktop.workspace.MeasuringModel(workspace).left().getCardinality())
        .isEqualTo(left);
    fx(() -> workspace.measuring().fills(true));
  }
}
