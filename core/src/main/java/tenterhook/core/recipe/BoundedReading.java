package tenterhook.core.recipe;

/** A text of which only so many letters may be asked for, so that no pattern runs for ever. */
final class BoundedReading implements CharSequence {
  /** Far more than a sensible pattern asks for in a long comment. */
  private static final int MOST = 2_000_000;

  private final String text;
  private final int[] left;

  /** The pattern goes back and forth without end. */
  static final class TooMuch extends RuntimeException {
    private static final long serialVersionUID = 1;

    TooMuch() {
      super("the pattern takes too long on this text");
    }
  }

  BoundedReading(String text) {
    this(text, new int[] {MOST});
  }

  private BoundedReading(String text, int[] left) {
    this.text = text;
    this.left = left;
  }

  @Override
  public char charAt(int index) {
    if (left[0]-- <= 0) {
      throw new TooMuch();
    }
    return text.charAt(index);
  }

  @Override
  public int length() {
    return text.length();
  }

  @Override
  public CharSequence subSequence(int start, int end) {
    return new BoundedReading(text.substring(start, end), left);
  }

  @Override
  public String toString() {
    return text;
  }
}
