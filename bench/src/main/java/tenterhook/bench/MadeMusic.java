package tenterhook.bench;

import tenterhook.core.measure.Measurer;

/** Brings made-up music to a measurer. */
final class MadeMusic {
  private static final int BLOCK = 4096;

  private MadeMusic() {}

  /** Feeds all of a rendered piece of two channels. */
  static void feed(Measurer measurer, short[] samples) {
    float[] block = new float[2 * BLOCK];
    for (int from = 0; from < samples.length; from += block.length) {
      int some = Math.min(block.length, samples.length - from);
      for (int i = 0; i < some; i++) {
        block[i] = samples[from + i] / 32_768f;
      }
      measurer.add(block, some / 2);
    }
  }
}
