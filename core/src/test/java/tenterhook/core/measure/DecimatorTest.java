package tenterhook.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Offset.offset;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class DecimatorTest {
  /** The level of a sine after halving, against what went in. */
  private static double gain(Decimator decimator, double ofRate, int block) {
    int count = 20_000;
    double sum = 0;
    int made = 0;
    float[] part = new float[block];
    for (int from = 0; from < count; from += block) {
      int some = Math.min(block, count - from);
      for (int i = 0; i < some; i++) {
        part[i] = (float) Math.sin(2 * Math.PI * ofRate * (from + i));
      }
      int got = decimator.halve(part, some);
      for (int i = 0; i < got; i++) {
        sum += decimator.out()[i] * decimator.out()[i];
      }
      made += got;
    }
    assertThat(made).isBetween(count / 2 - 16, count / 2);
    return Math.sqrt(2 * sum / made);
  }

  @ParameterizedTest
  @CsvSource({"0.01, 0.99, 1.01", "0.045, 0.99, 1.01", "0.455, 0, 0.02", "0.49, 0, 0.01"})
  void theQuickOneKeepsTheLowestTenth(double ofRate, double least, double most) {
    assertThat(gain(Decimator.quick(4096), ofRate, 4096)).isBetween(least, most);
  }

  @ParameterizedTest
  @CsvSource({"0.01, 0.99, 1.01", "0.18, 0.93, 1.01", "0.33, 0, 0.06", "0.4, 0, 0.01"})
  void theSharpOneKeepsTheLowestFifth(double ofRate, double least, double most) {
    assertThat(gain(Decimator.sharp(4096), ofRate, 4096)).isBetween(least, most);
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 3, 7, 100, 1151})
  void theSizeOfTheBlocksChangesNothing(int block) {
    assertThat(gain(Decimator.sharp(4096), 0.1, block))
        .isEqualTo(gain(Decimator.sharp(4096), 0.1, 4096));
    assertThat(gain(Decimator.quick(4096), 0.03, block))
        .isEqualTo(gain(Decimator.quick(4096), 0.03, 4096));
  }

  @Test
  void aConstantStaysWhatItIs() {
    float[] ones = new float[64];
    Arrays.fill(ones, 1);
    Decimator decimator = Decimator.sharp(64);
    int made = decimator.halve(ones, 64);
    assertThat(decimator.out()[made - 1]).isCloseTo(1, offset(1e-5f));
  }
}
