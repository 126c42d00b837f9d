package tenterhook.core.measure;

/** Makes the sound print alone, which needs no more than the first two minutes of sound. */
public final class SoundPrinter {
  private static final int BLOCK = 4096;

  private final int channels;
  private final Resampler resampler;
  private final SoundPrint.Builder print = new SoundPrint.Builder();
  private final Framer framer = new Framer(SoundPrint.Builder.FRAME, SoundPrint.Builder.HOP, print);
  private final float[] mono = new float[BLOCK];

  /**
   * For a recording.
   *
   * @param rate samples a second
   * @param channels 1 or more
   */
  public SoundPrinter(int rate, int channels) {
    this.channels = channels;
    this.resampler = new Resampler(rate);
  }

  /**
   * Takes the next frames.
   *
   * @param samples channels in turn, full scale at 1
   * @param frames how many frames of them
   * @return whether more would change the print
   */
  public boolean add(float[] samples, int frames) {
    for (int from = 0; from < frames; from += BLOCK) {
      int some = Math.min(BLOCK, frames - from);
      for (int i = 0; i < some; i++) {
        float sum = 0;
        for (int c = 0; c < channels; c++) {
          sum += samples[(from + i) * channels + c];
        }
        mono[i] = sum / channels;
      }
      float[] slowly = resampler.resampled(mono, some);
      framer.add(slowly, resampler.made());
    }
    return !print.full();
  }

  /** The print of all that was given. */
  public SoundPrint print() {
    return print.build();
  }
}
