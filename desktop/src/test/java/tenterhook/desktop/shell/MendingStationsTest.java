package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TableView;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.catalogue.CatalogueClient;
import tenterhook.core.arrival.Arrivals;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.RepairRules;
import tenterhook.core.weave.NextStep;
import tenterhook.core.weave.Weave;
import tenterhook.core.weave.WeaveBy;
import tenterhook.desktop.repair.RepairsView;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.ArrivalsModel;
import tenterhook.desktop.workspace.RunningJob;
import tenterhook.desktop.workspace.Station;
import tenterhook.standins.catalogue.CatalogueService;
import tenterhook.standins.catalogue.CatalogueService.Mood;
import tenterhook.standins.catalogue.DemoCatalogue;

/** Repairs, the catalogue and arrivals in the real window. */
class MendingStationsTest extends WindowTest {
  @BeforeEach
  void atRepairs() {
    workspace.repairs().repairService().settle(RepairRules.DEFAULT);
    station(Station.REPAIRS);
    settle();
    await(() -> !workspace.repairs().proposals().get().isEmpty());
  }

  @AfterEach
  void asBefore() {
    fx(() -> workspace.repairs().repairService().settle(RepairRules.DEFAULT));
  }

  private void choose(RepairKind kind) {
    fx(() -> ((RepairsView) shell.inView()).choose(kind));
    settle();
  }

  private List<Proposal> of(RepairKind kind) {
    return workspace.repairs().proposals().get().stream().filter(p -> p.kind() == kind).toList();
  }

  @SuppressWarnings("unchecked")
  private TableView<Proposal> table() {
    return (TableView<Proposal>) lookup("#proposals");
  }

  private boolean holds(Proposal proposal) {
    return proposal.edits().stream().allMatch(e -> now().raw(e.id(), e.field()).equals(e.after()));
  }

  @Test
  void aWholeDecisionIsTakenWithTwoKeys() {
    choose(RepairKind.ARTIST_IN_TITLE);
    station(Station.WEAVE);
    station(Station.REPAIRS);
    List<Proposal> certain = workspace.repairs().certain(table().getItems());
    assertThat(certain).isNotEmpty();
    key(KeyCode.ENTER);
    settle();
    assertThat(certain).allMatch(this::holds);
    assertThat(text("told")).contains("mends artists in titles on " + certain.size() + " track");
    assertThat(of(RepairKind.ARTIST_IN_TITLE)).doesNotContainAnyElementsOf(certain);
    robot.press(KeyCode.CONTROL, KeyCode.Z).release(KeyCode.Z, KeyCode.CONTROL);
    settle();
    assertThat(of(RepairKind.ARTIST_IN_TITLE)).containsAll(certain);
  }

  @Test
  void aKindThatIsAskedForBeforeItIsFoundIsShownOnceItIs() {
    RepairKind kind = RepairKind.ARTIST_IN_TITLE;
    fx(() -> workspace.repairs().settle(RepairRules.DEFAULT.switched(kind, false), "off"));
    await(() -> of(kind).isEmpty());
    settle();
    choose(kind);
    fx(() -> workspace.repairs().settle(RepairRules.DEFAULT, "on"));
    await(() -> !of(kind).isEmpty());
    settle();
    assertThat(table().getItems()).isNotEmpty().allMatch(p -> p.kind() == kind);
  }

  @Test
  void whoPicksAnotherKindMeanwhileStaysThere() {
    RepairKind kind = RepairKind.ARTIST_IN_TITLE;
    fx(() -> workspace.repairs().settle(RepairRules.DEFAULT.switched(kind, false), "off"));
    await(() -> of(kind).isEmpty());
    settle();
    choose(kind);
    choose(RepairKind.GENRES);
    fx(() -> workspace.repairs().settle(RepairRules.DEFAULT, "on"));
    await(() -> !of(kind).isEmpty());
    settle();
    assertThat(table().getItems()).isNotEmpty().allMatch(p -> p.kind() == RepairKind.GENRES);
  }

