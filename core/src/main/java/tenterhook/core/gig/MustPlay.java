package tenterhook.core.gig;

import java.time.LocalTime;
import java.util.Optional;

/**
 * A track that must be heard.
 *
 * @param track its id
 * @param part the name of the part in which it is to be heard; empty for any
 * @param note such as {@code first dance, the long version}
 * @param heard when it was ticked off on the night
 */
public record MustPlay(int track, String part, String note, Optional<LocalTime> heard) {
  /** One that was not heard yet. */
  public MustPlay(int track, String part, String note) {
    this(track, part, note, Optional.empty());
  }

  /** The same in another part. */
  public MustPlay in(String other) {
    return new MustPlay(track, other, note, heard);
  }

  /** The same of another track. */
  MustPlay of(int other) {
    return new MustPlay(other, part, note, heard);
  }

  /** The same, ticked off or not. */
  public MustPlay heard(Optional<LocalTime> at) {
    return new MustPlay(track, part, note, at);
  }
}
