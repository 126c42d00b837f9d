package tenterhook.core.listen;

import java.util.Optional;

/**
 * Brings tracks to one loudness for listening: to {@value #TARGET_LUFS} LUFS (the reference of
 * ReplayGain 2.0), never so far up that the true peak would pass {@value #CEILING_DB} dB.
 */
public final class LevelRule {
  /** What listening is evened out to. */
  public static final double TARGET_LUFS = -18;

  private static final double CEILING_DB = -1;

  private LevelRule() {}

  /**
   * The gain for a track.
   *
   * @param lufs its loudness, if it was measured
   * @param truePeakDb its true peak, if it was measured
   * @return dB; 0 when the loudness is not known
   */
  public static double gainDb(Optional<Double> lufs, Optional<Double> truePeakDb) {
    double wanted = lufs.map(l -> TARGET_LUFS - l).orElse(0.0);
    double room = truePeakDb.map(p -> CEILING_DB - p).orElse(0.0);
    return wanted <= 0 ? wanted : Math.min(wanted, Math.max(0, room));
  }
}
