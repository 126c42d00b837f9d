package tenterhook.standins.demo;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/** The demo's recordings as a catalogue would know them: what is right, not what the files say. */
public final class DemoRecordings {
  private DemoRecordings() {}

  /**
   * An entry a recording; copies of a file are one recording.
   *
   * @param tracks the demo's size
   */
  public static List<CatalogueEntry> of(int tracks) {
    List<CatalogueEntry> entries = new ArrayList<>();
    Set<Long> seen = new HashSet<>();
    for (DemoTrack track : DemoPlan.of(tracks)) {
      if (seen.add(track.recording.seed())) {
        entries.add(entry(track));
      }
    }
    return entries;
  }

  private static CatalogueEntry entry(DemoTrack track) {
    return new CatalogueEntry(
        "d" + track.recording.seed() + "/1",
        clean(track, Fields.ARTIST),
        clean(track, Fields.TITLE),
        clean(track, Fields.ALBUM),
        number(track, Fields.YEAR),
        clean(track, Fields.GENRE),
        number(track, Fields.TRACK),
        number(track, Fields.TRACK_TOTAL),
        Math.round(track.recording.seconds() * 10) / 10.0,
        track.cover.isEmpty()
            ? ""
            : "artwork?name=" + URLEncoder.encode(track.cover, StandardCharsets.UTF_8));
  }

  private static String clean(DemoTrack track, Field<?> field) {
    return track.clean.getOrDefault(field, "");
  }

  private static int number(DemoTrack track, Field<Integer> field) {
    return field.type().parse(clean(track, field)).orElse(0);
  }
}
