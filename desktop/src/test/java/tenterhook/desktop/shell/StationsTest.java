package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.Playlists;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.crate.Crate;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.lost.LostFinder;
import tenterhook.core.weave.Weave;
import tenterhook.core.weave.WeaveBy;
import tenterhook.core.weave.WeaveColumn;
import tenterhook.desktop.code.CodingModel;
import tenterhook.desktop.code.CodingView;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.TrackList;

/** Every station on the demo, driven by what a DJ does. */
class StationsTest extends WindowTest {
  @Test
  void theWeaveSaysHowWholeTheCollectionIs() {
    assertThat(text("weave-title")).contains(now().count() + " tracks").contains("% whole");
    HBox first = (HBox) lookup(".step");
    assertThat(first).isNotNull();
  }

  @Test
  void aHoleOpensExactlyItsTracks() {
    Weave weave = Weave.of(now(), collection.state().codebook(), WeaveBy.FOLDER);
    WeaveColumn year =
        weave.columns().stream().filter(c -> c.key().equals("year")).findFirst().orElseThrow();
    int at = weave.columns().indexOf(year);
    Weave.Row row =
        weave.rows().stream()
            .filter(r -> r.holes().get(at) > 0 && r.group().indexOf(' ') < 0)
            .findFirst()
            .orElseThrow();
    Node cell = lookup("#cell-" + row.group() + "-year");
    robot.clickOn(cell);
    events();
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
    if (lookup("#weave-title") == null) {
      key(KeyCode.ESCAPE); // the first one closed the edit panel
    }
    assertThat(lookup("#weave-title")).isNotNull();
  }

  @Test
  void rowsMayBeGenres() {
    chooseIn("weave-by", 1);
    ListView<?> rows = (ListView<?>) lookup("#weave-rows");
    assertThat(rows.getItems())
        .hasSameSizeAs(Weave.of(now(), collection.state().codebook(), WeaveBy.GENRE).rows());
    chooseIn("weave-by", 0);
  }

  @Test
  void stationsAreReachedByKeys() {
    for (int i = 0; i < Station.values().length; i++) {
      station(Station.values()[i]);
      ToggleButton button =
          (ToggleButton)
              lookup("#station-" + Station.values()[i].name().toLowerCase(java.util.Locale.ROOT));
      assertThat(button.isSelected()).as(button.getId()).isTrue();
    }
  }

  @Test
  void threeTracksAreCodedAndACrateFills() throws Exception {
    Crate pairs = collection.state().crates().crate("Pairs only").orElseThrow();
    int before = collection.contents().count(pairs);
    RoaringBitmap open =
        now()
            .tracks(
                id ->
                    !now().lost(id)
                        && now().value(id, Fields.CODES).orElse(List.of()).stream()
                            .noneMatch(
                                List.of("DRS", "PAI", "ICE", "FIN", "DEK", "LNG")::contains));
    fx(() -> shell.code(TrackList.of("no moment", open.limit(5))));
    ListView<?> queue = (ListView<?>) lookup("#queue-tracks");
    fx(() -> queue.getSelectionModel().selectRange(0, 3));
    List<Integer> ids =
        queue.getSelectionModel().getSelectedItems().stream().map(Integer.class::cast).toList();
    robot.write(CodingModel.keys(collection.state().codebook()).get("PAI"));
    settle();
    assertThat(ids).allMatch(id -> now().value(id, Fields.CODES).orElse(List.of()).contains("PAI"));
    assertThat(TagFiles.read(collection.state().path(ids.getFirst())).raw(Fields.COMMENT))
        .contains("/PAI/");
    assertThat(text("written")).contains("/PAI/");
    station(Station.CRATES);
    assertThat(collection.contents().count(pairs)).isEqualTo(before + 3);
    int loose = collection.contents().inNone().getCardinality();
    assertThat(text("in-none")).isEqualTo(loose + " tracks are in no crate");
    assertThat(ids).noneMatch(id -> collection.contents().inNone().contains(id));
    ListView<?> crates = (ListView<?>) lookup("#crates");
    assertThat(crates.getItems().toString()).contains("crate=Pairs only, count=" + (before + 3));
    Path list = folder.resolve("pairs.m3u8");
    Playlists.export(collection, pairs, list, PlaylistFile.Paths.from(list));
    assertThat(PlaylistFile.read(list).entries())
        .extracting(e -> e.file().orElseThrow())
        .contains(collection.state().path(ids.getFirst()))
        .allMatch(Files::exists);
  }

