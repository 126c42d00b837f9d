package tenterhook.cli;

import java.nio.file.Files;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.backstage.collection.MusicCollection;
import tenterhook.backstage.duplicate.HoldingBay;
import tenterhook.core.change.TrackEdits;
import tenterhook.core.field.Fields;

/** Lists the holding bay. */
@Command(
    name = "holding",
    description = "Lists the holding bay; holding restore brings files back.",
    subcommands = {HoldingCommand.Restore.class, HoldingCommand.Empty.class})
final class HoldingCommand extends Work {
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
  static final class Restore extends Work {
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
  static final class Empty extends Work {
    @Option(names = "--yes", description = "Really does it; undo cannot bring them back.")
    boolean yes;

    @Override
    void run(MusicCollection collection) {
      RoaringBitmap held = tracks(collection).held();
      if (!yes || main.dryRun) {
        int files = held.getCardinality();
        say(
            object().put("held", files),
            files + " files are held; --yes takes them away, and undo cannot bring them back");
        return;
      }
      report(
          collection,
          HoldingBay.empty(
              collection, held, HoldingBay.systemBin().orElse(Files::delete), progress()));
    }
  }
}
