package tenterhook.core.gig;

import java.util.function.UnaryOperator;

/**
 * What somebody would like to hear. What it may be is worked out from the collection; what the DJ
 * settled is kept.
 *
 * @param line as it was written
 * @param by who wished it; may be empty
 * @param track the track that it is, when the DJ has said so; 0 for none
 * @param refused whether it will not be played
 */
public record Wish(String line, String by, int track, boolean refused) {
  /** Checks that something is wished. */
  public Wish {
    line = GigNames.checked(line, "wish");
  }

  /** A wish that nothing is settled of. */
  public static Wish of(String line, String by) {
    return new Wish(line, by, 0, false);
  }

  /** Whether the DJ has said nothing of it yet. */
  public boolean open() {
    return track == 0 && !refused;
  }

  /** It is this track; 0 opens it again. */
  public Wish chosen(int id) {
    return new Wish(line, by, id, false);
  }

  /** The same; the track that it is, is replaced. */
  Wish of(UnaryOperator<Integer> heir) {
    return track == 0 ? this : new Wish(line, by, heir.apply(track), refused);
  }

  /** It will not be played. */
  public Wish refuse() {
    return new Wish(line, by, 0, true);
  }
}
