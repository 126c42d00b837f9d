package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Labeled;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.Evening;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.MustPlay;
import tenterhook.core.job.Progress;
import tenterhook.core.track.TrackOrder;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.workspace.Station;

/** The table, find, the edit panel and the ledger on the demo, driven by what a DJ does. */
class TableTest extends WindowTest {
  @Test
  void findNarrowsTheWholeCollectionAndSaysWhatIsWrong() {
    control(KeyCode.F);
    robot.write("missing:artist");
    events();
    int holes = now().tracks(id -> now().value(id, Fields.ARTIST).isEmpty()).getCardinality();
    assertThat(pane().rows()).hasSize(holes);
    assertThat(text("scope")).isEqualTo("whole collection");
    robot.write(" yeer:1");
    events();
    assertThat(text("find-trouble")).contains("Character 16").contains("year");
    key(KeyCode.ESCAPE);
    assertThat(text("find-trouble")).isEmpty();
    assertThat(pane().rows()).hasSize(now().count());
    key(KeyCode.ESCAPE);
    if (lookup("#weave-title") == null) {
      key(KeyCode.ESCAPE); // the first one closed the edit panel
    }
    assertThat(lookup("#weave-title")).as("back where the find field was").isNotNull();
  }

  @Test
  void findStaysInTheListUntilTheScopeIsClicked() {
    press("head-artwork");
    int list = pane().rows().size();
    fx(() -> ((TextField) lookup("#find")).setText("missing:year"));
    assertThat(text("scope")).isEqualTo("this list");
    assertThat(pane().rows().size()).isLessThan(list);
    int inList = pane().rows().size();
    press("scope");
    assertThat(text("scope")).isEqualTo("whole collection");
    assertThat(pane().rows().size()).isGreaterThan(inList);
  }

  @Test
  void elevenTracksAreEditedAndTakenBack() throws Exception {
    fx(() -> ((TextField) lookup("#find")).setText("file:present"));
    select(11);
    List<Integer> ids = List.copyOf(pane().table().getSelectionModel().getSelectedItems());
    List<String> before = ids.stream().map(id -> now().raw(id, Fields.ALBUM)).toList();
    control(KeyCode.E);
    fx(() -> ((TextField) lookup("#edit-album")).setText("Harbour Lights 2"));
    fx(() -> ((TextField) lookup("#edit-trackTotal")).setText("11"));
    assertThat(text("edit-sentence")).isEqualTo("changes album and track total on 11 tracks");
    press("edit-apply");
    settle();
    for (int id : ids) {
      assertThat(TagFiles.read(collection.state().path(id)).raw(Fields.ALBUM))
          .isEqualTo("Harbour Lights 2");
    }
    assertThat(text("told")).contains("11 tracks");
    fx(() -> pane().table().requestFocus());
    control(KeyCode.Z);
    await(() -> !now().raw(ids.getFirst(), Fields.ALBUM).equals("Harbour Lights 2"));
    settle();
    assertThat(ids.stream().map(id -> now().raw(id, Fields.ALBUM)).toList()).isEqualTo(before);
    control(KeyCode.Y);
    await(() -> now().raw(ids.getFirst(), Fields.ALBUM).equals("Harbour Lights 2"));
    settle();
    assertThat(ids).allMatch(id -> now().raw(id, Fields.ALBUM).equals("Harbour Lights 2"));
  }

  @Test
  void severalValuesAreSaidAndABadOneIsNotTaken() {
    fx(() -> ((TextField) lookup("#find")).setText("present:year present:title file:present"));
    select(6);
    control(KeyCode.E);
    TextField title = (TextField) lookup("#edit-title");
    assertThat(title.getPromptText()).startsWith("several values");
    fx(() -> ((TextField) lookup("#edit-year")).setText("soon"));
    assertThat(text("edit-sentence")).contains("1900 to 2100");
    assertThat(((Button) lookup("#edit-apply")).isDisabled()).isTrue();
  }

