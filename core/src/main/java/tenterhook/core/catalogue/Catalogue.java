package tenterhook.core.catalogue;

import java.util.List;

/** Where recordings can be looked up. */
public interface Catalogue {
  /**
   * The entries that share words with a title and an artist.
   *
   * @param words lower case, without accents
   * @return the likeliest first, empty when nothing is known
   * @throws Unanswered when the catalogue cannot be asked now
   * @throws InterruptedException when the asking was stopped
   */
  List<CatalogueEntry> search(List<String> words) throws Unanswered, InterruptedException;

  /**
   * All entries of a release.
   *
   * @param album its name
   * @param artist who plays; empty for a compilation
   * @throws Unanswered when the catalogue cannot be asked now
   * @throws InterruptedException when the asking was stopped
   */
  List<CatalogueEntry> album(String album, String artist) throws Unanswered, InterruptedException;

  /** The catalogue gave no answer; the message says what happened and what was kept. */
  final class Unanswered extends Exception {
    /** A trouble in words. */
    public Unanswered(String message) {
      super(message);
    }
  }
}
