package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TableCell;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindText;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.Gigs;
import tenterhook.core.gig.MustPlay;
import tenterhook.core.gig.Wish;
import tenterhook.core.play.Plays;
import tenterhook.desktop.workspace.Station;

/** A night planned by the DJ's hand, and the demo's nights with what is wrong with them. */
class GigsStationTest extends WindowTest {
  private static final String CLOSING = "Winter closing";

  @BeforeEach
  void gigs() {
    station(Station.GIGS);
    gig(CLOSING);
  }

  private Gigs all() {
    return collection.state().gigs();
  }

  private Gig of(String title) {
    return all().named(title).orElseThrow();
  }

  private void gig(String title) {
    ListView<?> list = (ListView<?>) lookup("#gigs");
    for (int i = 0; i < list.getItems().size(); i++) {
      if (list.getItems().get(i).toString().startsWith("GigRow[words=" + title + ",")) {
        int row = i;
        fx(() -> list.getSelectionModel().select(row));
      }
    }
    settle();
    assertThat(text("list-title-gig")).isEqualTo(title);
  }

  private void write(String id, String text) {
    TextInputControl field = (TextInputControl) lookup("#" + id);
    fx(() -> field.setText(text));
  }

  private void typed(String text) {
    robot.write(text, 0);
    events();
  }

  private MenuButton wish(String line) {
    return onToolkit(
        () ->
            ((Parent) shell.lookup("#gig-wishes"))
                .getChildrenUnmodifiable().stream()
                    .filter(n -> n.toString().contains("WishRow"))
                    .filter(n -> n.lookupAll(".label").toString().contains(line))
                    .map(n -> (MenuButton) n.lookup(".menu-button"))
                    .findFirst()
                    .orElseThrow());
  }

  @Test
  void aGigIsMadeByKeysFromNothing() {
    menu("gigs-add", "gigs-addNew");
    typed("Spring opening");
    key(KeyCode.TAB);
    fx(() -> ((TextField) lookup("#gigs-date")).selectAll());
    typed("2999-03-20");
    key(KeyCode.TAB);
    write("gigs-people", "Oda Brennick (OH-da), host\nTobin");
    key(KeyCode.ENTER);
    settle();
    Gig gig = of("Spring opening");
    assertThat(gig.evening().date()).isEqualTo(LocalDate.of(2999, 3, 20));
    assertThat(gig.evening().people().getFirst().said()).isEqualTo("OH-da");
    assertThat(text("list-title-gig")).isEqualTo("Spring opening");

    press("gigs-addPart");
    typed("Doors");
    write("gigs-minutes", "0");
    write("gigs-fill", "crate:\"Doors open\"");
    key(KeyCode.ENTER);
    settle();
    GigPart doors = of("Spring opening").part("Doors").orElseThrow();
    assertThat(doors.minutes()).isZero();
    assertThat(doors.rule().map(r -> FindText.write(r.query()))).contains("crate:\"Doors open\"");
    assertThat(text("part-title")).isEqualTo("Doors");
    assertThat(pane().rows().size())
        .isEqualTo(workspace.contents().list(crate("Doors open")).size());
    assertThat(text("gig-ready")).isEqualTo("Ready");

    press("gigs-editPart");
    write("gigs-minutes", "200");
    press("part-form-take");
    settle();
    assertThat(text("gig-ready")).isEqualTo("Not ready: 1 thing");
    assertThat(words("gig-findings")).anyMatch(w -> w.matches("Doors has \\d+ of 200 minutes"));
    fx(() -> workspace.undo());
    settle();
    assertThat(of("Spring opening").part("Doors").orElseThrow().minutes()).isZero();
    press("gigs-addPart");
    typed("Laps");
    key(KeyCode.ENTER);
    settle();
    assertThat(text("part-title")).isEqualTo("Laps");
    press("gigs-editPart");
    press("part-remove");
    settle();
    press("gigs-editPart");
    press("part-remove");
    settle();
    assertThat(of("Spring opening").parts()).isEmpty();
  }

  private tenterhook.core.crate.Crate crate(String name) {
    return collection.state().crates().crate(name).orElseThrow();
  }

  @Test
  void whatIsTypedWrongIsSaidAndKept() {
    press("gigs-edit");
    write("gigs-date", "soon");
    press("gig-form-take");
    assertThat(text("told")).contains("2026-12-19");
    assertThat(text("gigs-date")).isEqualTo("soon");
    write("gigs-date", "2999-01-01");
    write("gigs-reserve", "half");
    press("gig-form-take");
    assertThat(text("told")).contains("“half”");
    key(KeyCode.ESCAPE);
    settle();
    assertThat(text("list-title-gig")).isEqualTo(CLOSING);
    press("gigs-addPart");
    write("gigs-partName", "doors");
    press("part-form-take");
    settle();
    assertThat(text("told")).contains("part");
    assertThat(lookup("#part-form")).isNotNull();
    write("gigs-fill", "year:soon");
    write("gigs-partName", "Another");
    press("part-form-take");
    assertThat(of(CLOSING).part("Another")).isEmpty();
    press("part-form-leave");
  }

