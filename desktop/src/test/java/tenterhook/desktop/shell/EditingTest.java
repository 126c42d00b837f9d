package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Rule;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.workspace.Station;
import tenterhook.standins.synth.Cover;

/** Artwork, lyrics, crates and menus on the demo, and work that is stopped. */
class EditingTest extends WindowTest {
  private void find(String text) {
    fx(() -> ((TextField) lookup("#find")).setText(text));
  }

  private MenuItem contextItem(String id) {
    var menu = pane().table().getContextMenu();
    fx(() -> menu.getOnShowing().handle(null));
    return menu.getItems().stream().filter(i -> id.equals(i.getId())).findFirst().orElseThrow();
  }

  @Test
  void artworkIsPastedAsAFileShownWithItsSizeAndRemoved() throws Exception {
    Path cover = Files.write(folder.resolve("cover.png"), Cover.draw(8, 640, "png"));
    find("not artwork:1.. format:flac file:present");
    select(1);
    int id = pane().rows().getFirst();
    control(KeyCode.E);
    assertThat(text("art-size")).isEqualTo("no artwork");
    fx(
        () -> {
          ClipboardContent content = new ClipboardContent();
          content.putFiles(List.of(cover.toFile()));
          Clipboard.getSystemClipboard().setContent(content);
        });
    button("Paste");
    assertThat(text("art-size")).startsWith("640×640 png");
    assertThat(text("edit-sentence")).isEqualTo("changes art on 1 track");
    press("edit-apply");
    await(() -> now().value(id, Fields.ARTWORK).isPresent());
    assertThat(TagFiles.picture(collection.state().path(id)))
        .get()
        .isEqualTo(Files.readAllBytes(cover));
    settle();
    button("Remove");
    press("edit-apply");
    await(() -> now().value(id, Fields.ARTWORK).isEmpty());
  }

  private void button(String words) {
    Button found =
        lookup("#edit").lookupAll(".button").stream()
            .filter(Button.class::isInstance)
            .map(Button.class::cast)
            .filter(b -> words.equals(b.getText()))
            .findFirst()
            .orElseThrow();
    fx(found::fire);
  }

  @Test
  void artworkIsTakenFromAnotherTrack() {
    Snapshot before = now();
    int from =
        before
            .tracks(id -> before.value(id, Fields.ARTWORK).isPresent() && !before.lost(id))
            .first();
    find("missing:artwork format:flac file:present");
    select(1);
    int id = pane().rows().getFirst();
    control(KeyCode.E);
    button("From a track…");
    answer("path:\"" + before.fileName(from) + "\" present:artwork");
    await(() -> text("edit-sentence").contains("art"));
    press("edit-apply");
    await(() -> now().value(id, Fields.ARTWORK).isPresent());
    assertThat(Artwork.parse(now().raw(id, Fields.ARTWORK)).orElseThrow().sha256())
        .isEqualTo(Artwork.parse(before.raw(from, Fields.ARTWORK)).orElseThrow().sha256());
  }

  @Test
  void lyricsAreWrittenAndResetForgetsWhatWasTyped() throws Exception {
    find("file:present format:flac");
    select(1);
    int id = pane().rows().getFirst();
    control(KeyCode.E);
    fx(() -> ((TextArea) lookup("#edit-lyrics")).setText("one\ntwo"));
    button("Reset");
    assertThat(text("edit-sentence")).contains("Nothing is touched");
    fx(() -> ((TextArea) lookup("#edit-lyrics")).setText("three\nfour"));
    press("edit-apply");
    await(() -> !now().raw(id, Fields.LYRICS).isEmpty());
    assertThat(TagFiles.read(collection.state().path(id)).raw(Fields.LYRICS)).contains("three");
  }

  @Test
  void oneOfSeveralValuesIsPicked() {
    find("present:album file:present");
    select(8);
    control(KeyCode.E);
    MenuButton picker = (MenuButton) lookup("#pick-album");
    assertThat(picker).isNotNull();
    fx(picker::show);
    MenuItem first = picker.getItems().getFirst();
    fx(picker::hide);
    fx(first::fire);
    assertThat(text("edit-sentence")).startsWith("changes album on");
    press("edit-apply");
    settle();
    assertThat(pane().table().getSelectionModel().getSelectedItems())
        .allMatch(id -> now().raw(id, Fields.ALBUM).equals(first.getText()));
  }

