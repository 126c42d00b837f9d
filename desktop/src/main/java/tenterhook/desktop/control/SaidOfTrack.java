package tenterhook.desktop.control;

/**
 * What a list says of one of its tracks.
 *
 * @param text shown in a cell
 * @param style {@code hole}, {@code doubt}, {@code whole} or {@code second}; empty for plain words
 */
public record SaidOfTrack(String text, String style) {
  /** Nothing is said. */
  public static final SaidOfTrack NOTHING = new SaidOfTrack("", "");
}
