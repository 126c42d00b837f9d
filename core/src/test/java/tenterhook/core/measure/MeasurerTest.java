package tenterhook.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MeasurerTest {
  @ParameterizedTest
  @CsvSource({
    "44100, 124",
    "48000, 91.5",
    "22050, 140.25",
    "96000, 76",
    "32000, 103.7",
    "8000, 118"
  })
  void beatsAreCountedAtEverySampleRate(int rate, double bpm) {
    Measurement of = Tones.measured(rate, Tones.beats(rate, bpm, 40, 0.5));
    assertThat(of.tempo()).isPresent();
    assertThat(of.tempo().get().bpm()).isCloseTo(bpm, within(0.1));
    double beat = 60 / bpm;
    double off = (of.tempo().get().firstBeatSeconds() - 0.5) / beat;
    assertThat(Math.abs(off - Math.rint(off)) * beat).isLessThan(0.04);
    double ratio = of.tempo().get().alternativeBpm() / of.tempo().get().bpm();
    assertThat(Math.min(Math.abs(ratio - 2), Math.abs(ratio - 0.5))).isLessThan(0.03);
  }

  @Test
  void whatHasNoBeatHasNoTempo() {
    assertThat(Tones.measured(44_100, new float[88_200]).tempo()).isEmpty();
    assertThat(Tones.measured(44_100, Tones.sine(44_100, 440, 0.3, 20, 0)).tempo()).isEmpty();
  }

  @Test
  void silenceIsMeasuredAsSilence() {
    Measurement of = Tones.measured(44_100, new float[441_000]);
    assertThat(of.lufs()).isEmpty();
    assertThat(of.key()).isEmpty();
    assertThat(of.passages()).isEmpty();
    assertThat(of.loudest()).isEmpty();
    assertThat(of.bounds().silent()).isTrue();
    assertThat(of.bounds().longestSilenceSeconds()).isEqualTo(5);
    assertThat(of.print().length()).isZero();
    assertThat(of.liveliness()).isZero();
    assertThat(of.seconds()).isEqualTo(5);
  }

  @Test
  void nothingAtAllDoesNotFail() {
    Measurement of = Tones.measured(44_100, new float[0]);
    assertThat(of.seconds()).isZero();
    assertThat(of.overview().columns()).isZero();
  }

  private static float[] chord(double... hertz) {
    float[] sum = new float[2 * 44_100 * 12];
    for (double one : hertz) {
      float[] tone = Tones.sine(44_100, one, 0.2, 12, 0);
      for (int i = 0; i < sum.length; i++) {
        sum[i] += tone[i];
      }
    }
    return sum;
  }

  @Test
  void aTriadIsHeardInItsKeyEvenWhenTunedOff() {
    double off = Math.pow(2, 0.3 / 12);
    float[] minor = chord(110 * off, 220 * off, 261.63 * off, 329.63 * off);
    float[] major = chord(130.81, 261.63, 329.63, 392.0);
    assertThat(Tones.measured(44_100, minor).key().orElseThrow().key().name()).isEqualTo("Am");
    assertThat(Tones.measured(44_100, major).key().orElseThrow().key().name()).isEqualTo("C");
  }

  @Test
  void soundStartsAndEndsWhereItDoes() {
    float[] samples =
        Tones.joined(
            new float[2 * 44_100],
            Tones.sine(44_100, 300, 0.5, 3, 0),
            new float[44_100],
            Tones.sine(44_100, 300, 0.5, 2, 0),
            new float[2 * 22_050]);
    SoundBounds bounds = Tones.measured(44_100, samples).bounds();
    assertThat(bounds.startSeconds()).isCloseTo(1, within(0.01));
    assertThat(bounds.endSeconds()).isCloseTo(6.5, within(0.01));
    assertThat(bounds.longestSilenceSeconds()).isCloseTo(0.5, within(0.01));
    assertThat(bounds.clippings()).isZero();
  }

  @Test
  void runsAtFullScaleAreClippings() {
    float[] samples = Tones.sine(44_100, 100, 3, 1, 0);
    for (int i = 0; i < samples.length; i++) {
      samples[i] = Math.clamp(samples[i], -1f, 1f);
    }
    assertThat(Tones.measured(44_100, samples).bounds().clippings()).isBetween(199, 201);
  }

  @Test
  void theLoudestPassageIsFoundWithoutABeat() {
    float[] samples =
        Tones.joined(
            Tones.sine(44_100, 300, 0.05, 12, 0),
            Tones.sine(44_100, 300, 0.4, 9, 0),
            Tones.sine(44_100, 300, 0.1, 12, 0));
    Measurement of = Tones.measured(44_100, samples);
    Passage loudest = of.loudest().orElseThrow();
    assertThat(of.passages()).hasSize(3);
    assertThat(loudest.startSeconds()).isCloseTo(12, within(0.3));
    assertThat(loudest.endSeconds()).isCloseTo(21, within(0.3));
    assertThat(loudest.lufs()).isCloseTo(-8.6, within(1.0));
  }

  @Test
  void theSizeOfBlocksChangesNothing() {
    float[] samples = Tones.beats(44_100, 120, 20, 0.2);
    Measurer small = new Measurer(44_100, 2);
    Random random = new Random(5);
    for (int from = 0; from < samples.length / 2; ) {
      int some = Math.min(samples.length / 2 - from, 1 + random.nextInt(9000));
      float[] part = new float[2 * some];
      System.arraycopy(samples, 2 * from, part, 0, part.length);
      small.add(part, some);
      from += some;
    }
    Measurement one = Tones.measured(44_100, samples);
    Measurement other = small.finish();
    assertThat(other.print()).isEqualTo(one.print());
    assertThat(other.tempo()).isEqualTo(one.tempo());
    assertThat(other.passages()).isEqualTo(one.passages());
    assertThat(other.lufs().orElseThrow()).isCloseTo(one.lufs().orElseThrow(), within(1e-6));
    assertThat(other.overview().toBytes()).isEqualTo(one.overview().toBytes());
  }

  @Test
  void impossibleFormsAreRefused() {
    assertThatThrownBy(() -> new Measurer(4000, 2)).hasMessageContaining("4000");
    assertThatThrownBy(() -> new Measurer(44_100, 0)).isInstanceOf(IllegalArgumentException.class);
  }
}