  @Test
  void whatIsTypedStaysWhileOtherTracksChange() {
    find("file:present");
    select(2);
    control(KeyCode.E);
    fx(() -> ((TextField) lookup("#edit-album")).setText("Half typed"));
    int other = pane().rows().getLast();
    fx(
        () ->
            workspace.apply(
                tenterhook.core.edit.TrackEdits.flag(
                    now(), org.roaringbitmap.RoaringBitmap.bitmapOf(other), Fields.RESTING, true)));
    settle();
    assertThat(text("edit-album")).isEqualTo("Half typed");
    assertThat(text("edit-sentence")).contains("changes album on 2 tracks");
  }

  @Test
  void aCrateIsMadeRenamedAndRemoved() {
    station(Station.CRATES);
    menu("crates-add", "crates-addRule");
    answer("Test crate");
    assertThat(collection.state().crates().crate("Test crate")).isPresent();
    assertThat(lookupAll(".line-row")).isEmpty();
    menu("crates-add", "crates-addShelf");
    answer("New shelf");
    assertThat(collection.state().crates().shelf("New shelf")).isPresent();
    menu("crates-add", "crates-addHand");
    answer("Test crate");
    assertThat(text("told")).contains("'Test crate' already");
  }

  @Test
  void aLineIsEditedAndACircleRefusedWithItsPath() {
    station(Station.CRATES);
    ListView<?> crates = (ListView<?>) lookup("#crates");
    fx(() -> crates.getSelectionModel().select(1));
    TextField values = (TextField) lookup(".line-row").lookup(".text-field");
    fx(
        () -> {
          values.setText("DRS|PAI");
          values.getOnAction().handle(null);
        });
    settle();
    Crate.RuleCrate doors =
        (Crate.RuleCrate) collection.state().crates().crate("Doors open").orElseThrow();
    assertThat(Rule.lines(doors.rule()).getFirst().text()).isEqualTo("Moment:DRS|PAI");
    ComboBox<?> subject = (ComboBox<?>) lookup(".line-row").lookup(".combo-box");
    TextField again = (TextField) lookup(".line-row").lookup(".text-field");
    fx(
        () -> {
          again.setText("\"Doors open\"");
          subject.getSelectionModel().select(subject.getItems().indexOf("crate"));
        });
    settle();
    assertThat(text("told")).contains("Doors open → Doors open");
    TextField afterwards = (TextField) lookup(".line-row").lookup(".text-field");
    assertThat(afterwards.getText()).as("what was refused is gone").isEqualTo("DRS|PAI");
  }

  @Test
  void aBadValueOfALineIsSaid() {
    station(Station.CRATES);
    ListView<?> crates = (ListView<?>) lookup("#crates");
    int at = 0;
    for (int i = 0; i < crates.getItems().size(); i++) {
      at = crates.getItems().get(i).toString().contains("1980s") ? i : at;
    }
    int chosen = at;
    fx(() -> crates.getSelectionModel().select(chosen));
    TextField values = (TextField) lookup(".line-row").lookup(".text-field");
    fx(
        () -> {
          values.setText("soon");
          values.getOnAction().handle(null);
        });
    assertThat(text("told")).contains("no value of year");
  }

  @Test
  void tracksGoIntoAHandCrateAndOutAgain() {
    Crate.HandCrate before =
        (Crate.HandCrate) collection.state().crates().crate("Lantern parade").orElseThrow();
    station(Station.CRATES);
    ListView<?> crates = (ListView<?>) lookup("#crates");
    fx(() -> crates.getSelectionModel().selectLast());
    select(1);
    MenuItem out = pane().table().getContextMenu().getItems().isEmpty() ? null : takeOut();
    assertThat(out).isNotNull();
    fx(out::fire);
    settle();
    Crate.HandCrate after =
        (Crate.HandCrate) collection.state().crates().crate("Lantern parade").orElseThrow();
    assertThat(after.tracks()).hasSize(before.tracks().size() - 1);
  }

