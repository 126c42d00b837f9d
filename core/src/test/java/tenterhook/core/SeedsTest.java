package tenterhook.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class SeedsTest {
  @Test
  void aFailureNamesItsSeedAndHowToTryItAlone() {
    assertThatThrownBy(
            () -> Seeds.each(1, 500, random -> assertThat(random.nextInt(50)).isNotZero()))
        .isInstanceOf(AssertionError.class)
        .hasMessageMatching(
            "(?s)does not hold for seed 1\\d\\d \\(alone by -Dtenterhook.seed=1\\d\\d\\)");
  }

  @Test
  void everyBlockHasCasesOfItsOwn() {
    Set<Long> seen = new HashSet<>();
    Seeds.blocks().forEach(block -> Seeds.each(block, 100, random -> seen.add(random.nextLong())));
    assertThat(seen).hasSize(100);
  }

  @Test
  void aFailingListIsHalvedToWhatFails() {
    List<Integer> numbers = IntStream.rangeClosed(1, 16).boxed().toList();
    assertThatThrownBy(() -> Seeds.halving(numbers, some -> assertThat(some).doesNotContain(7)))
        .hasMessage("does not hold for [7]");
    Seeds.halving(numbers, some -> assertThat(some).doesNotContain(17));
  }
}
