package tenterhook.core.crate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.ItemKinds;
import tenterhook.core.crate.RuleExplanation.ExplainedLine;
import tenterhook.core.crate.RuleExplanation.LineEffect;
import tenterhook.core.crate.RuleExplanation.Matter;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.find.Query;
import tenterhook.core.track.Cell;
import tenterhook.core.track.ItemKind;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackOrder;

class CratesTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);

  private final Snapshot snapshot =
      Tracks.none()
          .with("artist=B", "year=1987", "bpm=120", "comment=/80S/SKA/")
          .with("artist=A", "year=1988", "bpm=130", "comment=/80S/ELC/")
          .with("artist=C", "year=1994", "bpm=125", "comment=/90S/SKA/")
          .with("artist=D", "year=1994", "bpm=125", "comment=/90S/SKA/TRN/")
          .with("artist=E", "year=1994", "bpm=125", "comment=/90S/SKA/", "resting=yes")
          .snapshot();

  private static Rule.Line line(String text) {
    Query query = ((Parsed.Good) FindParser.parse(text, Tracks.BOOK)).query();
    return (Rule.Line) Rule.of(query).parts().getFirst();
  }

  private static Rule.RuleGroup all(Rule... parts) {
    return new Rule.RuleGroup(Rule.Kind.ALL, List.of(parts));
  }

  private static Rule.RuleGroup none(Rule... parts) {
    return new Rule.RuleGroup(Rule.Kind.NONE, List.of(parts));
  }

  private static Crate rule(String name, Rule... parts) {
    return new Crate.RuleCrate(name, all(parts));
  }

  private CrateContents contents(Crates crates) {
    return new CrateContents(snapshot, Tracks.BOOK, crates, TODAY);
  }

  private RuleExplanation explanation(Rule.RuleGroup rule) {
    return contents(Crates.NONE).explanation(new Crate.RuleCrate("x", rule));
  }

  @Test
  void aRuleCrateFillsItselfAndLeavesRestingTracksOut() {
    Crates crates =
        Crates.NONE.plus("Rink", rule("Ska", line("Style:SKA"), none(line("code:TRN"))));
    assertThat(contents(crates).members("ska")).contains(Tracks.ids(1, 3));
  }

  @Test
  void anEmptyRuleHoldsEverythingAwake() {
    Crates crates = Crates.NONE.plus("Rink", rule("All"));
    assertThat(contents(crates).members("All")).contains(Tracks.ids(1, 2, 3, 4));
  }

  @Test
  void groupsNestToAnyDepth() {
    Rule.RuleGroup any =
        new Rule.RuleGroup(
            Rule.Kind.ANY,
            List.of(line("year:1987"), all(line("year:1994"), none(line("code:TRN")))));
    Crates crates = Crates.NONE.plus("Rink", rule("Deep", any));
    assertThat(contents(crates).members("Deep")).contains(Tracks.ids(1, 3));
  }

  @Test
  void anEmptyGroupAsksForNothing() {
    Rule.RuleGroup empty = new Rule.RuleGroup(Rule.Kind.ANY, List.of());
    Crates crates = Crates.NONE.plus("Rink", rule("X", line("year:1987"), empty, none()));
    assertThat(contents(crates).members("X")).contains(Tracks.ids(1));
  }

  @Test
  void aHandCrateKeepsItsOrderAndLeavesOutWhatIsGone() {
    Crates crates = Crates.NONE.plus("Loose", new Crate.HandCrate("Hand", List.of(3, 1, 99)));
    assertThat(contents(crates).list(crates.crate("Hand").orElseThrow())).containsExactly(3, 1);
    assertThat(contents(crates).count(crates.crate("Hand").orElseThrow())).isEqualTo(2);
  }

  @Test
  void tracksOfAHandCrateMoveTogetherAndMoreComeAtItsEnd() {
    Crate.HandCrate hand = new Crate.HandCrate("Hand", List.of(5, 3, 1, 4));
    assertThat(hand.moved(Set.of(4, 3), 5).tracks()).containsExactly(3, 4, 5, 1);
    assertThat(hand.moved(Set.of(5), 0).tracks()).containsExactly(3, 1, 4, 5);
    assertThat(hand.moved(Set.of(5, 3), 3).tracks())
        .as("before itself")
        .containsExactly(1, 4, 5, 3);
    assertThat(hand.moved(Set.of(), 3)).isEqualTo(hand);
    assertThat(hand.plus(List.of(1, 9, 9)).tracks()).containsExactly(5, 3, 1, 4, 9);
  }

  @Test
  void aRuleCrateIsSortedAndCut() {
    Crate crate =
        new Crate.RuleCrate("Fast", all(line("bpm:120..")))
            .sorted(List.of(new TrackOrder.Key("bpm", true)))
            .with(Limit.tracks(2));
    Crates crates = Crates.NONE.plus("Rink", crate);
    assertThat(contents(crates).list(crate)).containsExactly(2, 3);
    assertThat(contents(crates).count(crate)).isEqualTo(2);
  }

  @Test
  void cratesMayBeBuiltOnCrates() {
    Crates crates =
        Crates.NONE
            .plus("Rink", rule("Ska", line("Style:SKA")))
            .plus("Rink", rule("Old ska", line("crate:Ska"), line("year:..1990")));
    assertThat(contents(crates).members("Old ska")).contains(Tracks.ids(1));
    assertThat(crates.usersOf("ska")).containsExactly("Old ska");
  }

  @Test
  void aCircleIsRefusedWithItsPath() {
    Crates crates =
        Crates.NONE
            .plus("Rink", rule("A", line("crate:B")))
            .plus("Rink", rule("B", line("crate:C")));
    assertThatThrownBy(() -> crates.plus("Rink", rule("C", line("crate:A"))))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("A → B → C → A");
  }

  @Test
  void aCrateOnItselfIsACircle() {
    assertThatThrownBy(() -> Crates.NONE.plus("Rink", rule("A", line("crate:a"))))
        .hasMessageContaining("A → A");
  }

  @Test
  void namesAreUnique() {
    Crates crates = Crates.NONE.plus("Rink", rule("A"));
    assertThatThrownBy(() -> crates.plus("Ferry", rule("a"))).hasMessageContaining("'a' already");
    assertThatThrownBy(() -> crates.plusShelf("rink")).hasMessageContaining("'rink' already");
    assertThatThrownBy(() -> rule(" ")).hasMessageContaining("needs a name");
  }

  @Test
  void renamingIsFollowedByRulesThatAskForIt() {
    Crates crates =
        Crates.NONE
            .plus("Rink", rule("Ska", line("Style:SKA")))
            .plus("Rink", rule("Old", line("crate:Ska"), line("year:..1990")))
            .renamed("Ska", "Fast ska");
    assertThat(contents(crates).members("Old")).contains(Tracks.ids(1));
    assertThat(crates.usersOf("Fast ska")).containsExactly("Old");
  }

  @Test
  void removingLeavesTheOthers() {
    Crates crates = Crates.NONE.plus("Rink", rule("A")).plus("Rink", rule("B")).minus("a");
    assertThat(crates.all()).extracting(Crate::name).containsExactly("B");
    assertThat(crates.minusShelf("RINK").all()).isEmpty();
  }

  @Test
  void everyLineIsAccountedFor() {
    Rule.RuleGroup rule = all(line("Style:SKA"), line("year:1994"), none(line("code:TRN")));
    List<LineEffect> effects = explanation(rule).lines();
    assertThat(effects).extracting(LineEffect::holdsFor).containsExactly(3, 2, 1);
    assertThat(effects).extracting(LineEffect::leftAfter).containsExactly(3, 2, 1);
    assertThat(effects).extracting(LineEffect::shutOut).containsExactly(0, 1, 1);
  }

  @Test
  void whySaysWhichLinesHold() {
    Rule.RuleGroup rule = all(line("Style:SKA"), line("year:1994"), none(line("code:TRN")));
    assertThat(explanation(rule).why(1))
        .containsExactly(
            new ExplainedLine(Matter.LINE, 0, "Style:SKA", "SKA", true),
            new ExplainedLine(Matter.LINE, 0, "year:1994", "1987", false),
            new ExplainedLine(Matter.LINE, 0, "not code:TRN", "80S SKA", true));
    assertThat(explanation(rule).why(4).getLast().holds()).isFalse();
    assertThat(explanation(rule).in(1)).isFalse();
    assertThat(explanation(rule).in(3)).isTrue();
  }

  @Test
  void tracksInNoCrateAreFound() {
    Crates crates = Crates.NONE.plus("Rink", rule("Ska", line("Style:SKA")));
    assertThat(contents(crates).inNone()).isEqualTo(Tracks.ids(2, 5));
  }

  @Test
  void conditionsNeedASubjectAndValues() {
    assertThatThrownBy(() -> new Condition(" ", new Condition.Missing()))
        .hasMessageContaining("subject");
    assertThatThrownBy(() -> new Condition.AnyOf(List.of())).hasMessageContaining("value");
    assertThatThrownBy(() -> Limit.tracks(-1)).hasMessageContaining("-1");
    assertThatThrownBy(() -> new TrackOrder.Key("tempoo", false)).hasMessageContaining("tempoo");
  }

  /** Sequences of edits by chance on rules of every kind, crates built on crates among them. */
  @Seeded
  void afterAnySequenceOfChangesTheAnswersAreTheSameAsFromNothing(long block) {
    Seeds.each(
        block,
        1000,
        random -> {
          Crates crates =
              Crates.NONE
                  .plus("Rink", rule("Upper", line("crate:Base"), line("bpm:100..")))
                  .plus("Rink", rule("Base", line("Style:SKA|ELC"), none(line("code:TRN"))))
                  .plus("Rink", rule("Both", line("crate:Hand|Upper"), line("missing:year")))
                  .plus("Rink", rule("Words", line("title:lap"), none(line("crate:Both"))))
                  .plus("Loose", new Crate.HandCrate("Hand", List.of(1, 2, 90)))
                  .plus("Ferry", rule("Beat", line("beat:50..64"), line("not shelf:Rink")))
                  .plus("Ferry", new Crate.HandCrate("Banned by hand", List.of(3, 4, 5, 6, 7, 8)))
                  .plus("Ferry", ((Crate.RuleCrate) rule("All")).resting(true))
                  .plus("Ferry", rule("Loops", line("kind:loop|mix"), line("not crate:Hand")))
                  .withShelf(
                      "Ferry",
                      s -> s.with(new NeverPlay(List.of(3, 60), List.of(line("code:SKA&ELC")))));
          Tracks many = Tracks.none();
          for (int i = 0; i < 90; i++) {
            many.with("title=" + (i % 3 == 0 ? "Last Lap" : "Deck"), "comment=" + codes(random));
          }
          Codebook book = Tracks.BOOK.with(new ItemKinds(Map.of(ItemKind.LOOP, "bpm:..95")));
          Snapshot now = Derived.refreshed(many.snapshot(), book, many.snapshot().known());
          CrateContents kept = new CrateContents(now, book, crates, TODAY);
          crates.all().forEach(kept::count);
          for (int step = 0; step < 12; step++) {
            List<Cell> cells = new ArrayList<>();
            RoaringBitmap changed = new RoaringBitmap();
            int edits = random.nextInt(4) == 0 ? 70 : 1 + random.nextInt(3);
            for (int e = 0; e < edits; e++) {
              int id = 1 + random.nextInt(90);
              changed.add(id);
              cells.add(
                  switch (random.nextInt(5)) {
                    case 0 -> new Cell(id, Fields.COMMENT, codes(random));
                    case 1 -> new Cell(id, Fields.BPM, String.valueOf(80 + random.nextInt(60)));
                    case 2 -> new Cell(id, Fields.RESTING, random.nextBoolean() ? "yes" : "");
                    case 3 -> new Cell(id, Fields.YEAR, random.nextBoolean() ? "1990" : "");
                    default ->
                        new Cell(id, Fields.LIFECYCLE, random.nextBoolean() ? "removed" : "");
                  });
            }
            now = Derived.refreshed(now.with(cells), book, changed);
            kept = kept.after(now, changed);
            CrateContents fresh = new CrateContents(now, book, crates, TODAY);
            for (Crate crate : crates.all()) {
              assertThat(kept.members(crate.name()))
                  .as(crate.name())
                  .isEqualTo(fresh.members(crate.name()));
            }
          }
        });
  }

  private static String codes(Random random) {
    return List.of("", "/SKA/", "/ELC/TRN/", "/80S/", "/SKA/ELC/").get(random.nextInt(5));
  }

  private static List<LineVerdict> verdicts(CrateContents contents, Rule.RuleGroup rule) {
    RuleExplanation explanation = contents.explanation(new Crate.RuleCrate("x", rule));
    return LineVerdict.of(rule, explanation.lines(), explanation.choosable());
  }

  @Test
  void linesThatDoNothingArePointedOut() {
    Snapshot some =
        Tracks.none()
            .with("year=1984", "bpm=120", "comment=/SKA/")
            .with("year=1985", "bpm=150", "comment=/SKA/")
            .with("year=1996", "bpm=120")
            .snapshot();
    Rule.RuleGroup rule =
        ((Crate.RuleCrate)
                rule(
                    "x",
                    line("Style:SKA"),
                    line("year:1980..1989"),
                    line("present:year"),
                    line("bpm:..130"),
                    line("genre:polka")))
            .rule();
    CrateContents contents = new CrateContents(some, Tracks.BOOK, Crates.NONE, TODAY);
    assertThat(verdicts(contents, rule))
        .containsExactly(
            LineVerdict.WORKS,
            LineVerdict.WORKS,
            LineVerdict.HOLDS_FOR_ALL,
            LineVerdict.WORKS,
            LineVerdict.HOLDS_FOR_NONE);
    Rule.RuleGroup shorter = new Rule.RuleGroup(Rule.Kind.ALL, rule.parts().subList(0, 4));
    assertThat(verdicts(contents, shorter))
        .containsExactly(
            LineVerdict.DECIDES_NOTHING,
            LineVerdict.DECIDES_NOTHING,
            LineVerdict.HOLDS_FOR_ALL,
            LineVerdict.WORKS);
    assertThat(contents.explanation(new Crate.RuleCrate("x", shorter)).nearlyIn(3))
        .isEqualTo(Tracks.ids(2));
  }

  @Test
  void coverageCountsPairsAndBuildsCratesOnce() {
    Snapshot some =
        Tracks.none()
            .with("comment=/80S/SKA/ELC/")
            .with("comment=/80S/SKA/")
            .with("comment=/90S/ELC/", "resting=yes")
            .snapshot();
    Coverage coverage = new Coverage(some, Tracks.BOOK, "era", "Style");
    assertThat(coverage.count("80S", "SKA")).isEqualTo(2);
    assertThat(coverage.tracks("80S", "ELC")).isEqualTo(Tracks.ids(1));
    assertThat(coverage.count("90S", "ELC")).isZero();
    List<Crate> made =
        Builders.crossed(coverage, List.of(new Coverage.Crossing("80S", "SKA")), "{row}, {column}");
    Crates after = Builders.added(Crates.NONE, "Era × Style", made);
    CrateContents contents = new CrateContents(some, Tracks.BOOK, after, TODAY);
    assertThat(contents.members("eighties, ska")).contains(Tracks.ids(1, 2));
    assertThat(Builders.added(after, "Elsewhere", made)).isEqualTo(after);
    assertThat(Builders.oneEach(coverage.columns(), "{code}: {meaning}"))
        .extracting(Crate::name)
        .containsExactly("SKA: ska", "ELC: electro");
    assertThatThrownBy(() -> new Coverage(some, Tracks.BOOK, "Era", "era"))
        .hasMessageContaining("itself");
  }

  @Seeded
  void afterAChangeTheAnswersAreTheSameAsFromNothing(long block) {
    Seeds.each(
        block,
        150,
        random -> {
          List<Integer> ids = Seeds.list(random, 1, 8, r -> Seeds.between(r, 1, 5));
          int what = Seeds.between(random, 0, 3);
          Seeds.halving(
              ids,
              some -> {
                Crates crates =
                    Crates.NONE
                        .plus("Rink", rule("Ska", line("Style:SKA"), none(line("code:TRN"))))
                        .plus("Rink", rule("On it", line("crate:Ska"), line("bpm:121..")))
                        .plus("Loose", new Crate.HandCrate("Hand", List.of(1, 2)));
                CrateContents before = contents(crates);
                crates.all().forEach(before::count);
                List<Cell> cells = new ArrayList<>();
                RoaringBitmap changed = new RoaringBitmap();
                for (int id : some) {
                  changed.add(id);
                  cells.add(
                      switch (what) {
                        case 0 -> new Cell(id, Fields.COMMENT, "/SKA/");
                        case 1 -> new Cell(id, Fields.BPM, "150");
                        case 2 -> new Cell(id, Fields.RESTING, "yes");
                        default -> new Cell(id, Fields.LIFECYCLE, "removed");
                      });
                }
                Snapshot after = Derived.refreshed(snapshot.with(cells), Tracks.BOOK, changed);
                CrateContents kept = before.after(after, changed);
                CrateContents fresh = new CrateContents(after, Tracks.BOOK, crates, TODAY);
                for (Crate crate : crates.all()) {
                  assertThat(kept.members(crate.name())).isEqualTo(fresh.members(crate.name()));
                }
              });
        });
  }
}