  @Test
  void aCodeIsAddedToTheCodebookAndAStrayMended() {
    station(Station.CODING);
    chooseIn("coding-choice", 1);
    press("add-code-Style");
    fx(() -> ((TextField) lookup("#answer-text")).setText("WLD world"));
    press("answer");
    settle();
    assertThat(collection.state().codebook().known("WLD")).isPresent();
    assertThat(lookup("#entry-WLD")).isNotNull();
    chooseIn("coding-choice", 2);
    assertThat(lookup("#strays").lookupAll(".stray").stream().map(n -> ((Label) n).getText()))
        .doesNotContain("WLD");
    chooseIn("coding-choice", 0);
  }

  @Test
  void aTakenFacetNameIsRefusedInWords() {
    station(Station.CODING);
    chooseIn("coding-choice", 1);
    press("add-facet");
    fx(() -> ((TextField) lookup("#answer-text")).setText("Year"));
    press("answer");
    assertThat(text("told")).contains("name of a field");
    chooseIn("coding-choice", 0);
  }

  @Test
  void aFolderThatMovedIsClosedByOneDecision() {
    int lost = LostFinder.lost(now()).getCardinality();
    station(Station.LOST);
    ListView<?> folders = (ListView<?>) lookup("#lost-folders");
    int moved =
        IntStream.range(0, folders.getItems().size())
            .filter(i -> folders.getItems().get(i).getClass().getSimpleName().equals("LostFolder"))
            .findFirst()
            .orElseThrow();
    fx(() -> folders.getSelectionModel().select(moved));
    press("lost-look");
    await(() -> lookup("#lost-decisions .primary") != null);
    Button close = (Button) lookup("#lost-decisions .primary");
    int closes = Integer.parseInt(close.getText().replaceAll("\\D", ""));
    fx(close::fire);
    settle();
    assertThat(LostFinder.lost(now()).getCardinality()).isEqualTo(lost - closes);
  }

