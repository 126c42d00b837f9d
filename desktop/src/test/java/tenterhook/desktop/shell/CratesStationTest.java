package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import javafx.event.ActionEvent;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.RadioButton;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.crate.Shelf;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindText;
import tenterhook.core.play.Plays;
import tenterhook.core.text.Fold;
import tenterhook.desktop.control.HandCrates;
import tenterhook.desktop.crate.CratesView;
import tenterhook.desktop.workspace.Station;

/** Shelves, rules, builders and sending out, by the DJ's hand on the demo. */
class CratesStationTest extends WindowTest {
  @TempDir Path out;

  @BeforeEach
  void crates() {
    station(Station.CRATES);
    row(2);
  }

  private ListView<?> list() {
    return (ListView<?>) lookup("#crates");
  }

  private void row(int at) {
    fx(() -> list().getSelectionModel().clearAndSelect(at));
  }

  private Crates shelves() {
    return collection.state().crates();
  }

  private Crate.RuleCrate fastLaps() {
    return (Crate.RuleCrate) shelves().crate("Fast laps").orElseThrow();
  }

  private String rule() {
    return FindText.write(fastLaps().rule().query());
  }

  private TextField values(int line) {
    return (TextField)
        lookupAll(".line-row").stream()
            .skip(line)
            .map(r -> r.lookup(".text-field"))
            .findFirst()
            .orElseThrow();
  }

  private String shutOut(int line) {
    return ((Button) lookup("#nearly-in-" + line)).getText();
  }

  private Crate.HandCrate byHand() {
    return (Crate.HandCrate) shelves().crate("By hand").orElseThrow();
  }

  private void chosen(int... rows) {
    fx(
        () -> {
          pane().table().requestFocus();
          pane().table().getSelectionModel().clearSelection();
          for (int one : rows) {
            pane().table().getSelectionModel().select(one);
          }
        });
  }

  @Test
  void tracksOfAHandCrateAreOrderedByKeysAndNothingElseIs() {
    List<Integer> ids = now().tracks().stream().limit(4).boxed().toList();
    Crates with = shelves().plus("Rink nights", new Crate.HandCrate("By hand", ids));
    fx(
        () ->
            workspace.apply(
                new Change("by hand", true, List.of(new Edit.SetCrates(shelves(), with)))));
    settle();
    for (int i = 0; i < list().getItems().size(); i++) {
      if (list().getItems().get(i).toString().contains("crate=By hand")) {
        row(i);
      }
    }
    settle();
    assertThat(pane().rows()).isEqualTo(ids);
    chosen(0, 1);
    key(KeyCode.ALT, KeyCode.DOWN);
    settle();
    assertThat(byHand().tracks()).containsExactly(ids.get(2), ids.get(0), ids.get(1), ids.get(3));
    assertThat(pane().rows()).isEqualTo(byHand().tracks());
    chosen(1, 2);
    key(KeyCode.ALT, KeyCode.UP);
    settle();
    assertThat(byHand().tracks()).isEqualTo(ids);
    fx(() -> new HandCrates(workspace).add(byHand(), List.of(ids.get(0), 9)));
    settle();
    assertThat(byHand().tracks()).hasSize(5).endsWith(9);
    row(2);
    settle();
    chosen(0);
    key(KeyCode.ALT, KeyCode.DOWN);
    assertThat(text("told")).startsWith("Only the rows of a hand crate");
  }

  @Test
  void ofEachArtistOneAndNoneTwiceInARow() {
    fx(() -> ((TextField) lookup("#limit-artist")).setText("1"));
    fx(() -> ((TextField) lookup("#limit-artist")).fireEvent(new ActionEvent()));
    settle();
    assertThat(fastLaps().limit().perArtist()).isEqualTo(1);
    assertThat(pane().rows().stream().map(id -> Fold.fold(now().raw(id, Fields.ARTIST))))
        .filteredOn(a -> !a.isEmpty())
        .isNotEmpty()
        .doesNotHaveDuplicates();
    fx(() -> ((CheckBox) lookup("#limit-apart")).fire());
    settle();
    assertThat(fastLaps().limit().apart()).isTrue();
  }

