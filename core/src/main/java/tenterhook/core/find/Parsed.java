package tenterhook.core.find;

/** What became of a text in the find language. */
public sealed interface Parsed {
  /** It can be read. */
  record Good(Query query) implements Parsed {}

  /**
   * It cannot be read.
   *
   * @param position of the first character that is wrong, from 0; the length of the text when
   *     something is missing at the end
   * @param message what is wrong and what to do
   */
  record Bad(int position, String message) implements Parsed {}
}
