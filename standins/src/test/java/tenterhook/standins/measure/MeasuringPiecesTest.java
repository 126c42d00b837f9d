package tenterhook.standins.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.bytedeco.javacpp.Loader;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.backstage.measure.Measuring;
import tenterhook.core.measure.Measurement;
import tenterhook.core.measure.Passage;
import tenterhook.core.measure.PrintIndex;
import tenterhook.core.measure.SoundQuality.Verdict;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Encoder.Form;
import tenterhook.standins.synth.Piece;
import tenterhook.standins.synth.PieceSynth;

/** Measuring whole files of made-up pieces that nothing was tuned on. */
class MeasuringPiecesTest {
  private static final int PIECES = 8;
  private static final Pattern LUFS = Pattern.compile("\\s+I:\\s+(-?[\\d.]+) LUFS");

  @TempDir static Path folder;
  private static final List<Piece> ALL = new ArrayList<>();
  private static final List<Path> FILES = new ArrayList<>();
  private static final List<Measurement> MEASURED = new ArrayList<>();

  @BeforeAll
  static void measureAll() throws Exception {
    Form[] forms = {Form.FLAC, Form.MP3, Form.M4A, Form.OGG, Form.WAV, Form.AIFF};
    for (int i = 0; i < PIECES; i++) {
      Piece piece = Piece.of(40_001 + i);
      Form form = forms[i % forms.length];
      Path file = folder.resolve(i + "." + form.ending());
      Encoder.writeFull(PieceSynth.render(piece), file, form, 256);
      ALL.add(piece);
      FILES.add(file);
      MEASURED.add(measured(file));
    }
  }

  private static Measurement measured(Path file) throws Exception {
    return Measuring.measure(file, () -> false).orElseThrow();
  }

  @Test
  void tempoKeyAndPassagesAreRight() {
    int tempi = 0;
    int keys = 0;
    int loudest = 0;
    for (int i = 0; i < PIECES; i++) {
      Piece piece = ALL.get(i);
      Measurement of = MEASURED.get(i);
      double bpm = of.tempo().orElseThrow().bpm();
      tempi += Math.abs(bpm / piece.bpm() - 1) <= 0.01 ? 1 : 0;
      keys += of.key().orElseThrow().key().name().equals(piece.key()) ? 1 : 0;
      double start = of.loudest().map(Passage::startSeconds).orElse(99.0);
      loudest += Math.abs(start - piece.loudest().start()) <= 0.5 ? 1 : 0;
      assertThat(of.bounds().startSeconds()).isCloseTo(piece.leadIn(), within(0.1));
      assertThat(of.bounds().endSeconds()).isCloseTo(piece.end(), within(0.5));
    }
    assertThat(tempi).as("tempi").isGreaterThanOrEqualTo(PIECES - 1);
    assertThat(keys).as("keys").isGreaterThanOrEqualTo(PIECES - 2);
    assertThat(loudest).as("loudest passages").isGreaterThanOrEqualTo(PIECES - 2);
  }

  @Test
  void loudnessIsWhatFfmpegMeasures() throws Exception {
    for (int i = 0; i < PIECES; i++) {
      assertThat(MEASURED.get(i).lufs().orElseThrow())
          .as(FILES.get(i).toString())
          .isCloseTo(theirs(FILES.get(i)), within(0.2));
    }
  }

  /** The program that comes with the library. */
  private static double theirs(Path file) throws IOException {
    Process process =
        new ProcessBuilder(
                Loader.load(org.bytedeco.ffmpeg.ffmpeg.class),
                "-nostats",
                "-i",
                file.toString(),
                "-af",
                "ebur128",
                "-f",
                "null",
                "-")
            .redirectErrorStream(true)
            .start();
    double last = Double.NaN;
    try (BufferedReader lines = process.inputReader()) {
      for (String line = lines.readLine(); line != null; line = lines.readLine()) {
        Matcher found = LUFS.matcher(line);
        last = found.matches() ? Double.parseDouble(found.group(1)) : last;
      }
    }
    return last;
  }

  @ParameterizedTest
  @CsvSource({"MP3, 64", "MP3, 128", "M4A, 128", "OGG, 128"})
  void theSoundPrintSurvivesCoding(Form form, int kbps) throws Exception {
    java.util.Map<Integer, tenterhook.core.measure.SoundPrint> prints = new java.util.HashMap<>();
    for (int i = 0; i < PIECES; i++) {
      prints.put(i, MEASURED.get(i).print());
    }
    PrintIndex index = PrintIndex.of(prints);
    for (int i = 0; i < 2; i++) {
      Path file = folder.resolve("worn " + i + form + kbps + "." + form.ending());
      Encoder.writeFull(PieceSynth.render(ALL.get(i)), file, form, kbps);
      assertThat(index.find(measured(file).print()))
          .extracting(PrintIndex.Match::id)
          .containsExactly(i);
    }
  }

  @Test
  void upscaledSoundIsToldAndHonestSoundIsNotAccused() throws Exception {
    for (int i = 0; i < 2; i++) {
      short[] samples = PieceSynth.render(ALL.get(i));
      Path grand = folder.resolve("grand " + i + ".mp3");
      Encoder.writeFull(Encoder.worn(samples, 128), grand, Form.MP3, 320);
      assertThat(measured(grand).quality().verdict(false, 320)).isEqualTo(Verdict.UPSCALED);
      assertThat(measured(grand).quality().soundsLikeKbps()).isEqualTo(128);
      Path lossless = folder.resolve("grand " + i + ".flac");
      Encoder.writeFull(Encoder.worn(samples, 64), lossless, Form.FLAC, 0);
      assertThat(measured(lossless).quality().verdict(true, 0)).isEqualTo(Verdict.UPSCALED);
      Path honest = folder.resolve("honest " + i + ".mp3");
      Encoder.writeFull(samples, honest, Form.MP3, 320);
      assertThat(measured(honest).quality().verdict(false, 320)).isEqualTo(Verdict.HONEST);
    }
    for (int i = 0; i < PIECES; i++) {
      boolean lossless = !FILES.get(i).toString().matches(".*(mp3|m4a|ogg)");
      double kbps = Files.size(FILES.get(i)) / 125.0 / ALL.get(i).seconds();
      assertThat(MEASURED.get(i).quality().verdict(lossless, kbps)).isNotEqualTo(Verdict.UPSCALED);
    }
  }
}
