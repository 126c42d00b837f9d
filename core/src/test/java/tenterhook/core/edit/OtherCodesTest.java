package tenterhook.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Notation;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** Codes from elsewhere, strays, and the order of the codebook. */
class OtherCodesTest {
  private final Snapshot snapshot =
      Tracks.none()
          .with("grouping=Electro, gate four; ska", "comment=long fade /80S/")
          .with("grouping=ska")
          .with("grouping=wait for it", "comment=/SKA/")
          .with("genre=x", "comment=~ska own words ~Electro")
          .snapshot();

  /** What a change writes, as {@code 1 comment}. */
  private static Map<String, String> written(Change change) {
    return change.edits().stream()
        .map(Edit.SetField.class::cast)
        .collect(Collectors.toMap(e -> e.id() + " " + e.field().key(), Edit.SetField::after));
  }

  @Test
  void wordsAreCountedAndMatchedByTokenSynonymOrMeaning() {
    OtherCodes words = OtherCodes.words(snapshot, Tracks.BOOK, Fields.GROUPING);
    assertThat(words.found().keySet())
        .startsWith("ska")
        .containsExactlyInAnyOrder("ska", "Electro", "gate four", "wait for it");
    assertThat(words.found().get("ska")).isEqualTo(Tracks.ids(1, 2));
    assertThat(words.meant("ska")).contains("SKA");
    assertThat(words.meant("Nineties")).contains("90S");
    assertThat(words.meant("wait for it")).isEmpty();
  }

  @Test
  void codesAreBroughtOverAndOtherWordsStay() {
    OtherCodes words = OtherCodes.words(snapshot, Tracks.BOOK, Fields.GROUPING);
    Map<String, String> codes = Map.of("ska", "SKA", "Electro", "ELC");
    assertThat(written(words.brought(codes, false)))
        .containsExactlyInAnyOrderEntriesOf(
            Map.of(
                "1 grouping", "gate four",
                "1 comment", "long fade /80S/SKA/ELC/",
                "2 grouping", "",
                "2 comment", "/SKA/"));
    assertThat(written(words.brought(codes, true)).keySet())
        .containsExactlyInAnyOrder("1 comment", "2 comment");
    assertThat(words.brought(Map.of(), false).isEmpty()).isTrue();
    assertThatThrownBy(() -> words.brought(Map.of("ska", "NOPE"), false))
        .hasMessageContaining("no code NOPE");
  }

  @Test
  void anotherNotationInTheSameFieldIsReadToo() {
    OtherCodes marked =
        OtherCodes.in(
            snapshot,
            Tracks.BOOK,
            new Notation("comment", Notation.Style.PREFIXED, false, false, false));
    assertThat(written(marked.brought(Map.of("ska", "SKA"), false)))
        .containsExactlyEntriesOf(Map.of("4 comment", "own words ~Electro /SKA/"));
  }

  @Test
  void straysAreMendedAllAtOnceAdoptedOrLeftAlone() {
    Snapshot some =
        Tracks.none()
            .with("comment=/SKKA/80S/")
            .with("comment=/ELCC/")
            .with("comment=/LOUD/")
            .snapshot();
    Change mend = CodebookEdits.map(some, Tracks.BOOK, Map.of("SKKA", "SKA", "ELCC", "ELC"));
    assertThat(written(mend))
        .containsExactlyInAnyOrderEntriesOf(Map.of("1 comment", "/SKA/80S/", "2 comment", "/ELC/"));
    Change adopt = CodebookEdits.adopt(Tracks.BOOK, "LOUD", "Style");
    Codebook grown = ((Edit.SetCodebook) adopt.edits().getFirst()).after();
    assertThat(grown.known("loud")).contains("LOUD");
    assertThatThrownBy(() -> CodebookEdits.adopt(Tracks.BOOK, "LOUD", "Mood"))
        .hasMessageContaining("no facet 'Mood'");
    Codebook deaf =
        ((Edit.SetCodebook) CodebookEdits.ignore(Tracks.BOOK, "loud", true).edits().getFirst())
            .after();
    assertThat(deaf.straysIn("/LOUD/QUIET/")).containsExactly("QUIET");
    assertThat(deaf.rewritten("/LOUD/", List.of("SKA"), List.of())).isEqualTo("/SKA/LOUD/");
    assertThat(deaf.ignoring("LOUD", false)).isEqualTo(Tracks.BOOK);
  }

  @Test
  void facetsAndCodesChangePlaces() {
    assertThat(Tracks.BOOK.moved("Use", -5).facets())
        .extracting(Facet::name)
        .containsExactly("Use", "Era", "Style");
    assertThat(Tracks.BOOK.with("Style", f -> f.moved("SKA", 1)).tokens())
        .containsExactly("80S", "90S", "ELC", "SKA", "TRN");
    assertThatThrownBy(() -> Tracks.BOOK.moved("Mood", 1)).hasMessageContaining("no facet 'Mood'");
  }
}
