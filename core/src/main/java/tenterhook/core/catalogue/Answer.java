package tenterhook.core.catalogue;

import java.util.List;

/**
 * What the catalogue said about a track.
 *
 * @param matches the likeliest first; empty for "no answer"
 */
public record Answer(List<Match> matches) {
  /** Copies. */
  public Answer {
    matches = List.copyOf(matches);
  }
}