  @Test
  void everyKeyCountsAndNothingIsKeptBeforeEnter() {
    String before = rule();
    String shut = shutOut(2);
    fx(() -> values(2).requestFocus());
    fx(() -> values(2).setText("20..300"));
    assertThat(rule()).isEqualTo(before);
    assertThat(shutOut(2)).isNotEqualTo(shut).isEqualTo("0");
    key(KeyCode.ENTER);
    settle();
    assertThat(rule()).contains("bpm:20..300");
    await(() -> values(2).isFocused());
  }

  @Test
  void valuesAreOfferedWithCountsAndTakenByTheArrow() {
    fx(() -> values(1).requestFocus());
    fx(() -> values(1).setText("LAP|s"));
    settle();
    Button offer = (Button) lookup("#offer-0");
    assertThat(offer.getAccessibleText()).contains("SPR").contains("sprint");
    key(KeyCode.DOWN);
    assertThat(values(1).getText()).isEqualTo("LAP|SPR");
    fx(() -> values(1).setText("no such"));
    settle();
    assertThat(lookup("#offer-0")).isNull();
    key(KeyCode.ENTER);
    settle();
    assertThat(text("told")).isNotBlank();
    assertThat(values(1).getStyleClass()).contains("wrong");
  }

  @Test
  void linesMoveByKeysIntoTheGroup() {
    fx(() -> values(2).requestFocus());
    robot.press(KeyCode.ALT, KeyCode.DOWN).release(KeyCode.DOWN, KeyCode.ALT);
    settle();
    assertThat(rule())
        .isEqualTo(
            "Style:SKA|ELC|GAR|SYN Pace:LAP|SPR"
                + " not (bpm:105..150 or code:TRN or crate:\"Pairs only\")");
    assertThat(Rule.lines(fastLaps().rule())).hasSize(5);
  }

  @Test
  void aRuleIsPastedAsTextAndRefusedWithAPlace() {
    press("rule-form");
    TextArea area = (TextArea) lookup("#rule-text");
    assertThat(area.getText()).isEqualTo(rule());
    fx(() -> area.setText("year:1980..1989 (beat:90..100 or"));
    assertThat(((Label) lookup("#rule-text-wrong")).getText()).contains("33");
    press("rule-use-text");
    assertThat(rule()).contains("Style");
    fx(() -> area.setText("year:1980..1989 beat:90..100"));
    press("rule-use-text");
    settle();
    assertThat(rule()).isEqualTo("year:1980..1989 beat:90..100");
    press("rule-form");
    assertThat(lookupAll(".line-row")).hasSize(2);
  }

  @Test
  void aCrateIsSortedCutAndDrawn() {
    ComboBox<?> field = (ComboBox<?>) lookup("#order-field-0");
    fx(() -> chooseText(field, "year"));
    settle();
    press("order-way-0");
    settle();
    TextField amount = (TextField) lookup("#limit-amount");
    fx(amount::requestFocus);
    fx(() -> amount.setText("3"));
    key(KeyCode.ENTER);
    settle();
    assertThat(pane().rows()).hasSize(3);
    List<Integer> years =
        pane().rows().stream().map(id -> now().value(id, Fields.YEAR).orElse(0)).toList();
    assertThat(years).isSortedAccordingTo(java.util.Comparator.reverseOrder());
    ComboBox<?> pick = (ComboBox<?>) lookup("#limit-pick");
    fx(() -> pick.getSelectionModel().select(1));
    settle();
    assertThat(fastLaps().limit().draw()).isPositive();
    assertThat(pane().rows()).hasSize(3);
    CheckBox resting = (CheckBox) lookup("#order-resting");
    fx(resting::fire);
    settle();
    assertThat(fastLaps().resting()).isTrue();
  }