  @Test
  void arrivalsAreTracksThatAreNotYetWhole() {
    station(Station.ARRIVALS);
    settle();
    assertThat(pane().rows()).isNotEmpty();
    int waiting =
        ((Label)
                    ((HBox) ((ToggleButton) lookup("#station-arrivals")).getGraphic())
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
    station(Station.CRATES);
    Crate.RuleCrate before =
        (Crate.RuleCrate) collection.state().crates().crate("Doors open").orElseThrow();
    ListView<?> crates = (ListView<?>) lookup("#crates");
    fx(() -> crates.getSelectionModel().select(1));
    press("add-line");
    settle();
    Crate.RuleCrate after =
        (Crate.RuleCrate) collection.state().crates().crate("Doors open").orElseThrow();
    assertThat(after.rule().parts()).hasSize(before.rule().parts().size() + 1);
    assertThat(lookupAll(".line-row")).hasSize(after.rule().parts().size());
  }

  @Test
  void coverageOpensAPlaceAndTicksMakeCrates() {
    station(Station.CRATES);
    press("coverage-open");
    settle();
    Button cell = (Button) lookup("#cell-80S-SKA");
    int count = Integer.parseInt(cell.getText());
    CheckBox tick = (CheckBox) lookup("#tick-80S-SKA");
    fx(tick::fire);
    RoaringBitmap any = now().tracks(i -> !now().lost(i)).limit(1);
    fx(() -> workspace.apply(TrackEdits.set(now(), any, Map.of(Fields.COMPOSER, "elsewhere"))));
    settle();
    press("coverage-make");
    settle();
    Crate made = collection.state().crates().crate("eighties, ska").orElseThrow();
    assertThat(collection.contents().members(made.name()).orElseThrow().getCardinality())
        .isGreaterThanOrEqualTo(count);
    press("coverage-one-each");
    settle();
    int crates = collection.state().crates().all().size();
    press("coverage-one-each");
    settle();
    assertThat(collection.state().crates().all()).hasSize(crates);
    assertThat(text("told")).contains("there already");
    fx(() -> ((Button) lookup("#cell-80S-SKA")).fire());
    assertThat(pane().rows()).hasSize(count);
  }

  @Test
  void straysAreAdoptedIgnoredAndMendedTogether() {
    station(Station.CODING);
    chooseIn("coding-choice", 2);
    settle();
    MenuButton more = (MenuButton) lookup("#stray-WLD");
    Menu adopt = (Menu) more.getItems().get(1);
    fx(() -> adopt.getItems().getFirst().fire());
    settle();
    assertThat(collection.state().codebook().known("WLD")).isPresent();
    assertThat(lookup("#stray-WLD")).isNull();
    press("strays-all");
    press("answer");
    settle();
    assertThat(CodebookEdits.strays(now()).values())
        .as("only files that are gone keep theirs")
        .allSatisfy(ids -> ids.forEach((int id) -> assertThat(now().lost(id)).isTrue()));
    fx(() -> workspace.undo());
    settle();
    String stray = CodebookEdits.strays(now()).keySet().iterator().next();
    fx(() -> ((MenuButton) lookup("#stray-" + stray)).getItems().get(2).fire());
    settle();
    assertThat(collection.state().codebook().ignored()).containsExactly(stray);
    assertThat(CodebookEdits.strays(now())).doesNotContainKey(stray);
    chooseIn("coding-choice", 0);
  }

  @Test
  void wordsInAnotherFieldAreBroughtOverWithAPreview() {
    RoaringBitmap some = now().tracks(i -> !now().lost(i)).limit(3);
    fx(() -> workspace.apply(TrackEdits.set(now(), some, Map.of(Fields.COMPOSER, "ska, keep me"))));
    settle();
    station(Station.CODING);
    fx(() -> ((CodingView) shell.inView()).bringOver());
    settle();
    ComboBox<?> from = (ComboBox<?>) lookup("#bring-field");
    fx(() -> from.getSelectionModel().select(from.getItems().indexOf("composer")));
    settle();
    assertThat(text("bring-go")).isEqualTo("Bring over on 3 tracks");
    assertThat(text("bring-preview")).contains("ska, keep me → keep me");
    press("bring-go");
    settle();
    some.forEach(
        (int id) -> {
          assertThat(now().value(id, Fields.CODES).orElseThrow()).contains("SKA");
          assertThat(now().raw(id, Fields.COMPOSER)).isEqualTo("keep me");
        });
    chooseIn("coding-choice", 0);
  }

  @Test
  void theNotationIsChangedAfterALookAtItsText() {
    station(Station.CODING);
    chooseIn("coding-choice", 1);
    settle();
    ComboBox<?> styles = (ComboBox<?>) lookup("#notation-style");
    assertThat(styles.getItems().toString()).contains("own words /80S/SKA/");
    fx(() -> styles.getSelectionModel().select(1));
    settle();
    press("answer");
    settle();
    int id = now().tracks(i -> !now().lost(i) && now().value(i, Fields.CODES).isPresent()).first();
    assertThat(now().raw(id, Fields.COMMENT)).contains("~");
    fx(() -> workspace.undo());
    settle();
    assertThat(now().raw(id, Fields.COMMENT)).doesNotContain("~");
    chooseIn("coding-choice", 0);
  }
}
