package tenterhook.core.change;

import java.util.List;

/**
 * What became of a change.
 *
 * @param number its place in the ledger, 0 when nothing was done
 * @param title what was done
 * @param tracks how many tracks were altered
 * @param written how many files were rewritten or moved
 * @param refused what was left as it was, and why
 */
public record Outcome(long number, String title, int tracks, int written, List<Refusal> refused) {
  /** Keeps a copy. */
  public Outcome {
    refused = List.copyOf(refused);
  }

  /**
   * A file that was left as it was.
   *
   * @param id the track, 0 when no track is meant
   * @param path absolute path, or a name of what was refused
   * @param reason what happened and what to do
   */
  public record Refusal(int id, String path, String reason) {}
}
