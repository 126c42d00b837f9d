package tenterhook.standins.synth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class SynthTest {
  @TempDir Path folder;

  @ParameterizedTest
  @ValueSource(doubles = {70, 93.5, 128, 160})
  void recordingsAreAsLongAsTheyShouldBe(double bpm) {
    for (long seed = 0; seed < 50; seed++) {
      Recording recording = Recording.of(seed, bpm);
      assertThat(recording.seconds()).isBetween(12.0, 25.0);
      assertThat(recording.sections())
          .extracting(Recording.Section::name)
          .containsExactly("intro", "verse", "drop", "break", "out");
      for (int i = 1; i < recording.sections().size(); i++) {
        assertThat(recording.sections().get(i).start())
            .isEqualTo(recording.sections().get(i - 1).end());
      }
    }
  }

  @Test
  void theDropIsTheLoudestPart() {
    Recording recording = Recording.of(5, 120);
    short[] samples = Synth.render(recording);
    double drop = level(samples, recording.sections().get(2));
    for (Recording.Section section : recording.sections()) {
      assertThat(level(samples, section)).isLessThanOrEqualTo(drop);
    }
  }

  private static double level(short[] samples, Recording.Section section) {
    int from = (int) (section.start() * Synth.RATE) * 2;
    int to = Math.min(samples.length, (int) (section.end() * Synth.RATE) * 2);
    double sum = 0;
    for (int i = from; i < to; i++) {
      sum += (double) samples[i] * samples[i];
    }
    return Math.sqrt(sum / (to - from));
  }

  @Test
  void beatsStandWhereTheTempoSays() {
    Recording recording = Recording.of(9, 120);
    short[] samples = Synth.render(recording);
    int beat = Synth.RATE / 2;
    double onBeat = 0;
    double offBeat = 0;
    int first = (int) (recording.sections().get(2).start() * Synth.RATE);
    for (int b = 0; b < 8; b++) {
      onBeat += energy(samples, first + b * beat, beat / 8);
      offBeat += energy(samples, first + b * beat + beat * 3 / 8, beat / 8);
    }
    assertThat(onBeat).isGreaterThan(offBeat * 1.5);
  }

  private static double energy(short[] samples, int from, int frames) {
    double sum = 0;
    for (int i = from; i < from + frames; i++) {
      sum += (double) samples[2 * i] * samples[2 * i];
    }
    return sum;
  }

  @Test
  void nothingIsClipped() {
    for (long seed = 1; seed < 20; seed++) {
      for (short sample : Synth.render(Recording.of(seed, 100))) {
        assertThat(sample).isBetween((short) -32_000, (short) 32_000);
      }
    }
  }

  @ParameterizedTest
  @EnumSource(Encoder.AudioForm.class)
  void theSameSamplesGiveTheSameBytes(Encoder.AudioForm form) throws Exception {
    short[] samples = Synth.render(Recording.of(2, 140));
    Path one = folder.resolve("one." + form.ending());
    Path two = folder.resolve("two." + form.ending());
    Encoder.write(samples, one, form, 128);
    Encoder.write(samples, two, form, 128);
    assertThat(Files.mismatch(one, two)).isEqualTo(-1);
  }

  @Test
  void coversAreDrawnInTheirSize() throws Exception {
    for (String format : List.of("png", "jpg")) {
      byte[] cover = Cover.draw(4, 300, format);
      assertThat(ImageIO.read(new ByteArrayInputStream(cover)).getWidth()).isEqualTo(300);
      assertThat(Cover.draw(4, 300, format)).isEqualTo(cover);
      assertThat(Cover.draw(5, 300, format)).isNotEqualTo(cover);
    }
  }

  @Test
  void impossibleRecordingsAreRefused() {
    assertThatThrownBy(() -> new Recording(1, 300, 0, true, -1, List.of()))
        .hasMessageContaining("300");
    assertThatThrownBy(() -> new Recording(1, 100, 12, true, -1, List.of()))
        .hasMessageContaining("12");
  }
}
