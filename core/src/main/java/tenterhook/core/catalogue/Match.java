package tenterhook.core.catalogue;

/**
 * An entry of a catalogue held against a track.
 *
 * @param entry the entry
 * @param certainty 0 to 100: how many of 100 such matches are the right recording
 * @param reason what speaks for and against it, in words
 */
public record Match(CatalogueEntry entry, int certainty, String reason) {
  /** From this certainty on a match is called certain. */
  public static final int CERTAIN = 90;
}
