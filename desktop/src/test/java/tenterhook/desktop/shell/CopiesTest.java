package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import tenterhook.adapters.duplicate.CopySearch;
import tenterhook.adapters.listen.Status.State;
import tenterhook.adapters.measure.Measuring;
import tenterhook.core.duplicate.Doubt;
import tenterhook.core.duplicate.Evidence;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.Preference;
import tenterhook.core.duplicate.Preferences;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.desktop.workspace.Station;

/** The station for duplicates by keys and buttons: evidence, survivor, spares, holding bay. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class CopiesTest extends WindowTest {
  @BeforeAll
  void measureTheDemo() {
    Measuring.run(collection, now().tracks(), Progress.SILENT);
    settle();
  }

  @BeforeEach
  void toTheStation() {
    station(Station.DUPLICATES);
    settle();
  }

  @AfterEach
  void rest() {
    fx(() -> workspace.listening().rest());
  }

  @SuppressWarnings("unchecked")
  private ListView<Group> groups() {
    return (ListView<Group>) lookup("#groups");
  }

  private Group choose(Evidence evidence) {
    Group group =
        groups().getItems().stream()
            .filter(g -> g.evidence() == evidence && g.doubt() == Doubt.NONE)
            .findFirst()
            .orElseThrow();
    fx(() -> groups().getSelectionModel().select(group));
    return group;
  }

  @Test
  @Order(1)
  void groupsSayWhatSpeaksForThem() {
    assertThat(groups().getItems())
        .extracting(Group::evidence)
        .contains(Evidence.SAME_BYTES, Evidence.SAME_SOUND)
        .isSorted();
    Group heard = choose(Evidence.SAME_SOUND);
    assertThat(heard.offered()).isTrue();
    assertThat(lookup("#copies .waveform")).isNotNull();
    assertThat(groups().getItems())
        .allSatisfy(g -> assertThat(g.tracks()).noneMatch(id -> now().lost(id)));
  }

  @Test
  @Order(2)
  void copiesAreHeardFromTheSameMomentAndTheHeardOneIsKept() {
    Group group = choose(Evidence.SAME_SOUND);
    fx(() -> groups().requestFocus());
    key(KeyCode.DIGIT1);
    await(() -> workspace.listening().status().get().seconds() > 0.3);
    assertThat(workspace.listening().loaded()).isEqualTo(group.tracks().get(0));
    double before = workspace.listening().status().get().seconds();
    key(KeyCode.DIGIT2);
    await(() -> workspace.listening().status().get().state() == State.PLAYING);
    await(() -> workspace.listening().status().get().seconds() >= before);
    assertThat(workspace.listening().loaded()).isEqualTo(group.tracks().get(1));
    key(KeyCode.K);
    assertThat(lookup("#make-survivor-1")).isNotNull();
    assertThat(lookup("#make-survivor-2")).isNull();
  }

  @Test
  @Order(3)
  void theOrderOfPreferencesIsChangedByKeysAndSaysWhatItDecides() {
    @SuppressWarnings("unchecked")
    ListView<Preference> lines = (ListView<Preference>) lookup("#preferences");
    assertThat(lines.getItems()).isEqualTo(Preferences.USUAL.lines());
    Preference second = lines.getItems().get(1);
    fx(() -> lines.getSelectionModel().select(1));
    press("preference-up");
    settle();
    assertThat(lines.getItems().getFirst()).isEqualTo(second);
    assertThat(CopySearch.preferences(collection).lines().getFirst()).isEqualTo(second);
    fx(() -> lines.getSelectionModel().select(0));
    fx(() -> lines.requestFocus());
    robot.press(KeyCode.ALT, KeyCode.DOWN).release(KeyCode.DOWN, KeyCode.ALT);
    settle();
    assertThat(CopySearch.preferences(collection)).isEqualTo(Preferences.USUAL);
    long decided = groups().getItems().stream().filter(g -> g.decidedBy().isPresent()).count();
    int said =
        CopySearch.preferences(collection).effect(groups().getItems()).values().stream()
            .mapToInt(i -> i)
            .sum();
    assertThat(said).isEqualTo((int) decided);
  }

  @Test
  @Order(4)
  void whatStaysIsNotShownAgainUntilItIsWanted() {
    int count = groups().getItems().size();
    Group group = choose(Evidence.SAME_SOUND);
    press("both-stay");
    settle();
    assertThat(groups().getItems()).hasSize(count - 1).doesNotContain(group);
    press("answer");
    settle();
    assertThat(groups().getItems()).hasSize(count);
  }

  @Test
  @Order(5)
  void criteriaOfTheDjAreKeptUnderTheirName() {
    ComboBox<?> criteria = (ComboBox<?>) lookup("#criteria");
    fx(() -> criteria.getSelectionModel().select(0));
    settle();
    assertThat(groups().getItems()).noneMatch(g -> g.evidence() == Evidence.SAME_TAGS);
    fx(() -> criteria.getSelectionModel().select(criteria.getItems().size() - 1));
    fx(() -> ((TextField) lookup("#answer-text")).setText("mine: bpm"));
    press("answer");
    settle();
    assertThat(CopySearch.criteria(collection)).anyMatch(c -> c.name().equals("mine"));
    assertThat(criteria.getValue()).isEqualTo("mine");
    fx(() -> criteria.getSelectionModel().select(1));
    settle();
  }

  @Test
  @Order(6)
  void oneIsKeptWithWhatItTakesAndUndoBringsBoth() {
    Group group = choose(Evidence.SAME_SOUND);
    Path spare = collection.state().path(group.spares().getFirst());
    lookupAll(".gain").stream()
        .map(CheckBox.class::cast)
        .forEach(box -> assertThat(box.isSelected()).isTrue());
    fx(() -> groups().requestFocus());
    key(KeyCode.ENTER);
    settle();
    assertThat(spare).doesNotExist();
    assertThat(groups().getItems()).noneMatch(g -> g.tracks().equals(group.tracks()));
    assertThat(now().held().contains(group.spares().getFirst())).isTrue();
    fx(() -> workspace.undo());
    settle();
    assertThat(spare).exists();
    assertThat(groups().getItems()).anyMatch(g -> g.tracks().equals(group.tracks()));
  }

  @Test
  @Order(7)
  void sparesMayOnlyBeMarked() {
    Group group = choose(Evidence.SAME_BYTES);
    ComboBox<?> fate = (ComboBox<?>) lookup("#spare-fate");
    fx(() -> fate.getSelectionModel().select(2));
    String code = collection.state().codebook().tokens().getFirst();
    press("keep-one");
    settle();
    int spare = group.spares().getFirst();
    assertThat(collection.state().path(spare)).exists();
    assertThat(now().value(spare, Fields.CODES).orElse(List.of())).contains(code);
    fx(() -> workspace.undo());
    fx(() -> fate.getSelectionModel().select(0));
    settle();
  }

  @Test
  @Order(8)
  void theHoldingBaySaysWhatWhenAndWhyAndGivesBack() {
    Group group = choose(Evidence.SAME_BYTES);
    Path spare = collection.state().path(group.spares().getFirst());
    press("keep-one");
    settle();
    press("holding-bay");
    settle();
    ListView<?> held = (ListView<?>) lookup("#held");
    assertThat(held.getItems()).hasSize(now().held().getCardinality());
    assertThat(held.getItems().getFirst().toString()).contains("keeps one of");
    fx(() -> held.getSelectionModel().selectFirst());
    press("restore-one");
    settle();
    assertThat(spare).exists();
    press("holding-back");
    settle();
  }

  @Test
  @Order(9)
  void allThatIsBeyondDoubtIsDoneAfterOneQuestionAndTheRestStays() {
    List<Group> offered = groups().getItems().stream().filter(Group::offered).toList();
    long left = groups().getItems().stream().filter(g -> !g.offered()).count();
    int held = now().held().getCardinality();
    press("resolve-all");
    assertThat(now().held().getCardinality()).isEqualTo(held);
    press("answer");
    await(() -> groups().getItems().stream().noneMatch(Group::offered));
    settle();
    assertThat(text("told"))
        .isEqualTo(offered.size() + " groups resolved; the spares lie in the holding bay");
    assertThat((long) groups().getItems().size()).isLessThanOrEqualTo(left);
    assertThat(now().held().getCardinality()).isGreaterThanOrEqualTo(held + offered.size());
  }

  @Test
  @Order(10)
  void theHoldingBayIsEmptiedByACommandOfItsOwnOnly() {
    choose(Evidence.SAME_BYTES);
    press("keep-one");
    settle();
    press("holding-bay");
    settle();
    int id = now().held().first();
    Path file = collection.state().path(id);
    press("empty-bay");
    settle();
    assertThat(file).exists();
    press("answer");
    await(() -> now().held().isEmpty());
    settle();
    assertThat(file).doesNotExist();
    assertThat(now().has(id)).isFalse();
    press("holding-back");
    settle();
  }
}
