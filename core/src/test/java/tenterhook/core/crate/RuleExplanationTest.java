package tenterhook.core.crate;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.crate.RuleExplanation.ExplainedLine;
import tenterhook.core.crate.RuleExplanation.LineEffect;
import tenterhook.core.crate.RuleExplanation.Matter;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.track.Snapshot;

/** What lines do and why tracks are in, held against asking the rule itself. */
class RuleExplanationTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);
  private static final List<String> RULES =
      List.of(
          "Style:SKA year:1980..1989",
          "Style:SKA|ELC not code:TRN bpm:100..",
          "(Style:SKA or year:1994) not (code:TRN or missing:bpm)",
          "year:1987 or (Style:ELC bpm:..125) or not present:year",
          "not ((Style:SKA year:1987) or code:TRN)",
          "code:SKA&80S or title:lap",
          "beat:60..65 missing:year");

  private static Crate.RuleCrate crate(String text) {
    return new Crate.RuleCrate(
        "x", Rule.of(((Parsed.Good) FindParser.parse(text, Tracks.BOOK)).query()));
  }

  private static Snapshot many(Random random) {
    Tracks tracks = Tracks.none();
    for (int i = 0; i < 60; i++) {
      tracks.with(
          "title=" + (random.nextBoolean() ? "Last Lap" : "Deck"),
          "year=" + List.of("", "1984", "1987", "1994").get(random.nextInt(4)),
          "bpm=" + List.of("", "62", "98", "124", "131").get(random.nextInt(5)),
          "resting=" + (random.nextInt(8) == 0 ? "yes" : ""),
          "comment="
              + List.of("", "/SKA/", "/80S/SKA/", "/ELC/TRN/", "/80S/ELC/").get(random.nextInt(5)));
    }
    return tracks.snapshot();
  }

  @Seeded
  void whyAndTheCrateAreOfOneMind(long block) {
    Seeds.each(
        block,
        60,
        random -> {
          Snapshot snapshot = many(random);
          for (String text : RULES) {
            Crate.RuleCrate crate = crate(text);
            CrateContents contents =
                new CrateContents(snapshot, Tracks.BOOK, Crates.NONE.plus("Rink", crate), TODAY);
            RuleExplanation explanation = contents.explanation(crate);
            RoaringBitmap members = contents.members("x").orElseThrow();
            snapshot
                .tracks()
                .forEach(
                    (int id) ->
                        assertThat(explanation.in(id))
                            .as(text + " " + id)
                            .isEqualTo(members.contains(id)));
          }
        });
  }

  @Seeded
  void countsAreThoseOfTheRuleReadDownAndWithoutEachLine(long block) {
    Seeds.each(
        block,
        40,
        random -> {
          Snapshot snapshot = many(random);
          CrateContents contents = new CrateContents(snapshot, Tracks.BOOK, Crates.NONE, TODAY);
          for (String text : RULES) {
            RuleExplanation explanation = contents.explanation(crate(text));
            List<LineEffect> lines = explanation.lines();
            int kept = contents.list(crate(text)).size();
            assertThat(lines.getLast().leftAfter()).as(text).isEqualTo(kept);
            for (int i = 0; i < lines.size(); i++) {
              assertThat(explanation.nearlyIn(i).getCardinality())
                  .as(text + " line " + i)
                  .isGreaterThanOrEqualTo(lines.get(i).shutOut());
              assertThat(lines.get(i).holdsFor()).isLessThanOrEqualTo(explanation.choosable());
            }
          }
        });
  }

  @Test
  void aGroupSaysWhetherItHoldsAndItsLinesStandBelowIt() {
    Snapshot one = Tracks.none().with("year=1994", "bpm=131", "comment=/ELC/").snapshot();
    RuleExplanation explanation =
        new CrateContents(one, Tracks.BOOK, Crates.NONE, TODAY)
            .explanation(crate("bpm:120.. (Style:SKA or year:1994) not (code:ELC or year:1987)"));
    assertThat(explanation.why(1))
        .containsExactly(
            new ExplainedLine(Matter.LINE, 0, "bpm:120..", "131.0", true),
            new ExplainedLine(Matter.ANY, 0, "", "", true),
            new ExplainedLine(Matter.LINE, 1, "Style:SKA", "ELC", false),
            new ExplainedLine(Matter.LINE, 1, "year:1994", "1994", true),
            new ExplainedLine(Matter.LINE, 0, "not code:ELC", "ELC", false),
            new ExplainedLine(Matter.LINE, 0, "not year:1987", "1994", true));
    assertThat(explanation.in(1)).isFalse();
  }

  @Test
  void whatATrackHasIsSaidOfTheFacetThatIsAskedFor() {
    Snapshot one = Tracks.none().with("comment=/ELC/80S/").snapshot();
    Crate.RuleCrate crate = crate("Era:90S Style:SKA Use:TRN code:SKA");
    RuleExplanation explanation =
        new CrateContents(one, Tracks.BOOK, Crates.NONE.plus("Rink", crate), TODAY)
            .explanation(crate);
    assertThat(explanation.why(1))
        .extracting(ExplainedLine::has)
        .containsExactly("80S", "ELC", "", "80S ELC");
  }

  @Test
  void theTracksOfABannedShelfAreNotEvenCounted() {
    Snapshot two =
        Tracks.none().with("year=1994", "artist=A").with("year=1994", "artist=B").snapshot();
    Crate.RuleCrate crate = crate("year:1994");
    Crates crates =
        Crates.NONE.plus("Rink", crate).withShelf("Rink", s -> s.with(s.never().plus(List.of(2))));
    RuleExplanation explanation =
        new CrateContents(two, Tracks.BOOK, crates, TODAY).explanation(crate);
    assertThat(explanation.choosable()).isEqualTo(1);
    assertThat(explanation.lines().getFirst().holdsFor()).isEqualTo(1);
    assertThat(explanation.why(2).getFirst().matter()).isEqualTo(Matter.NEVER);
  }
}
