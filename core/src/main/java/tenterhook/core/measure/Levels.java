package tenterhook.core.measure;

/**
 * Where sound starts and ends, the longest silence within, and runs of samples that stand at full
 * scale. Silence is what stays under -60 dB of full scale.
 */
final class Levels {
  private static final float SILENT = 0.001f;
  private static final float FULL = 0.9995f;
  private static final int RUN = 3;

  private final int rate;
  private final int channels;
  private long frames;
  private long first = -1;
  private long last = -1;
  private long longest;
  private int clipped;
  private int run;

  Levels(int rate, int channels) {
    this.rate = rate;
    this.channels = channels;
  }

  /** Takes interleaved frames. */
  void add(float[] samples, int count) {
    for (int i = 0; i < count; i++) {
      float high = 0;
      for (int c = 0; c < channels; c++) {
        high = Math.max(high, Math.abs(samples[i * channels + c]));
      }
      take(high);
      frames++;
    }
  }

  private void take(float high) {
    if (high >= SILENT) {
      if (first < 0) {
        first = frames;
      } else {
        longest = Math.max(longest, frames - last - 1);
      }
      last = frames;
    }
    run = high >= FULL ? run + 1 : 0;
    if (run == RUN) {
      clipped++;
    }
  }

  /** All that was given, in seconds. */
  double seconds() {
    return (double) frames / rate;
  }

  SoundBounds bounds() {
    return first < 0
        ? new SoundBounds(0, 0, seconds(), clipped)
        : new SoundBounds(
            (double) first / rate, (last + 1.0) / rate, (double) longest / rate, clipped);
  }
}
