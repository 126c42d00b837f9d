package tenterhook.adapters.sound;

import static org.bytedeco.ffmpeg.global.avcodec.AVDISCARD_ALL;
import static org.bytedeco.ffmpeg.global.avcodec.AVDISCARD_DEFAULT;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_alloc_context3;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_decoder;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_flush_buffers;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_free_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_open2;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_to_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_receive_frame;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_send_packet;
import static org.bytedeco.ffmpeg.global.avformat.AVSEEK_FLAG_BACKWARD;
import static org.bytedeco.ffmpeg.global.avformat.av_find_best_stream;
import static org.bytedeco.ffmpeg.global.avformat.av_read_frame;
import static org.bytedeco.ffmpeg.global.avformat.av_seek_frame;
import static org.bytedeco.ffmpeg.global.avformat.avformat_close_input;
import static org.bytedeco.ffmpeg.global.avformat.avformat_find_stream_info;
import static org.bytedeco.ffmpeg.global.avformat.avformat_open_input;
import static org.bytedeco.ffmpeg.global.avutil.AVERROR_EOF;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_AUDIO;
import static org.bytedeco.ffmpeg.global.avutil.AV_LOG_QUIET;
import static org.bytedeco.ffmpeg.global.avutil.AV_NOPTS_VALUE;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_free;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_unref;
import static org.bytedeco.ffmpeg.global.avutil.av_log_set_level;
import static org.bytedeco.ffmpeg.global.avutil.av_strerror;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVInputFormat;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVRational;
import org.bytedeco.javacpp.BytePointer;
import org.bytedeco.javacpp.PointerPointer;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.tagfile.Unreadable;

/**
 * An open music file whose sound is read from front to back or from any moment. Never more than a
 * packet is held. Not thread-safe. Packets that cannot be decoded are passed by and counted; a file
 * with nothing else is refused.
 */
public final class SoundFile implements AutoCloseable {
  /** A seek begins so much earlier, since a frame may need the ones before it. */
  private static final double RUN_UP_SECONDS = 0.3;

  private static final int HOPELESS = 500;

  static {
    av_log_set_level(AV_LOG_QUIET);
  }

  private final Path path;
  private final AVFormatContext container;
  private final AVPacket packet = av_packet_alloc();
  private final AVFrame frame = av_frame_alloc();
  private @Nullable AVCodecContext codec;
  private @Nullable Samples samples;
  private int stream;
  private int rate;
  private int channels;
  private double timeBase;
  private double startSeconds;
  private double claimedSeconds;
  private long position;
  private long skipTo = -1;
  private int broken;
  private boolean draining;
  private boolean ended;

  private SoundFile(Path path, AVFormatContext container) {
    this.path = path;
    this.container = container;
  }

  /**
   * Opens a file; its frames come at its own rate, with one or two channels.
   *
   * @param path a music file
   * @throws Unreadable when it is not there, or nothing in it sounds
   */
  public static SoundFile open(Path path) throws Unreadable {
    return open(path, 0, 0);
  }

  /**
   * Opens a file.
   *
   * @param path a music file
   * @param rate frames a second that are wanted, 0 for its own
   * @param channels 1 or 2, 0 for its own
   * @throws Unreadable when it is not there, or nothing in it sounds
   */
  public static SoundFile open(Path path, int rate, int channels) throws Unreadable {
    if (!Files.isRegularFile(path)) {
      throw new Unreadable("the file is not there: " + path);
    }
    AVFormatContext container = new AVFormatContext(null);
    BytePointer url = new BytePointer("file:" + path.toAbsolutePath(), StandardCharsets.UTF_8);
    try {
      int said = avformat_open_input(container, url, (AVInputFormat) null, (AVDictionary) null);
      if (said < 0) {
        throw new Unreadable("damaged or no music file: " + words(said));
      }
    } finally {
      url.close();
    }
    SoundFile file = new SoundFile(path, container);
    try {
      file.prepare(rate, channels);
      return file;
    } catch (Unreadable | RuntimeException trouble) {
      file.close();
      throw trouble;
    }
  }

  private void prepare(int wantedRate, int wantedChannels) throws Unreadable {
    check(avformat_find_stream_info(container, (PointerPointer<?>) null));
    stream = av_find_best_stream(container, AVMEDIA_TYPE_AUDIO, -1, -1, (AVCodec) null, 0);
    if (stream < 0) {
      throw new Unreadable("damaged or no music file: nothing in it sounds");
    }
    AVStream audio = container.streams(stream);
    for (int i = 0; i < container.nb_streams(); i++) {
      container.streams(i).discard(i == stream ? AVDISCARD_DEFAULT : AVDISCARD_ALL);
    }
    AVCodec decoder = avcodec_find_decoder(audio.codecpar().codec_id());
    if (decoder == null) {
      throw new Unreadable("its codec is not known here");
    }
    AVCodecContext opened = avcodec_alloc_context3(decoder);
    codec = opened;
    check(avcodec_parameters_to_context(opened, audio.codecpar()));
    opened.thread_count(1);
    opened.pkt_timebase(audio.time_base());
    check(avcodec_open2(opened, decoder, (AVDictionary) null));
    rate = opened.sample_rate();
    channels = Math.min(2, opened.ch_layout().nb_channels());
    if (rate < 8000 || rate > 384_000 || channels < 1) {
      throw new Unreadable("damaged: " + rate + " Hz, " + channels + " channels");
    }
    rate = wantedRate == 0 ? rate : wantedRate;
    channels = wantedChannels == 0 ? channels : wantedChannels;
    timeBase = ratio(audio.time_base());
    startSeconds = known(audio.start_time()) ? audio.start_time() * timeBase : 0;
    claimedSeconds =
        known(audio.duration())
            ? audio.duration() * timeBase
            : known(container.duration()) ? container.duration() / 1e6 : 0;
  }

