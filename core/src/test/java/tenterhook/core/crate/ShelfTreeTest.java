package tenterhook.core.crate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.merge.MergeConflict;
import tenterhook.core.track.Snapshot;

/** Shelves that stand in shelves. */
class ShelfTreeTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);
  private static final int TRACKS = 12;

  private final Snapshot snapshot = snapshot();

  private static Snapshot snapshot() {
    Tracks tracks = Tracks.none();
    for (int i = 1; i <= TRACKS; i++) {
      tracks.with("title=" + i, "artist=A" + i % 3, "year=" + (1979 + i), "comment=/SKA/80S/");
    }
    return tracks.snapshot();
  }

  private static Crate.HandCrate hand(String name, Integer... tracks) {
    return new Crate.HandCrate(name, List.of(tracks));
  }

  private static Rule.RuleGroup rule(String text) {
    return Rule.of(((Parsed.Good) FindParser.parse(text, Tracks.BOOK)).query());
  }

  private static Crate.RuleCrate ruled(String name, String text) {
    return new Crate.RuleCrate(name, rule(text));
  }

  private static Rule.Line line(String text) {
    return (Rule.Line) rule(text).parts().getFirst();
  }

  private Set<Integer> held(Crates crates, String crate) {
    CrateContents contents = new CrateContents(snapshot, Tracks.BOOK, crates, TODAY);
    Set<Integer> ids = new TreeSet<>();
    contents.members(crate).orElseThrow().forEach((int id) -> ids.add(id));
    return ids;
  }

  private static final Crates NIGHTS =
      Crates.NONE
          .plus("Rink", hand("Doors", 1))
          .plus("Rink/Friday/Peak", hand("Fast", 2, 3))
          .plus("Rink/Saturday/Peak", hand("Faster", 4))
          .plus("Ferry/Peak", hand("Deck", 5))
          .plus("/Peak", hand("Own", 6));

  @Test
  void aReferenceIsANameTheEndOfAPathOrAllOfIt() {
    Crates asking =
        NIGHTS
            .plus("Asking", ruled("Each", "shelf:Peak"))
            .plus("Asking", ruled("End", "shelf:friday/peak"))
            .plus("Asking", ruled("Whole", "shelf:/Peak"))
            .plus("Asking", ruled("Below", "shelf:Rink"))
            .plus("Asking", ruled("Nothing", "shelf:/Friday/Peak"));
    assertThat(held(asking, "Each")).containsExactly(2, 3, 4, 5, 6);
    assertThat(held(asking, "End")).containsExactly(2, 3);
    assertThat(held(asking, "Whole")).containsExactly(6);
    assertThat(held(asking, "Below")).containsExactly(1, 2, 3, 4);
    assertThat(held(asking, "Nothing")).isEmpty();
    List<ShelfPath> paths = asking.placed().stream().map(PlacedShelf::path).toList();
    assertThat(paths)
        .extracting(p -> p.reference(paths))
        .containsExactly(
            "Rink",
            "Friday",
            "Friday/Peak",
            "Saturday",
            "Saturday/Peak",
            "Ferry",
            "Ferry/Peak",
            "/Peak",
            "Asking");
  }

  @Test
  void whatMeansSeveralIsRefusedWithTheirPathsUnlessOneStandsAtTheTop() {
    assertThat(NIGHTS.shelf("peak").orElseThrow().path()).hasToString("Peak");
    Crates without = NIGHTS.minusShelf("/Peak");
    assertThatThrownBy(() -> without.shelf("Peak"))
        .hasMessageContaining("3 shelves are called Peak")
        .hasMessageContaining("/Rink/Friday/Peak, /Rink/Saturday/Peak, /Ferry/Peak");
    assertThat(without.shelf("ferry/Peak").orElseThrow().shelf().crates())
        .containsExactly(hand("Deck", 5));
    assertThatThrownBy(() -> NIGHTS.plusShelf("Rink/FRIDAY")).hasMessageContaining("already");
    assertThatThrownBy(() -> NIGHTS.plusShelf("Rink//Peak")).hasMessageContaining("Rink/Friday");
    assertThatThrownBy(() -> NIGHTS.plus("Ferry", hand("fast"))).hasMessageContaining("already");
  }

  @Test
  void whatIsNeverPlayedFromAShelfIsNeverPlayedFromThoseInIt() {
    Crates crates =
        NIGHTS
            .withShelf("Rink", s -> s.with(s.never().plus(List.of(2))))
            .withShelf("Friday", s -> s.with(s.never().plus(line("title:=3"))))
            .plus("Friday/Peak", ruled("All", "year:1900.."));
    assertThat(held(crates, "Fast")).isEmpty();
    assertThat(held(crates, "All")).hasSize(TRACKS - 2).doesNotContain(2, 3);
    assertThat(held(crates.movedShelf("Friday", "Ferry", 0), "Fast")).containsExactly(2);
  }

  @Test
  void aShelfAboveACrateIsACircleToo() {
    assertThatThrownBy(() -> NIGHTS.plus("Rink/Friday/Peak", ruled("Round", "shelf:Rink")))
        .hasMessageContaining("built on itself: Round → Round");
    Crates apart = NIGHTS.plus("Ferry", ruled("Round", "shelf:Saturday"));
    Crates other = apart.plus("Ferry", ruled("Other", "crate:Round"));
    assertThatThrownBy(() -> other.moved("Other", "Rink/Saturday", 0))
        .hasMessageContaining("Other → Round → Other");
    assertThatThrownBy(
            () -> apart.withShelf("Rink", s -> s.with(s.never().plus(line("crate:Doors")))))
        .as("what is never played makes a circle as well")
        .hasMessageContaining("Doors → Doors");
  }

  @Test
  void aShelfMovesWithAllInItButNeverIntoItself() {
    Crates moved = NIGHTS.movedShelf("Friday", "Ferry", 0).movedShelf("Ferry", "", 0);
    assertThat(moved.placed())
        .extracting(s -> s.path().toString())
        .containsExactly(
            "Ferry",
            "Ferry/Friday",
            "Ferry/Friday/Peak",
            "Ferry/Peak",
            "Rink",
            "Rink/Saturday",
            "Rink/Saturday/Peak",
            "Peak");
    assertThatThrownBy(() -> NIGHTS.movedShelf("Rink", "Friday/Peak", 0))
        .hasMessageContaining("cannot stand in itself");
    assertThatThrownBy(() -> NIGHTS.movedShelf("/Peak", "Ferry", 0))
        .hasMessageContaining("'Peak' already");
    assertThat(NIGHTS.movedShelf("Ferry/Peak", "Ferry", 9)).isEqualTo(NIGHTS);
  }

  @Test
  void madeAgainATreeGetsOnlyWhatItLacks() {
    List<Shelf> years = Builders.yearsInDecades(snapshot, "{from}");
    Crates once = Builders.addedShelves(Crates.NONE, "By year", years);
    assertThat(once.placed())
        .extracting(s -> s.path() + " " + s.shelf().crates().size())
        .containsExactly("By year 0", "By year/1980s 10", "By year/1990s 2");
    Crates fewer = once.minus("1984").renamed("1985", "The best");
    Crates again = Builders.addedShelves(fewer, "By year", years);
    assertThat(again.crate("1984")).isPresent();
    assertThat(again.all()).hasSize(TRACKS);
    assertThat(again.crate("The best")).isPresent();
    Coverage coverage = new Coverage(snapshot, Tracks.BOOK, "Style", "Era");
    Crates crossed =
        Builders.addedShelves(
            Crates.NONE, "Both", Builders.columnsInRows(coverage, "{row}: {column}"));
    assertThat(crossed.placed().getLast().shelf().crates())
        .as("only what some track carries")
        .singleElement()
        .satisfies(c -> assertThat(held(crossed, c.name())).hasSize(TRACKS));
    Crates copied =
        Builders.shelves(once, List.of("Next"), once.shelves().getFirst(), "{shelf} {crate}");
    assertThat(copied.shelf("Next/1990s").orElseThrow().shelf().crates())
        .extracting(Crate::name)
        .containsExactly("Next 1990", "Next 1991");
  }

  @Test
  void editsInTwoPlacesOfATreeMergeAndAgainstEachOtherAreRefused() throws MergeConflict {
    Crates mine = NIGHTS.plus("Friday/Peak", hand("Mine", 7));
    Crates theirs = NIGHTS.plus("Saturday", hand("Theirs", 8)).renamedShelf("Ferry", "Boat");
    assertThat(CratesMerge.merge(NIGHTS, mine, theirs).placed())
        .extracting(s -> s.path() + " " + s.shelf().crates().size())
        .containsExactly(
            "Rink 1",
            "Rink/Friday 0",
            "Rink/Friday/Peak 2",
            "Rink/Saturday 1",
            "Rink/Saturday/Peak 1",
            "Boat 0",
            "Boat/Peak 1",
            "Peak 1");
    Crates gone = NIGHTS.minusShelf("Friday");
    assertThatThrownBy(() -> CratesMerge.merge(NIGHTS, gone, mine))
        .isInstanceOf(MergeConflict.class)
        .hasMessageContaining("Friday was changed meanwhile");
  }

  /** A tree of a few names in many places, with rules that ask for its shelves. */
  private static Crates random(Random random) {
    Crates crates = Crates.NONE;
    for (int i = 1; i <= TRACKS; i++) {
      String path =
          String.join(
              "/", Seeds.list(random, 1, 4, r -> Seeds.any(r, "Rink", "Friday", "Peak", "Ferry")));
      crates = crates.plus("/" + path, hand("h" + i, i));
    }
    List<ShelfPath> paths = crates.placed().stream().map(PlacedShelf::path).toList();
    for (int i = 0; i < 6; i++) {
      ShelfPath path = paths.get(random.nextInt(paths.size()));
      int from = random.nextInt(path.names().size() + 1);
      String end =
          from == 0
              ? path.whole()
              : String.join("/", path.names().subList(from - 1, path.names().size()));
      crates = crates.plus("Asking", ruled("r" + i, "shelf:\"" + end + "\""));
    }
    return crates;
  }

  /** Each shelf gets a number that it keeps wherever it goes. */
  private static Crates numbered(Crates crates) {
    Crates numbered = crates;
    int number = 1000;
    for (PlacedShelf placed : crates.placed()) {
      List<Integer> own = List.of(number++);
      numbered =
          numbered.withShelf(placed.path().whole(), s -> s.with(new NeverPlay(own, List.of())));
    }
    return numbered;
  }

  /** For each rule the numbers of the shelves that it asks for, found by their paths as text. */
  private static Map<String, Set<Integer>> asked(Crates crates) {
    Map<String, Set<Integer>> all = new HashMap<>();
    for (Crate crate : crates.all()) {
      if (crate instanceof Crate.RuleCrate rule) {
        Set<Integer> numbers = new HashSet<>();
        meant(crates, rule).forEach(s -> numbers.addAll(s.shelf().never().tracks()));
        all.put(crate.name(), numbers);
      }
    }
    return all;
  }

  private static List<PlacedShelf> meant(Crates crates, Crate.RuleCrate rule) {
    Set<String> references =
        Rule.lines(rule.rule()).stream()
            .flatMap(l -> l.condition().values().stream())
            .map(v -> v.text().toLowerCase(Locale.ROOT))
            .collect(Collectors.toSet());
    return crates.placed().stream()
        .filter(
            s -> {
              String path = s.path().whole().toLowerCase(Locale.ROOT);
              return references.stream()
                  .anyMatch(r -> r.startsWith("/") ? path.equals(r) : path.endsWith("/" + r));
            })
        .toList();
  }

  private static Set<Integer> byHand(Crates crates, Crate crate) {
    Set<Integer> ids = new TreeSet<>();
    switch (crate) {
      case Crate.HandCrate hand -> ids.addAll(hand.tracks());
      case Crate.RuleCrate rule ->
          meant(crates, rule)
              .forEach(s -> s.shelf().all().forEach(c -> ids.addAll(byHand(crates, c))));
    }
    return ids;
  }

  @Seeded
  void rulesAskForTheSameShelvesAfterAnyMoveOrRename(long block) {
    Seeds.each(
        block,
        60,
        random -> {
          Crates crates = numbered(random(random));
          for (int i = 0; i < 8; i++) {
            Crates now = crates;
            try {
              crates = movedOrRenamed(now, random);
            } catch (IllegalArgumentException refused) {
              assertThat(refused.getMessage())
                  .containsAnyOf("already", "in itself", "built on itself");
            }
            assertThat(asked(crates)).as(now + " to " + crates).isEqualTo(asked(now));
            assertThat(crates.all()).hasSameSizeAs(now.all());
          }
          for (Crate crate : crates.all()) {
            assertThat(held(crates, crate.name())).isEqualTo(byHand(crates, crate));
          }
        });
  }

  private static Crates movedOrRenamed(Crates now, Random random) {
    List<PlacedShelf> placed = now.placed();
    String moving = placed.get(random.nextInt(placed.size())).path().whole();
    String target = placed.get(random.nextInt(placed.size())).path().whole();
    return random.nextBoolean()
        ? now.renamedShelf(moving, Seeds.any(random, "Rink", "Peak", "New", "Ferry"))
        : now.movedShelf(moving, random.nextInt(4) == 0 ? "" : target, random.nextInt(3));
  }
}
