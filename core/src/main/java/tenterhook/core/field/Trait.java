package tenterhook.core.field;

/** What a field is good for. Every place of the program that lists fields lists them by a trait. */
public enum Trait {
  /** A word without a field name is looked for in it. */
  SEARCHED,
  /** Text of which broken letters are repaired. */
  REPAIRABLE,
  /** A name of people or of a work, of which capital letters and junk are repaired as well. */
  NAME,
  /** The DJ's own words, among which codes may have been kept so far. */
  OWN_WORDS,
  /** Says where a track stands on its album, so it means nothing on another album. */
  PLACE_ON_ALBUM,
  /** Text of many lines. */
  LONG,
  /** Read off the file itself; another file in its place has another value. */
  OF_FILE,
  /** Kept by the program, and set by the DJ. */
  SETTABLE,
  /** Serves the program alone and is offered to nobody. */
  INTERNAL
}
