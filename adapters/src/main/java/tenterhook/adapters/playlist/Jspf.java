package tenterhook.adapters.playlist;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tenterhook.adapters.playlist.Playlist.Entry;

/** The JSON twin of XSPF: the same names, in one object {@code playlist}. */
final class Jspf implements PlaylistFile.Form {
  private static final ObjectMapper JSON = new ObjectMapper();

  @Override
  public String write(Playlist playlist, PlaylistFile.Paths paths) {
    ObjectNode whole = JSON.createObjectNode();
    ObjectNode list = whole.putObject("playlist");
    list.put("title", playlist.title());
    playlist.date().ifPresent(d -> list.put("date", d + "T00:00:00Z"));
    ArrayNode tracks = list.putArray("track");
    write(tracks, playlist, paths);
    try {
      return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(whole) + "\n";
    } catch (JsonProcessingException impossible) {
      throw new IllegalStateException("plain values can always be written", impossible);
    }
  }

  private static void write(ArrayNode tracks, Playlist playlist, PlaylistFile.Paths paths) {
    for (Entry entry : playlist.entries()) {
      ObjectNode track = tracks.addObject();
      entry.file().ifPresent(f -> track.putArray("location").add(Xspf.address(paths.of(f))));
      put(track, "title", entry.title());
      put(track, "creator", entry.artist());
      put(track, "album", entry.album());
      if (entry.seconds() >= 0) {
        track.put("duration", entry.seconds() * 1000);
      }
    }
  }

  private static void put(ObjectNode track, String name, String text) {
    if (!text.isEmpty()) {
      track.put(name, text);
    }
  }

  @Override
  public Playlist read(String text, String title, Path folder) throws IOException {
    JsonNode list = list(text);
    List<Entry> entries = new ArrayList<>();
    for (JsonNode track : list.path("track")) {
      entries.add(entry(track, folder));
    }
    return new Playlist(
        list.path("title").asText(title),
        PlaylistFile.dateIn(list.path("date").asText("")),
        entries);
  }

  private static JsonNode list(String text) throws IOException {
    JsonNode list;
    try {
      list = JSON.readTree(text).path("playlist");
    } catch (JsonProcessingException broken) {
      String where =
          broken.getLocation() == null
              ? broken.getOriginalMessage()
              : "line " + broken.getLocation().getLineNr();
      throw new IOException("is no whole JSPF playlist: " + where, broken);
    }
    return list;
  }

  private static Entry entry(JsonNode track, Path folder) {
    Map<String, String> parts = new HashMap<>();
    for (String name : List.of("title", "creator", "album", "duration")) {
      parts.put(name, track.path(name).asText(""));
    }
    JsonNode location = track.path("location");
    parts.put("location", (location.isArray() ? location.path(0) : location).asText(""));
    return Xspf.entry(parts, folder);
  }
}
