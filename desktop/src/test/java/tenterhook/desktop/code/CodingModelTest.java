package tenterhook.desktop.code;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Crates;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.Gigs;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.demo.DemoCollection;

class CodingModelTest {
  private final Codebook book = DemoCollection.codebook();
  private final CollectionState state = state();

  private CollectionState state() {
    Snapshot plain =
        Snapshot.empty()
            .with(
                List.of(
                    new Cell(1, Fields.COMMENT, "/80S/SKA/LAP/DRS/"),
                    new Cell(2, Fields.COMMENT, "note /SKA/"),
                    new Cell(3, Fields.COMMENT, "")));
    return new CollectionState(
        Derived.refreshed(plain, book, plain.known()), book, Crates.NONE, Gigs.NONE, Map.of());
  }

  @Test
  void everyCodeHasAKeyOfItsOwn() {
    Map<String, Character> keys = CodingModel.keys(book);
    assertThat(keys.keySet()).containsExactlyInAnyOrderElementsOf(book.tokens());
    assertThat(new HashSet<>(keys.values())).hasSameSizeAs(keys.values());
    assertThat(keys.get("60S")).isEqualTo('q');
    assertThat(keys.get("SKA")).isEqualTo('a');
    assertThat(keys.get("GLD")).isEqualTo('z');
  }

  @Test
  void togglingGivesUntilAllCarryItThenTakes() {
    RoaringBitmap both = RoaringBitmap.bitmapOf(1, 3);
    assertThat(CodingModel.toggle(state, both, "SKA").edits())
        .containsExactly(new Edit.SetField(3, Fields.COMMENT, "", "/SKA/"));
    assertThat(CodingModel.toggle(state, RoaringBitmap.bitmapOf(1, 2), "SKA").edits())
        .containsExactly(
            new Edit.SetField(1, Fields.COMMENT, "/80S/SKA/LAP/DRS/", "/80S/LAP/DRS/"),
            new Edit.SetField(2, Fields.COMMENT, "note /SKA/", "note"));
  }

  @Test
  void sameAsLastGivesTheCodesOfAnotherTrack() {
    assertThat(CodingModel.sameAs(state, RoaringBitmap.bitmapOf(2), 1).edits())
        .containsExactly(
            new Edit.SetField(2, Fields.COMMENT, "note /SKA/", "note /80S/SKA/LAP/DRS/"));
  }

  @Test
  void whatWaitsLacksADemandedFacet() {
    assertThat(CodingModel.waiting(state)).isEqualTo(RoaringBitmap.bitmapOf(2, 3));
  }

  @Test
  void carriersAndCountsAreReal() {
    assertThat(CodingModel.carriers(state.snapshot(), RoaringBitmap.bitmapOf(1, 2, 3), "SKA"))
        .isEqualTo(2);
    assertThat(CodingModel.counts(state))
        .containsEntry("SKA", 2)
        .containsEntry("80S", 1)
        .containsEntry("VOX", 0);
  }

  @ParameterizedTest
  @CsvSource({"SKAA,SKA", "LPA,LAP", "SK,SKA", "WLD,", "ZZZZ,"})
  void aStrayNearACodeIsProbablyThatCode(String stray, String code) {
    assertThat(CodingModel.meant(book, stray)).isEqualTo(java.util.Optional.ofNullable(code));
  }
}
