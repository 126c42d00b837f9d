package tenterhook.core.repair.engine;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The small counts and sets against the plainest way, under random additions and removals. */
class CountsTest {
  @ParameterizedTest
  @ValueSource(longs = {3, 14, 159, 2653})
  void numbersAreCountedAsInAMap(long seed) {
    Random random = new Random(seed);
    TreeMap<Integer, Integer> plain = new TreeMap<>();
    NumberCounts counts = NumberCounts.NONE;
    for (int i = 0; i < 2_000; i++) {
      int number = random.nextInt(12) - 4;
      int times = plain.containsKey(number) && random.nextInt(5) < 3 ? -1 : 1;
      plain.merge(number, times, Integer::sum);
      plain.values().remove(0);
      counts = counts.plus(number, times);
      List<Integer> all = new ArrayList<>();
      plain.forEach((n, c) -> all.addAll(java.util.Collections.nCopies(c, n)));
      assertThat(counts.isEmpty()).isEqualTo(all.isEmpty());
      assertThat(counts.total()).isEqualTo(all.size());
      if (!all.isEmpty()) {
        assertThat(counts.least()).isEqualTo(all.getFirst());
        for (double share : new double[] {0, 0.25, 0.5, 0.75}) {
          assertThat(counts.quantile(share)).isEqualTo(all.get((int) (all.size() * share)));
        }
      }
    }
  }

  @ParameterizedTest
  @ValueSource(longs = {6, 28, 318})
  void setsHoldWhatWasPutInAndNotTakenOut(long seed) {
    Random random = new Random(seed);
    Map<Integer, Set<String>> plain = new HashMap<>();
    Map<Integer, Set<String>> small = new HashMap<>();
    for (int i = 0; i < 3_000; i++) {
      int key = random.nextInt(20);
      String one = "unit " + random.nextInt(4);
      if (random.nextBoolean()) {
        plain.computeIfAbsent(key, k -> new HashSet<>()).add(one);
        small.merge(key, Set.of(one), SmallSets::union);
      } else {
        plain.getOrDefault(key, new HashSet<>()).remove(one);
        plain.values().removeIf(Set::isEmpty);
        small.computeIfPresent(key, (k, s) -> SmallSets.minus(s, one));
      }
      assertThat(small).isEqualTo(plain);
    }
  }
}
