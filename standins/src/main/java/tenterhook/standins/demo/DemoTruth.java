package tenterhook.standins.demo;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.standins.synth.Recording;

/**
 * The truth about the demo collection, from the plan alone: nothing here reads a file or asks the
 * program what it thinks.
 */
final class DemoTruth {
  private static final ObjectMapper JSON =
      new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);
  private static final List<Field<?>> COUNTED =
      List.of(
          Fields.ARTIST,
          Fields.TITLE,
          Fields.ALBUM,
          Fields.YEAR,
          Fields.TRACK,
          Fields.BPM,
          Fields.KEY,
          Fields.GENRE);
  private static final Map<String, Set<String>> FACETS = facets();

  private DemoTruth() {}

  private static Map<String, Set<String>> facets() {
    Map<String, Set<String>> facets = new LinkedHashMap<>();
    facets.put("Era", Set.of("60S", "70S", "80S", "90S", "00S", "10S", "20S"));
    facets.put("Style", Set.copyOf(DemoWords.STYLES));
    facets.put("Pace", Set.of("GLD", "LAP", "SPR"));
    facets.put("Moment", Set.of("DRS", "PAI", "ICE", "FIN", "DEK", "LNG"));
    return facets;
  }

  static void write(Path file, List<DemoTrack> plan) throws IOException {
    ObjectNode root = JSON.createObjectNode();
    root.put("tracks", plan.size());
    ObjectNode holes = root.putObject("holes");
    for (Field<?> field : COUNTED) {
      holes.put(field.key(), plan.stream().filter(t -> hole(t, field)).count());
    }
    holes.put("artwork", plan.stream().filter(t -> t.coverSide < 200).count());
    FACETS.forEach(
        (facet, codes) ->
            holes.put(facet, plan.stream().filter(t -> codes(t, codes) == 0).count()));
    ObjectNode mishaps = root.putObject("mishaps");
    mishaps.put("moved", plan.stream().filter(t -> !t.movesTo.isEmpty()).count());
    mishaps.put("deleted", plan.stream().filter(t -> t.deleted).count());
    mishaps.put("from", DemoPlan.MOVED_FROM).put("to", DemoPlan.MOVED_TO);
    root.put("byteCopies", plan.stream().filter(t -> !t.copyOf.isEmpty()).count());
    ArrayNode files = root.putArray("files");
    plan.forEach(t -> file(files.addObject(), t));
    JSON.writeValue(file.toFile(), root);
  }

  private static boolean hole(DemoTrack track, Field<?> field) {
    String is = track.tags.getOrDefault(field, "");
    return is.isBlank() || field == Fields.YEAR && is.equals("0");
  }

  private static long codes(DemoTrack track, Set<String> codes) {
    String comment = track.tags.getOrDefault(Fields.COMMENT, "");
    return codes.stream().filter(c -> comment.contains("/" + c + "/")).count();
  }

  private static void file(ObjectNode one, DemoTrack track) {
    Recording recording = track.recording;
    one.put("path", track.path).put("bpm", recording.bpm()).put("key", recording.key());
    one.put("seconds", recording.seconds()).put("gainDb", recording.gainDb());
    ObjectNode sections = one.putObject("sections");
    recording.sections().forEach(s -> sections.putArray(s.name()).add(s.start()).add(s.end()));
    put(one, "copyOf", track.copyOf);
    put(one, "sameSoundAs", track.sameSoundAs);
    put(one, "versionOf", track.versionOf);
    put(one, "movesTo", track.movesTo);
    put(one, "oldTagYear", track.oldTagYear);
    if (track.upscaledFrom > 0) {
      one.put("upscaledFrom", track.upscaledFrom);
    }
    if (track.deleted) {
      one.put("deleted", true);
    }
    troubles(one, track);
    ObjectNode clean = one.putObject("clean");
    track.clean.forEach((field, value) -> clean.put(field.key(), value));
    one.put("cover", track.cover);
  }

  private static void troubles(ObjectNode one, DemoTrack track) {
    ArrayNode troubles = one.putArray("troubles");
    for (DemoTrack.Trouble trouble : track.troubles) {
      troubles
          .addObject()
          .put("kind", trouble.kind())
          .put("field", trouble.field())
          .put("is", trouble.is())
          .put("meant", trouble.meant())
          .put("by", trouble.by());
    }
    ArrayNode traps = one.putArray("traps");
    for (DemoTrack.Trap trap : track.traps) {
      traps
          .addObject()
          .put("field", trap.field())
          .put("value", trap.value())
          .put("why", trap.why());
    }
  }

  private static void put(ObjectNode one, String name, String value) {
    if (!value.isEmpty()) {
      one.put(name, value);
    }
  }
}
