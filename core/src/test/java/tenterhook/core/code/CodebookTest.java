package tenterhook.core.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.core.edit.Holders;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.gig.Gigs;
import tenterhook.core.track.Snapshot;

class CodebookTest {
  private final Codebook book = Tracks.BOOK;

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "long fade /80S/SKA/; long fade; 80S,SKA",
        "/80S/SKA/; ''; 80S,SKA",
        "/SKA/ in front; ' in front'; SKA",
        "before /SKA/ after; before after; SKA",
        "and/or maybe; and/or maybe; ''",
        "http://tape.example/a/b; http://tape.example/a/b; ''",
        "9/10 songs; 9/10 songs; ''",
        "plain words; plain words; ''",
        "/SKAA/; ''; SKAA",
        "/a b/; /a b/; ''"
      })
  void codesAreReadOffAText(String text, String own, String tokens) {
    Notation.Content reading = Notation.DEFAULT.read(text);
    assertThat(String.join(",", reading.tokens())).isEqualTo(tokens);
    assertThat(reading.own()).isEqualTo(own);
  }

  @Test
  void givingWritesInTheOrderOfTheCodebook() {
    assertThat(book.rewritten("long fade", List.of("SKA", "80S"), List.of()))
        .isEqualTo("long fade /80S/SKA/");
  }

  @Test
  void aFacetOfOneCodeReplacesTheOldOne() {
    assertThat(book.rewritten("/80S/SKA/", List.of("90S"), List.of())).isEqualTo("/90S/SKA/");
  }

  @Test
  void aFacetOfManyCodesKeepsTheOthers() {
    assertThat(book.rewritten("/SKA/", List.of("ELC"), List.of())).isEqualTo("/SKA/ELC/");
  }

  @Test
  void takingTheLastCodeRestoresTheOwnWords() {
    assertThat(book.rewritten("long fade /SKA/", List.of(), List.of("SKA"))).isEqualTo("long fade");
    assertThat(book.rewritten("/SKA/", List.of(), List.of("SKA"))).isEmpty();
  }

  @Test
  void straysStayUntilTheyAreTaken() {
    assertThat(book.rewritten("/SKAA/80S/", List.of("SKA"), List.of())).isEqualTo("/80S/SKA/SKAA/");
    assertThat(book.rewritten("/SKAA/80S/", List.of(), List.of("skaa"))).isEqualTo("/80S/");
  }

  @Test
  void lowerCaseInAFileIsTheSameCode() {
    assertThat(book.codesIn("/ska/")).containsExactly("SKA");
    assertThat(book.straysIn("/ska/SKAA/")).containsExactly("SKAA");
  }

  @Test
  void anUnknownCodeIsNotGiven() {
    assertThatThrownBy(() -> book.rewritten("", List.of("XYZ"), List.of()))
        .hasMessageContaining("no code XYZ");
  }

  @Test
  void tokensAreUniqueAcrossFacets() {
    assertThatThrownBy(() -> book.with("Era", f -> f.plus(new Code("ska", ""))))
        .hasMessageContaining("SKA already");
  }

  @Test
  void facetsMayNotBeNamedLikeFields() {
    Facet year = new Facet("Year", "", false, false, List.of());
    assertThatThrownBy(() -> book.plus(year)).hasMessageContaining("name of a field");
    Facet twice = new Facet("era", "", false, false, List.of());
    assertThatThrownBy(() -> book.plus(twice)).hasMessageContaining("already");
  }

  @ParameterizedTest
  @CsvSource({"'',x", "A B,x", "A/B,x", "ABCDEFGHIJKLM,x"})
  void tokensHaveNoBlanksAndStrokes(String token, String meaning) {
    assertThatThrownBy(() -> new Code(token, meaning)).hasMessageContaining("1 to 12");
  }

  @Test
  void codesNeedATextField() {
    assertThatThrownBy(() -> new Notation("year")).hasMessageContaining("text field");
    assertThatThrownBy(() -> new Notation("path")).hasMessageContaining("text field");
    assertThat(new Notation("grouping").target()).isEqualTo(Fields.GROUPING);
  }

  @Seeded
  void ownWordsSurviveGivingAndTaking(long block) {
    Seeds.each(
        block,
        300,
        random -> {
          String own = words(random);
          List<String> tokens = tokens(random);
          String given = book.rewritten(own, tokens, List.of());
          assertThat(book.codesIn(given)).containsAll(book.codesIn(own));
          String taken = book.rewritten(given, List.of(), book.tokens());
          assertThat(taken).isEqualTo(book.rewritten(own, List.of(), book.tokens()));
          assertThat(book.codesIn(taken)).isEmpty();
        });
  }

  @Seeded
  void whatIsWrittenIsReadBack(long block) {
    Seeds.each(
        block,
        300,
        random -> {
          String own = words(random);
          List<String> tokens = tokens(random);
          String text = Notation.DEFAULT.write(own, tokens.stream().distinct().toList());
          assertThat(Notation.DEFAULT.read(text).tokens())
              .containsExactlyElementsOf(tokens.stream().distinct().toList());
          assertThat(Notation.DEFAULT.read(text).own()).isEqualTo(own);
        });
  }

  private static String words(Random random) {
    return Seeds.text(random, 0, 20, "ab Öя漢,.;-");
  }

  private static List<String> tokens(Random random) {
    return Seeds.list(random, 0, 4, r -> Seeds.any(r, "80S", "90S", "SKA", "ELC", "TRN"));
  }

  private final Snapshot snapshot =
      Tracks.none()
          .with("comment=one /80S/SKA/")
          .with("comment=two")
          .with("comment=/SKA/SKAA/")
          .with("comment=/SKAA/")
          .snapshot();

  @Test
  void renamingReachesEveryFileThatCarriesTheCode() {
    Change change =
        CodebookEdits.rename(snapshot, book, new Holders(Crates.NONE, Gigs.NONE), "ska", "SKK");
    assertThat(change.edits()).hasSize(3);
    assertThat(change.tracks()).isEqualTo(Tracks.ids(1, 3));
    assertThat(change.edits().get(1))
        .isEqualTo(new Edit.SetField(1, Fields.COMMENT, "one /80S/SKA/", "one /80S/SKK/"));
    assertThat(((Edit.SetCodebook) change.edits().getFirst()).after().known("SKK")).isPresent();
  }

  @Test
  void renamingToATakenCodeIsRefused() {
    assertThatThrownBy(
            () ->
                CodebookEdits.rename(
                    snapshot, book, new Holders(Crates.NONE, Gigs.NONE), "SKA", "ELC"))
        .hasMessageContaining("ELC already");
    assertThatThrownBy(
            () ->
                CodebookEdits.rename(
                    snapshot, book, new Holders(Crates.NONE, Gigs.NONE), "NON", "X"))
        .hasMessageContaining("no code NON");
  }

  @Test
  void aRenamedFacetIsFollowedByRules() {
    Rule.Line line = new Rule.Line(new Condition("Style", new Condition.Missing()));
    Crates crates =
        Crates.NONE.plus(
            "Rink", new Crate.RuleCrate("Bare", new Rule.RuleGroup(Rule.Kind.ALL, List.of(line))));
    Change change =
        CodebookEdits.renameFacet(book, new Holders(crates, Gigs.NONE), "style", "Kind");
    Edit.SetCrates followed = (Edit.SetCrates) change.edits().get(1);
    Crate.RuleCrate bare = (Crate.RuleCrate) followed.after().crate("Bare").orElseThrow();
    assertThat(Rule.lines(bare.rule()).getFirst().text()).isEqualTo("missing:Kind");
    assertThatThrownBy(
            () -> CodebookEdits.renameFacet(book, new Holders(crates, Gigs.NONE), "Era", "Year"))
        .hasMessageContaining("name of a field");
    assertThatThrownBy(
            () -> CodebookEdits.renameFacet(book, new Holders(crates, Gigs.NONE), "Gone", "X"))
        .hasMessageContaining("no facet");
  }

  @Test
  void codesMoveToAnotherFieldAndOwnWordsStay() {
    Change change = CodebookEdits.write(snapshot, book, book.notation().in("grouping"));
    assertThat(change.edits())
        .contains(new Edit.SetField(1, Fields.COMMENT, "one /80S/SKA/", "one"))
        .contains(new Edit.SetField(1, Fields.GROUPING, "", "/80S/SKA/"))
        .doesNotContain(new Edit.SetField(2, Fields.COMMENT, "two", "two"));
    assertThat(((Edit.SetCodebook) change.edits().getFirst()).after().notation().field())
        .isEqualTo("grouping");
    assertThatThrownBy(() -> CodebookEdits.write(snapshot, book, book.notation().in("year")))
        .hasMessageContaining("text field");
    assertThat(CodebookEdits.write(snapshot, book, book.notation().in("comment")).edits())
        .hasSize(1);
  }

  @Test
  void removingTakesTheCodeOutOfFiles() {
    Change change = CodebookEdits.remove(snapshot, book, "SKA");
    assertThat(change.edits())
        .contains(new Edit.SetField(1, Fields.COMMENT, "one /80S/SKA/", "one /80S/"))
        .contains(new Edit.SetField(3, Fields.COMMENT, "/SKA/SKAA/", "/SKAA/"));
  }

  @Test
  void aStrayBecomesItsCodeOnce() {
    Change change = CodebookEdits.map(snapshot, book, "SKAA", "SKA");
    assertThat(change.edits())
        .containsExactly(
            new Edit.SetField(3, Fields.COMMENT, "/SKA/SKAA/", "/SKA/"),
            new Edit.SetField(4, Fields.COMMENT, "/SKAA/", "/SKA/"));
  }

  @Test
  void straysAreListedWithTheirTracks() {
    Map<String, RoaringBitmap> strays = CodebookEdits.strays(snapshot);
    assertThat(strays).containsOnlyKeys("SKAA");
    assertThat(strays.get("SKAA")).isEqualTo(Tracks.ids(3, 4));
  }

  @Test
  void derivedFieldsFollowTheText() {
    assertThat(snapshot.value(1, Fields.CODES)).contains(List.of("80S", "SKA"));
    assertThat(snapshot.value(2, Fields.CODES)).isEmpty();
    assertThat(snapshot.value(3, Fields.STRAYS)).contains(List.of("SKAA"));
    assertThat(snapshot.raw(1, Fields.FOLDER)).isEqualTo("Rink/Doors");
  }
}
