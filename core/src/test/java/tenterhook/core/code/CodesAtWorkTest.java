package tenterhook.core.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.NeverPlay;
import tenterhook.core.crate.Rule;
import tenterhook.core.derived.Derived;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.core.edit.DerivedCodes;
import tenterhook.core.edit.Holders;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Finder;
import tenterhook.core.find.NamedLists;
import tenterhook.core.gig.Evening;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.Gigs;
import tenterhook.core.track.Snapshot;

/** Suggestions, derived codes, clashes, and edits of the codebook that reach into files. */
class CodesAtWorkTest {
  private final Codebook book = Tracks.BOOK;

  private static Holders asking(String subject, String... tokens) {
    List<Condition.Value> values =
        List.of(tokens).stream().map(t -> (Condition.Value) new Condition.Part(t)).toList();
    Rule.Line line = new Rule.Line(new Condition(subject, new Condition.AnyOf(values)));
    Rule.RuleGroup rule = new Rule.RuleGroup(Rule.Kind.ALL, List.of(line));
    Evening evening = Evening.on(LocalDate.EPOCH, LocalTime.NOON, LocalTime.MIDNIGHT);
    GigPart part = GigPart.of("Part", 1).filledBy(Optional.of(rule), List.of());
    return new Holders(
        Crates.NONE.plus("Shelf", new Crate.RuleCrate("Rule", rule)),
        Gigs.NONE.plus(
            Gig.of("Gig", evening)
                .with(NeverPlay.NOTHING.plus(line))
                .withParts(List.of(GigPart.of("Outer", 0).withParts(List.of(part))))));
  }

  /** What the crate's rule asks by then; the gig asks the same in its part and in never-play. */
  private static String rule(Change change) {
    String asked =
        change.edits().stream()
            .filter(Edit.SetCrates.class::isInstance)
            .map(e -> ((Edit.SetCrates) e).after().crate("Rule").orElseThrow())
            .map(c -> Rule.lines(((Crate.RuleCrate) c).rule()).getFirst().text())
            .findFirst()
            .orElse("as it was");
    Gig gig =
        change.edits().stream()
            .filter(Edit.SetGigs.class::isInstance)
            .map(e -> ((Edit.SetGigs) e).after().named("Gig").orElseThrow())
            .findFirst()
            .orElseThrow();
    assertThat(gig.never().lines()).extracting(Rule.Line::text).containsExactly(asked);
    assertThat(Rule.lines(gig.part("Part").flatMap(GigPart::rule).orElseThrow()))
        .extracting(Rule.Line::text)
        .containsExactly(asked);
    return asked;
  }

  private static Codebook after(Change change) {
    return ((Edit.SetCodebook) change.edits().getFirst()).after();
  }

  private static Map<Integer, String> written(Change change) {
    return change.edits().stream()
        .filter(Edit.SetField.class::isInstance)
        .map(e -> (Edit.SetField) e)
        .collect(java.util.stream.Collectors.toMap(Edit.SetField::id, Edit.SetField::after));
  }

  private final Snapshot coded =
      Tracks.none()
          .with("comment=fade /SKA/ELC/")
          .with("comment=/80S/ELC/")
          .with("comment=/SKA/")
          .snapshot();

  @Test
  void mergingRewritesFilesAndRulesAndReadsTheOldTokenFromThenOn() {
    Change change = CodebookEdits.merge(coded, book, asking("Style", "ELC", "SKA"), "elc", "SKA");
    assertThat(written(change))
        .containsExactlyInAnyOrderEntriesOf(Map.of(1, "fade /SKA/", 2, "/80S/SKA/"));
    assertThat(rule(change)).isEqualTo("Style:SKA");
    assertThat(after(change).codesIn("/elc/")).containsExactly("SKA");
    assertThat(after(change).straysIn("/elc/")).isEmpty();
    assertThat(after(change).tokens()).doesNotContain("ELC");
    assertThatThrownBy(() -> after(change).with("Era", f -> f.plus(new Code("ELC", ""))))
        .hasMessageContaining("ELC already");
    assertThatThrownBy(
            () ->
                CodebookEdits.merge(coded, book, new Holders(Crates.NONE, Gigs.NONE), "SKA", "ska"))
        .hasMessageContaining("one code already");
  }

  @Test
  void splittingGivesChosenTracksTheNewCode() {
    Change change =
        CodebookEdits.split(coded, book, "ELC", new Code("ACD", "acid"), Tracks.ids(2, 3));
    assertThat(written(change)).containsExactlyEntriesOf(Map.of(2, "/80S/ACD/"));
    assertThat(after(change).facet("Style").orElseThrow().codes())
        .extracting(Code::token)
        .containsExactly("SKA", "ELC", "ACD");
  }

