package tenterhook.core.gig;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

class DraftOrderTest {
  private static List<Integer> numbers(int count) {
    return IntStream.rangeClosed(1, count).boxed().toList();
  }

  private static DraftOrder.Step random(Random random, int count) {
    int[][] cost = new int[count + 1][count + 1];
    for (int[] row : cost) {
      for (int i = 0; i < row.length; i++) {
        row[i] = random.nextInt(DraftOrder.FARTHEST + 1);
      }
    }
    return (id, next) -> cost[id][next];
  }

  private static long sum(List<Integer> order, DraftOrder.Step step) {
    long sum = 0;
    for (int i = 1; i < order.size(); i++) {
      sum += step.cost(order.get(i - 1), order.get(i));
    }
    return sum;
  }

  /** The least sum of all orders that keep some tracks at their place. */
  private static long optimum(
      List<Integer> given, Set<Integer> kept, List<Integer> built, DraftOrder.Step step) {
    int at = built.size();
    if (at == given.size()) {
      return sum(built, step);
    }
    long best = Long.MAX_VALUE;
    for (int id : kept.contains(given.get(at)) ? List.of(given.get(at)) : given) {
      boolean elsewhere = kept.contains(id) && given.indexOf(id) != at;
      if (!built.contains(id) && !elsewhere) {
        List<Integer> more = new ArrayList<>(built);
        more.add(id);
        best = Math.min(best, optimum(given, kept, more, step));
      }
    }
    return best;
  }

  @Test
  void smallOnesAreAsGoodAsTheBestOfAllOrdersOrNearlyAndNeverWorseThanGiven() {
    Random random = new Random(19);
    int best = 0;
    int rounds = 200;
    for (int round = 0; round < rounds; round++) {
      int count = 2 + random.nextInt(6);
      List<Integer> given = new ArrayList<>(numbers(count));
      Collections.shuffle(given, random);
      DraftOrder.Step step = random(random, count);
      Set<Integer> kept = random.nextBoolean() ? Set.of(1 + random.nextInt(count)) : Set.of();
      DraftOrder draft = DraftOrder.of(given, kept, step);
      long optimum = optimum(given, kept, List.of(), step);
      assertThat(draft.after()).containsExactlyInAnyOrderElementsOf(given);
      kept.forEach(k -> assertThat(draft.after().indexOf(k)).isEqualTo(given.indexOf(k)));
      assertThat(draft.sumBefore()).isEqualTo(sum(given, step));
      assertThat(draft.sumAfter()).isEqualTo(sum(draft.after(), step));
      assertThat(draft.sumAfter()).isBetween(optimum, draft.sumBefore());
      best += draft.sumAfter() == optimum ? 1 : 0;
    }
    assertThat(best).as("as good as the best").isGreaterThan(rounds * 95 / 100);
  }

  @Test
  void largeOnesBecomeMuchBetterAndTheSameEveryTime() {
    Random random = new Random(4);
    DraftOrder.Step step = random(random, 200);
    List<Integer> given = numbers(200);
    DraftOrder draft = DraftOrder.of(given, Set.of(7, 8, 100), step);
    assertThat(draft.sumAfter()).isLessThan(draft.sumBefore() / 5);
    assertThat(draft.after().get(6)).isEqualTo(7);
    assertThat(draft.after().get(7)).isEqualTo(8);
    assertThat(draft.after().get(99)).isEqualTo(100);
    assertThat(DraftOrder.of(given, Set.of(7, 8, 100), step)).isEqualTo(draft);
  }

  @Test
  void stepsAreThoseOfWhatGoesWithWhat() {
    List<Cell> cells = new ArrayList<>();
    String[][] tracks = {{"100", "C"}, {"160", "F#"}, {"101", "C"}, {"159", "F#"}};
    for (int i = 0; i < tracks.length; i++) {
      cells.add(new Cell(i + 1, Fields.PATH, i + ".mp3"));
      cells.add(new Cell(i + 1, Fields.STATE, "present"));
      cells.add(new Cell(i + 1, Fields.BPM, tracks[i][0]));
      cells.add(new Cell(i + 1, Fields.KEY, tracks[i][1]));
    }
    DraftOrder draft =
        DraftOrder.of(
            List.of(1, 2, 3, 4), Set.of(), DraftOrder.steps(Snapshot.empty().with(cells), 0.06));
    assertThat(draft.better()).isTrue();
    assertThat(draft.after().subList(0, 2))
        .isIn(List.of(1, 3), List.of(3, 1), List.of(2, 4), List.of(4, 2));
  }

  @Test
  void nothingAndOneAreLeftAsTheyAre() {
    DraftOrder.Step far = (id, next) -> 1;
    assertThat(DraftOrder.of(List.of(), Set.of(), far).better()).isFalse();
    assertThat(DraftOrder.of(List.of(5), Set.of(), far).after()).containsExactly(5);
    assertThat(DraftOrder.of(List.of(5, 6), Set.of(5, 6), far).after()).containsExactly(5, 6);
  }
}
