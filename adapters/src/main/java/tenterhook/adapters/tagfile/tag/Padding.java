package tenterhook.adapters.tagfile.tag;

/** How much room a tag keeps for itself, so that most changes move no sound. */
public final class Padding {
  /** Bytes of padding that a tag gets when it has to grow. */
  public static final int FRESH = 2048;

  private static final int MOST = 1 << 16;

  private Padding() {}

  /**
   * The padding behind what is used.
   *
   * @param used bytes that are needed
   * @param space bytes that there were, padding included
   * @return what is left of the space, if it is enough and not far too much; else a fresh one
   */
  public static int behind(int used, int space) {
    return keeps(space - used) ? space - used : FRESH;
  }

  /** Whether it is enough, and not far too much, that is left of a space. */
  public static boolean keeps(long left) {
    return left >= 0 && left <= MOST;
  }
}
