package tenterhook.standins.synth;

import java.io.IOException;
import java.nio.ShortBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.javacv.FFmpegFrameRecorder;
import tenterhook.adapters.sound.SoundFile;
import tenterhook.adapters.tagfile.Unreadable;

/** Writes samples as a music file. The same samples give the same bytes. */
public final class Encoder {
  static {
    avutil.av_log_set_level(avutil.AV_LOG_ERROR);
  }

  private Encoder() {}

  /** A form that a file can have. */
  public enum AudioForm {
    /** MPEG-1 layer III. */
    MP3("mp3", "mp3", avcodec.AV_CODEC_ID_MP3, true),
    /** Free lossless. */
    FLAC("flac", "flac", avcodec.AV_CODEC_ID_FLAC, false),
    /** AAC in an ISO container. */
    M4A("m4a", "ipod", avcodec.AV_CODEC_ID_AAC, true),
    /** Vorbis in Ogg. */
    OGG("ogg", "ogg", avcodec.AV_CODEC_ID_VORBIS, false),
    /** Opus in Ogg. */
    OPUS("opus", "opus", avcodec.AV_CODEC_ID_OPUS, false),
    /** Plain samples, little end first. */
    WAV("wav", "wav", avcodec.AV_CODEC_ID_PCM_S16LE, false),
    /** Plain samples, big end first. */
    AIFF("aiff", "aiff", avcodec.AV_CODEC_ID_PCM_S16BE, false);

    private final String ending;
    private final String container;
    private final int codec;
    private final boolean slim;

    AudioForm(String ending, String container, int codec, boolean slim) {
      this.slim = slim;
      this.ending = ending;
      this.container = container;
      this.codec = codec;
    }

    /** The file name's ending, without the dot. */
    public String ending() {
      return ending;
    }
  }

  private static short[] middle(short[] samples) {
    short[] one = new short[samples.length / 2];
    for (int i = 0; i < one.length; i++) {
      one[i] = (short) ((samples[2 * i] + samples[2 * i + 1]) / 2);
    }
    return one;
  }

  /**
   * Writes a file. Mp3 and AAC below 320 kbps get one channel at 32 kHz, which takes a third of the
   * time.
   *
   * @param samples 16-bit frames of two channels at {@link Synth#RATE}
   * @param file is overwritten
   * @param form which form
   * @param kbps bit rate for the forms that lose, else without meaning
   * @throws IOException when it cannot be written
   */
  public static void write(short[] samples, Path file, AudioForm form, int kbps)
      throws IOException {
    write(samples, file, form, kbps, form.slim && kbps < 320);
  }

  /**
   * Writes a file of two channels at the full sample rate, as one from a shop would be.
   *
   * @param samples 16-bit frames of two channels at {@link Synth#RATE}
   * @param file is overwritten
   * @param form which form
   * @param kbps bit rate for the forms that lose, else without meaning
   * @throws IOException when it cannot be written
   */
  public static void writeFull(short[] samples, Path file, AudioForm form, int kbps)
      throws IOException {
    write(samples, file, form, kbps, false);
  }

  /**
   * What is left of samples after they were coded as mp3.
   *
   * @param samples 16-bit frames of two channels at {@link Synth#RATE}
   * @param kbps the bit rate
   * @throws IOException when no file can be made for it
   */
  public static short[] worn(short[] samples, int kbps) throws IOException {
    Path file = Files.createTempFile("worn", ".mp3");
    try {
      writeFull(samples, file, AudioForm.MP3, kbps);
      short[] out = new short[samples.length];
      try (SoundFile sound = SoundFile.open(file)) {
        float[] block = new float[8192];
        int at = 0;
        for (int got = sound.read(block); got >= 0; got = sound.read(block)) {
          for (int i = 0; i < 2 * got && at < out.length; i++) {
            out[at++] = (short) Math.round(Math.clamp(block[i], -1f, 1f) * 32_767);
          }
        }
      }
      return out;
    } catch (Unreadable impossible) {
      throw new IOException("what was just written cannot be read", impossible);
    } finally {
      Files.delete(file);
    }
  }

  private static void write(short[] samples, Path file, AudioForm form, int kbps, boolean slim)
      throws IOException {
    int channels = slim ? 1 : 2;
    int rate = form == AudioForm.OPUS ? 48_000 : slim ? 32_000 : Synth.RATE;
    try (FFmpegFrameRecorder recorder = new FFmpegFrameRecorder(file.toFile(), channels)) {
      recorder.setFormat(form.container);
      recorder.setAudioCodec(form.codec);
      recorder.setSampleRate(rate);
      recorder.setAudioBitrate(Math.max(64, kbps) * 1000);
      recorder.setAudioOption("compression_level", form == AudioForm.MP3 ? "9" : "0");
      if (form == AudioForm.M4A) {
        recorder.setAudioOption("aac_coder", "fast");
      }
      if (form == AudioForm.MP3) {
        recorder.setOption("id3v2_version", "0");
      }
      recorder.setOption("fflags", "+bitexact");
      recorder.setAudioOption("flags", "+bitexact");
      recorder.start();
      recorder.recordSamples(
          Synth.RATE, channels, ShortBuffer.wrap(channels == 2 ? samples : middle(samples)));
      recorder.stop();
    }
  }
}
