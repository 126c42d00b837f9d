package tenterhook.backstage.store;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Notation;
import tenterhook.core.genre.Genres;

/** The codebook as {@code codebook.json}, to be read and edited by hand; see docs/files.md. */
public final class CodebookJson {
  static final ObjectMapper JSON = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);
  private static final String FORM = "codebook";

  private CodebookJson() {}

  /** The codebook as JSON text. */
  public static String write(Codebook codebook) {
    ObjectNode root = form(FORM);
    root.put("field", codebook.notation().field());
    ArrayNode facets = root.putArray("facets");
    for (Facet facet : codebook.facets()) {
      ObjectNode one = facets.addObject();
      one.put("name", facet.name()).put("question", facet.question());
      one.put("many", facet.many()).put("demanded", facet.demanded());
      ObjectNode codes = one.putObject("codes");
      facet.codes().forEach(c -> codes.put(c.token(), c.meaning()));
    }
    texts(root.putObject("genreBecomes"), codebook.genres().becomes());
    texts(root.putObject("genreIsPartOf"), codebook.genres().parents());
    return text(root);
  }

  private static void texts(ObjectNode node, Map<String, String> map) {
    map.forEach(node::put);
  }

  private static Map<String, String> texts(JsonNode node) {
    Map<String, String> map = new TreeMap<>();
    node.properties().forEach(p -> map.put(p.getKey(), p.getValue().asText()));
    return map;
  }

  /**
   * Reads what {@link #write} wrote or a person edited.
   *
   * @throws IllegalArgumentException when it is not a codebook; the message says where
   */
  public static Codebook read(String text) {
    JsonNode root = parse(text, FORM);
    List<Facet> facets = new ArrayList<>();
    for (JsonNode one : root.path("facets")) {
      List<Code> codes = new ArrayList<>();
      one.path("codes")
          .properties()
          .forEach(c -> codes.add(new Code(c.getKey(), c.getValue().asText())));
      facets.add(
          new Facet(
              one.path("name").asText(),
              one.path("question").asText(),
              one.path("many").asBoolean(),
              one.path("demanded").asBoolean(),
              codes));
    }
    return new Codebook(
        facets,
        new Notation(root.path("field").asText("comment")),
        new Genres(texts(root.path("genreBecomes")), texts(root.path("genreIsPartOf"))));
  }

  static ObjectNode form(String form) {
    return JSON.createObjectNode().put("tenterhook", form).put("version", 1);
  }

  static String text(JsonNode node) {
    try {
      return JSON.writeValueAsString(node) + "\n";
    } catch (JsonProcessingException impossible) {
      throw new IllegalStateException("a tree of plain values can always be written", impossible);
    }
  }

  static JsonNode parse(String text, String form) {
    try {
      JsonNode root = JSON.readTree(text);
      if (!root.path("tenterhook").asText().equals(form)) {
        throw new IllegalArgumentException(
            "the file does not say \"tenterhook\": \"" + form + "\"");
      }
      if (root.path("version").asInt() != 1) {
        throw new IllegalArgumentException(
            "form " + root.path("version") + " is newer than this program knows (1)");
      }
      return root;
    } catch (JsonProcessingException broken) {
      throw new IllegalArgumentException(
          "line "
              + (broken.getLocation() == null ? 0 : broken.getLocation().getLineNr())
              + ": "
              + broken.getOriginalMessage(),
          broken);
    }
  }
}
