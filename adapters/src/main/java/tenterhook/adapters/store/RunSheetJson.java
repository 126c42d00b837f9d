package tenterhook.adapters.store;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigProgram;
import tenterhook.core.track.Snapshot;

/** The run sheet of a gig for other programs; docs/files.md says what stands in it. */
public final class RunSheetJson {
  private static final ObjectMapper JSON = new ObjectMapper();

  private RunSheetJson() {}

  /** The night as JSON: people, must-plays, parts with the time of each track. */
  public static String write(GigProgram program, Snapshot snapshot) {
    Gig gig = program.gig();
    ObjectNode root = JSON.createObjectNode();
    root.put("gig", gig.title())
        .put("date", gig.evening().date().toString())
        .put("from", gig.evening().from().toString())
        .put("until", gig.evening().until().toString())
        .put("place", gig.evening().place());
    gig.evening()
        .people()
        .forEach(
            p ->
                root.withArray("people")
                    .addObject()
                    .put("name", p.name())
                    .put("said", p.said())
                    .put("role", p.role()));
    gig.mustPlays()
        .forEach(
            m ->
                root.withArray("mustPlay")
                    .addObject()
                    .put("track", snapshot.name(m.track()))
                    .put("part", m.part())
                    .put("note", m.note()));
    gig.never().lines().forEach(l -> root.withArray("never").add(l.text()));
    gig.never().tracks().forEach(id -> root.withArray("never").add(snapshot.name(id)));
    for (GigProgram.Stretch stretch : program.stretches()) {
      ObjectNode part = root.withArray("parts").addObject();
      part.put("part", stretch.music().part().name())
          .put("at", program.clock(stretch.begins()).toString())
          .put("minutes", stretch.music().part().planned())
          .put("depth", stretch.depth());
      part.withArray("tracks");
      for (GigProgram.Slot slot : stretch.slots()) {
        ObjectNode track = part.withArray("tracks").addObject();
        track
            .put("at", program.clock(slot.begins() / 60).toString())
            .put("artist", snapshot.raw(slot.id(), Fields.ARTIST))
            .put("title", snapshot.raw(slot.id(), Fields.TITLE))
            .put("seconds", Math.round(slot.ends() - slot.begins()));
        snapshot.value(slot.id(), Fields.BPM).ifPresent(b -> track.put("bpm", b));
      }
    }
    return root.toPrettyString() + "\n";
  }
}
