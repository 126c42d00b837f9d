package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.crate.Crate;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindText;
import tenterhook.core.track.ItemKind;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.code.CodingModel;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Station;

/** The codebook by the DJ's hand: each change reaches files, rules and keys, and is taken back. */
class CodebookTest extends WindowTest {
  @BeforeEach
  void codebook() {
    station(Station.CODING);
    chooseIn("coding-choice", 1);
    settle();
  }

  @AfterEach
  void workspace() {
    chooseIn("coding-choice", 0);
  }

  private Codebook book() {
    return collection.state().codebook();
  }

  private Code code(String token) {
    return book().facetOf(token).flatMap(f -> f.code(token)).orElseThrow();
  }

  private long carriers(String token) {
    return now()
        .tracks(i -> now().value(i, Fields.CODES).orElse(List.of()).contains(token))
        .getLongCardinality();
  }

  private MenuItem item(String button, String key) {
    MenuButton menu = (MenuButton) lookup("#" + button);
    return menu.getItems().stream()
        .filter(i -> Words.of(key).equals(i.getText()))
        .findFirst()
        .orElseThrow();
  }

  private void choose(String button, String key) {
    MenuItem item = item(button, key);
    fx(item::fire);
  }

  @Test
  void aCodeIsRenamedInFilesAndRules() {
    long before = carriers("SKA");
    choose("entry-SKA", "codebook.rename");
    answer("RUD");
    assertThat(carriers("RUD")).isPositive().isLessThanOrEqualTo(before);
    Crate.RuleCrate rule =
        (Crate.RuleCrate) collection.state().crates().crate("Fast laps").orElseThrow();
    assertThat(FindText.write(rule.rule().query())).contains("Style:RUD|ELC").doesNotContain("SKA");
    choose("entry-ELC", "codebook.rename");
    answer("RUD");
    assertThat(text("told")).contains("RUD already");
  }

  @Test
  void meaningsSynonymsKeysAndRulesAreWordsThatMayBeEmpty() {
    choose("entry-DUB", "codebook.meaning");
    answer("echo and space");
    choose("entry-DUB", "codebook.synonyms");
    answer("DUBB ECHO");
    choose("entry-DUB", "codebook.key");
    answer("7");
    assertThat(code("DUB").meaning()).isEqualTo("echo and space");
    assertThat(code("echo").token()).isEqualTo("DUB");
    choose("entry-DUB", "codebook.synonyms");
    answer("");
    assertThat(code("DUB").synonyms()).isEmpty();
    choose("entry-DUB", "codebook.key");
    answer("p");
    assertThat(CodingModel.keys(book())).containsEntry("DUB", 'p');
    choose("entry-60S", "codebook.rule");
    answer("nofield:x");
    assertThat(text("told")).contains("no field or facet");
    choose("entry-60S", "codebook.rule");
    answer("");
    assertThat(code("60S").rule()).isEmpty();
  }

  @Test
  void aRetiredCodeHasNoKeyAndIsStillRead() {
    long before = carriers("GAR");
    choose("entry-GAR", "codebook.retire");
    settle();
    assertThat(CodingModel.keys(book())).doesNotContainKey("GAR");
    assertThat(carriers("GAR")).isEqualTo(before);
    choose("entry-GAR", "codebook.giveAgain");
    settle();
    assertThat(CodingModel.keys(book())).containsKey("GAR");
  }

  @Test
  void someTracksOfACodeGetANewOne() {
    long before = carriers("SKA");
    choose("entry-SKA", "codebook.split");
    answer("OLD missing:nothing");
    assertThat(text("told")).contains("no field or facet");
    choose("entry-SKA", "codebook.split");
    answer("SKB not file:lost");
    assertThat(carriers("SKB")).isPositive();
    assertThat(carriers("SKB") + carriers("SKA")).isEqualTo(before);
    Facet style = book().facet("Style").orElseThrow();
    List<String> tokens = style.codes().stream().map(Code::token).toList();
    assertThat(tokens.indexOf("SKB")).isEqualTo(tokens.indexOf("SKA") + 1);
  }

  @Test
  void twoCodesBecomeOneAfterALook() {
    long both = carriers("DUB");
    Menu merge = (Menu) item("entry-DUB", "codebook.merge");
    MenuItem into =
        merge.getItems().stream().filter(i -> i.getText().equals("SKA")).findFirst().orElseThrow();
    fx(into::fire);
    assertThat(carriers("DUB")).as("nothing before the answer").isEqualTo(both);
    press("answer");
    settle();
    assertThat(book().known("DUB")).contains("SKA");
    assertThat(lookup("#entry-DUB")).isNull();
  }

  @Test
  void facetsAndCodesChangePlacesAndManners() {
    String first = book().facets().getFirst().name();
    choose("more-" + first, "codebook.down");
    settle();
    assertThat(book().facets().get(1).name()).isEqualTo(first);
    choose("entry-SKA", "codebook.backward");
    settle();
    assertThat(book().facet("Style").orElseThrow().codes().get(1).token()).isEqualTo("SKA");
    choose("more-Style", "codebook.question");
    answer("");
    assertThat(book().facet("Style").orElseThrow().question()).isEmpty();
    boolean demanded = book().facet("Voice").orElseThrow().demanded();
    CheckBox box =
        lookupAll("#codebook .check-box").stream()
            .map(CheckBox.class::cast)
            .filter(b -> b.getText().equals(Words.of("codebook.demanded")))
            .skip(book().facets().indexOf(book().facet("Voice").orElseThrow()))
            .findFirst()
            .orElseThrow();
    fx(box::fire);
    settle();
    assertThat(book().facet("Voice").orElseThrow().demanded()).isNotEqualTo(demanded);
  }

