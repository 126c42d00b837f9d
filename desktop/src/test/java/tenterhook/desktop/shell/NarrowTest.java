package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Rule;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.narrow.Narrowings;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.tracks.TracksView;
import tenterhook.desktop.workspace.Station;

/** The station Tracks and what lists are narrowed by, with keys alone and with the mouse alone. */
class NarrowTest extends WindowTest {
  private int presses;
  private int clicks;

  @BeforeEach
  void onTheWholeCollection() {
    fx(() -> shell.go(Station.TRACKS));
    fx(() -> ((TracksView) shell.inView()).showWhole());
    fx(() -> pane().narrow(Narrowings.NONE));
    fx(() -> shell.go(Station.WEAVE));
  }

  @AfterEach
  void unnarrowed() {
    fx(() -> workspace.narrowing().pin(false, Narrowings.NONE));
    fx(() -> shell.inView().tracks().ifPresent(p -> p.narrow(Narrowings.NONE)));
    List.copyOf(workspace.narrowing().named().keySet())
        .forEach(name -> fx(() -> workspace.narrowing().forget(name)));
  }

  private void push(KeyCode... keys) {
    presses++;
    robot.push(keys);
    events();
  }

  /** A word typed and taken; the letters of a word are no presses of their own. */
  private void take(String words, KeyCode... keys) {
    robot.write(words);
    events();
    push(keys);
  }

  private ListView<?> values() {
    return (ListView<?>) lookup("#narrow-values");
  }

  private Node cell(String words) {
    ListView<?> list = values();
    for (int i = 0; i < list.getItems().size(); i++) {
      if (list.getItems().get(i).toString().contains("words=" + words + ",")) {
        int at = i;
        fx(() -> list.scrollTo(Math.max(0, at - 2)));
        fx(list::layout); // else a cell that was in sight before becomes another row's
        await(() -> shown(at) != null);
        return shown(at);
      }
    }
    throw new AssertionError(words + " is not among " + list.getItems());
  }

  private Node shown(int index) {
    return lookupAll("#narrow-values .narrow-cell").stream()
        .filter(n -> ((ListCell<?>) n).getIndex() == index && !((ListCell<?>) n).isEmpty())
        .findFirst()
        .orElse(null);
  }

  private void click(Node node, MouseButton... buttons) {
    clicks++;
    robot.clickOn(node, buttons);
    events();
  }

  /** What is wished, read off the tracks one by one. */
  private RoaringBitmap wished() {
    Snapshot now = now();
    return now.tracks(
        id -> {
          int year = now.value(id, Fields.YEAR).orElse(0);
          double bpm = now.value(id, Fields.BPM).orElse(0.0);
          List<String> codes = now.value(id, Fields.CODES).orElse(List.of());
          boolean tempo = in(bpm) || in(bpm / 2) || in(bpm * 2);
          return year >= 1980
              && year <= 1989
              && (codes.contains("SKA") || codes.contains("ELC"))
              && tempo
              && !codes.contains("TRN");
        });
  }

  private static boolean in(double bpm) {
    return bpm >= 118 && bpm <= 132;
  }

  private void assertKept(String name) {
    assertThat(pane().rows().set()).isEqualTo(wished());
    assertThat(pane().rows()).isNotEmpty();
    Crate crate = collection.state().crates().crate(name).orElseThrow();
    assertThat(collection.contents().members(name).orElseThrow()).isEqualTo(wished());
    assertThat(Rule.lines(((Crate.RuleCrate) crate).rule()).stream().map(Rule.Line::text))
        .containsExactlyInAnyOrder(
            "year:1980..1989", "Style:SKA|ELC", "beat:118..132", "not Use:TRN");
  }

  /** Four tracks that are wished, one of them at half the tempo; and one that is shut out. */
  private void makeSomeWished() {
    int[] ids = now().tracks(id -> !now().lost(id)).limit(5).toArray();
    for (int i = 0; i < ids.length; i++) {
      Map<Field<?>, String> values =
          Map.of(
              Fields.YEAR, "198" + i,
              Fields.BPM, i == 0 ? "62" : "12" + i,
              Fields.COMMENT,
                  "mine /80S/" + (i % 2 == 0 ? "SKA" : "ELC") + (i == 4 ? "/TRN/" : "/"));
      RoaringBitmap one = RoaringBitmap.bitmapOf(ids[i]);
      fx(() -> workspace.command("wished", 1, s -> TrackEdits.set(s.snapshot(), one, values)));
    }
    settle();
    assertThat(wished().getCardinality()).isGreaterThanOrEqualTo(4);
  }

