package tenterhook.standins.synth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;

class PieceTest {
  @Test
  void piecesFollowFromTheirSeedAndAreOfEveryKind() {
    Set<Piece.PieceStyle> styles = EnumSet.noneOf(Piece.PieceStyle.class);
    Set<String> keys = new HashSet<>();
    for (int seed = 1; seed <= 300; seed++) {
      Piece piece = Piece.of(seed);
      assertThat(Piece.of(seed)).isEqualTo(piece);
      styles.add(piece.style());
      keys.add(piece.key());
      assertThat(piece.bpm()).isBetween(68.0, 172.0);
      assertThat(piece.sections().getFirst().start()).isEqualTo(piece.leadIn());
      for (int i = 1; i < piece.sections().size(); i++) {
        assertThat(piece.sections().get(i).start()).isEqualTo(piece.sections().get(i - 1).end());
      }
      double bars = (piece.end() - piece.leadIn()) * piece.bpm() / 60 / piece.style().beats();
      assertThat(bars).isCloseTo(Math.rint(bars), within(1e-6));
      assertThat(piece.seconds()).isEqualTo(piece.end() + piece.tail());
    }
    assertThat(styles).containsExactlyInAnyOrder(Piece.PieceStyle.values());
    assertThat(keys).hasSize(24);
  }

  private static double power(short[] samples, double from, double to) {
    double sum = 0;
    int first = (int) (from * Synth.RATE);
    int behind = (int) (to * Synth.RATE);
    for (int i = first; i < behind; i++) {
      sum += (double) samples[2 * i] * samples[2 * i];
    }
    return 10 * Math.log10(sum / (behind - first) + 1e-9);
  }

  @Test
  void theLoudestPassageIsTheLoudestAndSilenceIsSilent() {
    for (int seed = 1; seed <= 9; seed++) {
      Piece piece = Piece.of(seed);
      short[] samples = PieceSynth.render(piece);
      assertThat(samples).hasSize(2 * (int) (piece.seconds() * Synth.RATE));
      Recording.Section loudest = piece.loudest();
      double most = power(samples, loudest.start(), loudest.end());
      for (Recording.Section section : piece.sections()) {
        if (!section.equals(loudest)) {
          assertThat(power(samples, section.start(), section.end())).isLessThan(most - 2);
        }
      }
      if (piece.leadIn() > 0.1) {
        assertThat(power(samples, 0, piece.leadIn() - 0.05)).isLessThan(-80);
      }
      if (piece.tail() > 0.1) {
        assertThat(power(samples, piece.end() + 0.05, piece.seconds() - 0.01)).isLessThan(-80);
      }
    }
  }

  @Test
  void wornSoundIsAsLongAndAsLoudAndNotTheSame() throws IOException {
    short[] samples = PieceSynth.render(Piece.of(3));
    short[] worn = Encoder.worn(samples, 64);
    assertThat(worn).hasSameSizeAs(samples).isNotEqualTo(samples);
    double seconds = samples.length / 2.0 / Synth.RATE;
    assertThat(power(worn, 5, seconds - 5)).isCloseTo(power(samples, 5, seconds - 5), within(1.0));
  }
}
