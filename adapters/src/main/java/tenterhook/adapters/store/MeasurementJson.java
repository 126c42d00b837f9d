package tenterhook.adapters.store;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.core.measure.KeyFound;
import tenterhook.core.measure.Measurement;
import tenterhook.core.measure.MusicalKey;
import tenterhook.core.measure.Overview;
import tenterhook.core.measure.Passage;
import tenterhook.core.measure.SoundBounds;
import tenterhook.core.measure.SoundPrint;
import tenterhook.core.measure.SoundQuality;
import tenterhook.core.measure.TempoFound;

/** The numbers of a measurement as text; what is not there was not measured. */
final class MeasurementJson {
  private MeasurementJson() {}

  static String write(Measurement of) {
    ObjectNode root = CodebookJson.JSON.createObjectNode();
    root.put("seconds", of.seconds());
    of.lufs().ifPresent(l -> root.put("lufs", l));
    if (!Double.isInfinite(of.truePeakDb())) {
      root.put("truePeakDb", of.truePeakDb());
    }
    SoundBounds bounds = of.bounds();
    root.put("soundStart", bounds.startSeconds()).put("soundEnd", bounds.endSeconds());
    root.put("longestSilence", bounds.longestSilenceSeconds());
    root.put("clippings", bounds.clippings());
    of.tempo()
        .ifPresent(
            t ->
                root.put("bpm", t.bpm())
                    .put("bpmCertainty", t.certainty())
                    .put("bpmAlternative", t.alternativeBpm())
                    .put("firstBeat", t.firstBeatSeconds()));
    of.key().ifPresent(k -> root.put("key", k.key().name()).put("keyCertainty", k.certainty()));
    ArrayNode passages = root.putArray("passages");
    of.passages()
        .forEach(p -> passages.addArray().add(p.startSeconds()).add(p.endSeconds()).add(p.lufs()));
    root.put("cutoffHz", of.quality().cutoffHz()).put("cutDepthDb", of.quality().depthDb());
    root.put("liveliness", of.liveliness());
    return root.toString();
  }

  static Measurement read(String text, Overview overview, SoundPrint print) {
    try {
      JsonNode root = CodebookJson.JSON.readTree(text);
      List<Passage> passages = new ArrayList<>();
      for (JsonNode one : root.get("passages")) {
        passages.add(
            new Passage(one.get(0).asDouble(), one.get(1).asDouble(), one.get(2).asDouble()));
      }
      return new Measurement(
          root.get("seconds").asDouble(),
          number(root, "lufs"),
          number(root, "truePeakDb").orElse(Double.NEGATIVE_INFINITY),
          new SoundBounds(
              root.get("soundStart").asDouble(),
              root.get("soundEnd").asDouble(),
              root.get("longestSilence").asDouble(),
              root.get("clippings").asInt()),
          number(root, "bpm").map(bpm -> tempo(root, bpm)),
          Optional.ofNullable(root.get("key"))
              .flatMap(k -> MusicalKey.parse(k.asText()))
              .map(k -> new KeyFound(k, root.get("keyCertainty").asInt())),
          passages,
          new SoundQuality(root.get("cutoffHz").asDouble(), root.get("cutDepthDb").asDouble()),
          root.get("liveliness").asDouble(),
          overview,
          print);
    } catch (JsonProcessingException broken) {
      throw new IllegalArgumentException("a stored measurement is damaged", broken);
    }
  }

  private static TempoFound tempo(JsonNode root, double bpm) {
    return new TempoFound(
        bpm,
        root.get("bpmCertainty").asInt(),
        root.get("bpmAlternative").asDouble(),
        root.get("firstBeat").asDouble());
  }

  private static Optional<Double> number(JsonNode root, String name) {
    return Optional.ofNullable(root.get(name)).map(JsonNode::asDouble);
  }
}
