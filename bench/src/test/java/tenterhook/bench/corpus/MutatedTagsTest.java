package tenterhook.bench.corpus;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Damaged files are read or refused in words, and reading changes none; many more by hand. */
class MutatedTagsTest {
  private static final int FILES = 700;
  private static final long MOST_MEMORY = 64L << 20;

  @ParameterizedTest
  @ValueSource(longs = {11, 12})
  void noDamageEscapes(long seed) throws Exception {
    MutatedTags.Costs costs = MutatedTags.run(FILES, seed);
    assertThat(costs.read()).isBetween(FILES / 4, FILES - 1);
    assertThat(costs.written()).isBetween(FILES / 4, costs.read());
    assertThat(costs.hungriest()).as(costs.hungriestName()).isLessThan(MOST_MEMORY);
  }
}