  @Test
  void aCellIsEditedInPlace() {
    fx(() -> ((TextField) lookup("#find")).setText("present:title file:present"));
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
    fx(() -> ((TextField) lookup("#find")).setText("file:present"));
    select(1);
    int id = pane().rows().getFirst();
    key(KeyCode.R);
    settle();
    assertThat(now().raw(id, Fields.RESTING)).isEqualTo("yes");
    key(KeyCode.R);
    settle();
    assertThat(now().raw(id, Fields.RESTING)).isEmpty();
    Button takeBack =
        lookupAll(".told .button").stream()
            .map(Button.class::cast)
            .filter(b -> b.getText().equals("Take it back"))
            .findFirst()
            .orElseThrow();
    fx(takeBack::fire);
    await(() -> now().raw(id, Fields.RESTING).equals("yes"));
    key(KeyCode.G);
    settle();
    assertThat(now().raw(id, Fields.GUARDED)).isEqualTo("yes");
    key(KeyCode.ALT, KeyCode.DIGIT4);
    settle();
    assertThat(now().value(id, Fields.RATING)).contains(4);
  }

  @Test
  void chosenRowsAreCopiedAsText() {
    fx(() -> ((TextField) lookup("#find")).setText("present:title"));
    select(2);
    control(KeyCode.C);
    settle();
    String text = onToolkit(() -> Clipboard.getSystemClipboard().getString());
    assertThat(text.lines()).hasSize(2);
    String title = now().raw(pane().rows().getFirst(), Fields.TITLE).strip();
    assertThat(text.lines().findFirst().orElseThrow().split("\t")).contains(title);
    assertThat(text("told")).isEqualTo("2 tracks are copied as text.");
  }

  @Test
  void orderByTwoColumnsIsRememberedForThisKindOfList() {
    station(Station.TRACKS);
    TableView<Integer> table = pane().table();
    fx(() -> table.getSortOrder().setAll(List.of(column(table, "year"), column(table, "artist"))));
    fx(() -> column(table, "year").setSortType(TableColumn.SortType.DESCENDING));
    events();
    List<Integer> expected = new ArrayList<>(pane().list().ids());
    expected.sort(
        TrackOrder.by(
            now(), List.of(new TrackOrder.Key("year", true), new TrackOrder.Key("artist", false))));
    assertThat(pane().rows()).isEqualTo(expected);
    await(() -> collection.setting("columns tracks").orElse("").contains("-year +artist"));
    TableView<Integer> another = onToolkit(() -> new TrackPane(workspace, "tracks").table());
    assertThat(another.getSortOrder().stream().map(c -> c.getId()))
        .containsExactly("column-year", "column-artist");
    TableView<Integer> crates = onToolkit(() -> new TrackPane(workspace, "crates").table());
    assertThat(crates.getSortOrder()).isEmpty();
    fx(() -> table.getSortOrder().clear());
    await(() -> !collection.setting("columns tracks").orElse("").contains("-year"));
  }

  private static TableColumn<Integer, ?> column(TableView<Integer> table, String field) {
    return table.getColumns().stream()
        .filter(c -> ("column-" + field).equals(c.getId()))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void removingAsksFirst() {
    fx(() -> ((TextField) lookup("#find")).setText("file:present"));
    int before = now().count();
    select(2);
    key(KeyCode.DELETE);
    assertThat(now().count()).isEqualTo(before);
    press("answer");
    settle();
    assertThat(now().count()).isEqualTo(before - 2);
  }

  /** A night counts on it: that is said before, and not when the night is over. */
  @Test
  void removingSaysWhichNightsCountOnIt() {
    fx(() -> ((TextField) lookup("#find")).setText("file:present"));
    select(1);
    int id = pane().rows().getFirst();
    collection.apply(
        state ->
            new Change(
                "plans two nights",
                true,
                List.of(
                    new Edit.SetGigs(
                        state.gigs(),
                        state
                            .gigs()
                            .plus(night("Ice break", 2999, id))
                            .plus(night("Long ago", 2020, id))))),
        Progress.SILENT);
    settle();
    key(KeyCode.DELETE);
    assertThat(((Labeled) lookup("#question")).getText())
        .contains("Ice break")
        .doesNotContain("Long ago");
    key(KeyCode.ESCAPE);
    assertThat(now().tracks().contains(id)).isTrue();
  }

  private static Gig night(String title, int year, int track) {
    LocalTime eight = LocalTime.of(20, 0);
    return Gig.of(title, Evening.on(LocalDate.of(year, 1, 1), eight, eight.plusHours(3)))
        .plus(new MustPlay(track, "", ""));
  }

  @Test
  void historyTakesAnyChangeBack() {
    fx(() -> ((TextField) lookup("#find")).setText("file:present"));
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
      for (Node node : lookupAll(".button")) {
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
