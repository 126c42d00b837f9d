package tenterhook.adapters.catalogue;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import tenterhook.core.catalogue.CatalogueEntry;

/** The form of an entry in the service's answers and in the store; see docs/catalogue.md. */
public final class CatalogueJson {
  private static final int LONGEST = 500;

  private CatalogueJson() {}

  /** Writes an entry. */
  public static ObjectNode write(ObjectNode one, CatalogueEntry entry) {
    one.put("id", entry.id()).put("artist", entry.artist()).put("title", entry.title());
    one.put("album", entry.album()).put("year", entry.year()).put("genre", entry.genre());
    one.put("track", entry.track()).put("trackTotal", entry.trackTotal());
    one.put("seconds", entry.seconds());
    return entry.artwork().isEmpty() ? one : one.put("artwork", entry.artwork());
  }

  /**
   * Reads an entry; what is missing is not known.
   *
   * @throws IllegalArgumentException when it has no id, or a number below 0
   */
  public static CatalogueEntry read(JsonNode one) {
    return read(one, "");
  }

  /**
   * Reads an entry of a file, whose writer need not have given it an id.
   *
   * @param id when it has none of its own
   * @throws IllegalArgumentException when neither has an id, or for a number below 0
   */
  static CatalogueEntry read(JsonNode one, String id) {
    return new CatalogueEntry(
        one.path("id").asText().isBlank() ? id : text(one, "id"),
        text(one, "artist"),
        text(one, "title"),
        text(one, "album"),
        one.path("year").asInt(),
        text(one, "genre"),
        one.path("track").asInt(),
        one.path("trackTotal").asInt(),
        one.path("seconds").asDouble(),
        text(one, "artwork"));
  }

  /** No name of a person, a song or an album is longer. */
  private static String text(JsonNode one, String name) {
    String text = one.path(name).asText();
    return text.length() <= LONGEST ? text : text.substring(0, LONGEST);
  }
}
