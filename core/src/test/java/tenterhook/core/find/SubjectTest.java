package tenterhook.core.find;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Tracks;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Notation;
import tenterhook.core.crate.Rule;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

class SubjectTest {
  private static final Facet MOOD =
      new Facet("Mood", "", true, false, List.of(new Code("HPY", "happy")));
  private static final Codebook WITH_MOOD = new Codebook(List.of(MOOD), Notation.DEFAULT);

  private final Snapshot tagged =
      Tracks.none()
          .with("title=Cold Lamps", "mood=HPY tune", "comment=none")
          .with("title=Tin Rail", "mood=calm", "comment=/HPY/")
          .snapshot();
  private final Snapshot snapshot = Derived.refreshed(tagged, WITH_MOOD, tagged.known());

  @Test
  void aFacetThatWasThereBeforeTheFieldKeepsItsName() {
    assertThat(found("mood:HPY", WITH_MOOD)).isEqualTo(Tracks.ids(2));
    assertThat(found("mood:HPY", Codebook.EMPTY)).isEqualTo(Tracks.ids(1));
    assertThat(found("missing:mood", WITH_MOOD)).isEqualTo(Tracks.ids(1));
    assertThat(found("missing:mood", Codebook.EMPTY)).isEqualTo(Tracks.ids());
  }

  @Test
  void aRuleThatIsReadBeforeTheCodebookMeansTheSame() {
    Parsed.Good early = (Parsed.Good) FindParser.parseAnyFacet("mood:HPY");
    Parsed.Good late = (Parsed.Good) FindParser.parse("MOOD:HPY", Codebook.EMPTY);
    assertThat(Rule.of(early.query())).isEqualTo(Rule.of(late.query()));
    assertThat(finder(WITH_MOOD).find(early.query())).isEqualTo(Tracks.ids(2));
    assertThat(finder(WITH_MOOD).holds(early.query(), 2)).isTrue();
    assertThat(finder(Codebook.EMPTY).holds(early.query(), 2)).isFalse();
  }

  @Test
  void noNewFacetTakesTheNameOfAField() {
    for (Field<?> field : Fields.all()) {
      Facet facet = new Facet(field.label(), "", true, false, List.of());
      assertThatThrownBy(() -> Codebook.EMPTY.plus(facet))
          .as(field.key())
          .hasMessageContaining("is the name of a field");
      if (!field.givesWay()) {
        List<Facet> facets = List.of(facet);
        assertThatThrownBy(() -> new Codebook(facets, Notation.DEFAULT))
            .as(field.key())
            .hasMessageContaining("is the name of a field");
      }
    }
  }

  @ParameterizedTest
  @EnumSource
  void noFacetTakesTheNameOfAnotherSubject(Subject.Own subject) {
    List<Facet> facets = List.of(new Facet(subject.key(), "", true, false, List.of()));
    assertThatThrownBy(() -> new Codebook(facets, Notation.DEFAULT))
        .isInstanceOf(IllegalArgumentException.class);
    assertThat(Subject.named(subject.name())).isEqualTo(subject);
  }

  private RoaringBitmap found(String text, Codebook codebook) {
    Parsed.Good good = (Parsed.Good) FindParser.parse(text, codebook);
    return finder(codebook).find(good.query());
  }

  private Finder finder(Codebook codebook) {
    return new Finder(snapshot, codebook, NamedLists.NONE, LocalDate.of(2026, 11, 28));
  }
}
