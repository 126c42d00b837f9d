package tenterhook.core.merge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.CodebookMerge;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Notation;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.CratesMerge;

class ThreeWayTest {
  private static Crates shelf(Crate... crates) {
    Crates all = Crates.NONE;
    for (Crate crate : crates) {
      all = all.plus("Rink", crate);
    }
    return all;
  }

  private static Crate hand(String name, Integer... tracks) {
    return new Crate.HandCrate(name, List.of(tracks));
  }

  private static List<String> names(Crates crates) {
    return crates.all().stream().map(Crate::name).toList();
  }

  @Test
  void aValueIsTakenFromTheSideThatAlteredIt() throws MergeConflict {
    assertThat(ThreeWay.value("a", "b", "a", "x")).isEqualTo("b");
    assertThat(ThreeWay.value("a", "a", "c", "x")).isEqualTo("c");
    assertThat(ThreeWay.value("a", "b", "b", "x")).isEqualTo("b");
    assertThatThrownBy(() -> ThreeWay.value("a", "b", "c", "the rule"))
        .isInstanceOf(MergeConflict.class)
        .hasMessageContaining("the rule was changed meanwhile");
  }

  @Test
  void addedRemovedAndMovedPartsOfBothSidesStand() throws MergeConflict {
    Crates before = shelf(hand("A", 1), hand("B", 2), hand("C", 3));
    Crates added = shelf(hand("A", 1), hand("New", 9), hand("B", 2), hand("C", 3));
    Crates now = shelf(hand("A", 1), hand("B", 2), hand("C", 3), hand("D", 4));
    assertThat(names(CratesMerge.merge(before, added, now)))
        .containsExactly("A", "New", "B", "C", "D");
    Crates removed = shelf(hand("A", 1), hand("C", 3));
    assertThat(names(CratesMerge.merge(before, removed, now))).containsExactly("A", "C", "D");
    Crates turned = shelf(hand("C", 3), hand("B", 2), hand("A", 1));
    assertThat(names(CratesMerge.merge(before, turned, now))).containsExactly("C", "B", "A", "D");
  }

  @Test
  void tracksOfAHandCrateAndItsNameAreMergedApart() throws MergeConflict {
    Crates before = shelf(hand("A", 1, 2));
    Crates renamed = shelf(hand("Fast", 1, 2));
    Crates now = shelf(hand("A", 1, 2, 3));
    Crates merged = CratesMerge.merge(before, renamed, now);
    assertThat(merged.all()).containsExactly(hand("Fast", 1, 2, 3));
    Crates without = shelf(hand("A", 2));
    assertThat(CratesMerge.merge(before, without, now).all()).containsExactly(hand("A", 2, 3));
  }

  @Test
  void whatBothAlteredOtherwiseIsAConflictThatNamesIt() {
    Crates before = shelf(hand("A", 1));
    Crates gone = Crates.NONE.plusShelf("Rink");
    Crates now = shelf(hand("A", 1, 2));
    assertThatThrownBy(() -> CratesMerge.merge(before, gone, now))
        .isInstanceOf(MergeConflict.class)
        .hasMessageContaining("crate A");
    Crates taken = shelf(hand("A", 1), hand("B", 5));
    Crates theirs = shelf(hand("A", 1), hand("B", 6));
    assertThatThrownBy(() -> CratesMerge.merge(before, taken, theirs))
        .hasMessageContaining("another crate B");
  }

  @Test
  void codesOfTheCodebookAreMergedOneByOne() throws MergeConflict {
    Codebook before = book(new Code("SKA", ""), new Code("ELC", ""));
    Codebook meaning = book(new Code("SKA", "ska"), new Code("ELC", ""));
    Codebook now = book(new Code("SKA", ""), new Code("ELC", "electro"), new Code("DUB", ""));
    assertThat(CodebookMerge.merge(before, meaning, now))
        .isEqualTo(book(new Code("SKA", "ska"), new Code("ELC", "electro"), new Code("DUB", "")));
    Codebook renamed = book(new Code("SKI", ""), new Code("ELC", ""));
    assertThat(CodebookMerge.merge(before, renamed, now).tokens()).contains("SKI", "DUB");
  }

  private static Codebook book(Code... codes) {
    return new Codebook(
        List.of(new Facet("Style", "", true, true, List.of(codes))), Notation.DEFAULT);
  }
}
