package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.pack.GigPacking;
import tenterhook.adapters.pack.PackDisk;
import tenterhook.adapters.pack.Packing;
import tenterhook.core.job.Progress;

/** A gig onto a stick, and whether it is there whole. */
final class GigPackCommands {
  private GigPackCommands() {}

  private static GigPacking packing(GigCommand of, MusicCollection collection, Path to) {
    return new GigPacking(
        GigsCommand.gig(collection, of.title),
        collection.state(),
        collection.contents(),
        to,
        PackDisk.SYSTEM);
  }

  @Command(
      name = "pack",
      description = {
        "Copies the gig's music, with a playlist for each part and the run sheet, into a folder.",
        "Only what is new or other is copied; status 1 when something could not be."
      })
  static final class Pack extends CollectionCommand {
    @ParentCommand GigCommand of;

    @Parameters(index = "0", paramLabel = "FOLDER", description = "On a stick, or any other.")
    Path to;

    @Override
    void run(MusicCollection collection) throws IOException {
      GigPacking packing = packing(of, collection, to);
      GigPacking.PackPlan plan = packing.plan();
      ObjectNode node = object().put("tracks", plan.tracks()).put("bytes", plan.bytes());
      node.put("room", plan.room()).put("fits", plan.fits());
      node.set("absent", ids(plan.absent()));
      say(
          node,
          String.format(
              "%d tracks, %.1f MB to copy, room for %.1f MB%s",
              plan.tracks(),
              plan.bytes() / 1e6,
              plan.room() / 1e6,
              plan.absent().isEmpty()
                  ? ""
                  : "; " + plan.absent().getCardinality() + " not there and left out"));
      if (main.dryRun) {
        plan.refused().forEach(r -> refused(r.path(), r.reason()));
        return;
      }
      Packing.PackReport report = packing.pack(Progress.SILENT);
      report.refused().forEach(r -> refused(r.path(), r.reason()));
      say(
          object().put("copied", report.copied()).put("there", report.there()),
          report.copied() + " copied, " + report.there() + " were there already");
      if (!report.refused().isEmpty() || !plan.absent().isEmpty()) {
        partly();
      }
    }

    private void refused(String path, String reason) {
      say(
          object().put("refused", path).put("reason", reason),
          "not copied: " + path + ": " + reason);
    }
  }

  @Command(
      name = "check",
      description = "Holds a packed gig against its hashes and the gig; status 1 when not whole.")
  static final class CheckPacked extends CollectionCommand {
    @ParentCommand GigCommand of;

    @Parameters(index = "0", paramLabel = "FOLDER", description = "Where it was packed.")
    Path to;

    @Override
    void run(MusicCollection collection) throws IOException {
      GigPacking.Check check = packing(of, collection, to).check(Progress.SILENT);
      ObjectNode node = object().put("clean", check.clean()).put("whole", check.whole());
      node.set("damaged", names(check.damaged()));
      node.set("missing", names(check.missing()));
      node.set("strays", names(check.strays()));
      node.set("unpacked", ids(check.unpacked()));
      StringBuilder text = new StringBuilder();
      text.append(check.whole()).append(check.clean() ? " files, all whole" : " files whole");
      check.damaged().forEach(n -> text.append("\n! other bytes than were written: ").append(n));
      check.missing().forEach(n -> text.append("\n! gone: ").append(n));
      check
          .unpacked()
          .forEach(
              (int id) ->
                  text.append("\n! not packed, or changed since: ")
                      .append(tracks(collection).name(id)));
      check.strays().forEach(n -> text.append("\n- not of this program: ").append(n));
      say(node, text.toString());
      if (!check.clean()) {
        partly();
      }
    }

    private ArrayNode names(List<String> names) {
      ArrayNode array = object().withArray("names");
      names.forEach(array::add);
      return array;
    }
  }

  private static ArrayNode ids(RoaringBitmap tracks) {
    ArrayNode array = CollectionCommand.object().withArray("ids");
    tracks.forEach((int id) -> array.add(id));
    return array;
  }
}
