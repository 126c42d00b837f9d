package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import tenterhook.backstage.collection.MusicCollection;
import tenterhook.backstage.collection.Playlists;
import tenterhook.backstage.playlist.M3u8;
import tenterhook.backstage.tagfile.TagFiles;
import tenterhook.core.crate.Crate;
import tenterhook.core.duplicate.Duplicates;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.LostFinder;
import tenterhook.core.track.Snapshot;
import tenterhook.core.weave.Weave;
import tenterhook.core.weave.WeaveBy;
import tenterhook.core.weave.WeaveColumn;
import tenterhook.desktop.table.TrackPane;
import tenterhook.desktop.theme.Look;
import tenterhook.standins.demo.DemoCollection;

/** The whole window on the demo, driven by what a DJ does; every change is taken back after. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class StationsTest {
  @TempDir static Path folder;

  private final FxRobot robot = new FxRobot();
  private MusicCollection collection;
  private Desk desk;
  private Shell shell;
  private long changesBefore;

  @BeforeAll
  void openTheDemo() throws Exception {
    collection = DemoCollection.open(folder.resolve("demo"), 100, Progress.SILENT);
    Stage stage = FxToolkit.registerPrimaryStage();
    FxToolkit.setupFixture(
        () -> {
          Look.loadFonts();
          desk = new Desk(collection);
          shell = new Shell(desk);
          stage.setScene(new Scene(shell, 1280, 800));
          stage.show();
        });
  }

  @AfterAll
  void close() throws Exception {
    FxToolkit.cleanupStages();
    desk.close();
  }

  @BeforeEach
  void atTheWeave() {
    changesBefore = collection.history().size();
    fx(() -> shell.go(Station.WEAVE));
  }

  @AfterEach
  void takeAllBack() {
    settle();
    while (collection.history().stream().filter(e -> e.undoes() == 0 && e.canUndo()).count()
        > changes()) {
      fx(() -> desk.undo());
      settle();
    }
    settle();
  }

  private long changes() {
    return Math.min(changesBefore, 1);
  }

  private void fx(Runnable work) {
    WaitForAsyncUtils.asyncFx(work);
    WaitForAsyncUtils.waitForFxEvents();
  }

  private void settle() {
    await(() -> desk.quiet());
    WaitForAsyncUtils.waitForFxEvents();
  }

  private static void await(Callable<Boolean> condition) {
    try {
      WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, condition);
    } catch (java.util.concurrent.TimeoutException late) {
      throw new AssertionError("it did not come about within 20 s", late);
    }
    WaitForAsyncUtils.waitForFxEvents();
  }

  private Snapshot now() {
    return collection.state().snapshot();
  }

  private String text(String id) {
    Node node = shell.lookup("#" + id);
    assertThat(node).as(id).isNotNull();
    return node instanceof TextField field ? field.getText() : ((Labeled) node).getText();
  }

  private void press(String id) {
    Button button = (Button) shell.lookup("#" + id);
    assertThat(button).as(id).isNotNull();
    fx(button::fire);
  }

  private void chooseIn(String id, int place) {
    HBox row = (HBox) shell.lookup("#" + id);
    fx(() -> ((ToggleButton) row.getChildren().get(place)).fire());
  }

  private TrackPane pane() {
    return shell.inView().tracks().orElseThrow();
  }

  private void select(int count) {
    TableView<Integer> table = pane().table();
    fx(
        () -> {
          table.requestFocus();
          table.getSelectionModel().clearSelection();
          table.getSelectionModel().selectRange(0, count);
        });
  }

  private void station(KeyCode digit) {
    robot.press(KeyCode.CONTROL, digit).release(digit, KeyCode.CONTROL);
    WaitForAsyncUtils.waitForFxEvents();
  }

  private void key(KeyCode... keys) {
    robot.push(keys);
    WaitForAsyncUtils.waitForFxEvents();
  }

  @Test
  void theWeaveSaysHowWholeTheCollectionIs() {
    assertThat(text("weave-title")).contains(now().count() + " tracks").contains("% whole");
    HBox first = (HBox) shell.lookup(".step");
    assertThat(first).isNotNull();
  }

  @Test
  void aHoleOpensExactlyItsTracks() {
    Weave weave = Weave.of(now(), collection.state().codebook(), WeaveBy.FOLDER);
    WeaveColumn year =
        weave.columns().stream().filter(c -> c.key().equals("year")).findFirst().orElseThrow();
    int at = weave.columns().indexOf(year);
    Weave.Row row =
        weave.rows().stream().filter(r -> r.holes().get(at) > 0).findFirst().orElseThrow();
    Node cell = shell.lookup("#cell-" + row.group() + "-year");
    robot.clickOn(cell);
    WaitForAsyncUtils.waitForFxEvents();
    assertThat(text("list-title")).isEqualTo(row.group() + " · year missing");
    assertThat(pane().rows())
        .hasSize(row.holes().get(at))
        .allMatch(id -> now().value(id, Fields.YEAR).isEmpty());
  }

  @Test
  void aColumnHeadOpensAllItsHoles() {
    press("head-artwork");
    assertThat(pane().rows())
        .hasSize(now().tracks(id -> now().value(id, Fields.ARTWORK).isEmpty()).getCardinality());
    key(KeyCode.ESCAPE);
    if (shell.lookup("#weave-title") == null) {
      key(KeyCode.ESCAPE); // the first one closed the edit panel
    }
    assertThat(shell.lookup("#weave-title")).isNotNull();
  }

  @Test
  void rowsMayBeGenres() {
    chooseIn("weave-by", 1);
    ListView<?> rows = (ListView<?>) shell.lookup("#weave-rows");
    assertThat(rows.getItems())
        .hasSameSizeAs(Weave.of(now(), collection.state().codebook(), WeaveBy.GENRE).rows());
    chooseIn("weave-by", 0);
  }

  @Test
  void stationsAreReachedByKeys() {
    for (int i = 0; i < Station.values().length; i++) {
      station(KeyCode.values()[KeyCode.DIGIT1.ordinal() + i]);
      ToggleButton button =
          (ToggleButton)
              shell.lookup(
                  "#station-" + Station.values()[i].name().toLowerCase(java.util.Locale.ROOT));
      assertThat(button.isSelected()).as(button.getId()).isTrue();
    }
  }

  @Test
  void findNarrowsTheWholeCollectionAndSaysWhatIsWrong() {
    station(KeyCode.F);
    robot.write("missing:artist");
    WaitForAsyncUtils.waitForFxEvents();
    int holes = now().tracks(id -> now().value(id, Fields.ARTIST).isEmpty()).getCardinality();
    assertThat(pane().rows()).hasSize(holes);
    assertThat(text("scope")).isEqualTo("whole collection");
    robot.write(" yeer:1");
    WaitForAsyncUtils.waitForFxEvents();
    assertThat(text("find-trouble")).contains("Character 16").contains("year");
    key(KeyCode.ESCAPE);
    assertThat(text("find-trouble")).isEmpty();
    assertThat(pane().rows()).hasSize(now().count());
  }

  @Test
  void findStaysInTheListUntilTheScopeIsClicked() {
    press("head-artwork");
    int list = pane().rows().size();
    fx(() -> ((TextField) shell.lookup("#find")).setText("missing:year"));
    assertThat(text("scope")).isEqualTo("this list");
    assertThat(pane().rows().size()).isLessThan(list);
    int inList = pane().rows().size();
    press("scope");
    assertThat(text("scope")).isEqualTo("whole collection");
    assertThat(pane().rows().size()).isGreaterThan(inList);
  }

  @Test
  void elevenTracksAreEditedAndTakenBack() throws Exception {
    fx(() -> ((TextField) shell.lookup("#find")).setText("file:present"));
    select(11);
    List<Integer> ids = List.copyOf(pane().table().getSelectionModel().getSelectedItems());
    List<String> before = ids.stream().map(id -> now().raw(id, Fields.ALBUM)).toList();
    station(KeyCode.E);
    fx(() -> ((TextField) shell.lookup("#edit-album")).setText("Harbour Lights 2"));
    fx(() -> ((TextField) shell.lookup("#edit-trackTotal")).setText("11"));
    assertThat(text("edit-sentence")).isEqualTo("changes album and track total on 11 tracks");
    press("edit-apply");
    settle();
    for (int id : ids) {
      assertThat(TagFiles.read(collection.state().path(id)).raw(Fields.ALBUM))
          .isEqualTo("Harbour Lights 2");
    }
    assertThat(text("told")).contains("11 tracks");
    fx(() -> pane().table().requestFocus());
    station(KeyCode.Z);
    await(() -> !now().raw(ids.getFirst(), Fields.ALBUM).equals("Harbour Lights 2"));
    settle();
    assertThat(ids.stream().map(id -> now().raw(id, Fields.ALBUM)).toList()).isEqualTo(before);
    station(KeyCode.Y);
    await(() -> now().raw(ids.getFirst(), Fields.ALBUM).equals("Harbour Lights 2"));
    settle();
    assertThat(ids).allMatch(id -> now().raw(id, Fields.ALBUM).equals("Harbour Lights 2"));
  }

  @Test
  void severalValuesAreSaidAndABadOneIsNotTaken() {
    fx(
        () ->
            ((TextField) shell.lookup("#find")).setText("present:year present:title file:present"));
    select(6);
    station(KeyCode.E);
    TextField title = (TextField) shell.lookup("#edit-title");
    assertThat(title.getPromptText()).startsWith("several values");
    fx(() -> ((TextField) shell.lookup("#edit-year")).setText("soon"));
    assertThat(text("edit-sentence")).contains("1900 to 2100");
    assertThat(((Button) shell.lookup("#edit-apply")).isDisabled()).isTrue();
  }

  @Test
  void aCellIsEditedInPlace() {
    fx(() -> ((TextField) shell.lookup("#find")).setText("present:title file:present"));
    TableView<Integer> table = pane().table();
    int id = pane().rows().getFirst();
    select(1);
    fx(
        () ->
            table.edit(
                0,
                table.getColumns().stream()
                    .filter(c -> "column-title".equals(c.getId()))
                    .findFirst()
                    .orElseThrow()));
    robot.push(KeyCode.CONTROL, KeyCode.A);
    robot.write("Typed in place").push(KeyCode.ENTER);
    settle();
    assertThat(now().raw(id, Fields.TITLE)).isEqualTo("Typed in place");
  }

  @Test
  void tracksRestAreGuardedAndRatedByKeys() {
    fx(() -> ((TextField) shell.lookup("#find")).setText("file:present"));
    select(1);
    int id = pane().rows().getFirst();
    key(KeyCode.R);
    settle();
    assertThat(now().raw(id, Fields.RESTING)).isEqualTo("yes");
    key(KeyCode.R);
    settle();
    assertThat(now().raw(id, Fields.RESTING)).isEmpty();
    key(KeyCode.G);
    settle();
    assertThat(now().raw(id, Fields.GUARDED)).isEqualTo("yes");
    key(KeyCode.ALT, KeyCode.DIGIT4);
    settle();
    assertThat(now().value(id, Fields.RATING)).contains(4);
  }

  @Test
  void removingAsksFirst() {
    fx(() -> ((TextField) shell.lookup("#find")).setText("file:present"));
    int before = now().count();
    select(2);
    key(KeyCode.DELETE);
    assertThat(now().count()).isEqualTo(before);
    press("answer");
    settle();
    assertThat(now().count()).isEqualTo(before - 2);
  }

  @Test
  void threeTracksAreCodedAndACrateFills() throws Exception {
    Crate pairs = collection.state().crates().crate("Pairs only").orElseThrow();
    int before = collection.contents().count(pairs);
    station(KeyCode.DIGIT5);
    fx(() -> ((TextField) shell.lookup("#find")).setText("file:present missing:Moment"));
    select(3);
    List<Integer> ids = List.copyOf(pane().table().getSelectionModel().getSelectedItems());
    robot.write("2");
    settle();
    assertThat(ids).allMatch(id -> now().value(id, Fields.CODES).orElse(List.of()).contains("PAI"));
    assertThat(TagFiles.read(collection.state().path(ids.getFirst())).raw(Fields.COMMENT))
        .contains("/PAI/");
    assertThat(text("written")).contains("/PAI/");
    station(KeyCode.DIGIT6);
    assertThat(collection.contents().count(pairs)).isEqualTo(before + 3);
    ListView<?> crates = (ListView<?>) shell.lookup("#crates");
    assertThat(crates.getItems().toString()).contains("crate=Pairs only, count=" + (before + 3));
    Path list = folder.resolve("pairs.m3u8");
    Playlists.export(collection, pairs, list, true);
    assertThat(M3u8.read(list))
        .contains(collection.state().path(ids.getFirst()))
        .allMatch(Files::exists);
  }

  @Test
  void aCodeIsAddedToTheCodebookAndAStrayMended() {
    station(KeyCode.DIGIT5);
    chooseIn("coding-choice", 1);
    press("add-code-Style");
    fx(() -> ((TextField) shell.lookup("#answer-text")).setText("WLD world"));
    press("answer");
    settle();
    assertThat(collection.state().codebook().known("WLD")).isPresent();
    assertThat(shell.lookup("#entry-WLD")).isNotNull();
    chooseIn("coding-choice", 2);
    assertThat(shell.lookup("#strays").lookupAll(".stray").stream().map(n -> ((Label) n).getText()))
        .doesNotContain("WLD");
    chooseIn("coding-choice", 0);
  }

  @Test
  void aTakenFacetNameIsRefusedInWords() {
    station(KeyCode.DIGIT5);
    chooseIn("coding-choice", 1);
    press("add-facet");
    fx(() -> ((TextField) shell.lookup("#answer-text")).setText("Year"));
    press("answer");
    assertThat(text("told")).contains("name of a field");
    chooseIn("coding-choice", 0);
  }

  @Test
  void aFolderThatMovedIsClosedByOneDecision() {
    int lost = LostFinder.lost(now()).getCardinality();
    station(KeyCode.DIGIT3);
    press("lost-look");
    await(() -> shell.lookup("#lost-decisions .primary") != null);
    Button close = (Button) shell.lookup("#lost-decisions .primary");
    int closes = Integer.parseInt(close.getText().replaceAll("\\D", ""));
    fx(close::fire);
    settle();
    assertThat(LostFinder.lost(now()).getCardinality()).isEqualTo(lost - closes);
  }

  @Test
  void oneOfACopyIsKeptAndTheSpareComesBack() {
    int groups = Duplicates.sameBytes(now()).size();
    station(KeyCode.DIGIT4);
    Path spare =
        collection.state().path(Duplicates.sameBytes(now()).getFirst().spares().getFirst());
    press("keep-one");
    settle();
    assertThat(Duplicates.sameBytes(now())).hasSize(groups - 1);
    assertThat(spare).doesNotExist();
    ListView<?> held = (ListView<?>) shell.lookup("#held");
    fx(() -> held.getSelectionModel().selectFirst());
    press("restore-one");
    settle();
    assertThat(spare).exists();
  }

  @Test
  void arrivalsAreTracksThatAreNotYetWhole() {
    station(KeyCode.DIGIT2);
    assertThat(pane().rows()).isNotEmpty();
    int waiting =
        ((Label)
                    ((HBox) ((ToggleButton) shell.lookup("#station-arrivals")).getGraphic())
                        .getChildren()
                        .get(1))
                .getText()
                .isEmpty()
            ? 0
            : 1;
    assertThat(waiting).isEqualTo(1);
  }

  @Test
  void aRuleLineIsAddedWithItsCounts() {
    station(KeyCode.DIGIT6);
    Crate.RuleCrate before =
        (Crate.RuleCrate) collection.state().crates().crate("Doors open").orElseThrow();
    ListView<?> crates = (ListView<?>) shell.lookup("#crates");
    fx(() -> crates.getSelectionModel().select(1));
    press("add-line");
    settle();
    Crate.RuleCrate after =
        (Crate.RuleCrate) collection.state().crates().crate("Doors open").orElseThrow();
    assertThat(after.rule().parts()).hasSize(before.rule().parts().size() + 1);
    assertThat(shell.lookupAll(".line-row")).hasSize(after.rule().parts().size());
  }

  @Test
  void historyTakesAnyChangeBack() {
    fx(() -> ((TextField) shell.lookup("#find")).setText("file:present"));
    select(1);
    int id = pane().rows().getFirst();
    key(KeyCode.R);
    settle();
    fx(shell::showHistory);
    long number = collection.history().getFirst().number();
    press("undo-" + number);
    settle();
    assertThat(now().raw(id, Fields.RESTING)).isEmpty();
    assertThat(collection.history().getFirst().undoes()).isEqualTo(number);
  }

  @Test
  void bothThemesStandOnTheSameSheet() {
    fx(shell::otherTheme);
    assertThat(shell.getStyleClass()).contains("night");
    assertThat(collection.setting("theme")).contains("night");
    fx(shell::otherTheme);
    assertThat(shell.getStyleClass()).doesNotContain("night");
  }

  @Test
  void keysAreListedByF1() {
    key(KeyCode.F1);
    assertThat(text("told")).contains("Ctrl+F find");
  }

  @Test
  void everyControlHasAName() {
    for (Station station : Station.values()) {
      fx(() -> shell.go(station));
      for (Node node : shell.lookupAll(".button")) {
        boolean named =
            node.getAccessibleText() != null && !node.getAccessibleText().isBlank()
                || node instanceof Labeled l && l.getText() != null && !l.getText().isBlank();
        boolean inner = !(node instanceof Button);
        assertThat(named || inner).as(station + " " + node).isTrue();
      }
    }
    assertThat(Platform.isFxApplicationThread()).isFalse();
  }
}
