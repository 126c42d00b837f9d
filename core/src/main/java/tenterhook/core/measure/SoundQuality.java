package tenterhook.core.measure;

/**
 * What a file's sound is worth, whatever its name and bit rate claim.
 *
 * @param cutoffHz where the sound is cut off sharply; 0 when it fades by itself or reaches up to
 *     what the sample rate allows
 * @param depthDb how far the level falls at that place; 0 without one
 */
public record SoundQuality(double cutoffHz, double depthDb) {
  /** No cut was found. */
  public static final SoundQuality UNCUT = new SoundQuality(0, 0);

  /** How far a cut must go down to be one without doubt. */
  private static final double CLEAR = 22;

  /**
   * Where common encoders cut at each bit rate, two channels at 44.1 kHz: the limits that the
   * sources of LAME 3.100 give ({@code optimum_bandwidth}); those of FFmpeg's AAC encoder lie
   * within them.
   */
  private static final double[][] USUAL = {
    {64, 11_400}, {96, 15_350}, {128, 17_250}, {160, 18_000}, {192, 19_000}, {256, 20_100}
  };

  /** What is to be told of a claim. */
  public enum Verdict {
    /** The sound is what the file claims. */
    HONEST,
    /** The sound was coded at a lower bit rate before. */
    UPSCALED,
    /** It may have been. */
    UNSURE
  }

  /** The bit rate in kbps that a cut at this place speaks of; 0 for none. */
  public int soundsLikeKbps() {
    for (double[] usual : USUAL) {
      if (cutoffHz > 0 && cutoffHz <= usual[1]) {
        return (int) usual[0];
      }
    }
    return 0;
  }

  /**
   * Holds the sound against a claim.
   *
   * @param lossless whether the file's format loses nothing
   * @param kbps its bit rate; without meaning when lossless
   */
  public Verdict verdict(boolean lossless, double kbps) {
    int real = soundsLikeKbps();
    if (real == 0 || !lossless && kbps < real * 1.3) {
      return Verdict.HONEST;
    }
    boolean clear = depthDb >= CLEAR && (lossless ? real <= 192 : kbps >= real * 1.5);
    return clear ? Verdict.UPSCALED : Verdict.UNSURE;
  }
}