  @SuppressWarnings("unchecked")
  private static void chooseText(ComboBox<?> box, String text) {
    ((ComboBox<String>) box).setValue(text);
  }

  @Test
  void aShelfShowsItsUnionAndWhatIsNeverPlayedStaysOut() {
    row(0);
    Shelf shelf = shelves().shelf("Rink nights").orElseThrow().shelf();
    assertThat(pane().rows()).hasSize(collection.contents().union(shelf).getCardinality());
    String artist =
        pane().rows().stream()
            .map(id -> now().raw(id, Fields.ARTIST))
            .filter(a -> !a.isBlank())
            .findFirst()
            .orElseThrow();
    int before = pane().rows().size();
    TextField more = (TextField) lookup("#never-more");
    fx(() -> more.setText(artist));
    press("never-add");
    settle();
    assertThat(pane().rows()).hasSizeLessThan(before);
    assertThat(shelves().shelf("Rink nights").orElseThrow().shelf().never().lines()).hasSize(1);
    fx(() -> more.setText("nofield:x"));
    press("never-add");
    assertThat(text("told")).contains("no field or facet");
    Button allow = (Button) lookup(".never-chip .button");
    fx(allow::fire);
    settle();
    assertThat(pane().rows()).hasSize(before);
  }

  @Test
  void aHandCrateSaysWhatTheShelfKeepsOutOfIt() {
    row(list().getItems().size() - 1);
    List<Integer> held = List.copyOf(pane().rows());
    int banned = held.getFirst();
    Crates before = shelves();
    Crates after = before.withShelf("Loose crates", s -> s.with(s.never().plus(List.of(banned))));
    fx(() -> workspace.apply(new Change("bans", true, List.of(new Edit.SetCrates(before, after)))));
    settle();
    assertThat(pane().rows()).hasSize(held.size() - 1).doesNotContain(banned);
    assertThat(lookupAll(".second").stream().map(n -> ((Label) n).getText()))
        .anyMatch(t -> t.contains("1 track stays out: never played"));
    assertThat(((Crate.HandCrate) shelves().crate("Lantern parade").orElseThrow()).tracks())
        .contains(banned);
  }

  @Test
  void cratesMoveByKeysAcrossShelves() {
    row(4);
    assertThat(list().getItems().get(4).toString()).contains("Ice break");
    fx(() -> list().requestFocus());
    robot.press(KeyCode.ALT, KeyCode.DOWN).release(KeyCode.DOWN, KeyCode.ALT);
    settle();
    assertThat(shelves().shelfOf("Ice break").orElseThrow().path()).hasToString("Night ferry");
    assertThat(shelves().shelf("Night ferry").orElseThrow().shelf().crates().getFirst().name())
        .isEqualTo("Ice break");
    robot.press(KeyCode.ALT, KeyCode.UP).release(KeyCode.UP, KeyCode.ALT);
    settle();
    assertThat(shelves().shelf("Rink nights").orElseThrow().shelf().crates().getLast().name())
        .isEqualTo("Ice break");
    assertThat(text("told")).contains("Ice break");
  }

  private void row(String name) {
    for (int i = 0; i < list().getItems().size(); i++) {
      if (list().getItems().get(i).toString().contains(name)) {
        row(i);
        return;
      }
    }
    throw new AssertionError("no row " + name + " in " + list().getItems());
  }

