package tenterhook.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class QualityAndPassagesTest {
  /** Noise whose spectrum falls evenly, cut by a steep filter at a frequency (0 for no cut). */
  private static float[] noise(int rate, double cut, double fall) {
    int size = 8192;
    Random random = new Random(9);
    float[] out = new float[2 * size * 30];
    double[] wave = new double[size];
    for (int k = 20; k < size / 2; k += 3) {
      double hertz = (double) k * rate / size;
      if (cut > 0 && hertz > cut) {
        break;
      }
      double level = 0.02 * Math.pow(hertz / 500, -fall);
      double phase = random.nextDouble() * 2 * Math.PI;
      for (int i = 0; i < size; i++) {
        wave[i] += level * Math.sin(2 * Math.PI * k * i / size + phase);
      }
    }
    for (int i = 0; i < out.length; i++) {
      out[i] = (float) wave[i / 2 % size];
    }
    return out;
  }

  private static SoundQuality quality(int rate, double cut, double fall) {
    return Tones.measured(rate, noise(rate, cut, fall)).quality();
  }

  @ParameterizedTest
  @CsvSource({"44100, 11000, 64", "44100, 16000, 128", "48000, 17500, 160", "44100, 18800, 192"})
  void aCutIsFoundWhereItIs(int rate, double cut, int kbps) {
    SoundQuality of = quality(rate, cut, 0.5);
    assertThat(of.cutoffHz()).isCloseTo(cut, within(400.0));
    assertThat(of.soundsLikeKbps()).isEqualTo(kbps);
    assertThat(of.depthDb()).isGreaterThan(22);
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.2, 1, 2})
  void soundThatFadesByItselfIsNotCut(double fall) {
    assertThat(quality(44_100, 0, fall)).isEqualTo(SoundQuality.UNCUT);
  }

  @Test
  void aLowSampleRateIsNoCut() {
    assertThat(quality(32_000, 0, 0.5)).isEqualTo(SoundQuality.UNCUT);
    assertThat(quality(22_050, 0, 0.5)).isEqualTo(SoundQuality.UNCUT);
  }

  private static float[] levels(double... decibelsAndTenths) {
    Random random = new Random(3);
    int length = 0;
    for (int i = 1; i < decibelsAndTenths.length; i += 2) {
      length += (int) decibelsAndTenths[i];
    }
    float[] out = new float[length];
    int at = 0;
    for (int i = 0; i < decibelsAndTenths.length; i += 2) {
      for (int n = 0; n < decibelsAndTenths[i + 1]; n++) {
        double noise = 1.5 * random.nextGaussian();
        out[at++] = (float) Math.pow(10, (decibelsAndTenths[i] + noise) / 10);
      }
    }
    return out;
  }

  private static List<Passage> passages(float[] row, Optional<TempoFound> tempo) {
    SoundBounds bounds = new SoundBounds(0, row.length / 10.0, 0, 0);
    return new PassageFinder(row, row, bounds).find(tempo);
  }

  @Test
  void passagesBeginWhereTheLevelChangesForGood() {
    float[] row = levels(-30, 200, -22, 300, -12, 320, -26, 160);
    List<Passage> found = passages(row, Optional.empty());
    assertThat(found).hasSize(4);
    assertThat(found.get(1).startSeconds()).isCloseTo(20, within(0.5));
    assertThat(found.get(2).startSeconds()).isCloseTo(50, within(0.5));
    assertThat(found.get(3).startSeconds()).isCloseTo(82, within(0.5));
    assertThat(found.getLast().endSeconds()).isEqualTo(98);
    for (int i = 1; i < found.size(); i++) {
      assertThat(found.get(i).startSeconds()).isEqualTo(found.get(i - 1).endSeconds());
    }
  }

  @Test
  void beatsMakeTheEdgesExact() {
    Optional<TempoFound> tempo = Optional.of(new TempoFound(120, 99, 60, 0));
    List<Passage> found = passages(levels(-30, 200, -12, 400, -26, 160), tempo);
    assertThat(found).hasSize(3);
    assertThat(found.get(1).startSeconds()).isCloseTo(20, within(0.15));
    assertThat(found.get(2).startSeconds()).isCloseTo(60, within(0.15));
  }

  @Test
  void anEvenRecordingIsOnePassageHoweverLongItIs() {
    assertThat(passages(levels(-20, 3000), Optional.empty())).hasSize(1);
    assertThat(passages(levels(-20, 8 * 36_000), Optional.empty())).hasSize(1);
    assertThat(passages(levels(-20, 12), Optional.empty())).hasSize(1);
  }

  @Test
  void theLoudestPassageIsNoShortBurst() {
    Measurement of =
        new Measurement(
            30,
            Optional.of(-14.0),
            -1,
            new SoundBounds(0, 30, 0, 0),
            Optional.empty(),
            Optional.empty(),
            List.of(new Passage(0, 1, -3), new Passage(1, 20, -9), new Passage(20, 30, -12)),
            SoundQuality.UNCUT,
            0.5,
            Overview.EMPTY,
            SoundPrint.EMPTY);
    assertThat(of.loudest().map(Passage::startSeconds)).contains(1.0);
  }

  @Test
  void valuesThatCannotBeAreRefused() {
    assertThatThrownBy(() -> new Passage(3, 3, -9)).hasMessageContaining("3.0");
    assertThatThrownBy(() -> new SoundBounds(2, 1, 0, 0)).hasMessageContaining("start 2.0");
    assertThatThrownBy(() -> new TempoFound(0, 50, 60, 0)).hasMessageContaining("0.0 bpm");
    assertThatThrownBy(() -> new TempoFound(120, 101, 60, 0)).hasMessageContaining("101");
    assertThatThrownBy(() -> new KeyFound(new MusicalKey(0, false), -1)).hasMessageContaining("-1");
  }

  @Test
  void theEvidenceSaysWhyATempoAndAKeyWereChosen() {
    Measurer measurer = new Measurer(44_100, 2);
    float[] samples = Tones.beats(44_100, 120, 30, 0.2);
    measurer.add(samples, samples.length / 2);
    CandidateFeatures tempi = measurer.tempoEvidence();
    CandidateFeatures keys = measurer.keyEvidence();
    double[] values = new double[tempi.count()];
    for (int i = 0; i < values.length; i++) {
      values[i] = tempi.value(i);
      assertThat(tempi.features(i)).hasSize(Weights.TEMPO.length).doesNotContain(Double.NaN);
    }
    assertThat(values).contains(new double[] {120, 60}, within(0.2));
    assertThat(keys.count()).isEqualTo(24);
    assertThat(keys.features(3)).hasSize(Weights.KEY.length);
  }
}
