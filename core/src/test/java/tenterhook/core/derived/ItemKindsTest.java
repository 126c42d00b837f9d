package tenterhook.core.derived;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.arrival.Arrivals;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.ItemKinds;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.crate.RuleExplanation.Matter;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.standing.StandingList;
import tenterhook.core.track.Cell;
import tenterhook.core.track.ItemKind;
import tenterhook.core.track.Snapshot;
import tenterhook.core.weave.Weave;
import tenterhook.core.weave.WeaveBy;

class ItemKindsTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 28);
  private static final Codebook BOOK = Tracks.BOOK.with(ItemKinds.DEFAULT);
  private static final Snapshot MIXED =
      kinds(
          Tracks.none()
              .with("title=Drift", "duration=200", "artist=Pewter Wren", "comment=/SKA/")
              .with("title=Night Ferry Mix", "duration=3600", "comment=/SKA/")
              .with("title=Bell Loop 3", "duration=8", "comment=/SKA/")
              .with("title=Loop the Pier", "duration=190", "comment=/SKA/")
              .with("title=Count-in (DJ Tool)", "duration=70", "comment=/SKA/")
              .with("title=Horn", "duration=3", "genre=dj-tools", "state=lost", "comment=/SKA/")
              .snapshot(),
          BOOK);

  private static Snapshot kinds(Snapshot snapshot, Codebook book) {
    return Derived.refreshed(snapshot, book, snapshot.known());
  }

  private static Crate.RuleCrate crate(String name, String rule) {
    return FindParser.parse(rule, BOOK) instanceof Parsed.Good good
        ? new Crate.RuleCrate(name, Rule.of(good.query()))
        : null;
  }

  private static CrateContents contents(Crate... crates) {
    Crates all = Crates.NONE;
    for (Crate crate : crates) {
      all = all.plus("Rink", crate);
    }
    return new CrateContents(MIXED, BOOK, all, TODAY);
  }

  @ParameterizedTest
  @CsvSource({"1,track", "2,mix", "3,loop", "4,track", "5,tool", "6,tool"})
  void lengthWordsAndGenreTellWhatAnItemIs(int id, String kind) {
    assertThat(MIXED.raw(id, Fields.KIND)).isEqualTo(kind);
    assertThat(contents().finder().find(parsed("kind:" + kind)).contains(id)).isTrue();
  }

  private static tenterhook.core.find.Query parsed(String text) {
    return ((Parsed.Good) FindParser.parse(text, BOOK)).query();
  }

  @Test
  void onlyTracksHaveHolesAndEveryItemMayLackItsFile() {
    Weave weave = Weave.of(MIXED, BOOK, WeaveBy.FOLDER);
    List<String> keys = weave.columns().stream().map(c -> c.key()).toList();
    assertThat(weave.total().tracks()).isEqualTo(6);
    assertThat(weave.total().holes().get(keys.indexOf("artist"))).isEqualTo(1);
    assertThat(weave.holes(weave.columns().get(keys.indexOf("artist")))).isEqualTo(Tracks.ids(4));
    assertThat(weave.total().holes().get(keys.indexOf("present"))).isEqualTo(1);
    assertThat(Arrivals.open(MIXED, BOOK, Arrivals.demandedAtFirst(BOOK)))
        .isEqualTo(Tracks.ids(1, 4));
  }

  @Test
  void ruleCratesTakeTracksUnlessTheyAskForAKind() {
    Crate.RuleCrate plain = crate("Ska", "code:SKA");
    Crate hand = new Crate.HandCrate("By hand", List.of(2, 3));
    CrateContents contents =
        contents(
            plain, crate("Mixes", "code:SKA kind:mix"), crate("No loops", "not kind:loop"), hand);
    assertThat(contents.members("Ska")).contains(Tracks.ids(1, 4));
    assertThat(contents.members("Mixes")).contains(Tracks.ids(2));
    assertThat(contents.members("No loops")).contains(Tracks.ids(1, 2, 4, 5, 6));
    assertThat(contents.members("By hand")).contains(Tracks.ids(2, 3));
    assertThat(contents(hand).inNone()).isEqualTo(Tracks.ids(1, 4));
    assertThat(contents.explanation(plain).choosable()).isEqualTo(2);
    assertThat(contents.explanation(plain).why(2).getFirst().matter()).isEqualTo(Matter.KIND);
    assertThat(contents.explanation(plain).why(2).getFirst().has()).isEqualTo("mix");
    assertThat(contents.explanation(plain).in(2)).isFalse();
    assertThat(contents.explanation(plain).in(1)).isTrue();
  }

  @Test
  void mixesLoopsAndToolsHaveListsOfTheirOwn() {
    assertThat(StandingList.LONG_MIXES.tracks(MIXED, contents())).containsExactly(2);
    assertThat(StandingList.LOOPS_AND_TOOLS.tracks(MIXED, contents()))
        .containsExactlyInAnyOrder(3, 5, 6);
  }

  @Test
  void aRuleOfTheDjsOwnIsOneChange() {
    Change change = CodebookEdits.kind(BOOK, ItemKind.TOOL, "code:SKA duration:..60");
    Codebook after = ((Edit.SetCodebook) change.edits().getFirst()).after();
    Snapshot now = kinds(MIXED, after);
    assertThat(ItemKind.allOthers(now)).isEqualTo(Tracks.ids(2, 3, 6));
    assertThat(now.raw(5, Fields.KIND)).isEqualTo("track");
    Change none = CodebookEdits.kind(after, ItemKind.MIX, " ");
    assertThat(((Edit.SetCodebook) none.edits().getFirst()).after().kinds().rules())
        .doesNotContainKey(ItemKind.MIX);
  }

  @ParameterizedTest
  @ValueSource(strings = {"duration:", "crate:Ska", "title:a or not shelf:Rink", "kind:mix"})
  void aRuleThatCannotBeReadOrLeadsInACircleIsRefused(String rule) {
    assertThatThrownBy(() -> CodebookEdits.kind(BOOK, ItemKind.MIX, rule))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> CodebookEdits.kind(BOOK, ItemKind.TRACK, "title:a"))
        .hasMessageContaining("track");
  }

  @Seeded
  void theFirstRuleThatHoldsDecidesWhateverChanges(long block) {
    Seeds.each(
        block,
        200,
        random -> {
          Codebook book =
              Tracks.BOOK.with(
                  new ItemKinds(
                      Map.of(
                          ItemKind.MIX, "duration:60..",
                          ItemKind.LOOP, "code:TRN or title:loop",
                          ItemKind.TOOL, "duration:..10 not missing:year")));
          Tracks some = Tracks.none();
          for (int i = 0; i < 12; i++) {
            some.with("title=Drift");
          }
          Snapshot now = kinds(some.snapshot(), book);
          Weave weave = Weave.of(now, book, WeaveBy.FOLDER);
          for (int step = 0; step < 5; step++) {
            RoaringBitmap changed = new RoaringBitmap();
            now = Derived.refreshed(now.with(cells(random, changed)), book, changed);
            weave = weave.after(now, changed);
            for (int id = 1; id <= 12; id++) {
              assertThat(now.raw(id, Fields.KIND)).isEqualTo(byHand(now, id));
            }
            assertThat(weave.rows()).isEqualTo(Weave.of(now, book, WeaveBy.FOLDER).rows());
          }
        });
  }

  private static List<Cell> cells(Random random, RoaringBitmap changed) {
    List<Cell> cells = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      int id = 1 + random.nextInt(12);
      changed.add(id);
      cells.add(
          switch (random.nextInt(4)) {
            case 0 -> new Cell(id, Fields.DURATION, Seeds.any(random, "", "7", "30", "90"));
            case 1 -> new Cell(id, Fields.TITLE, Seeds.any(random, "Drift", "Bell loop"));
            case 2 -> new Cell(id, Fields.COMMENT, Seeds.any(random, "", "/TRN/", "/SKA/"));
            default -> new Cell(id, Fields.YEAR, Seeds.any(random, "", "1987"));
          });
    }
    return cells;
  }

  private static String byHand(Snapshot now, int id) {
    double length = now.value(id, Fields.DURATION).orElse(Double.NaN);
    if (length >= 60) {
      return "mix";
    }
    if (now.raw(id, Fields.COMMENT).contains("TRN") || now.raw(id, Fields.TITLE).contains("loop")) {
      return "loop";
    }
    return length <= 10 && !now.raw(id, Fields.YEAR).isEmpty() ? "tool" : "track";
  }
}
