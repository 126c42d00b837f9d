package tenterhook.adapters.store;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.HashMap;
import java.util.Map;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/** Raw values by field as one JSON object, for the ledger. */
final class KeptJson {
  private static final ObjectMapper JSON = new ObjectMapper();

  private KeptJson() {}

  static String write(Map<Field<?>, String> kept) {
    if (kept.isEmpty()) {
      return "";
    }
    ObjectNode node = JSON.createObjectNode();
    kept.forEach((field, raw) -> node.put(field.key(), raw));
    return node.toString();
  }

  static Map<Field<?>, String> read(String text) {
    Map<Field<?>, String> kept = new HashMap<>();
    if (!text.isEmpty()) {
      try {
        JSON.readTree(text)
            .properties()
            .forEach(e -> kept.put(Fields.of(e.getKey()), e.getValue().asText()));
      } catch (JsonProcessingException broken) {
        throw new IllegalStateException("the ledger holds values that cannot be read", broken);
      }
    }
    return kept;
  }
}
