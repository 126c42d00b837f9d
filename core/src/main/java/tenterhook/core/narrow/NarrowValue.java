package tenterhook.core.narrow;

/**
 * A value with how many tracks a click on it is about.
 *
 * @param narrowing the value, as it is now or as a click would add it
 * @param words as a person reads it
 * @param note more words, such as the meaning of a code; may be empty
 * @param stands how it stands to what is chosen
 * @param tracks what {@code stands} says
 */
public record NarrowValue(
    Narrowing narrowing, String words, String note, Stands stands, int tracks) {

  /** How a value stands to what is chosen of its group. */
  public enum Stands {
    /** Nothing is let in of its group: so many tracks would remain. */
    FREE,
    /** Others of its group are let in: so many tracks would come besides. */
    BESIDES,
    /** It is let in: so many of the tracks that remain have it. */
    IN,
    /** It is shut out: so many tracks it takes away. */
    OUT
  }

  /** Whether a click on it would leave nothing, or add nothing. */
  public boolean idle() {
    return tracks == 0 && (stands == Stands.FREE || stands == Stands.BESIDES);
  }
}
