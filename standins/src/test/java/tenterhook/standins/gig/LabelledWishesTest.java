package tenterhook.standins.gig;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.core.catalogue.Match;
import tenterhook.core.gig.WishIndex;
import tenterhook.standins.gig.LabelledWishes.Judged;

class LabelledWishesTest {
  @ParameterizedTest
  @ValueSource(longs = {77, 78})
  void certainIsRightAndNearlyAllThatIsOwnedIsFound(long seed) {
    check(SyllableWishes.of(seed), 180);
  }

  @ParameterizedTest
  @ValueSource(longs = {77, 78})
  void soItIsForWishesThatThumbsWriteOnAPhone(long seed) {
    check(PhoneWishes.of(seed), 140);
  }

  private static void check(LabelledWishes set, int leastCertain) {
    List<Judged> judged = set.judge(WishIndex.of(set.collection()), 500);
    List<Judged> certain = judged.stream().filter(j -> j.certainty() >= Match.CERTAIN).toList();
    assertThat(certain).hasSizeGreaterThan(leastCertain);
    assertThat(100 * certain.stream().filter(Judged::wronglyCertain).count())
        .isLessThan(certain.size());
    List<Judged> owned = judged.stream().filter(j -> !j.wish().meant().isEmpty()).toList();
    assertThat(owned).hasSizeBetween(250, 450);
    assertThat(100 * owned.stream().filter(Judged::right).count())
        .isGreaterThanOrEqualTo(95 * owned.size());
    assertThat(judged).extracting(j -> j.wish().kind()).containsAll(set.kinds());
  }
}
