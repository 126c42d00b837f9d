package tenterhook.core.repair.own;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.recipe.KeptRecipes;
import tenterhook.core.recipe.Recipe;
import tenterhook.core.recipe.RecipeText;
import tenterhook.core.repair.ExternalEvidence;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.RepairRules;
import tenterhook.core.repair.engine.Repairs;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

class OwnRecipesTest {
  private static final ExternalEvidence NOTHING = ExternalEvidence.none(2026);

  private static Recipe recipe(String text) {
    return ((RecipeText.Read.Good) RecipeText.read(text)).recipe();
  }

  private static RepairRules rules(String... nameAndSteps) {
    RepairRules rules = RepairRules.DEFAULT;
    for (RepairKind other : RepairKind.values()) {
      rules = other == RepairKind.OWN ? rules : rules.switched(other, false);
    }
    for (int i = 0; i < nameAndSteps.length; i += 2) {
      rules = rules.withOwn(nameAndSteps[i], recipe(nameAndSteps[i + 1]));
    }
    return rules;
  }

  private static Repairs looked(Snapshot snapshot, RepairRules rules) {
    return Repairs.of(snapshot, Tracks.BOOK, rules, NOTHING, Progress.SILENT);
  }

  @Test
  void eachRecipeIsADecisionOnWhatArrivesToo() {
    Snapshot before =
        Tracks.none().with("title=Drift (Rink Copy)").with("title=Drift", "genre=ska").snapshot();
    RepairRules rules =
        rules(
            "No copies", "replace title \" (Rink Copy)\" \"\"",
            "Ska is Ska", "replace genre ska Ska");
    Repairs repairs = looked(before, rules);
    assertThat(repairs.proposals())
        .extracting(Proposal::decision)
        .containsExactlyInAnyOrder("No copies", "Ska is Ska");
    Snapshot arrived =
        Tracks.none()
            .with("title=Drift (Rink Copy)")
            .with("title=Drift", "genre=ska")
            .with("title=Pier (Rink Copy)", "genre=ska")
            .snapshot();
    repairs.follow(arrived, Tracks.BOOK, rules, NOTHING, Tracks.ids(3));
    assertThat(repairs.proposals())
        .filteredOn(p -> p.id() == 3)
        .flatExtracting(Proposal::edits)
        .contains(
            new SetField(3, Fields.TITLE, "Pier (Rink Copy)", "Pier"),
            new SetField(3, Fields.GENRE, "ska", "Ska"));
  }

  @Test
  void whatHasNoEndOrNeedsAnOrderIsNotProposed() {
    Snapshot snapshot =
        Tracks.none().with("title=Drift").with("title=Drift", "state=lost").snapshot();
    assertThat(looked(snapshot, rules("Longer", "replace title D DD")).proposals()).isEmpty();
    assertThat(looked(snapshot, rules("Swapped", "swap title album")).proposals()).isEmpty();
    assertThat(looked(snapshot, rules("Marked", "behind title \" *\"")).proposals())
        .extracting(Proposal::id)
        .containsExactly(1); // a lost file cannot be written
    assertThatThrownBy(() -> rules("Numbers", "number track 1"))
        .hasMessageContaining("depend on the order");
    assertThatThrownBy(() -> RepairRules.DEFAULT.withOwn("None", Recipe.EMPTY))
        .hasMessageContaining("a step at least");
  }

  @Test
  void aKindThatIsGivenUpProposesNothingMore() {
    Snapshot snapshot = Tracks.none().with("title=Drift").snapshot();
    RepairRules rules = rules("Marked", "behind title \" *\"");
    Repairs repairs = looked(snapshot, rules);
    assertThat(repairs.proposals()).hasSize(1);
    RepairRules without = rules.withOwn(rules.own().minus("Marked"));
    repairs.follow(snapshot, Tracks.BOOK, without, NOTHING, new RoaringBitmap());
    assertThat(repairs.proposals()).isEmpty();
    repairs.follow(snapshot, Tracks.BOOK, rules, NOTHING, new RoaringBitmap());
    assertThat(repairs.proposals()).hasSize(1);
    assertThat(rules.refusingNothing().own()).isEqualTo(rules.own());
    assertThat(KeptRecipes.read(rules.own().write())).isEqualTo(rules.own());
  }

  @Seeded
  void whateverTheStepsAreTakingWhatIsProposedLeavesNothingToPropose(long block) {
    Seeds.each(
        block,
        500,
        random -> {
          Tracks some = Tracks.none();
          for (int i = 0; i < 6; i++) {
            some.with("title=" + text(random), "artist=" + text(random), "comment=" + text(random));
          }
          Snapshot snapshot = some.snapshot();
          RepairRules rules = rules("One", steps(random));
          List<Proposal> proposals = looked(snapshot, rules).proposals();
          List<Cell> cells = new ArrayList<>();
          RoaringBitmap ids = new RoaringBitmap();
          for (Proposal one : proposals) {
            ids.add(one.id());
            one.edits().forEach(e -> cells.add(new Cell(e.id(), e.field(), e.after())));
          }
          assertThat(looked(snapshot.with(cells), rules).proposals()).isEmpty();
        });
  }

  private static String text(Random random) {
    return Seeds.text(random, 0, 6, "ab A-/");
  }

  private static String steps(Random random) {
    return String.join(
        "\n",
        Seeds.list(
            random,
            1,
            4,
            r ->
                Seeds.any(
                    r,
                    "replace title a b",
                    "replace title b ab",
                    "trim title",
                    "capitals title upper",
                    "copy title artist",
                    "swap title artist",
                    "behind comment \" x\"",
                    "pattern comment \"(a)(b)\" \"$2$1\"",
                    "clear artist",
                    "codes +SKA -TRN")));
  }
}