  @Test
  void byKeysAloneTheWholeDemoIsNarrowedAndKept() {
    makeSomeWished();
    presses = 0;
    push(KeyCode.CONTROL, KeyCode.DIGIT2);
    push(KeyCode.CONTROL, KeyCode.N);
    take("1980s", KeyCode.ENTER);
    take("ska", KeyCode.ENTER);
    take("elc", KeyCode.ENTER);
    take("118-132", KeyCode.ENTER);
    take("trn", KeyCode.CONTROL, KeyCode.ENTER);
    push(KeyCode.CONTROL, KeyCode.K);
    take("Wished by keys", KeyCode.ENTER);
    settle();
    assertThat(presses).isLessThanOrEqualTo(12);
    assertKept("Wished by keys");
  }

  @Test
  void byMouseAloneTheWholeDemoIsNarrowedAndKept() {
    makeSomeWished();
    clicks = 0;
    click(lookup("#station-tracks"));
    await(() -> !values().getItems().isEmpty());
    click(cell("SKA"));
    click(cell("ELC"));
    click(cell("TRN"), MouseButton.SECONDARY);
    click(cell("1980s"));
    dragTempo();
    if (!((CheckBox) lookup("#narrow-beat")).isSelected()) { // it stays as it was left
      await(() -> inSight("#narrow-beat"));
      click(lookup("#narrow-beat"));
    }
    assertThat(((CheckBox) lookup("#narrow-beat")).isSelected()).isTrue();
    click(lookup("#narrow-keep"));
    String name = text("answer-text");
    click(lookup("#answer"));
    settle();
    assertThat(clicks).isLessThanOrEqualTo(9);
    assertThat(name).contains("SKA or ELC").contains("not TRN");
    assertKept(name);
  }

  private boolean inSight(String id) {
    Node node = lookup(id);
    if (node == null || node.getScene() == null) {
      return false;
    }
    Bounds at = node.localToScreen(node.getBoundsInLocal());
    return values().localToScreen(values().getBoundsInLocal()).contains(at);
  }

  private void dragTempo() {
    ListView<?> list = values();
    for (int i = 0; i < list.getItems().size(); i++) {
      if (list.getItems().get(i).toString().startsWith("Tempo[")) {
        int at = i;
        fx(() -> list.scrollTo(Math.max(0, at - 2)));
      }
    }
    await(() -> inSight("#tempo-chart") && inSight("#narrow-beat"));
    Node chart = lookup("#tempo-chart");
    Bounds at = chart.localToScreen(chart.getBoundsInLocal());
    double share = at.getWidth() / 140;
    double y = at.getMinY() + 20;
    clicks++;
    robot
        .drag(new Point2D(at.getMinX() + 58 * share, y), MouseButton.PRIMARY)
        .dropTo(new Point2D(at.getMinX() + 72 * share, y));
    events();
  }

  @Test
  void aStepIsTakenOffByAClickAndTheLastByBackspace() {
    station(Station.TRACKS);
    int all = pane().rows().size();
    control(KeyCode.N);
    take("ska", KeyCode.ENTER);
    take("trn", KeyCode.CONTROL, KeyCode.ENTER);
    assertThat(lookupAll("#trail .chip")).hasSize(2);
    fx(() -> pane().table().requestFocus());
    key(KeyCode.BACK_SPACE);
    assertThat(lookupAll("#trail .chip")).hasSize(1);
    Set<Node> chips = lookupAll("#trail .chip");
    fx(() -> ((Button) chips.iterator().next()).fire());
    assertThat(pane().narrowings().isEmpty()).isTrue();
    assertThat(pane().rows()).hasSize(all);
  }

