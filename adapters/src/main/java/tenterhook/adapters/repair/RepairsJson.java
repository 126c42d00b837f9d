package tenterhook.adapters.repair;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.catalogue.CatalogueJson;
import tenterhook.core.catalogue.Answer;
import tenterhook.core.catalogue.Match;
import tenterhook.core.field.Artwork;
import tenterhook.core.recipe.KeptRecipes;
import tenterhook.core.repair.ArtworkCandidate;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.RepairRules;

/** The forms in which the store keeps rules, answers and fitted covers. */
final class RepairsJson {
  private static final ObjectMapper JSON = new ObjectMapper();

  private RepairsJson() {}

  static String rules(RepairRules rules) {
    ObjectNode root = JSON.createObjectNode();
    rules.off().forEach(k -> root.withArray("off").add(k.key()));
    ObjectNode dismissed = root.putObject("dismissed");
    rules
        .dismissed()
        .forEach(
            (kind, ids) -> {
              ArrayNode array = dismissed.putArray(kind.key());
              ids.forEach((int id) -> array.add(id));
            });
    rules.junk().forEach(root.putArray("junk")::add);
    root.put("certainFrom", rules.certainFrom());
    root.put("own", rules.own().write());
    return text(root);
  }

  static RepairRules rules(String text) {
    JsonNode root = node(text);
    EnumSet<RepairKind> off = EnumSet.noneOf(RepairKind.class);
    root.path("off").forEach(k -> RepairKind.named(k.asText()).ifPresent(off::add));
    Map<RepairKind, RoaringBitmap> dismissed = new EnumMap<>(RepairKind.class);
    root.path("dismissed")
        .properties()
        .forEach(
            p ->
                RepairKind.named(p.getKey())
                    .ifPresent(
                        kind -> {
                          RoaringBitmap ids = new RoaringBitmap();
                          p.getValue().forEach(id -> ids.add(id.asInt()));
                          dismissed.put(kind, ids);
                        }));
    List<String> junk = new ArrayList<>();
    root.path("junk").forEach(p -> junk.add(p.asText()));
    return new RepairRules(
        off,
        dismissed,
        junk,
        root.path("certainFrom").asInt(90),
        KeptRecipes.read(root.path("own").asText("")));
  }

  static String answers(Map<Integer, Answer> answers) {
    ObjectNode root = JSON.createObjectNode();
    answers.forEach(
        (id, answer) -> {
          ArrayNode matches = root.putArray(String.valueOf(id));
          answer.matches().forEach(m -> match(matches.addObject(), m));
        });
    return text(root);
  }

  private static void match(ObjectNode one, Match match) {
    CatalogueJson.write(one, match.entry());
    one.put("certainty", match.certainty()).put("reason", match.reason());
  }

  static Map<Integer, Answer> answers(String text) {
    Map<Integer, Answer> answers = new HashMap<>();
    node(text)
        .properties()
        .forEach(
            p -> {
              List<Match> matches = new ArrayList<>();
              p.getValue().forEach(m -> matches.add(match(m)));
              answers.put(Integer.parseInt(p.getKey()), new Answer(matches));
            });
    return answers;
  }

  private static Match match(JsonNode node) {
    return new Match(
        CatalogueJson.read(node), node.path("certainty").asInt(), node.path("reason").asText());
  }

  static String fitted(Map<String, Artwork> fitted) {
    ObjectNode root = JSON.createObjectNode();
    fitted.forEach((sha, art) -> root.put(sha, art.raw()));
    return text(root);
  }

  static Map<String, Artwork> fitted(String text) {
    Map<String, Artwork> fitted = new HashMap<>();
    node(text)
        .properties()
        .forEach(
            p -> Artwork.parse(p.getValue().asText()).ifPresent(a -> fitted.put(p.getKey(), a)));
    return fitted;
  }

  static String covers(Map<Integer, ArtworkCandidate> covers) {
    ObjectNode root = JSON.createObjectNode();
    covers.forEach(
        (id, cover) ->
            root.putObject(String.valueOf(id))
                .put("artwork", cover.artwork().raw())
                .put("certainty", cover.certainty()));
    return text(root);
  }

  static Map<Integer, ArtworkCandidate> covers(String text) {
    Map<Integer, ArtworkCandidate> covers = new HashMap<>();
    node(text)
        .properties()
        .forEach(
            p ->
                Artwork.parse(p.getValue().path("artwork").asText())
                    .ifPresent(
                        art ->
                            covers.put(
                                Integer.parseInt(p.getKey()),
                                CatalogueCovers.candidate(
                                    art, p.getValue().path("certainty").asInt()))));
    return covers;
  }

  private static JsonNode node(String text) {
    try {
      return JSON.readTree(text);
    } catch (JsonProcessingException broken) {
      return JSON.createObjectNode();
    }
  }

  private static String text(JsonNode node) {
    try {
      return JSON.writeValueAsString(node);
    } catch (JsonProcessingException impossible) {
      throw new IllegalStateException("a tree of plain values can always be written", impossible);
    }
  }
}
