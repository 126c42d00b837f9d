package tenterhook.standins.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.bytedeco.ffmpeg.avutil.LogCallback;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.javacpp.BytePointer;
import org.bytedeco.javacv.FFmpegFrameFilter;
import org.bytedeco.javacv.FFmpegFrameGrabber;
import org.bytedeco.javacv.Frame;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.adapters.measure.Measuring;
import tenterhook.core.measure.Measurement;
import tenterhook.core.measure.Passage;
import tenterhook.core.measure.PrintIndex;
import tenterhook.core.measure.SoundQuality.Verdict;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Encoder.AudioForm;
import tenterhook.standins.synth.Piece;
import tenterhook.standins.synth.PieceSynth;

/**
 * Measuring whole files of made-up pieces that nothing was tuned on; the tables in {@code bench} do
 * it with many more.
 */
class MeasuringPiecesTest {
  private static final int PIECES = 6;
  private static final Pattern LUFS = Pattern.compile("\\s+I:\\s+(-?[\\d.]+) LUFS");

  @TempDir static Path folder;
  private static final List<Piece> ALL = new ArrayList<>();
  private static final List<Path> FILES = new ArrayList<>();
  private static final List<Measurement> MEASURED = new ArrayList<>();

  private record Made(Piece piece, Path file, Measurement measurement) {}

  @BeforeAll
  static void measureAll() {
    IntStream.range(0, PIECES)
        .parallel()
        .mapToObj(MeasuringPiecesTest::make)
        .toList()
        .forEach(
            made -> {
              ALL.add(made.piece());
              FILES.add(made.file());
              MEASURED.add(made.measurement());
            });
  }

  private static Made make(int number) {
    AudioForm[] forms = {
      AudioForm.FLAC, AudioForm.MP3, AudioForm.M4A, AudioForm.OGG, AudioForm.WAV, AudioForm.AIFF
    };
    AudioForm form = forms[number % forms.length];
    Path file = folder.resolve(number + "." + form.ending());
    Piece piece = Piece.of(40_001 + number);
    try {
      Encoder.writeFull(PieceSynth.render(piece), file, form, 256);
      return new Made(piece, file, measured(file));
    } catch (Exception trouble) {
      throw new IllegalStateException(trouble);
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

  /** The meter of the library, which says at its end what it measured. */
  private static double theirs(Path file) throws Exception {
    StringBuilder said = new StringBuilder();
    LogCallback listen =
        new LogCallback() {
          @Override
          public void call(int level, BytePointer message) {
            said.append(message.getString());
          }
        };
    try (FFmpegFrameGrabber sound = new FFmpegFrameGrabber(file.toFile())) {
      sound.start();
      avutil.av_log_set_level(avutil.AV_LOG_INFO);
      avutil.setLogCallback(listen);
      try (FFmpegFrameFilter meter = new FFmpegFrameFilter("ebur128", sound.getAudioChannels())) {
        meter.setSampleRate(sound.getSampleRate());
        meter.setSampleFormat(sound.getSampleFormat());
        meter.start();
        for (Frame frame = sound.grabSamples(); frame != null; frame = sound.grabSamples()) {
          meter.push(frame);
          while (meter.pullSamples() != null) {
            continue; // it hands on what it heard
          }
        }
      }
    } finally {
      avutil.setLogCallback(null);
      avutil.av_log_set_level(avutil.AV_LOG_ERROR);
      listen.close();
    }
    Matcher found = LUFS.matcher(said);
    double last = Double.NaN;
    while (found.find()) {
      last = Double.parseDouble(found.group(1));
    }
    return last;
  }

  @ParameterizedTest
  @CsvSource({"MP3, 64", "MP3, 128", "M4A, 128", "OGG, 128"})
  void theSoundPrintSurvivesCoding(AudioForm form, int kbps) throws Exception {
    java.util.Map<Integer, tenterhook.core.measure.SoundPrint> prints = new java.util.HashMap<>();
    for (int i = 0; i < PIECES; i++) {
      prints.put(i, MEASURED.get(i).print());
    }
    PrintIndex index = PrintIndex.of(prints);
    Path file = folder.resolve("worn " + form + kbps + "." + form.ending());
    Encoder.writeFull(PieceSynth.render(ALL.get(0)), file, form, kbps);
    assertThat(index.find(measured(file).print()))
        .extracting(PrintIndex.Hit::id)
        .containsExactly(0);
  }

  @Test
  void upscaledSoundIsToldAndHonestSoundIsNotAccused() throws Exception {
    short[] samples = PieceSynth.render(ALL.get(0));
    Path grand = folder.resolve("grand.mp3");
    Encoder.writeFull(Encoder.worn(samples, 128), grand, AudioForm.MP3, 320);
    assertThat(measured(grand).quality().verdict(false, 320)).isEqualTo(Verdict.UPSCALED);
    assertThat(measured(grand).quality().soundsLikeKbps()).isEqualTo(128);
    Path lossless = folder.resolve("grand.flac");
    Encoder.writeFull(Encoder.worn(samples, 64), lossless, AudioForm.FLAC, 0);
    assertThat(measured(lossless).quality().verdict(true, 0)).isEqualTo(Verdict.UPSCALED);
    Path honest = folder.resolve("honest.mp3");
    Encoder.writeFull(samples, honest, AudioForm.MP3, 320);
    assertThat(measured(honest).quality().verdict(false, 320)).isEqualTo(Verdict.HONEST);
    for (int i = 0; i < PIECES; i++) {
      boolean keepsAll = !FILES.get(i).toString().matches(".*(mp3|m4a|ogg)");
      double kbps = Files.size(FILES.get(i)) / 125.0 / ALL.get(i).seconds();
      assertThat(MEASURED.get(i).quality().verdict(keepsAll, kbps)).isNotEqualTo(Verdict.UPSCALED);
    }
  }
}
