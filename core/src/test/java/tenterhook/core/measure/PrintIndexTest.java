package tenterhook.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tenterhook.core.measure.PrintIndex.Match;

class PrintIndexTest {
  private static final Map<Integer, SoundPrint> PRINTS = new HashMap<>();
  private static PrintIndex index;

  @BeforeAll
  static void manyPrints() {
    Random random = new Random(11);
    for (int id = 1; id <= 1000; id++) {
      PRINTS.put(id, SoundPrint.of(random.ints(SoundPrint.MOST).toArray()));
    }
    index = PrintIndex.of(PRINTS);
  }

  /** What another coding does: some bits wrong, and the start elsewhere. */
  private static SoundPrint worn(SoundPrint print, int shift, int percent, long seed) {
    Random random = new Random(seed);
    int[] words = new int[print.length() - shift];
    for (int i = 0; i < words.length; i++) {
      words[i] = print.word(i + shift);
      for (int bit = 0; bit < 32; bit++) {
        words[i] ^= random.nextInt(100) < percent ? 1 << bit : 0;
      }
    }
    return SoundPrint.of(words);
  }

  @Test
  void wornPrintsAreFoundWithTheirOffset() {
    for (int id = 1; id <= 1000; id += 37) {
      List<Match> found = index.find(worn(PRINTS.get(id), 12, 12, id));
      assertThat(found).extracting(Match::id).containsExactly(id);
      assertThat(found.getFirst().likeness().offset()).isEqualTo(-12);
      assertThat(found.getFirst().likeness().share()).isBetween(0.84, 0.92);
    }
  }

  @Test
  void strangersAreNotFound() {
    Random random = new Random(99);
    for (int i = 0; i < 50; i++) {
      assertThat(index.find(SoundPrint.of(random.ints(600).toArray()))).isEmpty();
    }
  }

  @Test
  void wordsThatStandEverywhereDoNoHarm() {
    int[] same = new int[SoundPrint.MOST];
    Map<Integer, SoundPrint> prints = new HashMap<>(PRINTS);
    for (int id = 2001; id <= 2600; id++) {
      prints.put(id, SoundPrint.of(same));
    }
    PrintIndex crowded = PrintIndex.of(prints);
    assertThat(crowded.find(PRINTS.get(5))).extracting(Match::id).containsExactly(5);
    assertThat(crowded.find(SoundPrint.of(same))).isNotEmpty();
  }

  @Test
  void aPrintIsKeptToTheBit() {
    SoundPrint print = PRINTS.get(1);
    assertThat(SoundPrint.ofBytes(print.toBytes())).isEqualTo(print).hasSameHashCodeAs(print);
    assertThat(print).isNotEqualTo(PRINTS.get(2));
    assertThatThrownBy(() -> SoundPrint.ofBytes(new byte[5])).hasMessageContaining("5 bytes");
  }

  @Test
  void printsThatDoNotMeetAreNotAlike() {
    assertThat(PRINTS.get(1).at(PRINTS.get(1), 5000)).isEqualTo(SoundPrint.Likeness.NONE);
    assertThat(PRINTS.get(1).at(PRINTS.get(1), 0).same()).isTrue();
    assertThat(PRINTS.get(1).at(PRINTS.get(1), SoundPrint.MOST - 8).same()).isFalse();
  }

  @Test
  void levelAndAShiftedStartChangeFewBits() {
    Random random = new Random(4);
    float[] samples = new float[2 * 44_100 * 30];
    double[] hertz = new double[5];
    for (int i = 0; i < samples.length / 2; i++) {
      if (i % 11_025 == 0) {
        for (int n = 0; n < hertz.length; n++) {
          hertz[n] = 300 + 1500 * random.nextDouble();
        }
      }
      double sum = 0;
      for (double one : hertz) {
        sum += 0.1 * Math.sin(2 * Math.PI * one * i / 44_100);
      }
      samples[2 * i] = (float) sum;
      samples[2 * i + 1] = (float) sum;
    }
    float[] softLate = new float[samples.length - 2 * 70_000];
    for (int i = 0; i < softLate.length; i++) {
      softLate[i] = samples[i + 2 * 70_000] / 4;
    }
    SoundPrint one = print(samples);
    SoundPrint other = print(softLate);
    PrintIndex small = PrintIndex.of(Map.of(1, one, 2, PRINTS.get(2)));
    assertThat(small.find(other)).extracting(Match::id).containsExactly(1);
  }

  private static SoundPrint print(float[] samples) {
    SoundPrinter printer = new SoundPrinter(44_100, 2);
    assertThat(printer.add(samples, samples.length / 2)).isTrue();
    return printer.print();
  }
}
