package tenterhook.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.core.measure.MusicalKey.Relation;
import tenterhook.core.measure.SoundQuality.Verdict;

class KeysAndScalesTest {
  @Test
  void everyKeyIsReadBackFromItsNameAndItsWheelNumber() {
    for (int k = 0; k < 24; k++) {
      MusicalKey key = KeyFinder.key(k);
      assertThat(MusicalKey.parse(key.name())).contains(key);
      assertThat(MusicalKey.parse(key.wheel())).contains(key);
      assertThat(key.fifths()).isBetween(1, 12);
    }
  }

  @ParameterizedTest
  @CsvSource({
    "F#m, F#m",
    "Gbm, F#m",
    "f sharp minor, F#m",
    "Bb, Bb",
    "A♯, Bb",
    "H moll, Bm",
    "E dur, E",
    "a, A",
    "Cb, B",
    "3 minor, F#m",
    "3 major, A",
    "12 major, C",
    "12 minor, Am"
  })
  void keysAreReadInTheWaysThatTagsHaveThem(String text, String name) {
    assertThat(MusicalKey.parse(text).map(MusicalKey::name)).contains(name);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "K", "13 minor", "0 major", "Am7", "off key", "3"})
  void whatIsNoKeyIsNone(String text) {
    assertThat(MusicalKey.parse(text)).isEmpty();
  }

  @Test
  void relationsAreThoseOfTheWheel() {
    MusicalKey d = MusicalKey.parse("D").orElseThrow();
    assertThat(d.fifths()).isEqualTo(2);
    assertThat(d.relation(d)).isEqualTo(Relation.SAME);
    assertThat(d.relation(key("A"))).isEqualTo(Relation.FIFTH_UP);
    assertThat(d.relation(key("G"))).isEqualTo(Relation.FIFTH_DOWN);
    assertThat(d.relation(key("Bm"))).isEqualTo(Relation.RELATIVE);
    assertThat(d.relation(key("Dm"))).isEqualTo(Relation.FAR);
    assertThat(key("C").relation(key("F"))).isEqualTo(Relation.FIFTH_DOWN);
    assertThatThrownBy(() -> new MusicalKey(12, false)).hasMessageContaining("12");
  }

  private static MusicalKey key(String name) {
    return MusicalKey.parse(name).orElseThrow();
  }

  @Test
  void energyIsThePlaceAmongAll() {
    Energy.Scale scale = new Energy.Scale(new double[] {5, 1, 3, 2, 4});
    assertThat(scale.percentile(1)).isZero();
    assertThat(scale.percentile(3)).isEqualTo(50);
    assertThat(scale.percentile(5)).isEqualTo(100);
    assertThat(scale.percentile(99)).isEqualTo(100);
    assertThat(scale.percentile(-9)).isZero();
    assertThat(new Energy.Scale(new double[] {7}).percentile(7)).isEqualTo(50);
    assertThat(new Energy.Scale(new double[] {2, 2, 2}).percentile(2)).isEqualTo(50);
  }

  @Test
  void livelinessRisesWithEachOfItsParts() {
    double calm = Energy.liveliness(-20, 1, 300);
    assertThat(Energy.liveliness(-10, 1, 300)).isGreaterThan(calm);
    assertThat(Energy.liveliness(-20, 4, 300)).isGreaterThan(calm);
    assertThat(Energy.liveliness(-20, 1, 900)).isGreaterThan(calm);
    assertThat(Energy.liveliness(0, 50, 9000)).isEqualTo(1);
    assertThat(Energy.liveliness(-90, 0, 0)).isZero();
  }

  @ParameterizedTest
  @CsvSource({
    "16050, 40, false, 320, UPSCALED",
    "16050, 40, false, 128, HONEST",
    "16050, 40, true, 0, UPSCALED",
    "16050, 15, true, 0, UNSURE",
    "19900, 40, true, 0, UNSURE",
    "18900, 40, false, 256, UNSURE",
    "11000, 40, false, 320, UPSCALED",
    "0, 0, true, 0, HONEST"
  })
  void aClaimIsHeldAgainstTheCut(
      double cutoff, double depth, boolean lossless, double kbps, Verdict verdict) {
    assertThat(new SoundQuality(cutoff, depth).verdict(lossless, kbps)).isEqualTo(verdict);
  }

  @Test
  void anOverviewIsKeptToTheByteAndHalvesWhenItIsFull() {
    Overview.ColumnGatherer builder = new Overview.ColumnGatherer(4000);
    float[] samples = new float[4000 * 60];
    samples[4000 * 30] = 0.8f;
    builder.add(samples, samples.length);
    Overview overview = builder.build();
    assertThat(overview.columns()).isBetween(Overview.MOST / 2, Overview.MOST);
    assertThat(overview.reach(0.49, 0.51, false)).isBetween(0.79, 0.81);
    assertThat(overview.reach(0, 0.4, false)).isZero();
    assertThat(overview.low(overview.columns() / 2)).isLessThan(0.3);
    Overview again = Overview.ofBytes(overview.toBytes());
    assertThat(again.toBytes()).isEqualTo(overview.toBytes());
    assertThatThrownBy(() -> Overview.ofBytes(new byte[3])).hasMessageContaining("3 bytes");
  }
}