  private static boolean known(long moment) {
    return moment != AV_NOPTS_VALUE && moment >= 0;
  }

  private static double ratio(AVRational rational) {
    return rational.num() / (double) Math.max(1, rational.den());
  }

  private static void check(int said) throws Unreadable {
    if (said < 0) {
      throw new Unreadable("damaged or no music file: " + words(said));
    }
  }

  private static String words(int error) {
    byte[] text = new byte[128];
    av_strerror(error, text, text.length);
    int end = 0;
    while (end < text.length && text[end] != 0) {
      end++;
    }
    return new String(text, 0, end, StandardCharsets.UTF_8).toLowerCase(Locale.ROOT);
  }

  /** Samples a second. */
  public int rate() {
    return rate;
  }

  /** 1 or 2; what has more is mixed to two. */
  public int channels() {
    return channels;
  }

  /** The length that the file claims, 0 when it claims none. */
  public double claimedSeconds() {
    return claimedSeconds;
  }

  /** The next frame to be read, counted from the start. */
  public long position() {
    return position;
  }

  /** How many packets could not be decoded so far. */
  public int brokenPackets() {
    return broken;
  }

  /**
   * Reads on.
   *
   * @param out gets interleaved samples, full scale at 1; as many frames as fit
   * @return how many frames, or -1 at the end
   * @throws Unreadable when nothing more can be made of the file
   */
  public int read(float[] out) throws Unreadable {
    return read(out, out.length / channels);
  }

  /**
   * Reads on, but not more than so many frames.
   *
   * @param out gets interleaved samples, full scale at 1
   * @param most frames at most, 1 or more
   * @return how many frames, or -1 at the end
   * @throws Unreadable when nothing more can be made of the file
   */
  public int read(float[] out, int most) throws Unreadable {
    Samples ready = samples;
    while (ready == null || ready.left() == 0) {
      if (ended) {
        return -1;
      }
      next();
      ready = samples;
    }
    int frames = ready.take(out, most);
    position += frames;
    return frames;
  }

  /**
   * Goes to a moment; the next frame read is the one of that moment.
   *
   * @param seconds from the start; behind the end nothing is left to be read
   * @throws Unreadable when the file does not let itself be sought in
   */
  public void seek(double seconds) throws Unreadable {
    long target = Math.max(0, Math.round(seconds * rate));
    double from = Math.max(0, seconds - RUN_UP_SECONDS);
    long moment = (long) Math.floor((from + startSeconds) / timeBase);
    int said = av_seek_frame(container, stream, moment, AVSEEK_FLAG_BACKWARD);
    if (said < 0) {
      said = av_seek_frame(container, stream, 0, AVSEEK_FLAG_BACKWARD);
    }
    check(said);
    avcodec_flush_buffers(codec);
    forget();
    draining = false;
    ended = false;
    skipTo = target;
    position = target;
  }

  /** A converter keeps a little of what went through it, which does not belong elsewhere. */
  private void forget() {
    if (samples != null) {
      samples.close();
      samples = null;
    }
  }

  private void next() throws Unreadable {
    int said = avcodec_receive_frame(codec, frame);
    if (said == 0) {
      take();
    } else if (said == AVERROR_EOF() || draining) {
      ended = true;
      if (samples != null) {
        samples.drain();
      }
    } else {
      feed();
    }
  }

  private void feed() throws Unreadable {
    int said = av_read_frame(container, packet);
    if (said < 0) {
      draining = true;
      avcodec_send_packet(codec, (AVPacket) null);
      return;
    }
    if (packet.stream_index() == stream && avcodec_send_packet(codec, packet) < 0) {
      broken++;
      if (broken > HOPELESS && position == 0) {
        av_packet_unref(packet);
        throw new Unreadable("damaged: nothing of it can be decoded");
      }
    }
    av_packet_unref(packet);
  }

  private void take() throws Unreadable {
    Samples into = samples;
    if (into == null || !into.fits(frame)) {
      forget();
      into = new Samples(frame, channels, rate);
      samples = into;
    }
    into.convert(frame);
    if (skipTo >= 0) {
      long moment = frame.best_effort_timestamp();
      long first =
          moment == AV_NOPTS_VALUE ? skipTo : Math.round((moment * timeBase - startSeconds) * rate);
      long early = Math.min(into.left(), Math.max(0, skipTo - first));
      into.drop((int) early);
      if (into.left() > 0) {
        skipTo = -1;
      }
    }
    av_frame_unref(frame);
  }

  /**
   * What was wrong, once all was read from the start: packets that could not be decoded, or an end
   * that came more than a second too early.
   */
  public Optional<String> damage() {
    double heard = position / (double) rate;
    if (broken > 0) {
      return Optional.of("damaged: " + broken + " of its packets could not be decoded");
    }
    return claimedSeconds - heard > Math.max(1, claimedSeconds * 0.02)
        ? Optional.of(
            String.format(
                Locale.ROOT,
                "ends after %.0f of %.0f seconds; the rest is missing",
                heard,
                claimedSeconds))
        : Optional.empty();
  }

  @Override
  public String toString() {
    return path.toString();
  }

  @Override
  public void close() {
    forget();
    av_packet_free(packet);
    av_frame_free(frame);
    if (codec != null) {
      avcodec_free_context(codec);
      codec = null;
    }
    avformat_close_input(container);
  }
}
