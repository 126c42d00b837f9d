package tenterhook.adapters.store;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Figures;
import tenterhook.core.code.ItemKinds;
import tenterhook.core.code.Notation;
import tenterhook.core.genre.Genres;
import tenterhook.core.track.ItemKind;

/** The codebook as {@code codebook.json}, to be read and edited by hand; see docs/files.md. */
public final class CodebookJson {
  static final ObjectMapper JSON = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);
  private static final String FORM = "codebook";

  private CodebookJson() {}

  /** The codebook as JSON text. */
  public static String write(Codebook codebook) {
    ObjectNode root = form(FORM);
    notation(root, codebook.notation());
    ArrayNode facets = root.putArray("facets");
    facets(facets, codebook);
    texts(root.putObject("genreBecomes"), codebook.genres().becomes());
    texts(root.putObject("genreIsPartOf"), codebook.genres().parents());
    if (!codebook.ignored().isEmpty()) {
      codebook.ignored().forEach(root.putArray("ignored")::add);
    }
    ObjectNode kinds = root.putObject("kinds");
    codebook.kinds().rules().forEach((kind, rule) -> kinds.put(kind.key(), rule));
    return text(root);
  }

  /** Rules of kinds that are none are left out; without any, all items are tracks. */
  private static ItemKinds kinds(JsonNode node) {
    ItemKinds kinds = ItemKinds.NONE;
    for (ItemKind kind : ItemKind.values()) {
      String rule = node.path(kind.key()).asText("");
      kinds = kind == ItemKind.TRACK ? kinds : kinds.with(kind, rule);
    }
    return kinds;
  }

  private static void facets(ArrayNode facets, Codebook codebook) {
    for (Facet facet : codebook.facets()) {
      ObjectNode one = facets.addObject();
      one.put("name", facet.name()).put("question", facet.question());
      one.put("many", facet.many()).put("demanded", facet.demanded());
      ObjectNode codes = one.putObject("codes");
      facet.codes().forEach(c -> put(codes, c));
    }
  }

  private static void notation(ObjectNode root, Notation notation) {
    root.put("field", notation.field());
    root.put("style", notation.style().name().toLowerCase(Locale.ROOT));
    root.put("alphabetical", notation.alphabetical());
    root.put("inFront", notation.inFront());
    root.put("upper", notation.upper());
    if (!notation.figures().equals(Figures.NONE)) {
      root.put("figures", notation.figures().template());
      notation.figures().former().forEach(root.putArray("figuresBefore")::add);
    }
  }

  private static Notation notation(JsonNode root) {
    return new Notation(
        root.path("field").asText("comment"),
        Notation.Style.valueOf(root.path("style").asText("wrapped").toUpperCase(Locale.ROOT)),
        root.path("alphabetical").asBoolean(),
        root.path("inFront").asBoolean(),
        root.path("upper").asBoolean(),
        Figures.of(root.path("figures").asText(""), strings(root.path("figuresBefore"))));
  }

  /** A code of which nothing else is said is its meaning alone. */
  private static void put(ObjectNode codes, Code code) {
    if (code.equals(new Code(code.token(), code.meaning()))) {
      codes.put(code.token(), code.meaning());
      return;
    }
    ObjectNode one = codes.putObject(code.token()).put("meaning", code.meaning());
    more(one, code);
  }

  private static void more(ObjectNode one, Code code) {
    if (!code.key().isEmpty()) {
      one.put("key", code.key());
    }
    if (!code.synonyms().isEmpty()) {
      code.synonyms().forEach(one.putArray("synonyms")::add);
    }
    if (code.retired()) {
      one.put("retired", true);
    }
    if (!code.rule().isEmpty()) {
      one.put("rule", code.rule());
    }
  }

  private static Code code(String token, JsonNode said) {
    if (said.isTextual()) {
      return new Code(token, said.asText());
    }
    return new Code(
        token,
        said.path("meaning").asText(),
        said.path("key").asText(""),
        strings(said.path("synonyms")),
        said.path("retired").asBoolean(),
        said.path("rule").asText(""));
  }

  private static List<String> strings(JsonNode array) {
    List<String> strings = new ArrayList<>();
    array.forEach(one -> strings.add(one.asText()));
    return strings;
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
      one.path("codes").properties().forEach(c -> codes.add(code(c.getKey(), c.getValue())));
      facets.add(
          new Facet(
              one.path("name").asText(),
              one.path("question").asText(),
              one.path("many").asBoolean(),
              one.path("demanded").asBoolean(),
              codes));
    }
    Set<String> ignored = new TreeSet<>();
    root.path("ignored").forEach(t -> ignored.add(t.asText().toUpperCase(Locale.ROOT)));
    return new Codebook(
        facets,
        notation(root),
        new Genres(texts(root.path("genreBecomes")), texts(root.path("genreIsPartOf"))),
        ignored,
        kinds(root.path("kinds")));
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
