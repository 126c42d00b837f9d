package tenterhook.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.core.measure.PrintIndex.Hit;

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
      List<Hit> found = index.find(worn(PRINTS.get(id), 12, 12, id));
      assertThat(found).extracting(Hit::id).containsExactly(id);
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
    assertThat(crowded.find(PRINTS.get(5))).extracting(Hit::id).containsExactly(5);
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
    float[] samples = new float[22_050 * 30];
    double[] hertz = new double[5];
    for (int i = 0; i < samples.length; i++) {
      if (i % 5512 == 0) {
        for (int n = 0; n < hertz.length; n++) {
          hertz[n] = 300 + 1500 * random.nextDouble();
        }
      }
      for (double one : hertz) {
        samples[i] += (float) (0.1 * Math.sin(2 * Math.PI * one * i / 22_050));
      }
    }
    float[] softLate = new float[samples.length - 35_000];
    for (int i = 0; i < softLate.length; i++) {
      softLate[i] = samples[i + 35_000] / 4;
    }
    SoundPrint one = print(samples);
    SoundPrint other = print(softLate);
    PrintIndex small = PrintIndex.of(Map.of(1, one, 2, PRINTS.get(2)));
    assertThat(small.find(other)).extracting(Hit::id).containsExactly(1);
  }

  private static SoundPrint print(float[] samples) {
    SoundPrinter printer = new SoundPrinter(22_050, 1);
    assertThat(printer.add(samples, samples.length)).isTrue();
    return printer.print();
  }

  @Test
  void thePrinterAndTheMeasurerAgree() {
    Random random = new Random(5);
    double[] hertz = random.doubles(40, 300, 1900).toArray();
    float[] full = new float[44_100 * 20];
    float[] slow = new float[22_050 * 20];
    for (int i = 0; i < full.length; i++) {
      full[i] = tone(hertz, i / 44_100.0);
    }
    for (int i = 0; i < slow.length; i++) {
      slow[i] = tone(hertz, i / 22_050.0);
    }
    Measurer measurer = new Measurer(44_100, 1);
    measurer.add(full, full.length);
    SoundPrint whole = measurer.finish().print();
    assertThat(print(slow).at(whole, 0).share()).isGreaterThan(0.97);
  }

  @ParameterizedTest
  @CsvSource({"44100, 1", "44100, 2", "48000, 2", "22050, 1", "96000, 2", "11025, 1", "8000, 2"})
  void everyRateGivesTheSamePrint(int rate, int channels) {
    double[] hertz = new Random(5).doubles(40, 300, 1900).toArray();
    SoundPrinter printer = new SoundPrinter(rate, channels);
    int block = 1151;
    float[] samples = new float[block * channels];
    for (int at = 0; at < 20 * rate; at += block) {
      for (int i = 0; i < samples.length; i++) {
        samples[i] = tone(hertz, (at + i / channels) / (double) rate);
      }
      printer.add(samples, block);
    }
    float[] plain = new float[22_050 * 20];
    for (int i = 0; i < plain.length; i++) {
      plain[i] = tone(hertz, i / 22_050.0);
    }
    SoundPrint same = printer.print();
    assertThat(same.length()).isBetween(150, 160);
    assertThat(print(plain).at(same, 0).share()).isGreaterThan(0.95);
  }

  /** Two notes of half a second at a time. */
  private static float tone(double[] hertz, double seconds) {
    int step = (int) (2 * seconds) % 20;
    return (float)
        (0.2 * Math.sin(2 * Math.PI * hertz[2 * step] * seconds)
            + 0.2 * Math.sin(2 * Math.PI * hertz[2 * step + 1] * seconds));
  }

  @Test
  void printsMayBeKeptElsewhere() {
    AtomicInteger asked = new AtomicInteger();
    int[] ids = PRINTS.keySet().stream().mapToInt(i -> i).toArray();
    PrintIndex elsewhere =
        PrintIndex.of(
            ids,
            id -> {
              asked.incrementAndGet();
              return PRINTS.get(id);
            });
    int toBuild = asked.getAndSet(0);
    assertThat(toBuild).isEqualTo(2 * ids.length);
    assertThat(elsewhere.find(worn(PRINTS.get(77), 3, 10, 1)))
        .extracting(Hit::id)
        .containsExactly(77);
    assertThat(asked.get()).isLessThanOrEqualTo(64);
  }

  @Test
  void mostVotesComeFirst() {
    Votes votes = new Votes();
    for (long key = 1; key <= 3000; key++) {
      for (int n = 0; n < (key % 1000 == 0 ? key / 1000 + 1 : 1); n++) {
        votes.add(key);
      }
    }
    assertThat(votes.most(3)).containsExactly(3000, 2000, 1000);
    assertThat(votes.most(2)).containsExactly(3000, 2000);
    assertThat(votes.most(50)).hasSize(50).startsWith(3000, 2000, 1000).doesNotHaveDuplicates();
    assertThat(new Votes().most(5)).isEmpty();
  }
}
