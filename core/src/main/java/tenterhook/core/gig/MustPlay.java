package tenterhook.core.gig;

/**
 * A track that must be heard.
 *
 * @param track its id
 * @param part the name of the part in which it is to be heard; empty for any
 * @param note such as {@code first dance, the long version}
 */
public record MustPlay(int track, String part, String note) {
  /** The same in another part. */
  public MustPlay in(String other) {
    return new MustPlay(track, other, note);
  }
}
