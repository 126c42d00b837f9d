package tenterhook.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;

/** What stands before all measuring: frames, resampling, spectra, filters. */
class FrontEndTest {
  @Seeded
  void framesAreTheSlicesOfTheStreamWhateverTheBlocks(long block) {
    Seeds.each(
        block,
        60,
        random -> {
          int size = Seeds.between(random, 1, 64);
          double hop = random.nextDouble(0.6, 90);
          int length = Seeds.between(random, 0, 3000);
          List<float[]> seen = new ArrayList<>();
          FrameSplitter splitter =
              new FrameSplitter(
                  size,
                  hop,
                  (samples, from) -> {
                    float[] frame = new float[size];
                    System.arraycopy(samples, from, frame, 0, size);
                    seen.add(frame);
                  });
          int at = 0;
          while (at < length) {
            int some = Math.min(length - at, 1 + random.nextInt(700));
            float[] piece = new float[some];
            for (int i = 0; i < some; i++) {
              piece[i] = at + i;
            }
            splitter.add(piece, some);
            at += some;
          }
          int expected = 0;
          while (Math.round(expected * hop) + size <= length) {
            float first = Math.round(expected * hop);
            assertThat(seen.get(expected)[0]).isEqualTo(first);
            assertThat(seen.get(expected)[size - 1]).isEqualTo(first + size - 1);
            expected++;
          }
          assertThat(seen).hasSize(expected);
        });
  }

  private static float[] resampled(int rate, double hertz, int frames) {
    Resampler resampler = new Resampler(rate, Resampler.RATE);
    float[] out = new float[(int) ((long) frames * Resampler.RATE / rate) + 100];
    int at = 0;
    for (int from = 0; from < frames; from += 1000) {
      float[] block = new float[Math.min(1000, frames - from)];
      for (int i = 0; i < block.length; i++) {
        block[i] = (float) Math.sin(2 * Math.PI * hertz * (from + i) / rate);
      }
      float[] made = resampler.resampled(block, block.length);
      System.arraycopy(made, 0, out, at, resampler.made());
      at += resampler.made();
    }
    float[] whole = new float[at];
    System.arraycopy(out, 0, whole, 0, at);
    return whole;
  }

  @ParameterizedTest
  @ValueSource(ints = {8000, 11_025, 16_000, 22_050, 32_000, 44_100, 48_000, 96_000, 192_000})
  void aToneKeepsItsPitchItsLevelAndItsTime(int rate) {
    float[] out = resampled(rate, 1000, rate * 2);
    assertThat(out.length).isBetween(2 * Resampler.RATE - 60, 2 * Resampler.RATE + 1);
    double worst = 0;
    for (int i = 200; i < out.length - 200; i++) {
      double ideal = Math.sin(2 * Math.PI * 1000 * i / Resampler.RATE);
      worst = Math.max(worst, Math.abs(out[i] - ideal));
    }
    assertThat(worst).isLessThan(0.02);
  }

  @ParameterizedTest
  @CsvSource({"44100, 7000", "44100, 9500", "48000, 8000", "96000, 20000"})
  void whatIsTooHighDoesNotComeBackAsSomethingElse(int rate, double hertz) {
    float[] out = resampled(rate, hertz, rate);
    for (int i = 200; i < out.length - 200; i++) {
      assertThat(Math.abs(out[i])).isLessThan(0.003f);
    }
  }

  @Test
  void theSpectrumOfAToneStandsInItsBin() {
    float[] samples = new float[700];
    for (int i = 0; i < samples.length; i++) {
      samples[i] = (float) Math.sin(2 * Math.PI * 20 * i / 512.0);
    }
    float[] power = new Spectrum(512).power(samples, 100);
    int highest = 0;
    for (int k = 0; k < power.length; k++) {
      highest = power[k] > power[highest] ? k : highest;
    }
    assertThat(highest).isEqualTo(20);
    assertThat(Math.sqrt(power[20])).isCloseTo(128, within(0.5));
    assertThat(power[100]).isLessThan(1e-4f);
  }

  @Seeded
  void autocorrelationIsThatOfTheDefinition(long block) {
    Seeds.each(
        block,
        40,
        random -> {
          int length = Seeds.between(random, 2, 300);
          float[] row = new float[length];
          for (int i = 0; i < length; i++) {
            row[i] = random.nextFloat() - 0.5f;
          }
          double[] quick = Spectrum.autocorrelation(row, length);
          for (int lag = 0; lag < length; lag += 7) {
            double sum = 0;
            for (int i = 0; i + lag < length; i++) {
              sum += row[i] * row[i + lag];
            }
            assertThat(quick[lag]).isCloseTo(sum / (length - lag), within(1e-4));
          }
        });
  }

  private static double levelAfter(Biquad filter, double hertz, int rate) {
    double high = 0;
    for (int i = 0; i < rate; i++) {
      double y = filter.next(Math.sin(2 * Math.PI * hertz * i / rate));
      high = i > rate / 2 ? Math.max(high, Math.abs(y)) : high;
    }
    return 20 * Math.log10(high);
  }

  @ParameterizedTest
  @ValueSource(ints = {32_000, 44_100, 48_000, 96_000})
  void theWeightingFiltersHaveTheCurveOfTheStandard(int rate) {
    assertThat(levelAfter(Biquad.headShelf(rate), 100, rate)).isCloseTo(0, within(0.1));
    assertThat(levelAfter(Biquad.headShelf(rate), 10_000, rate)).isCloseTo(4, within(0.2));
    assertThat(levelAfter(Biquad.lowCut(rate), 1000, rate)).isCloseTo(0, within(0.1));
    assertThat(levelAfter(Biquad.lowCut(rate), 20, rate)).isLessThan(-10);
    assertThat(levelAfter(Biquad.lowPass(180, rate), 180, rate)).isCloseTo(-3, within(0.2));
    assertThat(levelAfter(Biquad.lowPass(180, rate), 1800, rate)).isLessThan(-38);
  }

  @Test
  void aRowWithALimitKeepsItsFirstValues() {
    Floats row = new Floats(1500);
    for (int i = 0; i < 5000; i++) {
      row.add(i);
    }
    assertThat(row.size()).isEqualTo(1500);
    assertThat(row.toArray()[1499]).isEqualTo(1499f);
  }

  @Test
  void theLikelierCandidateIsChosenWithItsShare() {
    double[][] features = {{1, 0}, {0, 1}, {1, 1}};
    Choice choice = Choice.of(features, new double[] {1, 2});
    assertThat(choice.best()).isEqualTo(2);
    double sum = Math.exp(1) + Math.exp(2) + Math.exp(3);
    assertThat(choice.probabilities()[2]).isCloseTo(Math.exp(3) / sum, within(1e-9));
    assertThat(choice.probabilities()[0] + choice.probabilities()[1] + choice.probabilities()[2])
        .isCloseTo(1, within(1e-9));
    assertThat(choice).hasToString(choice.toString()).asString().startsWith("2 of [");
  }
}