  @Test
  void shelvesStandInShelvesByKeysAloneAndFoldAway() {
    row(0);
    menu("crates-add", "crates-addShelfIn");
    answer("Friday");
    assertThat(text("list-title-crate")).isEqualTo("Rink nights/Friday");
    fx(() -> list().requestFocus());
    key(KeyCode.ALT, KeyCode.LEFT);
    settle();
    assertThat(shelves().shelf("/Friday")).as("out of the shelf above").isPresent();
    key(KeyCode.ALT, KeyCode.RIGHT);
    settle();
    assertThat(shelves().shelf("Rink nights/Friday")).as("in again").isPresent();
    row("crate=Ice break");
    fx(() -> list().requestFocus());
    key(KeyCode.ALT, KeyCode.DOWN);
    settle();
    assertThat(shelves().shelfOf("Ice break").orElseThrow().path())
        .hasToString("Rink nights/Friday");
    int rows = list().getItems().size();
    key(KeyCode.LEFT);
    settle();
    key(KeyCode.LEFT);
    settle();
    assertThat(list().getItems()).hasSize(rows - 1);
    assertThat(text("list-title-crate")).isEqualTo("Rink nights/Friday");
    assertThat(pane().rows()).isNotEmpty();
    key(KeyCode.RIGHT);
    settle();
    assertThat(list().getItems()).hasSize(rows);
    row(0);
    TextField more = (TextField) lookup("#never-more");
    fx(() -> more.setText("title:a"));
    press("never-add");
    settle();
    row("crate=, count=1");
    assertThat(text("never-inherited")).contains("From the shelves above: 1 more");
    key(KeyCode.CONTROL, KeyCode.Z);
    settle();
    key(KeyCode.CONTROL, KeyCode.Z);
    settle();
    assertThat(shelves().shelfOf("Ice break").orElseThrow().path()).hasToString("Rink nights");
  }

  @Test
  void whyNotSpeaksToTheLeafAndNearlyInAreListed() {
    int id = collection.contents().explanation(fastLaps()).nearlyIn(2).first();
    fx(() -> workspace.chosen().set(id));
    settle();
    assertThat(lookup("#why .heading")).isInstanceOf(Label.class);
    assertThat(((Label) lookup("#why .heading")).getText()).isEqualTo("Why not here?");
    assertThat(lookupAll("#why .why-line")).hasSize(5);
    assertThat(lookupAll("#why .why-line .hole").stream().map(n -> ((Label) n).getText()).toList())
        .singleElement()
        .asString()
        .startsWith("it has ");
    await(() -> lookup("#nearly-in .nearly") != null);
  }

  @Test
  void manyCratesAreSeenBeforeTheyAreMade() {
    fx(() -> ((CratesView) shell.inView()).showBuild());
    ComboBox<?> kind = (ComboBox<?>) lookup("#build-kind");
    int before = shelves().all().size();
    fx(() -> kind.getSelectionModel().select(1));
    int planned = ((ListView<?>) lookup("#build-preview")).getItems().size();
    assertThat(planned).isPositive();
    assertThat(shelves().all()).hasSize(before);
    press("build-make");
    settle();
    assertThat(shelves().all()).hasSize(before + planned);
    assertThat(((ListView<?>) lookup("#build-preview")).getItems()).isEmpty();
    assertThat(lookup("#build-make").isDisabled()).isTrue();
  }

  @Test
  void aShelfIsSentOutWithItsMusicOnce() throws Exception {
    row(0);
    press("crates-sendOut");
    fx(() -> ((RadioButton) lookup("#send-out-copies")).fire());
    fx(() -> ((TextField) lookup("#send-out-folder")).setText(out.toString()));
    press("send-out-write");
    await(() -> lookup("#send-out .whole") != null);
    assertThat(out.resolve("Fast laps.m3u8")).exists();
    long files;
    try (var copies = Files.list(out.resolve("Music"))) {
      files = copies.count();
    }
    assertThat(files).isGreaterThan(1);
    press("send-out-write");
    await(
        () ->
            lookupAll("#send-out .second").stream()
                .anyMatch(n -> n instanceof Label l && l.getText().startsWith("No file copied")));
  }

  @Test
  void theIdleOnesAreListedAlone() {
    int heard = collection.contents().list(fastLaps()).getFirst();
    fx(() -> workspace.apply(Plays.onNight(now(), List.of(heard), LocalDate.of(2026, 3, 7))));
    settle();
    int all = list().getItems().size();
    press("idle-crates");
    assertThat(list().getItems()).hasSizeLessThan(all);
    press("idle-crates");
    assertThat(list().getItems()).hasSize(all);
  }
}
