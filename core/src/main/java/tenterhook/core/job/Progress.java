package tenterhook.core.job;

/**
 * How long work tells where it is and learns that it should stop. Calls may come from any thread.
 */
@FunctionalInterface
public interface Progress {
  /** Work that nobody watches and nobody stops. */
  Progress SILENT = (done, total, words) -> {};

  /**
   * Reports a step.
   *
   * @param done units done, 0 or more
   * @param total units in all, or -1 while not known
   * @param words what is being worked on now, short
   */
  void at(long done, long total, String words);

  /**
   * Tells whether the work should end at the next point where nothing is half done.
   *
   * @return true once someone asked for a stop; false where nobody can
   */
  default boolean stopped() {
    return false;
  }
}
