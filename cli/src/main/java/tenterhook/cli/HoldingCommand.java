package tenterhook.cli;

import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import tenterhook.backstage.collection.MusicCollection;
import tenterhook.core.change.TrackEdits;
import tenterhook.core.field.Fields;

/** Lists the holding bay. */
@Command(
    name = "holding",
    description = "Lists the holding bay; holding restore brings files back.",
    subcommands = HoldingCommand.Restore.class)
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
}