  @Test
  void theDemosNightTellsItsTraps() {
    assertThat(text("gig-ready")).startsWith("Not ready");
    assertThat(words("gig-findings"))
        .anyMatch(w -> w.matches("Pairs has \\d of 5 minutes"))
        .anyMatch(w -> w.contains("picked but not there"));
    List<Wish> wishes = of(CLOSING).wishes();
    assertThat(wish(wishes.get(0).line()).getText()).endsWith("%");
    assertThat(wish(wishes.get(1).line()).getText()).matches("9\\d %|1 to choose");
    assertThat(wish(wishes.get(3).line()).getText()).isEqualTo("not here");
    assertThat(wish(wishes.get(4).line()).getText()).endsWith("%, not there");
    assertThat(wish(wishes.get(5).line()).getText()).isEqualTo("not here");
    gig("Lantern parade");
    assertThat(words("gig-findings")).anyMatch(w -> w.contains("never to be played"));
    gig("Night crossing");
    assertThat(words("gig-findings")).anyMatch(w -> w.startsWith("Breakfast lounge has"));
  }

  @Test
  void wishesAreSettledAndBecomeMustPlays() {
    press("gig-certain");
    settle();
    Wish first = of(CLOSING).wishes().getFirst();
    assertThat(first.track()).isPositive();
    MenuButton known = wish(first.line());
    assertThat(known.getText()).isEqualTo("known");
    item(known, "gigs-makeMust");
    assertThat(of(CLOSING).mustPlays()).extracting(MustPlay::track).contains(first.track());
    Wish last = of(CLOSING).wishes().getLast();
    item(wish(last.line()), "gigs-refuse");
    assertThat(of(CLOSING).wishes().getLast().refused()).isTrue();
    item(wish(last.line()), "gigs-openAgain");
    assertThat(of(CLOSING).wishes().getLast().open()).isTrue();
    press("gig-paste");
    fx(
        () ->
            ((TextArea) lookup("#gigs-wishLines"))
                .setText("1. Nobody - Nothing\n2. Nobody - Nothing"));
    robot.press(KeyCode.CONTROL, KeyCode.ENTER).release(KeyCode.ENTER, KeyCode.CONTROL);
    settle();
    assertThat(of(CLOSING).wishes()).hasSize(7);
    assertThat(words("gig-findings"))
        .contains("the wish \"Harbour Bells Again by Corrow Pilots\" is not there");
  }

  private void item(MenuButton button, String id) {
    MenuItem item =
        onToolkit(
            () ->
                button.getItems().stream()
                    .filter(i -> id.equals(i.getId()))
                    .findFirst()
                    .orElseThrow());
    fx(item::fire);
    settle();
  }

  @Test
  void aPartIsChosenInThePictureByKeysAndShowsItsTimes() {
    Node picture = lookup("#evening");
    fx(picture::requestFocus);
    assertThat(text("part-title")).isEqualTo("Doors");
    key(KeyCode.LEFT);
    assertThat(text("part-title")).isEqualTo("Doors");
    for (int i = 0; i < 6; i++) {
      key(KeyCode.RIGHT);
    }
    settle();
    assertThat(text("part-title")).isEqualTo("Last lap");
    assertThat(pane().rows()).isEqualTo(of(CLOSING).part("Last lap").orElseThrow().tracks());
    List<String> shown =
        onToolkit(
            () ->
                shell.lookupAll(".table-cell").stream()
                    .map(n -> ((TableCell<?, ?>) n).getText())
                    .filter(t -> t != null)
                    .toList());
    assertThat(shown)
        .anyMatch(t -> t.matches("18:1\\d"))
        .contains("lost")
        .anyMatch(t -> t.contains(" %"));
  }

  @Test
  void anOrderIsDraftedTakenAndTakenBack() {
    fx(() -> lookup("#evening").requestFocus());
    for (int i = 0; i < 4; i++) {
      key(KeyCode.RIGHT);
    }
    List<Integer> before = of(CLOSING).part("Last lap").orElseThrow().tracks();
    press("gigs-draft");
    settle();
    press("answer");
    settle();
    List<Integer> after = of(CLOSING).part("Last lap").orElseThrow().tracks();
    assertThat(after).isNotEqualTo(before).containsExactlyInAnyOrderElementsOf(before);
    int must = of(CLOSING).mustPlays().getFirst().track();
    assertThat(after.indexOf(must)).isEqualTo(before.indexOf(must));
    fx(() -> pane().table().getSelectionModel().clearAndSelect(0));
    press("gigs-unpick");
    settle();
    assertThat(of(CLOSING).part("Last lap").orElseThrow().tracks())
        .isEqualTo(after.subList(1, after.size()));
    fx(() -> workspace.undo());
    settle();
    fx(() -> workspace.undo());
    settle();
    assertThat(of(CLOSING).part("Last lap").orElseThrow().tracks()).isEqualTo(before);
  }

