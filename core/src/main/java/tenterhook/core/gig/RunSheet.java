package tenterhook.core.gig;

import java.time.format.DateTimeFormatter;
import java.util.Optional;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/**
 * The night on paper: one HTML file that needs nothing else, in two columns on A4. Who is there and
 * how they are called, what must be played and what not, then part by part each track at its time.
 */
public final class RunSheet {
  private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm");
  private static final String STYLE =
      """
      @page { size: A4; margin: 12mm }
      body { font: 9pt/1.25 "IBM Plex Sans Condensed", "Arial Narrow", sans-serif; color: #111; margin: 0 }
      h1 { font-size: 17pt; margin: 0 } h2 { font-size: 11pt; margin: 3mm 0 1mm; break-after: avoid }
      p { margin: 1mm 0 } .people { font-size: 12pt } .said { font-weight: bold }
      .box { border: 0.4mm solid #111; padding: 1.5mm 2.5mm; margin: 2mm 0 }
      .parts { columns: 2; column-gap: 6mm; column-rule: 0.2mm solid #999 }
      table { border-collapse: collapse; width: 100% } tr { break-inside: avoid }
      td { padding: 0.2mm 1mm 0.2mm 0; vertical-align: top } .t { width: 9mm } .n { width: 8mm; text-align: right }
      .must { font-weight: bold } .gone { text-decoration: line-through }
      """;

  private RunSheet() {}

  /** The whole page. */
  public static String html(GigProgram program, Snapshot snapshot) {
    Gig gig = program.gig();
    Evening evening = gig.evening();
    StringBuilder page = new StringBuilder();
    page.append("<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>")
        .append(text(gig.title()))
        .append("</title>\n<style>\n")
        .append(STYLE)
        .append("</style></head><body>\n<h1>")
        .append(text(gig.title()))
        .append("</h1>\n<p>")
        .append(text(evening.place() + (evening.place().isEmpty() ? "" : " · ")))
        .append(evening.day())
        .append(", ")
        .append(evening.from())
        .append(" to ")
        .append(evening.until())
        .append("</p>\n");
    people(page, evening);
    musts(page, gig, snapshot);
    never(page, gig, snapshot);
    if (!evening.notes().isBlank()) {
      page.append("<p>").append(text(evening.notes())).append("</p>\n");
    }
    page.append("<div class=\"parts\">\n");
    program.stretches().forEach(s -> part(page, program, s, snapshot));
    return page.append("</div>\n</body></html>\n").toString();
  }

  private static void people(StringBuilder page, Evening evening) {
    for (Person person : evening.people()) {
      page.append("<p class=\"people\">").append(text(person.name()));
      if (!person.said().isEmpty()) {
        page.append(" <span class=\"said\">").append(text(person.said())).append("</span>");
      }
      page.append(person.role().isEmpty() ? "" : ", " + text(person.role())).append("</p>\n");
    }
  }

  private static void musts(StringBuilder page, Gig gig, Snapshot snapshot) {
    if (!gig.mustPlays().isEmpty()) {
      page.append("<div class=\"box\"><b>Must be played</b><br>\n");
      for (MustPlay must : gig.mustPlays()) {
        page.append("☐ ")
            .append(text(snapshot.name(must.track())))
            .append(must.part().isEmpty() ? "" : " · " + text(must.part()))
            .append(must.note().isEmpty() ? "" : " · " + text(must.note()))
            .append("<br>\n");
      }
      page.append("</div>\n");
    }
  }

  private static void never(StringBuilder page, Gig gig, Snapshot snapshot) {
    if (!gig.never().isEmpty()) {
      page.append("<div class=\"box\"><b>Never played</b><br>\n");
      gig.never().lines().forEach(l -> page.append(text(l.text())).append("<br>\n"));
      gig.never().tracks().forEach(id -> page.append(text(snapshot.name(id))).append("<br>\n"));
      page.append("</div>\n");
    }
  }

  private static void part(
      StringBuilder page, GigProgram program, GigProgram.Stretch stretch, Snapshot snapshot) {
    GigPart part = stretch.music().part();
    page.append("<h2>")
        .append(program.clock(stretch.begins()).format(TIME))
        .append(' ')
        .append(text(part.name()))
        .append(" · ")
        .append(part.planned())
        .append(" min</h2>\n");
    if (!part.notes().isBlank()) {
      page.append("<p>").append(text(part.notes())).append("</p>\n");
    }
    page.append("<table>\n");
    for (GigProgram.Slot slot : stretch.slots()) {
      row(page, program, slot, snapshot);
    }
    page.append("</table>\n");
  }

  private static void row(
      StringBuilder page, GigProgram program, GigProgram.Slot slot, Snapshot snapshot) {
    boolean must = program.gig().mustPlays().stream().anyMatch(m -> m.track() == slot.id());
    Optional<Double> bpm = snapshot.value(slot.id(), Fields.BPM);
    page.append(
            must
                ? "<tr class=\"must\">"
                : snapshot.lost(slot.id()) ? "<tr class=\"gone\">" : "<tr>")
        .append("<td class=\"t\">")
        .append(program.clock(slot.begins() / 60).format(TIME))
        .append("</td><td>")
        .append(text(snapshot.name(slot.id())))
        .append("</td><td class=\"n\">")
        .append(bpm.map(b -> String.valueOf(Math.round(b))).orElse(""))
        .append("</td><td class=\"n\">")
        .append(text(snapshot.raw(slot.id(), Fields.KEY)))
        .append("</td></tr>\n");
  }

  /** A text in HTML. */
  private static String text(String plain) {
    return plain
        .replace("&", "&amp;")
        .replace("<", "&lt;")
        .replace(">", "&gt;")
        .replace("\n", "<br>");
  }
}