  @Test
  void aPinnedNarrowingGoesAlongToTheNextListAndAnUnpinnedOneDoesNot() {
    station(Station.TRACKS);
    control(KeyCode.N);
    take("ska", KeyCode.ENTER);
    station(Station.CRATES);
    settle();
    assertThat(pane().narrowings().isEmpty()).isTrue();
    station(Station.TRACKS);
    fx(() -> ((ToggleButton) lookup("#narrow-pin")).fire());
    ListView<?> crates = onCrates();
    fx(() -> crates.getSelectionModel().select(3));
    settle();
    assertThat(pane().narrowings().isEmpty()).isFalse();
    assertThat(pane().rows())
        .allMatch(id -> now().value(id, Fields.CODES).orElse(List.of()).contains("SKA"));
    assertThat(lookupAll("#trail .chip")).hasSize(1);
    fx(() -> pane().narrow(Narrowings.NONE));
    station(Station.TRACKS);
    assertThat(pane().narrowings().isEmpty()).as("taken off on the other list").isTrue();
    control(KeyCode.N);
    take("ska", KeyCode.ENTER);
    onCrates();
    assertThat(pane().narrowings().isEmpty()).as("the crate that was in view before").isFalse();
  }

  private ListView<?> onCrates() {
    station(Station.CRATES);
    settle();
    return (ListView<?>) lookup("#crates");
  }

  @Test
  void whatACrateHoldsIsNarrowedBesideItAndStaysSoWhenTracksChange() {
    onCrates();
    control(KeyCode.N);
    int before = pane().rows().size();
    Object value =
        values().getItems().stream()
            .filter(r -> r.toString().contains("stands=FREE") && !r.toString().contains("tracks=0"))
            .findFirst()
            .orElseThrow();
    fx(() -> values().requestFocus());
    fx(() -> values().getSelectionModel().select(values().getItems().indexOf(value)));
    key(KeyCode.MINUS);
    int narrowed = pane().rows().size();
    assertThat(narrowed).isLessThan(before);
    RoaringBitmap one = RoaringBitmap.bitmapOf(pane().rows().getFirst());
    fx(
        () ->
            workspace.command(
                "rate", 1, now -> TrackEdits.set(now.snapshot(), one, Map.of(Fields.RATING, "3"))));
    settle();
    assertThat(pane().rows()).hasSize(narrowed);
    assertThat(pane().narrowings().isEmpty()).isFalse();
    fx(() -> pane().openNarrow(false));
    assertThat(lookup("#narrow-values")).isNull();
  }

  @Test
  void aNarrowingIsKeptUnderANameAndUsedAgain() {
    station(Station.TRACKS);
    control(KeyCode.N);
    take("ska", KeyCode.ENTER);
    Narrowings ska = pane().narrowings();
    fx(() -> item("narrow-name").fire());
    fx(() -> ((TextField) lookup("#answer-text")).setText("All ska"));
    press("answer");
    settle();
    fx(() -> pane().narrow(Narrowings.NONE));
    fx(() -> menu().show());
    fx(() -> menu().hide());
    MenuItem again =
        menu().getItems().stream()
            .filter(i -> i.getText().equals("All ska"))
            .findFirst()
            .orElseThrow();
    fx(again::fire);
    assertThat(pane().narrowings()).isEqualTo(ska);
  }

  private MenuButton menu() {
    return (MenuButton) lookup("#narrow-named");
  }

  private MenuItem item(String id) {
    return menu().getItems().stream().filter(i -> id.equals(i.getId())).findFirst().orElseThrow();
  }

  @Test
  void typingShowsOnlyValuesWithTheseWords() {
    station(Station.TRACKS);
    control(KeyCode.N);
    String artist =
        now().tracks().stream()
            .mapToObj(id -> now().raw(id, Fields.ARTIST))
            .filter(a -> a.matches("[A-Za-z ]{8,}"))
            .findFirst()
            .orElseThrow();
    robot.write(artist.substring(0, 7).toLowerCase(Locale.ROOT));
    events();
    assertThat(values().getItems().toString())
        .containsIgnoringCase("words=" + artist)
        .doesNotContain("words=SKA");
    key(KeyCode.ESCAPE);
    assertThat(text("narrow-filter")).isEmpty();
    assertThat(values().getItems().toString()).contains("words=SKA");
  }

