package tenterhook.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Signals and results of EBU Tech 3341 (minimum requirements of a loudness meter). */
class LoudnessTest {
  private static double lufs(int rate, float[] samples) {
    LoudnessMeter meter = new LoudnessMeter(rate, 2);
    for (int from = 0; from < samples.length / 2; from += 1000) {
      int some = Math.min(1000, samples.length / 2 - from);
      float[] part = new float[2 * some];
      System.arraycopy(samples, 2 * from, part, 0, part.length);
      meter.add(part, some);
    }
    return meter.integrated();
  }

  private static float[] tone(int rate, double decibels, double seconds) {
    return Tones.sine(rate, 1000, Tones.level(decibels), seconds, 0);
  }

  @ParameterizedTest
  @ValueSource(ints = {22_050, 32_000, 44_100, 48_000, 96_000})
  void aSineOfTwoChannelsIsAsLoudAsItsLevel(int rate) {
    assertThat(lufs(rate, tone(rate, -23, 20))).isCloseTo(-23, within(0.1));
    assertThat(lufs(rate, tone(rate, -33, 20))).isCloseTo(-33, within(0.1));
  }

  @Test
  void theRelativeGateLeavesSoftPartsOut() {
    float[] samples =
        Tones.joined(tone(48_000, -36, 10), tone(48_000, -23, 60), tone(48_000, -36, 10));
    assertThat(lufs(48_000, samples)).isCloseTo(-23, within(0.1));
  }

  @Test
  void theAbsoluteGateLeavesNearlySilentPartsOut() {
    float[] samples =
        Tones.joined(
            tone(48_000, -72, 10),
            tone(48_000, -36, 10),
            tone(48_000, -23, 60),
            tone(48_000, -36, 10),
            tone(48_000, -72, 10));
    assertThat(lufs(48_000, samples)).isCloseTo(-23, within(0.1));
  }

  @Test
  void silenceHasNoLoudness() {
    assertThat(lufs(44_100, new float[441_000])).isEqualTo(Double.NEGATIVE_INFINITY);
    assertThat(lufs(44_100, new float[200])).isEqualTo(Double.NEGATIVE_INFINITY);
  }

  private static double peak(float[] samples) {
    TruePeakMeter meter = new TruePeakMeter(2);
    meter.add(samples, samples.length / 2);
    return meter.decibels();
  }

  @Test
  void thePeakBetweenTheSamplesIsFound() {
    float[] between = Tones.sine(48_000, 12_000, 0.5, 1, Math.PI / 4);
    assertThat(between[0]).isCloseTo(0.3535f, within(0.001f));
    assertThat(peak(between)).isCloseTo(-6.0, within(0.4));
    assertThat(peak(Tones.sine(48_000, 8000, 0.5, 1, Math.PI / 6))).isCloseTo(-6.0, within(0.4));
    assertThat(peak(new float[1000])).isEqualTo(Double.NEGATIVE_INFINITY);
  }

  @Test
  void passingLowBlocksByChangesNoPeak() {
    Random random = new Random(3);
    float[] samples = new float[40_000];
    for (int i = 0; i < samples.length; i++) {
      samples[i] = (float) (random.nextGaussian() * 0.1 * (i % 4001) / 4001);
    }
    float[] loudFirst = Tones.joined(tone(44_100, -40, 0.1), samples);
    float[] alone = samples.clone();
    assertThat(peak(loudFirst)).isEqualTo(peak(alone));
    assertThat(peak(samples)).isGreaterThanOrEqualTo(20 * Math.log10(highest(samples)));
  }

  private static double highest(float[] samples) {
    double high = 0;
    for (float sample : samples) {
      high = Math.max(high, Math.abs(sample));
    }
    return high;
  }
}
