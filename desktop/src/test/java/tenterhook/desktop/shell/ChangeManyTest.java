package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.recipe.KeptRecipes;
import tenterhook.core.recipe.Recipe;
import tenterhook.core.recipe.RecipeStep;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.RepairRules;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.TrackList;

/** Many tracks changed by steps, after a look at every one. */
class ChangeManyTest extends WindowTest {
  private List<Integer> ids;

  @BeforeEach
  void openFourTracks() {
    RoaringBitmap some =
        now()
            .tracks(
                id ->
                    !now().lost(id)
                        && !now().raw(id, Fields.TITLE).isEmpty()
                        && now().raw(id, Fields.GUARDED).isEmpty())
            .limit(4);
    ids = some.stream().boxed().toList();
    fx(() -> shell.show(TrackList.of("four", some)));
    fx(() -> pane().table().requestFocus());
    robot
        .press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.E)
        .release(KeyCode.E, KeyCode.SHIFT, KeyCode.CONTROL);
    events();
    while (!lookupAll(".step-row").isEmpty()) { // the steps stay from one time to the next
      fx(() -> remove(lookupAll(".step-row").iterator().next()));
    }
    press("change-add");
  }

  private static void remove(Node row) {
    row.lookupAll(".button").stream()
        .map(Button.class::cast)
        .filter(b -> b.getText().equals("×"))
        .forEach(Button::fire);
  }

  private void kind(String name) {
    ComboBox<?> kinds = (ComboBox<?>) lookup("#step-kind");
    for (int i = 0; i < kinds.getItems().size(); i++) {
      if (kinds.getItems().get(i).toString().equals(name)) {
        int at = i;
        fx(() -> kinds.getSelectionModel().select(at));
        return;
      }
    }
    throw new AssertionError(name + " is not among " + kinds.getItems());
  }

  private void type(String id, String text) {
    fx(() -> ((TextField) lookup("#" + id)).setText(text));
  }

  @SuppressWarnings("unchecked")
  private void field(Field<?> field) {
    fx(() -> ((ComboBox<Field<?>>) lookup("#step-field")).setValue(field));
  }

  private TableView<?> outcomes() {
    return (TableView<?>) lookup("#change-outcomes");
  }

  @Test
  void stepsAreLookedAtThenDoneAndTakenBack() throws Exception {
    List<String> before = ids.stream().map(id -> now().raw(id, Fields.TITLE)).toList();
    kind("Put behind");
    type("step-text", " (for the ferry)");
    assertThat(outcomes().getItems()).hasSize(4);
    assertThat(text("change-sentence")).startsWith("4 tracks change of 4.");
    assertThat(lookupAll("#change-outcomes .given").stream().map(n -> ((Label) n).getText()))
        .contains(" (for the ferry)");
    assertThat(now().raw(ids.getFirst(), Fields.TITLE)).isEqualTo(before.getFirst());
    assertThat(text("change-apply")).isEqualTo("Change 4 tracks");
    press("change-apply");
    settle();
    for (int i = 0; i < 4; i++) {
      assertThat(TagFiles.read(collection.state().path(ids.get(i))).raw(Fields.TITLE))
          .isEqualTo(before.get(i) + " (for the ferry)");
    }
    assertThat(text("change-sentence")).as("a second time").startsWith("Nothing changes");
    assertThat(((Button) lookup("#change-apply")).isDisabled()).isTrue();
    fx(() -> workspace.undo());
    settle();
    assertThat(ids.stream().map(id -> now().raw(id, Fields.TITLE)).toList()).isEqualTo(before);
  }

  @Test
  void aWrongPatternIsSaidAndNothingCanBeApplied() {
    kind("Replace a pattern");
    type("step-text", "a(b");
    assertThat(lookupAll(".step-row .hole").stream().map(n -> ((Label) n).getText()))
        .anyMatch(t -> t.contains("the pattern is wrong"));
    assertThat(((Button) lookup("#change-apply")).isDisabled()).isTrue();
    type("step-text", "a(b)?");
    assertThat(text("change-sentence")).doesNotStartWith("Fill in");
  }

  @Test
  void whatCannotBeIsLeftAndSaysWhy() {
    kind("Give the same value");
    field(Fields.YEAR);
    type("step-text", "soon");
    assertThat(text("change-sentence")).contains("4 are left as they are");
    assertThat(lookupAll("#change-outcomes .hole").stream().map(n -> ((Label) n).getText()))
        .anyMatch(t -> t.startsWith("Left as it is: year \"soon\""));
  }

  @Test
  void aRecipeIsKeptAndUsedAgain() {
    kind("Set capitals");
    MenuButton menu = (MenuButton) lookup("#change-recipes");
    fx(() -> menu.getItems().getFirst().fire()); // no recipe stands before it yet
    type("answer-text", "Proper titles");
    press("answer");
    settle();
    kind("Take needless blanks out");
    fx(menu::show);
    fx(menu::hide);
    fx(
        () ->
            menu.getItems().stream()
                .filter(i -> i.getText().equals("Proper titles"))
                .findFirst()
                .orElseThrow()
                .fire());
    assertThat(((ComboBox<?>) lookup("#step-kind")).getValue().toString())
        .isEqualTo("Set capitals");
    fx(menu::show);
    fx(menu::hide);
    fx(
        () ->
            menu.getItems().stream()
                .filter(i -> i.getText().contains("Forget"))
                .findFirst()
                .orElseThrow()
                .fire());
    fx(menu::show);
    fx(menu::hide);
    assertThat(menu.getItems()).hasSize(2);
  }

  @Test
  void stepsBecomeAKindOfRepairThatIsTakenAndGivenUp() {
    RoaringBitmap named = RoaringBitmap.bitmapOf(ids.getFirst());
    String title = now().raw(ids.getFirst(), Fields.TITLE);
    kind("Replace words");
    type("step-text", title);
    type("step-other-text", title + " (Rink)");
    MenuButton menu = (MenuButton) lookup("#change-recipes");
    fx(() -> menu.getItems().getLast().fire());
    type("answer-text", "Rink titles");
    press("answer");
    settle();
    assertThat(workspace.repairs().rules().own().texts()).containsOnlyKeys("Rink titles");
    station(Station.REPAIRS);
    settle();
    assertThat(own()).as("has no end: the words stand in the new title again").isEmpty();
    RepairRules rules = workspace.repairs().rules();
    Recipe ends = new Recipe(List.of(new RecipeStep.Put(Fields.TITLE, " (Rink)", true)));
    fx(() -> workspace.repairs().settle(rules.withOwn("Rink titles", ends), "told"));
    settle();
    assertThat(own()).filteredOn(p -> p.id() == ids.getFirst()).singleElement();
    fx(() -> workspace.frame().repair(RepairKind.OWN));
    settle();
    assertThat(lookup("#own-kinds-make")).isNotNull();
    fx(
        () ->
            workspace
                .repairs()
                .accept(
                    RepairKind.OWN, own().stream().filter(p -> named.contains(p.id())).toList()));
    settle();
    assertThat(now().raw(ids.getFirst(), Fields.TITLE)).isEqualTo(title + " (Rink)");
    fx(() -> workspace.undo());
    settle();
    press("own-kinds-remove");
    settle();
    assertThat(own()).isEmpty();
    assertThat(workspace.repairs().rules().own()).isEqualTo(KeptRecipes.NONE);
    press("own-kinds-make");
    settle();
    assertThat(text("change-title")).contains(" of All tracks");
  }

  private List<Proposal> own() {
    return workspace.repairs().proposals().get().stream()
        .filter(p -> p.kind() == RepairKind.OWN)
        .toList();
  }

  @Test
  void escGoesBackToTheList() {
    fx(() -> outcomes().requestFocus());
    key(KeyCode.ESCAPE);
    if (lookup("#change-outcomes") != null) {
      key(KeyCode.ESCAPE); // the first one took a message away
    }
    assertThat(lookup("#change-outcomes")).isNull();
  }
}
