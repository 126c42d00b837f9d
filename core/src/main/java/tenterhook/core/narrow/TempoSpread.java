package tenterhook.core.narrow;

import java.util.List;

/**
 * How many tracks have which tempo.
 *
 * @param tracks by bars of {@value #WIDTH} beats a minute from {@value #FROM} on; the first has all
 *     slower ones too, the last all faster ones
 */
public record TempoSpread(List<Integer> tracks) {
  /** The lowest tempo of the first bar. */
  public static final int FROM = 60;

  /** Beats a minute of a bar. */
  public static final int WIDTH = 2;

  /** How many bars there are. */
  public static final int BARS = 70;

  /** Copies. */
  public TempoSpread {
    tracks = List.copyOf(tracks);
    if (tracks.size() != BARS) {
      throw new IllegalArgumentException(BARS + " bars are wanted, was " + tracks.size());
    }
  }

  /** The bar of a tempo. */
  public static int bar(double bpm) {
    return Math.clamp((int) Math.floor((bpm - FROM) / WIDTH), 0, BARS - 1);
  }
}