  private MenuItem takeOut() {
    var menu = pane().table().getContextMenu();
    fx(() -> menu.getOnShowing().handle(null));
    return menu.getItems().stream()
        .filter(i -> "Take out of this crate".equals(i.getText()))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void theContextMenuDoesWhatTheKeysDo() {
    find("file:present");
    select(1);
    int id = pane().rows().getFirst();
    MenuItem rest = contextItem("menu-rest");
    fx(rest::fire);
    settle();
    assertThat(now().raw(id, Fields.RESTING)).isEqualTo("yes");
    MenuItem copy = contextItem("menu-copyPath");
    fx(copy::fire);
    String[] copied = {""};
    fx(() -> copied[0] = Clipboard.getSystemClipboard().getString());
    assertThat(copied[0]).isEqualTo(collection.state().path(id).toString());
  }

  @Test
  void columnsAreSortedBothWays() {
    find("present:bpm");
    TableColumn<Integer, ?> bpm =
        pane().table().getColumns().stream()
            .filter(c -> "column-bpm".equals(c.getId()))
            .findFirst()
            .orElseThrow();
    for (TableColumn.SortType way : TableColumn.SortType.values()) {
      fx(
          () -> {
            bpm.setSortType(way);
            pane().table().getSortOrder().setAll(List.of(bpm));
            pane().table().sort();
          });
      List<Double> tempos =
          pane().rows().stream().map(id -> now().value(id, Fields.BPM).orElseThrow()).toList();
      boolean rising = way == TableColumn.SortType.ASCENDING;
      assertThat(tempos)
          .isSortedAccordingTo(rising ? Double::compare : (a, b) -> Double.compare(b, a));
    }
    fx(() -> pane().table().getSortOrder().clear());
  }

  @Test
  void theStripSaysWhatWasChosenLast() {
    find("present:artist present:title file:present");
    select(1);
    int id = pane().table().getSelectionModel().getSelectedItem();
    assertThat(text("strip-name")).isEqualTo(now().name(id));
  }

  @Test
  void whyIsAnsweredForTheChosenTrack() {
    station(Station.CRATES);
    ListView<?> crates = (ListView<?>) lookup("#crates");
    fx(() -> crates.getSelectionModel().select(1));
    select(1);
    Node why = lookup("#why");
    assertThat(why.lookupAll(".heading").stream().map(n -> ((Label) n).getText()))
        .contains("It is in here");
    assertThat(why.lookupAll(".why-line"))
        .isNotEmpty()
        .allSatisfy(l -> assertThat(l.getAccessibleText()).startsWith("holds: "));
  }

  @Test
  void longWorkShowsItsProgressAndIsStopped() throws Exception {
    CountDownLatch started = new CountDownLatch(1);
    AtomicBoolean stopped = new AtomicBoolean();
    fx(
        () ->
            workspace.job(
                "Counting",
                true,
                p -> {
                  for (int i = 0; !p.stopped(); i++) {
                    p.at(i, 1_000_000, "one");
                    started.countDown();
                    Thread.sleep(2);
                  }
                  return true;
                },
                stopped::set));
    started.await();
    await(() -> lookup(".job .progress-bar") != null);
    Button stop = (Button) lookup(".job .button");
    assertThat(stop.getText()).isEqualTo("Stop");
    fx(stop::fire);
    await(stopped::get);
    settle();
    assertThat(lookup(".job")).isNull();
  }

  @Test
  void workThatFailsSaysSoAndNothingElseHappens() {
    fx(
        () ->
            workspace.job(
                "Reading",
                false,
                p -> {
                  throw new java.io.IOException("the disk is gone");
                },
                r -> {}));
    settle();
    await(() -> lookup("#told") != null);
    assertThat(text("told")).contains("Reading did not work").contains("the disk is gone");
  }

  @Test
  void aScanFromTheWindowReportsWhatItFound() {
    fx(() -> shell.scan(collection.state().roots().get("music")));
    await(() -> lookup("#told") != null && text("told").contains("files:"));
    assertThat(text("told")).contains("0 new, 0 changed, 0 lost, 0 back");
  }
}