  @Test
  void whatIsWorthDoingNextLeadsToItsKindOfRepairs() {
    NextStep best =
        NextStep.of(
                Weave.of(now(), collection.state().codebook(), WeaveBy.FOLDER),
                now(),
                workspace.repairs().proposals().get(),
                6)
            .stream()
            .filter(s -> s.kind() == NextStep.StepKind.REPAIRS)
            .findFirst()
            .orElseThrow();
    RepairKind kind = RepairKind.named(best.subject()).orElseThrow();
    station(Station.WEAVE);
    settle();
    Node step =
        lookupAll("#next-steps .step").stream()
            .filter(
                s ->
                    ((Label) s.lookup(".strong"))
                        .getText()
                        .equals(Words.of("repair.kind." + kind.key())))
            .findFirst()
            .orElseThrow();
    assertThat(((Label) step.lookup(".second")).getText())
        .startsWith("closes " + best.holes() + " hole");
    fx(() -> ((Button) step.lookup(".button")).fire());
    settle();
    assertThat(shell.inView()).isInstanceOf(RepairsView.class);
    assertThat(table().getItems()).isNotEmpty().allMatch(p -> p.kind() == kind);
  }

  @Test
  void oneRowIsTakenAnotherRefused() {
    choose(RepairKind.GENRES);
    fx(() -> table().requestFocus());
    Proposal first = table().getItems().getFirst();
    fx(() -> table().getSelectionModel().clearAndSelect(0));
    assertThat(text("repair-reason")).contains(first.reason()).contains(first.certainty() + " %");
    key(KeyCode.X);
    settle();
    assertThat(of(RepairKind.GENRES)).noneMatch(p -> p.id() == first.id());
    assertThat(text("dismissed")).contains("1 track");
    fx(() -> table().requestFocus());
    fx(() -> table().getSelectionModel().clearAndSelect(0));
    Proposal second = table().getSelectionModel().getSelectedItem();
    key(KeyCode.ENTER);
    settle();
    assertThat(holds(second)).isTrue();
    assertThat(holds(first)).isFalse();
  }

  @Test
  void whatItWillBeCanBeEdited() {
    choose(RepairKind.GENRES);
    fx(() -> table().requestFocus());
    fx(() -> table().getSelectionModel().clearAndSelect(0));
    Proposal one = table().getItems().getFirst();
    key(KeyCode.E);
    TextField answer = (TextField) lookup("#answer-text");
    assertThat(answer.getText())
        .isEqualTo(Fields.GENRE.type().show(one.edits().getFirst().after()));
    fx(() -> answer.setText("Rink Ska"));
    press("answer");
    settle();
    assertThat(now().raw(one.id(), Fields.GENRE)).isEqualTo("Rink Ska");
  }

  @Test
  void aKindIsSwitchedOffAndBroughtBack() {
    choose(RepairKind.GENRES);
    int before = of(RepairKind.GENRES).size();
    fx(
        () ->
            ((javafx.scene.control.MenuButton) lookup("#repairs-more"))
                .getItems().stream()
                    .filter(i -> "repairs-off".equals(i.getId()))
                    .findFirst()
                    .orElseThrow()
                    .fire());
    settle();
    assertThat(of(RepairKind.GENRES)).isEmpty();
    fx(() -> ((javafx.scene.control.Hyperlink) lookup("#dismissed")).fire());
    settle();
    assertThat(of(RepairKind.GENRES)).hasSize(before);
  }

  @Test
  void theListOfJunkIsEditedInTheStation() {
    choose(RepairKind.JUNK);
    int before = of(RepairKind.JUNK).size();
    TextArea phrases = (TextArea) lookup("#junk-phrases");
    fx(() -> phrases.setText("only this"));
    press("junk-keep");
    settle();
    assertThat(of(RepairKind.JUNK).size()).isLessThan(before);
    assertThat(workspace.repairs().rules().junk()).containsExactly("only this");
  }

  @Test
  void aGenreBecomesAnotherAndIsPartOfAThird() {
    choose(RepairKind.GENRES);
    ListView<?> genres = (ListView<?>) lookup("#genres");
    fx(() -> genres.getSelectionModel().select(0));
    String name = now().raw(1, Fields.GENRE);
    assertThat(name).isNotNull();
    press("genre-part");
    fx(() -> ((TextField) lookup("#answer-text")).setText("Everything"));
    press("answer");
    settle();
    assertThat(collection.state().codebook().genres().parents()).containsValue("Everything");
    int all =
        collection
            .contents()
            .finder()
            .find(
                ((tenterhook.core.find.Parsed.Good)
                        tenterhook.core.find.FindParser.parse(
                            "genre:Everything", collection.state().codebook()))
                    .query())
            .getCardinality();
    assertThat(all).isPositive();
  }

