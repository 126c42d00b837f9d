package tenterhook.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Makes the sound print alone, which needs no more than the first two minutes of sound and an
 * eighth of its samples: no band of a print lies above 2000 Hz.
 */
public final class SoundPrinter {
  private static final double HERTZ = 5512.5;
  private static final int FRAME = 2048;
  private static final int BLOCK = 4096;

  private final int channels;

  /** Frames that make one sample. */
  private final int framesInOne;

  private final List<Decimator> halvers = new ArrayList<>();

  /** For the rates that are not a multiple of what is wanted. */
  private final Optional<Resampler> resampler;

  private final SoundPrint.PrintBuilder print = new SoundPrint.PrintBuilder(HERTZ, FRAME);
  private final FrameSplitter splitter = new FrameSplitter(FRAME, HERTZ / SoundPrint.RATE, print);
  private final float[] mono = new float[BLOCK];
  private int filled;
  private boolean pending;
  private float before;

  /**
   * For a recording.
   *
   * @param rate samples a second, 8000 or more
   * @param channels 1 or more
   */
  public SoundPrinter(int rate, int channels) {
    this.channels = channels;
    framesInOne = rate >= 8 * HERTZ ? 2 : 1;
    double left = rate / (double) framesInOne;
    while (left >= 4 * HERTZ) {
      halvers.add(Decimator.quick(BLOCK));
      left /= 2;
    }
    boolean even = left == 2 * HERTZ;
    if (even) {
      halvers.add(Decimator.sharp(BLOCK));
    }
    resampler = even ? Optional.empty() : Optional.of(new Resampler(left, HERTZ));
  }

  /**
   * Takes the next frames.
   *
   * @param samples channels in turn, full scale at 1
   * @param frames how many frames of them
   * @return whether more would change the print
   */
  public boolean add(float[] samples, int frames) {
    int from = 0;
    if (pending && frames > 0) {
      push((before + mixed(samples, 0)) / 2);
      from = 1;
    }
    int whole = (frames - from) / framesInOne;
    for (int done = 0; done < whole && !print.full(); ) {
      int some = Math.min(BLOCK - filled, whole - done);
      mix(samples, from + done * framesInOne, some);
      filled += some;
      done += some;
      if (filled == BLOCK) {
        flush();
      }
    }
    pending = from + whole * framesInOne < frames;
    before = pending ? mixed(samples, frames - 1) : 0;
    return !print.full();
  }

  private void push(float sample) {
    mono[filled++] = sample;
    if (filled == BLOCK) {
      flush();
    }
  }

  private float mixed(float[] samples, int frame) {
    if (channels == 1) {
      return samples[frame];
    }
    float sum = 0;
    for (int c = 0; c < channels; c++) {
      sum += samples[frame * channels + c];
    }
    return sum / channels;
  }

  /** Mixes the channels of one frame, or of two into one sample: the simplest way to halve. */
  private void mix(float[] samples, int from, int count) {
    float[] into = mono;
    int at = filled;
    if (channels == 2 && framesInOne == 2) {
      for (int i = 0; i < count; i++) {
        int s = 2 * from + 4 * i;
        into[at + i] = 0.25f * (samples[s] + samples[s + 1] + samples[s + 2] + samples[s + 3]);
      }
    } else if (channels == 1 && framesInOne == 2) {
      for (int i = 0; i < count; i++) {
        int s = from + 2 * i;
        into[at + i] = 0.5f * (samples[s] + samples[s + 1]);
      }
    } else if (framesInOne == 2) {
      for (int i = 0; i < count; i++) {
        int s = from + 2 * i;
        into[at + i] = 0.5f * (mixed(samples, s) + mixed(samples, s + 1));
      }
    } else {
      for (int i = 0; i < count; i++) {
        into[at + i] = mixed(samples, from + i);
      }
    }
  }

  private void flush() {
    float[] slow = mono;
    int count = filled;
    filled = 0;
    for (Decimator decimator : halvers) {
      count = decimator.halve(slow, count);
      slow = decimator.out();
    }
    if (resampler.isPresent()) {
      slow = resampler.get().resampled(slow, count);
      count = resampler.get().made();
    }
    splitter.add(slow, count);
  }

  /** The print of all that was given. To be called once, at the end. */
  public SoundPrint print() {
    flush();
    return print.build();
  }
}
