package tenterhook.core.repair.inspect;

/**
 * Something about the whole collection that an inspector asked while it judged one track or folder.
 *
 * @param kind what is asked
 * @param key of what
 */
public record Question(Asked kind, String key) {
  /** What can be asked; each is answered by a number, 0 for "not known". */
  public enum Asked {
    /** How many tracks an artist has. */
    ARTIST,
    /** How many tracks an artist has whose name is written with capitals and small letters. */
    CAPITALED,
    /** The tempo that a genre keeps to, in whole bpm. */
    TEMPO,
    /** The earliest year of a song that is no reissue. */
    ORIGINAL
  }
}
