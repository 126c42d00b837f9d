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
 * @param unconfirmed what was altered, but is not certain in every respect, and why: it is asked
 *     again until it is
 * @param notes what was done and has something to know about it
 */
public record Outcome(
    long number,
    String title,
    int tracks,
    int written,
    List<Refusal> refused,
    List<Refusal> unconfirmed,
    List<Refusal> notes) {
  /** Keeps copies. */
  public Outcome {
    refused = List.copyOf(refused);
    unconfirmed = List.copyOf(unconfirmed);
    notes = List.copyOf(notes);
  }

  /** What is certain and needs no note. */
  public Outcome(long number, String title, int tracks, int written, List<Refusal> refused) {
    this(number, title, tracks, written, refused, List.of(), List.of());
  }

  /**
   * A file of which there is something to say, mostly that it was left as it was.
   *
   * @param id the track, 0 when no track is meant
   * @param path absolute path, or a name of what was refused
   * @param reason what happened and what to do
   * @param valuesWouldDo whether an undo was refused only since the file's bytes of before are not
   *     known, while its old values are
   */
  public record Refusal(int id, String path, String reason, boolean valuesWouldDo) {
    /** A refusal that another way of undo would not help. */
    public Refusal(int id, String path, String reason) {
      this(id, path, reason, false);
    }
  }
}
