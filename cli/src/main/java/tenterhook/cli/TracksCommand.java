package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** Lists tracks. */
@Command(name = "tracks", description = "Lists the tracks that a query finds (docs/find.md).")
final class TracksCommand extends Work {
  private static final List<Field<?>> TEXTS =
      List.of(Fields.TITLE, Fields.ARTIST, Fields.ALBUM, Fields.ALBUM_ARTIST);
  private static final List<Field<?>> NUMBERS =
      List.of(Fields.YEAR, Fields.TRACK, Fields.TRACK_TOTAL, Fields.DISC);

  @Mixin QueryOption query = new QueryOption();

  @Override
  void run(MusicCollection collection) {
    Snapshot snapshot = tracks(collection);
    query
        .in(collection)
        .forEach((int id) -> say(node(collection, id), id + "  " + snapshot.name(id)));
  }

  /** A track as one JSON object; holes are empty text or null. */
  static ObjectNode node(MusicCollection collection, int id) {
    Snapshot s = collection.state().snapshot();
    ObjectNode node = object().put("id", id).put("path", path(collection, id));
    node.put("state", s.lost(id) ? "lost" : "present");
    TEXTS.forEach(f -> node.put(f.key(), s.raw(id, f)));
    list(node, "genre", s.value(id, Fields.GENRE));
    NUMBERS.forEach(f -> number(node, f.key(), f.type().number(s.raw(id, f))));
    for (Field<?> field : List.of(Fields.COMMENT, Fields.GROUPING, Fields.COMPOSER)) {
      node.put(field.key(), s.raw(id, field));
    }
    number(node, "bpm", Fields.BPM.type().number(s.raw(id, Fields.BPM)));
    node.put("key", s.raw(id, Fields.KEY));
    number(node, "rating", Fields.RATING.type().number(s.raw(id, Fields.RATING)));
    node.put("lyrics", s.raw(id, Fields.LYRICS));
    list(node, "codes", s.value(id, Fields.CODES));
    list(node, "strays", s.value(id, Fields.STRAYS));
    number(node, "durationSeconds", Fields.DURATION.type().number(s.raw(id, Fields.DURATION)));
    node.put("codec", s.raw(id, Fields.CODEC));
    number(node, "bitrateKbps", Fields.BITRATE.type().number(s.raw(id, Fields.BITRATE)));
    number(node, "sampleRateHz", Fields.SAMPLE_RATE.type().number(s.raw(id, Fields.SAMPLE_RATE)));
    artwork(node, s.raw(id, Fields.ARTWORK));
    node.put("added", s.raw(id, Fields.ADDED));
    node.put("plays", s.value(id, Fields.PLAYS).orElse(0));
    node.put("lastPlayed", s.raw(id, Fields.LAST_PLAYED));
    node.put("resting", s.value(id, Fields.RESTING).orElse(false));
    node.put("guarded", s.value(id, Fields.GUARDED).orElse(false));
    return node;
  }

  private static void list(ObjectNode node, String name, Optional<List<String>> values) {
    ArrayNode array = node.putArray(name);
    values.ifPresent(v -> v.forEach(array::add));
  }

  private static void number(ObjectNode node, String name, double value) {
    if (Double.isNaN(value)) {
      node.putNull(name);
    } else if (value == Math.rint(value) && !name.endsWith("Seconds") && !name.equals("bpm")) {
      node.put(name, (long) value);
    } else {
      node.put(name, value);
    }
  }

  private static void artwork(ObjectNode node, String raw) {
    Optional<Artwork> artwork = Artwork.parse(raw);
    if (artwork.isEmpty()) {
      node.putNull("artwork");
      return;
    }
    ObjectNode art = node.putObject("artwork");
    art.put("width", artwork.get().width()).put("height", artwork.get().height());
    art.put("bytes", artwork.get().bytes());
  }
}
