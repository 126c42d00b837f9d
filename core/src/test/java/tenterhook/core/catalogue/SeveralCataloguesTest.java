package tenterhook.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Several catalogues answer as one, in order. */
class SeveralCataloguesTest {
  private static CatalogueEntry entry(String id, String title, String album, int year) {
    return new CatalogueEntry(id, "Dova Lintel", title, album, year, "", 1, 2, 200);
  }

  private final CatalogueBook own =
      CatalogueBook.of(
          List.of(entry("a", "Tin Harbour", "Slipway", 1984), entry("b", "Low Lamp", "", 0)));
  private final CatalogueBook other =
      CatalogueBook.of(
          List.of(
              entry("x", "Tin harbour", "Slipway", 1999),
              entry("y", "Tin Harbour", "Parade Sampler", 1991)));

  @Test
  void whatTwoKnowIsBelievedFromTheEarlierAndTheRestOfBothIsHeard() throws Exception {
    List<String> words = List.of("tin", "harbour", "lintel", "low", "lamp");
    assertThat(new SeveralCatalogues(List.of(own, other)).search(words))
        .extracting(CatalogueEntry::id)
        .containsExactly("a", "b", "y");
    assertThat(new SeveralCatalogues(List.of(other, own)).search(words))
        .extracting(CatalogueEntry::id)
        .containsExactlyInAnyOrder("x", "y", "b");
  }

  @Test
  void twoEntriesOfOneCatalogueStayTwo() throws Exception {
    CatalogueBook twice =
        CatalogueBook.of(
            List.of(entry("a", "Tin Harbour", "", 1984), entry("b", "Tin Harbour", "", 1999)));
    assertThat(new SeveralCatalogues(List.of(twice, own)).search(List.of("tin")))
        .extracting(CatalogueEntry::id)
        .containsExactly("a", "b", "a");
  }

  @Test
  void aReleaseIsToldByTheFirstThatKnowsIt() throws Exception {
    SeveralCatalogues both = new SeveralCatalogues(List.of(own, other));
    assertThat(both.album("SLIPWAY", "")).extracting(CatalogueEntry::id).containsExactly("a");
    assertThat(both.album("Parade Sampler", "Dova Lintel"))
        .extracting(CatalogueEntry::id)
        .containsExactly("y");
    assertThat(both.album("Nowhere", "")).isEmpty();
  }

  @Test
  void oneThatDoesNotAnswerLeavesNoHalfAnswer() throws Exception {
    Catalogue silent = mock(Catalogue.class);
    when(silent.search(any())).thenThrow(new Catalogue.Unanswered("out of order"));
    assertThatThrownBy(
            () -> new SeveralCatalogues(List.of(own, silent)).search(List.of("tin", "harbour")))
        .isInstanceOf(Catalogue.Unanswered.class)
        .hasMessageContaining("out of order");
  }
}
