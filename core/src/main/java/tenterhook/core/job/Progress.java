package tenterhook.core.job;

/**
 * How long work tells where it is and learns that it should stop. Calls may come from any thread.
 */
public interface Progress {
  /** Work that nobody watches and nobody stops. */
  Progress SILENT =
      new Progress() {
        @Override
        public void at(long done, long total, String words) {}

        @Override
        public boolean stopped() {
          return false;
        }
      };

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
   * @return true once someone asked for a stop
   */
  boolean stopped();
}
