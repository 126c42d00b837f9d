package tenterhook.core.goeswith;

import java.util.List;

/**
 * A track that may follow another.
 *
 * @param id the track
 * @param parts what its points are made of; the score is their sum
 */
public record Follower(int id, List<ScorePart> parts) {
  /** Copies. */
  public Follower {
    parts = List.copyOf(parts);
  }

  /** What points are given for. */
  public enum Reason {
    /** How near the tempo is. */
    TEMPO,
    /** How the keys stand to one another. */
    KEY,
    /** Codes that both have. */
    CODES,
    /** How far the energy steps. */
    ENERGY
  }

  /**
   * Points for one reason.
   *
   * @param reason what for
   * @param points given, 0 to {@code most}
   * @param most that could be given
   * @param words the facts behind it, such as {@code 118.0 to 120.5 bpm, 2.1 % up}
   */
  public record ScorePart(Reason reason, int points, int most, String words) {
    /** Checks. */
    public ScorePart {
      if (points < 0 || points > most) {
        throw new IllegalArgumentException(points + " of " + most + " points");
      }
    }
  }

  /** All points, 0 to 100. */
  public int score() {
    return parts.stream().mapToInt(ScorePart::points).sum();
  }
}
