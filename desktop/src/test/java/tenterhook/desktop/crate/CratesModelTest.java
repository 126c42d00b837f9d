package tenterhook.desktop.crate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.ShelfPath;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.Gigs;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.crate.CratesModel.CrateEntry;
import tenterhook.desktop.crate.CratesModel.Step;
import tenterhook.desktop.crate.CratesModel.Use;

/** The list of shelves and crates, without a window. */
class CratesModelTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 28);

  private final Snapshot snapshot =
      Snapshot.empty()
          .with(
              List.of(
                  new Cell(1, Fields.TITLE, "Cold Lamps"),
                  new Cell(1, Fields.STATE, "present"),
                  new Cell(1, Fields.PLAYS, "3"),
                  new Cell(2, Fields.TITLE, "Tin Rail"),
                  new Cell(2, Fields.STATE, "present")));

  private final Crates crates =
      Crates.NONE
          .plus("Rink", new Crate.HandCrate("Heard", List.of(1, 2)))
          .plus("Rink", new Crate.HandCrate("Unheard", List.of(2)))
          .plus("Ferry", new Crate.HandCrate("Nothing", List.of()))
          .plusShelf("Bare");

  private List<CrateEntry> entries(Crates now) {
    CollectionState state =
        new CollectionState(
            snapshot, Codebook.EMPTY, now, Gigs.NONE, Map.of("music", Path.of("music")));
    return CratesModel.entries(state, new CrateContents(snapshot, Codebook.EMPTY, now, TODAY));
  }

  private static String order(Crates crates) {
    return crates.placed().stream()
        .map(
            s ->
                s.path()
                    + ""
                    + s.shelf().crates().stream().map(Crate::name).collect(Collectors.toList()))
        .collect(Collectors.joining(" "));
  }

  /** The order after the row that shows one name goes to the place of another's. */
  private String moved(String from, String to) {
    List<CrateEntry> all = entries(crates);
    return CratesModel.moved(crates, all, place(all, from), place(all, to))
        .map(m -> order(m.after()))
        .orElse("as it was");
  }

  private static CrateEntry entry(String shelf, String crate, int count, Use use) {
    Optional<Boolean> open =
        crate.isEmpty() && !shelf.equals("Bare") ? Optional.of(true) : Optional.empty();
    return new CrateEntry(ShelfPath.of(shelf), crate, count, use, open);
  }

  private static int place(List<CrateEntry> all, String name) {
    for (int i = 0; i < all.size(); i++) {
      if (all.get(i).name().equals(name)) {
        return i;
      }
    }
    throw new AssertionError(name);
  }

  @Test
  void eachShelfIsFollowedByItsCratesAndWhatIsToBeSaidOfThem() {
    assertThat(entries(crates))
        .containsExactly(
            entry("Rink", "", 2, Use.USED),
            entry("Rink", "Heard", 2, Use.USED),
            entry("Rink", "Unheard", 1, Use.NEVER_PLAYED),
            entry("Ferry", "", 1, Use.USED),
            entry("Ferry", "Nothing", 0, Use.EMPTY),
            entry("Bare", "", 0, Use.USED));
    assertThat(entries(crates).get(4).words()).isEqualTo("empty");
    assertThat(entries(crates).get(1).words()).isEqualTo("2");
  }

  @Test
  void idleCratesStandAloneWithTheirShelves() {
    List<CrateEntry> all = entries(crates);
    assertThat(CratesModel.idle(all))
        .extracting(CrateEntry::name)
        .containsExactly("Rink", "Unheard", "Ferry", "Nothing");
    assertThat(CratesModel.count(all, Use.EMPTY)).isEqualTo(1);
    assertThat(CratesModel.count(all, Use.NEVER_PLAYED)).isEqualTo(1);
  }

  @Test
  void cratesMoveOnTheirShelfAndToOthers() {
    assertThat(moved("Heard", "Unheard")).isEqualTo("Rink[Unheard, Heard] Ferry[Nothing] Bare[]");
    assertThat(moved("Unheard", "Ferry")).isEqualTo("Rink[Heard] Ferry[Unheard, Nothing] Bare[]");
    assertThat(moved("Nothing", "Ferry"))
        .as("upwards past its own shelf's name")
        .isEqualTo("Rink[Heard, Unheard, Nothing] Ferry[] Bare[]");
    assertThat(moved("Heard", "Nothing")).isEqualTo("Rink[Unheard] Ferry[Heard, Nothing] Bare[]");
    assertThat(moved("Heard", "Bare")).isEqualTo("Rink[Unheard] Ferry[Nothing] Bare[Heard]");
  }

  private static final Crates TREE =
      Crates.NONE
          .plus("Rink/Friday/Peak", new Crate.HandCrate("Fast", List.of(1)))
          .plus("Rink/Friday", new Crate.HandCrate("Doors", List.of(1)))
          .plus("Rink/Saturday", new Crate.HandCrate("Last", List.of()))
          .plus("Ferry", new Crate.HandCrate("Deck", List.of(2)));

  private static String stepped(String shelf, Step step) {
    return CratesModel.stepped(TREE, ShelfPath.of(shelf), step)
        .map(m -> m.shelf() + ": " + shelves(m.after()))
        .orElse("as it was");
  }

  private static String shelves(Crates crates) {
    return crates.placed().stream().map(s -> s.path().toString()).collect(Collectors.joining(" "));
  }

  @Test
  void shelvesStepBesideEachOtherInAndOut() {
    assertThat(shelves(TREE)).isEqualTo("Rink Rink/Friday Rink/Friday/Peak Rink/Saturday Ferry");
    assertThat(stepped("Ferry", Step.UP))
        .isEqualTo("Ferry: Ferry Rink Rink/Friday Rink/Friday/Peak Rink/Saturday");
    assertThat(stepped("Rink/Friday", Step.DOWN))
        .isEqualTo("Rink/Friday: Rink Rink/Saturday Rink/Friday Rink/Friday/Peak Ferry");
    assertThat(stepped("Rink/Saturday", Step.IN))
        .isEqualTo(
            "Rink/Friday/Saturday: Rink Rink/Friday Rink/Friday/Peak Rink/Friday/Saturday Ferry");
    assertThat(stepped("Rink/Friday", Step.OUT))
        .isEqualTo("Friday: Rink Rink/Saturday Friday Friday/Peak Ferry");
    assertThat(stepped("Rink/Friday/Peak", Step.OUT))
        .isEqualTo("Rink/Peak: Rink Rink/Friday Rink/Peak Rink/Saturday Ferry");
    for (Step step : List.of(Step.UP, Step.IN, Step.OUT)) {
      assertThat(stepped("Rink", step)).as("at the edge").isEqualTo("as it was");
    }
    assertThat(stepped("Rink/Saturday", Step.DOWN)).isEqualTo("as it was");
  }

  @Test
  void shelvesAreDroppedIntoAndBeforeOthers() {
    assertThat(
            shelves(
                CratesModel.into(TREE, ShelfPath.of("Ferry"), ShelfPath.of("Rink/Friday"))
                    .orElseThrow()
                    .after()))
        .isEqualTo("Rink Rink/Friday Rink/Friday/Peak Rink/Friday/Ferry Rink/Saturday");
    assertThat(
            shelves(
                CratesModel.before(TREE, ShelfPath.of("Rink/Friday"), ShelfPath.of("Ferry"))
                    .orElseThrow()
                    .after()))
        .isEqualTo("Rink Rink/Saturday Friday Friday/Peak Ferry");
    assertThat(CratesModel.before(TREE, ShelfPath.of("Rink"), ShelfPath.of("Rink"))).isEmpty();
    assertThatThrownBy(
            () -> CratesModel.into(TREE, ShelfPath.of("Rink"), ShelfPath.of("Rink/Friday")))
        .hasMessageContaining("cannot stand in itself");
    assertThat(CratesModel.top(TREE, ShelfPath.of("Rink/Saturday")).orElseThrow().shelf())
        .hasToString("Saturday");
  }

  @Test
  void whatStandsOnAFoldedShelfIsNotShownAndCratesPassIt() {
    List<CrateEntry> rows = CratesModel.shown(entries(TREE), Set.of(ShelfPath.of("Rink/Friday")));
    assertThat(rows)
        .extracting(e -> e.depth() + e.name() + e.count())
        .containsExactly("0Rink3", "1Friday2", "1Saturday1", "2Last0", "0Ferry1", "1Deck1");
    assertThat(rows.get(1).open()).contains(false);
    assertThat(CratesModel.moved(TREE, rows, 5, 4).orElseThrow().shelf())
        .as("upwards past its shelf's name")
        .hasToString("Rink/Saturday");
    assertThat(CratesModel.idle(entries(TREE)))
        .extracting(CrateEntry::name)
        .containsExactly("Rink", "Saturday", "Last", "Ferry", "Deck");
    assertThat(CratesModel.out(TREE, rows.get(3)).orElseThrow().shelf()).hasToString("Rink");
    assertThat(CratesModel.out(TREE, rows.get(5))).isEmpty();
  }

  @Test
  void noMoveLosesACrateOrAShelf() {
    Random random = new Random(5);
    Crates now = TREE;
    Set<String> names = now.all().stream().map(Crate::name).collect(Collectors.toSet());
    for (int i = 0; i < 600; i++) {
      List<CrateEntry> rows = entries(now);
      int from = random.nextInt(rows.size());
      CrateEntry moving = rows.get(from);
      CrateEntry target = rows.get(random.nextInt(rows.size()));
      try {
        Optional<CratesModel.MovedEntry> moved =
            !moving.isShelf()
                ? CratesModel.moved(now, rows, from, random.nextInt(rows.size() + 2) - 1)
                : switch (random.nextInt(3)) {
                  case 0 -> CratesModel.into(now, moving.shelf(), target.shelf());
                  case 1 -> CratesModel.before(now, moving.shelf(), target.shelf());
                  default ->
                      CratesModel.stepped(
                          now, moving.shelf(), Step.values()[random.nextInt(Step.values().length)]);
                };
        if (moved.isPresent()) {
          now = moved.get().after();
          assertThat(now.shelf(moved.get().shelf().whole())).as("where it stands").isPresent();
        }
      } catch (IllegalArgumentException refused) {
        assertThat(refused.getMessage()).contains("cannot stand in itself");
      }
      assertThat(now.all().stream().map(Crate::name).collect(Collectors.toSet())).isEqualTo(names);
      assertThat(now.placed()).hasSize(5);
    }
  }
}