  @Test
  void aCoverIsChosenFromTheGallery() {
    choose(RepairKind.ARTWORK);
    await(() -> lookup("#gallery .button") != null);
    Proposal one = table().getSelectionModel().getSelectedItem();
    Button take = (Button) lookup("#gallery .button");
    fx(take::fire);
    settle();
    assertThat(now().value(one.id(), Fields.ARTWORK))
        .hasValueSatisfying(a -> assertThat(a.usable()).isTrue());
  }

  @Test
  void theCatalogueIsAskedComparedAndTakenFieldByField() throws Exception {
    try (CatalogueService service = CatalogueService.start(DemoCatalogue.of(100), 0)) {
      workspace
          .repairs()
          .use(
              new CatalogueClient(service.address(), CatalogueClient.Manners.NEIGHBOURLY, t -> {}));
      choose(RepairKind.CATALOGUE);
      RoaringBitmap open = workspace.repairs().toLookUp();
      if (!open.isEmpty()) {
        press("catalogue-ask");
        settle();
      }
      await(() -> !of(RepairKind.CATALOGUE).isEmpty());
      choose(RepairKind.CATALOGUE);
      assertThat(lookup("#matches")).isNotNull();
      Proposal one = table().getSelectionModel().getSelectedItem();
      SetField edit = one.edits().getFirst();
      Set<javafx.scene.Node> boxes = lookupAll("#compare .check-box");
      fx(
          () ->
              boxes.forEach(
                  b -> ((CheckBox) b).setSelected(b.getId().equals("take-" + edit.field().key()))));
      press("catalogue-take");
      settle();
      assertThat(now().raw(edit.id(), edit.field())).isEqualTo(edit.after());
      for (SetField other : one.edits().subList(1, one.edits().size())) {
        assertThat(now().raw(other.id(), other.field())).isEqualTo(other.before());
      }
    }
  }

  @Test
  void cataloguesAreChosenAtTheStationAndTheLastOneLeftOutAsksNobody() throws Exception {
    List<String> before = workspace.repairs().sources().get();
    assertThat(before).as("the demo asks its own").containsExactly("demo");
    choose(RepairKind.CATALOGUE);
    menu("catalogue-sources", "leave-demo");
    await(() -> workspace.repairs().sources().get().isEmpty());
    settle();
    assertThat(((Label) lookup("#told")).getText()).contains("No catalogue is asked");
    assertThat(lookup("#catalogue-ask").isVisible()).as("nothing to press").isFalse();
    menu("catalogue-sources", "catalogue.addService");
    answer("catalogue.example");
    settle();
    await(() -> lookup("#told") instanceof Label l && l.getText().contains("there is no file"));
    menu("catalogue-sources", "catalogue.addService");
    answer("http://127.0.0.1:9/v1");
    settle();
    await(() -> workspace.repairs().sources().get().contains("http://127.0.0.1:9/v1/"));
    fx(() -> workspace.repairs().ask(before));
    await(() -> workspace.repairs().sources().get().equals(before));
    settle();
  }

  @Test
  void aCatalogueThatFailsLeavesTheStationUsable() throws Exception {
    List<Proposal> before = workspace.repairs().proposals().get();
    try (CatalogueService service = CatalogueService.start(DemoCatalogue.of(100), 0)) {
      service.behave(new Mood(0, 1, 0));
      workspace
          .repairs()
          .use(
              new CatalogueClient(service.address(), CatalogueClient.Manners.NEIGHBOURLY, t -> {}));
      fx(() -> workspace.repairs().lookUp(RoaringBitmap.bitmapOf(1, 2)));
      settle();
      await(() -> lookup("#told") instanceof Label l && l.getText().contains("out of order"));
      service.behave(Mood.GOOD);
    }
    fx(() -> workspace.repairs().lookUp(RoaringBitmap.bitmapOf(1, 2)));
    settle();
    await(() -> lookup("#told") instanceof Label l && l.getText().contains("cannot be reached"));
    assertThat(workspace.repairs().proposals().get()).isEqualTo(before);
    assertThat(text("told")).contains("nothing was changed");
    choose(RepairKind.GENRES);
    assertThat(table().getItems()).isNotEmpty();
  }