  @Test
  void codesAreWrittenByTheAlphabetAfterALook() {
    MenuButton order = (MenuButton) lookup("#notation-order");
    fx(() -> ((CheckMenuItem) order.getItems().getFirst()).setSelected(true));
    fx(() -> order.getItems().getFirst().fire());
    assertThat(((Button) lookup("#answer")).getText()).startsWith("Rewrite ");
    press("answer");
    settle();
    assertThat(book().notation().alphabetical()).isTrue();
    now()
        .tracks(i -> !now().lost(i) && now().value(i, Fields.CODES).orElse(List.of()).size() > 1)
        .forEach(
            (int id) -> {
              List<String> tokens = book().notation().read(now().raw(id, Fields.COMMENT)).tokens();
              assertThat(tokens).isSortedAccordingTo(String::compareToIgnoreCase);
            });
  }

  @Test
  void figuresAreSeenOnATrackWrittenBehindCodesAndFollow() {
    Snapshot before = now();
    TextField template = (TextField) lookup("#figures-template");
    fx(template::requestFocus);
    fx(() -> template.setText("{bpm} {nothing}"));
    settle();
    assertThat(((Label) lookup("#figures-example")).getText()).contains("{nothing} is no figure");
    assertThat(lookup("#figures-write").isDisabled()).isTrue();
    fx(() -> template.setText(""));
    MenuButton insert = (MenuButton) lookup("#figures-insert");
    insert.getItems().stream()
        .filter(i -> i.getText().equals("bpm") || i.getText().equals("rating"))
        .forEach(i -> fx(i::fire));
    settle();
    assertThat(template.getText()).isEqualTo("{bpm} {rating}");
    assertThat(((Label) lookup("#figures-example")).getText()).contains(" will read: ");
    key(KeyCode.ENTER);
    settle();
    assertThat(book().notation().figures().template()).isEqualTo("{bpm} {rating}");
    int id =
        now()
            .tracks(
                i ->
                    !now().lost(i)
                        && now().raw(i, Fields.GUARDED).isEmpty()
                        && now().value(i, Fields.CODES).isPresent()
                        && now().value(i, Fields.BPM).isPresent())
            .first();
    String figures = before.raw(id, Fields.COMMENT);
    assertThat(now().raw(id, Fields.COMMENT)).startsWith(figures).contains(" [");
    RoaringBitmap one = RoaringBitmap.bitmapOf(id);
    fx(() -> workspace.apply(TrackEdits.set(now(), one, Map.of(Fields.RATING, "5"))));
    settle();
    assertThat(now().raw(id, Fields.COMMENT)).startsWith(figures).endsWith(" 5]");
    fx(() -> lookup("#add-facet").requestFocus());
    control(KeyCode.Z);
    settle();
    control(KeyCode.Z);
    settle();
    assertThat(now().raw(id, Fields.COMMENT)).isEqualTo(figures);
    assertThat(book().notation().figures().on()).isFalse();
  }

  @Test
  void whatIsALoopIsSettledByARuleAndKeptOutOfCrates() {
    TextField rule = (TextField) lookup("#kind-loop");
    Button count = (Button) lookup("#kind-count-loop");
    String before = rule.getText();
    fx(rule::requestFocus);
    fx(() -> rule.setText("crate:Pairs"));
    key(KeyCode.ENTER);
    assertThat(rule.getStyleClass()).contains("wrong");
    assertThat(book().kinds().rule(ItemKind.LOOP)).isEqualTo(before);
    fx(() -> rule.setText("code:DUB"));
    key(KeyCode.ENTER);
    settle();
    RoaringBitmap loops = now().tracks(i -> now().raw(i, Fields.KIND).equals("loop"));
    assertThat(loops.getCardinality()).isEqualTo((int) carriers("DUB")).isPositive();
    assertThat(count.getText()).isEqualTo(loops.getCardinality() + " items");
    collection.state().crates().all().stream()
        .filter(Crate.RuleCrate.class::isInstance)
        .forEach(
            c ->
                assertThat(collection.contents().members(c.name()))
                    .get()
                    .matches(in -> !RoaringBitmap.intersects(in, loops), c.name()));
    fx(count::fire);
    settle();
    assertThat(RoaringBitmap.bitmapOf(pane().rows().stream().mapToInt(i -> i).toArray()))
        .isEqualTo(loops);
    key(KeyCode.ESCAPE);
    settle();
    control(KeyCode.Z);
    settle();
    assertThat(book().kinds().rule(ItemKind.LOOP)).isEqualTo(before);
    assertThat(now().tracks(i -> now().raw(i, Fields.KIND).equals("loop")).isEmpty()).isTrue();
  }
}
