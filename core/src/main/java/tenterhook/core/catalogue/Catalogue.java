package tenterhook.core.catalogue;

import java.util.List;
import java.util.Optional;

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

  /**
   * The cover of an entry. The bytes are as they came; whether they are a picture is for the caller
   * to see.
   *
   * @param entry of any catalogue
   * @return empty when it has none, or it is not this catalogue's
   * @throws Unanswered when the catalogue cannot be asked now
   * @throws InterruptedException when the asking was stopped
   */
  default Optional<byte[]> artwork(CatalogueEntry entry) throws Unanswered, InterruptedException {
    return Optional.empty();
  }

  /** The catalogue gave no answer; the message says what happened and what was kept. */
  final class Unanswered extends Exception {
    /** A trouble in words. */
    public Unanswered(String message) {
      super(message);
    }
  }
}
