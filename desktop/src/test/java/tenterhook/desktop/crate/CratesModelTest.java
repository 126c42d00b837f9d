package tenterhook.desktop.crate;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
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
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.crate.CratesModel.CrateEntry;
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
        new CollectionState(snapshot, Codebook.EMPTY, now, Map.of("music", Path.of("music")));
    return CratesModel.entries(state, new CrateContents(snapshot, Codebook.EMPTY, now, TODAY));
  }

  private static String order(Crates crates) {
    return crates.shelves().stream()
        .map(s -> s.name() + s.crates().stream().map(Crate::name).collect(Collectors.toList()))
        .collect(Collectors.joining(" "));
  }

  /** The order after the row that shows one name goes to the place of another's. */
  private String moved(String from, String to) {
    List<CrateEntry> all = entries(crates);
    return CratesModel.moved(crates, all, place(all, from), place(all, to))
        .map(CratesModelTest::order)
        .orElse("as it was");
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
            new CrateEntry("Rink", "", 2, Use.USED),
            new CrateEntry("Rink", "Heard", 2, Use.USED),
            new CrateEntry("Rink", "Unheard", 1, Use.NEVER_PLAYED),
            new CrateEntry("Ferry", "", 1, Use.USED),
            new CrateEntry("Ferry", "Nothing", 0, Use.EMPTY),
            new CrateEntry("Bare", "", 0, Use.USED));
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

  @Test
  void shelvesMoveWithAllThatStandsOnThem() {
    assertThat(moved("Ferry", "Rink")).isEqualTo("Ferry[Nothing] Rink[Heard, Unheard] Bare[]");
    assertThat(moved("Rink", "Bare")).isEqualTo("Ferry[Nothing] Bare[] Rink[Heard, Unheard]");
    assertThat(moved("Rink", "Unheard")).as("onto one of its own crates").isEqualTo("as it was");
    assertThat(moved("Rink", "Rink")).isEqualTo("as it was");
  }

  @Test
  void noMoveLosesACrate() {
    Random random = new Random(5);
    Crates now = crates;
    Set<String> names = now.all().stream().map(Crate::name).collect(Collectors.toSet());
    for (int i = 0; i < 300; i++) {
      List<CrateEntry> all = new ArrayList<>(entries(now));
      Optional<Crates> after =
          CratesModel.moved(
              now, all, random.nextInt(all.size()), random.nextInt(all.size() + 2) - 1);
      now = after.orElse(now);
      assertThat(now.all().stream().map(Crate::name).collect(Collectors.toSet())).isEqualTo(names);
      assertThat(now.shelves()).hasSize(3);
    }
  }
}
