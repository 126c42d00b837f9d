package tenterhook.core.crate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.crate.RuleExplanation.Matter;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.find.Subject;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackOrder;

/** Shelves, what is never played from them, limits, and crates made many at once. */
class ShelvesTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);

  private final Snapshot snapshot =
      Tracks.none()
          .with("artist=B", "genre=Hip-Hop", "year=1987", "bpm=120", "duration=200", "size=4000000")
          .with("artist=A", "genre=Hip Hop", "year=1988", "bpm=130", "duration=100", "size=1000000")
          .with("artist=C", "genre=hiphop", "year=1994", "bpm=125", "duration=60", "size=9000000")
          .with("artist=A", "genre=Ska", "year=1991", "bpm=125", "duration=30", "comment=/SKA/")
          .with("artist=E", "genre=Ska", "year=2003", "bpm=60", "resting=yes", "comment=/SKA/")
          .snapshot();

  private static Rule.Line line(String text) {
    return (Rule.Line) rule(text).parts().getFirst();
  }

  private static Rule.RuleGroup rule(String text) {
    return Rule.of(((Parsed.Good) FindParser.parse(text, Tracks.BOOK)).query());
  }

  private static Crate.RuleCrate crate(String name, String text) {
    return new Crate.RuleCrate(name, rule(text));
  }

  private CrateContents contents(Crates crates) {
    return new CrateContents(snapshot, Tracks.BOOK, crates, TODAY);
  }

  private List<Integer> list(Crate.RuleCrate crate) {
    return contents(Crates.NONE.plus("x", crate)).list(crate);
  }

  @Test
  void severalFieldsOrderACrate() {
    Crate.RuleCrate crate = crate("All", "year:1900..");
    assertThat(
            list(
                crate.sorted(
                    List.of(
                        new TrackOrder.Key("artist", false), new TrackOrder.Key("year", true)))))
        .containsExactly(4, 2, 1, 3);
    assertThat(list(crate.sorted(List.of(new TrackOrder.Key("tempo", true)))))
        .containsExactly(2, 3, 4, 1);
  }

  @Test
  void aLimitCountsTracksMinutesOrSize() {
    Crate.RuleCrate crate =
        crate("All", "bpm:1..").sorted(List.of(new TrackOrder.Key("year", false)));
    assertThat(list(crate.with(Limit.tracks(2)))).containsExactly(1, 2);
    assertThat(list(crate.with(new Limit(Limit.Unit.MINUTES, 5, 0)))).containsExactly(1, 2);
    assertThat(list(crate.with(new Limit(Limit.Unit.MEGABYTES, 4, 0)))).containsExactly(1);
    assertThat(contents(Crates.NONE).count(crate.with(new Limit(Limit.Unit.MINUTES, 6, 0))))
        .isEqualTo(3);
  }

  @Test
  void aPickByChanceIsTheSameEachTimeAndInTheCratesOrder() {
    Crate.RuleCrate crate =
        crate("All", "bpm:1..").sorted(List.of(new TrackOrder.Key("year", false)));
    List<List<Integer>> picks =
        java.util.stream.LongStream.rangeClosed(1, 40)
            .mapToObj(draw -> list(crate.with(new Limit(Limit.Unit.TRACKS, 2, draw))))
            .toList();
    assertThat(picks)
        .allSatisfy(p -> assertThat(p).hasSize(2).isSubsetOf(1, 2, 4, 3))
        .allSatisfy(p -> assertThat(List.of(1, 2, 4, 3)).containsSubsequence(p));
    assertThat(picks.stream().distinct().count()).as("different draws").isGreaterThan(3);
    assertThat(list(crate.with(new Limit(Limit.Unit.TRACKS, 2, 7)))).isEqualTo(picks.get(6));
  }

  private static Snapshot byArtists(List<String> artists) {
    Tracks tracks = Tracks.none();
    artists.forEach(a -> tracks.with("artist=" + a, "year=1990"));
    return tracks.snapshot();
  }

  private static List<Integer> listed(Snapshot snapshot, Limit limit) {
    Crate.RuleCrate crate = crate("All", "year:1900..").sorted(List.of()).with(limit);
    CrateContents contents =
        new CrateContents(snapshot, Tracks.BOOK, Crates.NONE, LocalDate.of(2026, 11, 23));
    assertThat(contents.count(crate)).isEqualTo(contents.list(crate).size());
    return contents.list(crate);
  }

  @Test
  void ofEachArtistComeOnlySoMany() {
    Snapshot snapshot = byArtists(List.of("A", "a", "B\u0000A", "C", "", "", "B"));
    assertThat(listed(snapshot, Limit.NONE.perArtist(1))).containsExactly(1, 4, 5, 6, 7);
    assertThat(listed(snapshot, Limit.NONE.perArtist(2))).containsExactly(1, 2, 4, 5, 6, 7);
    assertThat(listed(snapshot, Limit.tracks(2).perArtist(1))).containsExactly(1, 4);
    assertThatThrownBy(() -> Limit.NONE.perArtist(-1)).hasMessageContaining("of each artist");
  }

  private static int together(List<String> artists, List<Integer> order) {
    int together = 0;
    for (int i = 1; i < order.size(); i++) {
      String one = artists.get(order.get(i) - 1);
      together += !one.isEmpty() && one.equals(artists.get(order.get(i - 1) - 1)) ? 1 : 0;
    }
    return together;
  }

  /** The least that any order has. */
  private static int least(List<String> artists, List<Integer> order, List<Integer> left) {
    if (left.isEmpty()) {
      return together(artists, order);
    }
    int least = Integer.MAX_VALUE;
    for (int id : left) {
      List<Integer> longer = new ArrayList<>(order);
      longer.add(id);
      least =
          Math.min(
              least, least(artists, longer, left.stream().filter(other -> other != id).toList()));
    }
    return least;
  }

  @Seeded
  void artistsStandApartAsFarAsAnyOrderLetsThem(long block) {
    Seeds.each(
        block,
        100,
        random -> {
          List<String> artists = Seeds.list(random, 1, 7, r -> Seeds.any(r, "A", "B", "C", ""));
          List<Integer> order = listed(byArtists(artists), Limit.NONE.apart(true));
          List<Integer> all =
              java.util.stream.IntStream.rangeClosed(1, artists.size()).boxed().toList();
          assertThat(order).containsExactlyInAnyOrderElementsOf(all);
          assertThat(together(artists, order))
              .as(artists + " as " + order)
              .isEqualTo(least(artists, List.of(), all));
          if (together(artists, all) == 0) {
            assertThat(order).as("an order that is well stays").isEqualTo(all);
          }
        });
  }

  @Test
  void restingTracksComeInWhereTheyAreWanted() {
    Crate.RuleCrate ska = crate("Ska", "Style:SKA");
    assertThat(list(ska)).containsExactly(4);
    assertThat(list(ska.resting(true))).containsExactly(4, 5);
  }

  @Test
  void whatIsNeverPlayedFromAShelfStaysOutOfAllItsCratesAndSaysSo() {
    Crates crates =
        Crates.NONE
            .plus("Parade", crate("All", "year:1900.."))
            .plus("Parade", new Crate.HandCrate("Hand", List.of(2, 1, 4)))
            .plus("Ferry", crate("Free", "year:1900.."))
            .withShelf("Parade", s -> s.with(s.never().plus(line("artist:=A")).plus(List.of(3))));
    CrateContents contents = contents(crates);
    assertThat(contents.members("All")).contains(Tracks.ids(1));
    assertThat(contents.list(crates.crate("Hand").orElseThrow())).containsExactly(1);
    assertThat(contents.members("Free")).contains(Tracks.ids(1, 2, 3, 4));
    RuleExplanation explanation =
        contents.explanation((Crate.RuleCrate) crates.crate("All").orElseThrow());
    assertThat(explanation.choosable()).isEqualTo(1);
    assertThat(explanation.why(2).getFirst())
        .isEqualTo(new RuleExplanation.ExplainedLine(Matter.NEVER, 0, "artist:=A", "", false));
    assertThat(explanation.in(3)).isFalse();
    assertThat(explanation.in(1)).isTrue();
    NeverPlay never = crates.shelf("parade").orElseThrow().shelf().never();
    assertThat(never.minus(line("artist:=A")).minus(3).isEmpty()).isTrue();
  }

  @Test
  void beyondTheLimitIsAReasonOfItsOwn() {
    Crate.RuleCrate crate = crate("One", "year:1900..").with(Limit.tracks(1));
    RuleExplanation explanation = contents(Crates.NONE.plus("x", crate)).explanation(crate);
    assertThat(explanation.why(1).getLast().matter()).isEqualTo(Matter.LIMIT);
    assertThat(explanation.why(2).getLast().matter()).isEqualTo(Matter.LINE);
    assertThat(explanation.why(5).getFirst().matter()).isEqualTo(Matter.RESTS);
  }

  @Test
  void comparedCleanedALineMayHoldForMore() {
    RuleExplanation explanation =
        contents(Crates.NONE).explanation(crate("x", "genre:hip-hop year:1900.."));
    assertThat(explanation.lines().getFirst().holdsFor()).isEqualTo(1);
    assertThat(explanation.lines().getFirst().cleaned()).isEqualTo(2);
    assertThat(explanation.lines().getLast().cleaned()).isZero();
    assertThat(RuleExplanation.cleaned(line("not genre:hip-hop")).orElseThrow().text())
        .isEqualTo("not genre:~hip-hop");
  }

  @Test
  void aShelfMayBeAskedForAndMoved() {
    Crates crates =
        Crates.NONE
            .plus("Rink", crate("90 bpm", "bpm:90"))
            .plus("Rink", crate("120 bpm", "bpm:120"))
            .plus("Ferry", crate("From the rink", "shelf:Rink"));
    assertThat(contents(crates).members("From the rink")).contains(Tracks.ids(1));
    assertThat(crates.usersOf("120 bpm")).containsExactly("From the rink");
    assertThat(contents(crates.renamedShelf("rink", "Ice")).members("From the rink"))
        .contains(Tracks.ids(1));
    assertThatThrownBy(() -> crates.plus("Rink", crate("Round", "shelf:Rink")))
        .hasMessageContaining("built on itself");
    Crates moved = crates.moved("120 bpm", "Rink", 0).movedShelf("Ferry", "", 0);
    assertThat(moved.all())
        .extracting(Crate::name)
        .containsExactly("From the rink", "120 bpm", "90 bpm");
    assertThat(moved.withShelf("Rink", Shelf::sorted).all())
        .extracting(Crate::name)
        .containsExactly("From the rink", "90 bpm", "120 bpm");
    assertThatThrownBy(() -> crates.moved("120 bpm", "Nowhere", 0))
        .hasMessageContaining("no shelf 'Nowhere'");
  }

  @Test
  void aSeriesHoldsEveryTrackWithANumberOnce() {
    List<Crate> decades = Builders.series(snapshot, Fields.YEAR, 10, "{from}s");
    assertThat(decades).extracting(Crate::name).containsExactly("1980s", "1990s", "2000s");
    List<Crate> tempi = Builders.series(snapshot, Fields.BPM, 5, "{from} to {to} bpm");
    Crates crates = Builders.added(Crates.NONE, "Tempo", tempi);
    CrateContents contents = contents(crates);
    assertThat(tempi.stream().mapToInt(contents::count).sum()).isEqualTo(4);
    assertThat(contents.members("125 to 129 bpm")).contains(Tracks.ids(3, 4));
    assertThatThrownBy(() -> Builders.series(snapshot, Fields.TITLE, 5, "x"))
        .hasMessageContaining("needs a number");
  }

  @Test
  void askedForAgainOnlyWhatIsNewIsMade() {
    Crates once =
        Builders.added(
            Crates.NONE,
            "Style",
            Builders.oneEach(Tracks.BOOK.facet("Style").orElseThrow(), "{meaning}"));
    Crates renamed =
        once.renamed("ska", "My ska")
            .with("electro", c -> ((Crate.RuleCrate) c).with(Limit.tracks(3)));
    var grown =
        Tracks.BOOK.with("Style", f -> f.plus(new tenterhook.core.code.Code("SOU", "soul")));
    Crates again =
        Builders.added(
            renamed, "Style", Builders.oneEach(grown.facet("Style").orElseThrow(), "{meaning}"));
    assertThat(again.all()).extracting(Crate::name).containsExactly("My ska", "electro", "soul");
    assertThat(again.crate("electro")).isEqualTo(renamed.crate("electro"));
  }

  @Test
  void aScenarioGetsTheCratesOfAModel() {
    Crates model =
        Crates.NONE
            .plus("Rink", crate("Doors", "bpm:..110"))
            .withShelf("Rink", s -> s.with(s.never().plus(line("code:TRN"))));
    Crates made =
        Builders.shelves(
            model,
            List.of("Ferry", "Parade"),
            model.shelf("Rink").orElseThrow().shelf(),
            "{shelf}: {crate}");
    assertThat(made.all())
        .extracting(Crate::name)
        .containsExactly("Doors", "Ferry: Doors", "Parade: Doors");
    assertThat(made.shelf("Parade").orElseThrow().shelf().never().lines())
        .containsExactly(line("code:TRN"));
  }

  @Test
  void valuesAreOfferedWithTheirCounts() {
    Crates crates = Crates.NONE.plus("Rink", crate("Ska night", "Style:SKA"));
    Completions offers = new Completions(snapshot, Tracks.BOOK, TODAY);
    assertThat(offers.of(Subject.named("genre"), "hip", snapshot.tracks()))
        .extracting(Completions.Offer::text)
        .containsExactlyInAnyOrder("=Hip-Hop", "=\"Hip Hop\"", "=hiphop");
    assertThat(offers.of(Subject.named("year"), "", snapshot.tracks()))
        .contains(new Completions.Offer("1980..1989", "", 2));
    assertThat(offers.of(Subject.named("Style"), "sk", snapshot.tracks()))
        .containsExactly(new Completions.Offer("SKA", "ska", 2));
    assertThat(Completions.named(Subject.named("crate"), "", crates, contents(crates)))
        .containsExactly(new Completions.Offer("\"Ska night\"", "", 1));
    assertThat(Completions.named(Subject.named("shelf"), "RI", crates, contents(crates)))
        .containsExactly(new Completions.Offer("Rink", "", 1));
    assertThat(Completions.named(Subject.named("shelf"), "x", crates, contents(crates))).isEmpty();
    assertThat(Completions.named(Subject.named("genre"), "", crates, contents(crates))).isEmpty();
    assertThat(offers.of(Subject.named("beat"), "", snapshot.tracks()).getFirst())
        .isEqualTo(new Completions.Offer("120..129.99", "", 3));
    assertThat(offers.of(Subject.named("text"), "a", snapshot.tracks())).isEmpty();
  }

  @Test
  void linesMoveWithinIntoAndOutOfGroups() {
    Rule.RuleGroup rule = rule("year:1 year:2 (year:3 or year:4) year:5");
    java.util.function.Function<Rule.RuleGroup, String> text =
        r -> tenterhook.core.find.FindText.write(r.query());
    assertThat(text.apply(RuleEdits.moved(rule, List.of(0), List.of(2))))
        .isEqualTo("year:2 year:1 (year:3 or year:4) year:5");
    assertThat(text.apply(RuleEdits.moved(rule, List.of(3), List.of(2, 1))))
        .isEqualTo("year:1 year:2 (year:3 or year:5 or year:4)");
    assertThat(text.apply(RuleEdits.moved(rule, List.of(2, 0), List.of(0))))
        .isEqualTo("year:3 year:1 year:2 year:4 year:5");
    assertThat(text.apply(RuleEdits.moved(rule, List.of(0), List.of(2, 0))))
        .isEqualTo("year:2 (year:1 or year:3 or year:4) year:5");
    assertThat(RuleEdits.moved(rule, List.of(2), List.of(2, 1))).isEqualTo(rule);
    assertThat(RuleEdits.step(rule, List.of(1), true)).contains(List.of(2, 0));
    assertThat(RuleEdits.step(rule, List.of(3), false)).contains(List.of(2, 2));
    assertThat(RuleEdits.step(rule, List.of(2, 1), true)).contains(List.of(3));
    assertThat(RuleEdits.step(rule, List.of(2, 0), false)).contains(List.of(2));
    assertThat(RuleEdits.step(rule, List.of(0), false)).isEmpty();
  }

  @Seeded
  void aMoveLosesNoLine(long block) {
    Seeds.each(
        block,
        300,
        random -> {
          Rule.RuleGroup rule =
              rule("year:1 (year:2 or (year:3 year:4) or year:5) not (year:6 or year:7)");
          for (int i = 0; i < 20; i++) {
            List<List<Integer>> places = new ArrayList<>();
            collect(rule, List.of(), places);
            List<Integer> from = places.get(random.nextInt(places.size()));
            List<Integer> to = places.get(random.nextInt(places.size()));
            rule = RuleEdits.moved(rule, from, to);
            Optional<List<Integer>> step = RuleEdits.step(rule, List.of(0), random.nextBoolean());
            if (step.isPresent()) {
              rule = RuleEdits.moved(rule, List.of(0), step.get());
            }
            assertThat(Rule.lines(rule))
                .extracting(Rule.Line::text)
                .hasSize(7)
                .doesNotHaveDuplicates();
          }
        });
  }

  private static void collect(Rule rule, List<Integer> at, List<List<Integer>> places) {
    if (!at.isEmpty()) {
      places.add(at);
    }
    if (rule instanceof Rule.RuleGroup group) {
      for (int i = 0; i < group.parts().size(); i++) {
        collect(group.parts().get(i), RuleEdits.joined(at, i), places);
      }
    }
  }
}
