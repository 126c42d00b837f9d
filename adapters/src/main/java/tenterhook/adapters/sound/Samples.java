package tenterhook.adapters.sound;

import static org.bytedeco.ffmpeg.avutil.AVFrame.AV_NUM_DATA_POINTERS;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_FLT;
import static org.bytedeco.ffmpeg.global.avutil.av_channel_layout_default;
import static org.bytedeco.ffmpeg.global.swresample.swr_alloc_set_opts2;
import static org.bytedeco.ffmpeg.global.swresample.swr_convert;
import static org.bytedeco.ffmpeg.global.swresample.swr_free;
import static org.bytedeco.ffmpeg.global.swresample.swr_get_out_samples;
import static org.bytedeco.ffmpeg.global.swresample.swr_init;

import org.bytedeco.ffmpeg.avutil.AVChannelLayout;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.swresample.SwrContext;
import org.bytedeco.javacpp.FloatPointer;
import org.bytedeco.javacpp.PointerPointer;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.tagfile.Unreadable;

/** Decoded frames as interleaved floats, whatever form the decoder gives them in. */
final class Samples implements AutoCloseable {
  private final int channels;
  private final int sourceRate;
  private final int sourceFormat;
  private final int sourceChannels;
  private final SwrContext converter;

  /** Parts of the one frame that is used again and again; making them anew would cost more. */
  private final AVChannelLayout frameLayout;

  private final PointerPointer<?> framePlanes;
  private final PointerPointer<FloatPointer> planes = new PointerPointer<>(1);
  private FloatPointer raw = new FloatPointer(0);
  private int from;
  private int to;

  /**
   * For frames of one form.
   *
   * @param frame the decoder's, which is filled again for each that follows
   * @param channels wanted
   * @param rate wanted
   */
  Samples(AVFrame frame, int channels, int rate) throws Unreadable {
    this.channels = channels;
    this.sourceRate = frame.sample_rate();
    this.sourceFormat = frame.format();
    this.frameLayout = frame.ch_layout();
    this.framePlanes = frame.data();
    this.sourceChannels = frameLayout.nb_channels();
    this.converter = new SwrContext(null);
    AVChannelLayout layout = new AVChannelLayout();
    av_channel_layout_default(layout, channels);
    int said =
        swr_alloc_set_opts2(
            converter,
            layout,
            AV_SAMPLE_FMT_FLT,
            rate,
            frame.ch_layout(),
            sourceFormat,
            sourceRate,
            0,
            null);
    layout.close();
    if (said < 0 || swr_init(converter) < 0) {
      throw new Unreadable("its samples have a form that is not known here");
    }
  }

  /** Whether a frame has the form that this was made for. */
  boolean fits(AVFrame frame) {
    return frame.sample_rate() == sourceRate
        && frame.format() == sourceFormat
        && frameLayout.nb_channels() == sourceChannels;
  }

  /** Takes a decoded frame; what was left of the last one is gone. */
  void convert(AVFrame frame) throws Unreadable {
    boolean many = sourceChannels > AV_NUM_DATA_POINTERS;
    if (convert(many ? frame.extended_data() : framePlanes, frame.nb_samples()) < 0) {
      throw new Unreadable("damaged: its samples cannot be converted");
    }
  }

  /** Gets out what the converter still holds. */
  void drain() {
    convert(null, 0);
  }

  private int convert(@Nullable PointerPointer<?> from, int frames) {
    int most = Math.max(64, swr_get_out_samples(converter, frames));
    if (raw.capacity() < (long) most * channels) {
      raw.close();
      raw = new FloatPointer((long) most * channels);
    }
    planes.put(0, raw.position(0));
    int got = swr_convert(converter, planes, most, from, frames);
    this.from = 0;
    to = Math.max(0, got);
    return got;
  }

  int left() {
    return to - from;
  }

  void drop(int frames) {
    from += frames;
  }

  int take(float[] out, int most) {
    int frames = Math.min(most, left());
    raw.position((long) from * channels).get(out, 0, frames * channels);
    from += frames;
    return frames;
  }

  @Override
  public void close() {
    swr_free(converter);
    raw.close();
    planes.close();
  }
}