  @Test
  void arrivalsSayWhatIsMissingAndTakeRepairs() {
    station(Station.ARRIVALS);
    settle();
    ListView<?> batches = (ListView<?>) lookup("#batches");
    assertThat(batches.getItems().size()).isGreaterThan(3);
    RoaringBitmap waiting = ArrivalsModel.waiting(collection);
    assertThat(((Label) lookup("#station-arrivals .second")).getText())
        .isEqualTo(String.valueOf(waiting.getCardinality()));
    for (int i = 0; i < batches.getItems().size(); i++) {
      int at = i;
      fx(() -> batches.getSelectionModel().select(at));
      if (lookup("#arrivals-apply").isVisible()) {
        break;
      }
    }
    long before = collection.history().size();
    int repairs = workspace.repairs().proposals().get().size();
    press("arrivals-apply");
    settle();
    assertThat(collection.history().size()).isGreaterThan((int) before);
    assertThat(workspace.repairs().proposals().get().size()).isLessThan(repairs);
  }

  @Test
  void droppedFilesComeInAndMoveIntoPlaceByAPattern() throws Exception {
    Path inbox = Files.createDirectories(folder.resolve("inbox"));
    Path source = collection.state().path(now().tracks(id -> !now().lost(id)).first());
    Path dropped = inbox.resolve("dropped" + source.getFileName());
    Files.copy(source, dropped);
    Files.copy(source, inbox.resolve("beside" + source.getFileName()));
    int count = now().count();
    fx(() -> shell.arriving().bring(List.of(dropped, inbox.resolve("no music.txt"))));
    settle();
    assertThat(now().count()).isEqualTo(count + 1);
    int id = now().tracks().last();
    ListView<?> batches = (ListView<?>) lookup("#batches");
    fx(() -> batches.getSelectionModel().selectLast());
    press("arrivals-move");
    TextField pattern = (TextField) lookup("#move-pattern");
    fx(() -> pattern.setText("{nothing}"));
    assertThat(((Button) lookup("#move-go")).isDisabled()).isTrue();
    fx(() -> pattern.setText("Moved here/{title}"));
    VBox pane = (VBox) pattern.getParent().getParent();
    assertThat(pane.lookupAll(".mono")).isNotEmpty();
    press("move-go");
    settle();
    assertThat(collection.state().path(id).toString()).contains("Moved here");
    assertThat(collection.state().path(id)).exists();
    assertThat(dropped).doesNotExist();
    fx(() -> workspace.undo());
    settle();
    assertThat(dropped).exists();
    RoaringBitmap one = RoaringBitmap.bitmapOf(id);
    collection.apply(
        tenterhook.core.edit.TrackEdits.remove(now(), one), tenterhook.core.job.Progress.SILENT);
    fx(() -> shell.arriving().bring(List.of(inbox.resolve("no music.txt"))));
    assertThat(text("told")).contains("no music");
  }

  @Test
  void whatIsDemandedOfAFinishedTrackIsChosen() {
    station(Station.ARRIVALS);
    settle();
    int before = ArrivalsModel.waiting(collection).getCardinality();
    var menu = (javafx.scene.control.MenuButton) lookup("#arrivals-finished");
    List<javafx.scene.control.MenuItem> items = List.copyOf(menu.getItems());
    for (javafx.scene.control.MenuItem item : items) {
      if (!item.getText().equals("title")) {
        fx(
            () -> {
              ((javafx.scene.control.CheckMenuItem) item).setSelected(false);
              item.fire();
            });
      }
    }
    settle();
    assertThat(ArrivalsModel.demanded(collection).size()).isLessThan(items.size());
    int after = ArrivalsModel.waiting(collection).getCardinality();
    assertThat(after).isLessThan(before);
    fx(
        () ->
            ArrivalsModel.demand(
                workspace, Arrivals.demandedAtFirst(collection.state().codebook())));
    fx(() -> shell.recount());
  }

  @Test
  void aSlowCatalogueHoldsNothingUpAndCanBeStopped() throws Exception {
    try (CatalogueService service = CatalogueService.start(DemoCatalogue.of(100), 0)) {
      service.behave(new Mood(400, 0, 0));
      workspace
          .repairs()
          .use(
              new CatalogueClient(service.address(), CatalogueClient.Manners.NEIGHBOURLY, t -> {}));
      fx(() -> workspace.repairs().lookUp(now().tracks()));
      await(() -> service.asked() > 1);
      Proposal one = of(RepairKind.GENRES).getFirst();
      fx(() -> workspace.repairs().accept(RepairKind.GENRES, List.of(one)));
      await(() -> holds(one));
      assertThat(workspace.jobs()).as("it is still being asked").isNotEmpty();
      fx(() -> workspace.jobs().forEach(RunningJob::stop));
      settle();
      assertThat(service.asked()).isLessThan(now().count());
      assertThat(workspace.jobs()).isEmpty();
      assertThat(holds(one)).isTrue();
    }
  }
}