  @Test
  void neverPlayHoldsAndIsLifted() {
    String artist =
        now().raw(of(CLOSING).part("Last lap").orElseThrow().tracks().getFirst(), Fields.ARTIST);
    write("gig-never-more", artist);
    fx(() -> ((TextField) lookup("#gig-never-more")).getOnAction().handle(null));
    settle();
    assertThat(of(CLOSING).never().lines()).hasSize(1);
    assertThat(words("gig-findings")).anyMatch(w -> w.contains("never to be played"));
    write("gig-never-more", "year:");
    fx(() -> ((TextField) lookup("#gig-never-more")).getOnAction().handle(null));
    assertThat(of(CLOSING).never().lines()).hasSize(1);
  }

  @Test
  void aGigIsTheModelOfTheNextAndRemovingOneTouchesNoTrack() {
    int tracks = now().count();
    menu("gigs-add", "gigs-addLike");
    write("gigs-title", "Next winter");
    press("gig-form-take");
    settle();
    assertThat(of("Next winter").parts()).isEqualTo(of(CLOSING).parts());
    assertThat(of("Next winter").wishes()).isEmpty();
    press("gigs-remove");
    press("answer");
    settle();
    assertThat(all().named("Next winter")).isEmpty();
    assertThat(now().count()).isEqualTo(tracks);
  }

  @Test
  void aGigIsPackedCheckedAndMissedWhenItIsGone(@TempDir Path out) throws Exception {
    press("gigs-pack");
    write("gigs-packTo", "");
    press("gigs-packLook");
    assertThat(text("told")).contains("which folder");
    Path stick = out.resolve("stick");
    write("gigs-packTo", stick.toString());
    press("gigs-packLook");
    settle();
    assertThat(words("pack-outcome")).anyMatch(w -> w.contains("there is room for"));
    assertThat(words("pack-outcome")).anyMatch(w -> w.contains("would be left out"));
    assertThat(stick.resolve("Music")).doesNotExist();
    press("pack-form-take");
    settle();
    assertThat(words("pack-outcome")).anyMatch(w -> w.matches("\\d+ copied, 0 were there.*"));
    assertThat(stick.resolve("Run sheet.html")).content().contains(CLOSING);
    press("gigs-packCheck");
    settle();
    assertThat(words("pack-outcome")).anyMatch(w -> w.contains("nothing of the gig is missing"));
    SafeFiles.removeTree(stick.resolve("Music"));
    press("gigs-packCheck");
    settle();
    assertThat(text("told")).contains("no gig was packed");
    key(KeyCode.ESCAPE);
    assertThat(lookup("#pack-form")).isNull();
  }

  @Test
  void whatBecameOfANightStandsThereWhenItIsOver() {
    press("gigs-edit");
    write("gigs-date", "2020-01-01");
    press("gig-form-take");
    settle();
    assertThat(words("gig-afterwards")).anyMatch(w -> w.startsWith("Nothing is counted"));
    int played = of(CLOSING).part("Last lap").orElseThrow().tracks().getFirst();
    fx(() -> workspace.apply(Plays.onNight(now(), List.of(played), LocalDate.of(2020, 1, 1))));
    settle();
    assertThat(words("gig-afterwards"))
        .anyMatch(w -> w.startsWith("1 played that night, 1 of"))
        .anyMatch(w -> w.startsWith("not played: "))
        .anyMatch(w -> w.startsWith("your wish was not played: "));
    press("gig-copy-letter");
    assertThat(text("told")).contains("copied as text");
  }

  @Test
  void aCrateThatFillsAPartIsNamedBeforeItGoesAndFollowedWhenItIsRenamed() {
    station(Station.CRATES);
    ListView<?> crates = (ListView<?>) lookup("#crates");
    for (int i = 0; i < crates.getItems().size(); i++) {
      if (crates.getItems().get(i).toString().contains("crate=Doors open,")) {
        int row = i;
        fx(() -> crates.getSelectionModel().clearAndSelect(row));
      }
    }
    settle();
    press("crates-remove");
    assertThat(lookupAll(".told .label").toString()).contains(CLOSING);
    press("crates-rename");
    answer("Open doors");
    GigPart doors = of(CLOSING).part("Doors").orElseThrow();
    assertThat(doors.rule().map(r -> FindText.write(r.query()))).contains("crate:\"Open doors\"");
    fx(() -> workspace.undo());
    settle();
    assertThat(of(CLOSING).part("Doors").orElseThrow().rule()).isNotEqualTo(doors.rule());
  }
}
