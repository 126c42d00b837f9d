package tenterhook.cli;

import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.duplicate.HoldingBay;
import tenterhook.adapters.execution.Bin;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;

/** Lists the holding bay. */
@Command(
    name = "holding",
    description = "Lists the holding bay; holding restore brings files back.",
    subcommands = {HoldingCommand.RestoreHeld.class, HoldingCommand.Empty.class})
final class HoldingCommand extends CollectionCommand {
  @Override
  void run(MusicCollection collection) {
    tracks(collection)
        .held()
        .forEach(
            (int id) ->
                say(
                    object()
                        .put("id", id)
                        .put("path", path(collection, id))
                        .put("bytes", tracks(collection).value(id, Fields.SIZE).orElse(0L)),
                    id + "  " + path(collection, id)));
  }

  @Command(name = "restore", description = "Brings files back to where they came from.")
  static final class RestoreHeld extends CollectionCommand {
    @Parameters(paramLabel = "ID", arity = "0..*", description = "Which ones; all without.")
    List<Integer> ids = List.of();

    @Override
    void run(MusicCollection collection) {
      RoaringBitmap held = tracks(collection).held();
      if (!ids.isEmpty()) {
        RoaringBitmap wanted = new RoaringBitmap();
        ids.forEach(wanted::add);
        held.and(wanted);
      }
      apply(collection, TrackEdits.restore(tracks(collection), held));
    }
  }

  @Command(
      name = "empty",
      description = "Takes held files away for good: to the system's bin where there is one.")
  static final class Empty extends CollectionCommand {
    @Option(names = "--yes", description = "Really does it; undo cannot bring them back.")
    boolean yes;

    @Option(
        names = "--last-copies",
        description = "Takes also files that are the last of their recording.")
    boolean lastCopies;

    @Override
    void run(MusicCollection collection) {
      RoaringBitmap held = tracks(collection).held();
      if (!yes || main.dryRun) {
        foretell(HoldingBay.outlook(collection, held, progress()));
        return;
      }
      report(
          collection,
          HoldingBay.empty(collection, held, lastCopies, Bin.systemOrDelete(), progress()));
    }

    private void foretell(HoldingBay.Outlook outlook) {
      int copies = outlook.copies().getCardinality();
      outlook
          .last()
          .forEach(
              l ->
                  say(
                      object().put("lastCopy", l.path()).put("reason", l.reason()),
                      "last copy: " + l.path() + ": it " + l.reason()));
      say(
          object().put("held", copies + outlook.last().size()).put("copies", copies),
          copies
              + " held files are copies of what is there; --yes takes them away, and undo cannot"
              + " bring them back"
              + (outlook.last().isEmpty()
                  ? ""
                  : "; "
                      + outlook.last().size()
                      + " more are the last of their recording and go only with --last-copies"));
    }
  }
}