  @Test
  void aMovedCodeIsAskedForInItsNewFacet() {
    Change change = CodebookEdits.move(coded, book, asking("Style", "SKA"), "SKA", "Use");
    assertThat(rule(change)).isEqualTo("Use:SKA");
    assertThat(written(change)).containsExactlyEntriesOf(Map.of(1, "fade /ELC/SKA/"));
    Change several = CodebookEdits.move(coded, book, asking("Style", "SKA", "ELC"), "SKA", "Use");
    assertThat(rule(several)).isEqualTo("code:SKA|ELC");
    assertThat(rule(CodebookEdits.rename(coded, book, asking("code", "SKA"), "SKA", "SKK")))
        .isEqualTo("code:SKK");
  }

  @Test
  void derivedCodesFillWhatTheDjLeftOpen() {
    Codebook ruled = book.withCode("80S", c -> c.by("year:1980..1989"));
    Snapshot snapshot =
        Tracks.none()
            .with("year=1984")
            .with("year=1984", "comment=/90S/")
            .with("year=1994")
            .snapshot();
    Finder finder = new Finder(snapshot, ruled, NamedLists.NONE, LocalDate.of(2026, 11, 24));
    DerivedCodes derived = new DerivedCodes(snapshot, ruled, finder);
    assertThat(derived.of(1)).containsExactly("80S");
    assertThat(derived.of(2)).isEmpty();
    assertThat(derived.of(3)).isEmpty();
    assertThat(written(derived.write(Tracks.ids(1, 2, 3))))
        .containsExactlyEntriesOf(Map.of(1, "/80S/"));
  }

  @Test
  void aPlainSearchForOneCodeMustNotFindAnother() {
    Codebook plain =
        book.with("Style", f -> f.plus(new Code("SKAB", "ska band")))
            .with(new Notation("comment", Notation.Style.SEPARATED, false, false, false));
    Snapshot raw =
        Tracks.none()
            .with("comment=SKA")
            .with("comment=fade | SKAB")
            .with("title=Skating away")
            .snapshot();
    Snapshot snapshot = Derived.refreshed(raw, plain, raw.known());
    Clashes clashes = new Clashes(snapshot, plain);
    assertThat(clashes.all()).extracting(Clashes.Clash::token).containsExactly("SKA");
    Clashes.Clash clash = clashes.all().getFirst();
    assertThat(clash.hits()).containsExactlyInAnyOrderEntriesOf(Map.of("code SKAB", 1, "title", 1));
    assertThat(clash.tracks()).isEqualTo(Tracks.ids(2, 3));
    assertThat(clashes.otherTokens("SKA")).isNotEmpty().doesNotContain("SKA", "SKAB");
    assertThat(clashes.byStyle())
        .containsEntry(Notation.Style.WRAPPED, 0)
        .containsEntry(Notation.Style.SEPARATED, 1);
  }

  @Test
  void likelyCodesComeFromTheMostAlikeTracks() {
    Tracks tracks = Tracks.none();
    for (int i = 0; i < 12; i++) {
      boolean ska = i % 2 == 0;
      tracks.with(
          "genre=" + (ska ? "Ska" : "Electro"),
          "bpm=" + (ska ? 170 + i : 118 + i),
          "artist=" + (ska ? "The Gannet Sisters" : "Brisk Meridian"),
          "comment=" + (ska ? "/SKA/" : "/ELC/"));
    }
    tracks.with("genre=ska", "bpm=172").with("title=nothing known");
    Snapshot snapshot = tracks.snapshot();
    Suggestions suggestions = new Suggestions(snapshot, book);
    assertThat(suggestions.of(13))
        .singleElement()
        .satisfies(s -> assertThat(s.code()).isEqualTo("SKA"))
        .satisfies(s -> assertThat(s.like()).isGreaterThanOrEqualTo(6));
    assertThat(suggestions.of(14)).isEmpty();
    assertThat(suggestions.of(1)).isEmpty();
    Suggestions.Rate rate = suggestions.rates().get(1);
    assertThat(rate).isEqualTo(new Suggestions.Rate("Style", 12, 12, 12, 6));
    assertThat(snapshot.value(13, Fields.CODES)).isEmpty();
  }

  @Test
  void aRetiredCodeIsReadAndNoLongerGiven() {
    Facet style = book.withCode("SKA", c -> c.retired(true)).facet("Style").orElseThrow();
    assertThat(style.given()).extracting(Code::token).containsExactly("ELC");
    assertThat(style.code("ska")).isPresent();
  }
}