  private void not(String words) {
    robot.moveTo(cell(words)); // it shows while the mouse is over its row
    click(cell(words).lookup(".narrow-not"));
  }

  @Test
  void theWordNotShutsAValueOutAndOffLetsItGo() {
    station(Station.TRACKS);
    settle();
    not("SKA");
    assertThat(pane().narrowings().all()).hasSize(1).allMatch(n -> n.out());
    assertThat(pane().rows())
        .noneMatch(id -> now().value(id, Fields.CODES).orElse(List.of()).contains("SKA"));
    not("SKA");
    assertThat(pane().narrowings().isEmpty()).isTrue();
  }

  @Test
  void countsFollowWhatBecomesOfTracks() {
    station(Station.TRACKS);
    settle();
    int rated = now().tracks(id -> now().value(id, Fields.RATING).orElse(0) == 1).getCardinality();
    RoaringBitmap more = now().tracks(id -> now().value(id, Fields.RATING).orElse(0) != 1).limit(3);
    fx(() -> workspace.apply(TrackEdits.set(now(), more, Map.of(Fields.RATING, "1"))));
    settle();
    String counted = "words=1 of 5, note=, stands=FREE, tracks=" + (rated + 3);
    assertThat(values().getItems().toString()).contains(counted);
  }

  @Test
  void standingListsAndFoldersAreBrowsedByKeys() {
    station(Station.TRACKS);
    settle();
    ListView<?> browse = (ListView<?>) lookup("#browse");
    fx(() -> browse.requestFocus());
    select(browse, "WITHOUT_ARTWORK");
    settle();
    assertThat(pane().rows().set())
        .isEqualTo(now().tracks(id -> now().value(id, Fields.ARTWORK).isEmpty()));
    assertThat(text("list-title")).isEqualTo("Without artwork");
    select(browse, "root=music, path=]");
    settle();
    assertThat(pane().rows().set())
        .isEqualTo(now().tracks(id -> now().raw(id, Fields.ROOT).equals("music")));
    int before = browse.getItems().size();
    key(KeyCode.RIGHT);
    assertThat(browse.getItems().size()).isGreaterThan(before);
    select(browse, "path=Rink]");
    settle();
    RoaringBitmap inRink =
        now()
            .tracks(
                id ->
                    now().raw(id, Fields.FOLDER).equals("Rink")
                        || now().raw(id, Fields.FOLDER).startsWith("Rink/"));
    assertThat(pane().rows().set()).isEqualTo(inRink);
    assertThat(((Label) lookup("#list-title")).getText()).endsWith("/Rink");
  }

  /** Chooses the first row that has these words in what it opens. */
  private void select(ListView<?> browse, String words) {
    for (int i = 0; i < browse.getItems().size(); i++) {
      if (browse.getItems().get(i).toString().contains(words)) {
        int at = i;
        fx(() -> browse.getSelectionModel().select(at));
        return;
      }
    }
    throw new AssertionError(words + " is not among " + browse.getItems());
  }

  @Test
  void aListFromTheWeaveIsShownHereAndEscGoesBack() {
    press("head-year");
    assertThat(lookup("#browse")).isNotNull();
    assertThat(text("list-from")).contains("Esc");
    control(KeyCode.K);
    assertThat(text("answer-text")).isEqualTo("year missing");
    fx(() -> ((TextField) lookup("#answer-text")).setText("By hand"));
    int rows = pane().rows().size();
    press("answer");
    settle();
    assertThat(collection.state().crates().crate("By hand"))
        .get()
        .isInstanceOfSatisfying(Crate.HandCrate.class, c -> assertThat(c.tracks()).hasSize(rows));
    fx(() -> pane().table().requestFocus());
    key(KeyCode.ESCAPE);
    if (lookup("#weave-title") == null) {
      key(KeyCode.ESCAPE); // the first one took the message away
    }
    assertThat(lookup("#weave-title")).isNotNull();
    station(Station.TRACKS);
    assertThat(text("list-title")).as("its own list again").isEqualTo("All tracks");
  }
}
