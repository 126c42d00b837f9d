package tenterhook.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.crate.Crate;

/** Lists a crate's tracks. */
@Command(name = "crate", description = "Lists the tracks of a crate in its order.")
final class CrateCommand extends CollectionCommand {
  @Parameters(paramLabel = "NAME", description = "Of the crate.")
  String name;

  @Override
  void run(MusicCollection collection) {
    for (int id : collection.contents().list(crate(collection, name))) {
      say(TracksCommand.node(collection, id), id + "  " + tracks(collection).name(id));
    }
  }

  static Crate crate(MusicCollection collection, String name) {
    return collection
        .state()
        .crates()
        .crate(name)
        .orElseThrow(() -> new IllegalArgumentException("no crate '" + name + "'"));
  }
}
