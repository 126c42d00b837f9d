package tenterhook.cli;

import java.io.IOException;
import java.nio.file.Path;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.collection.Playlists;

/** Reads a playlist as a hand crate. */
@Command(
    name = "import",
    description = "Reads a playlist (M3U8, XSPF, JSPF or CSV) as a hand crate.")
final class ImportCommand extends CollectionCommand {
  @Parameters(paramLabel = "FILE", description = "The playlist.")
  Path file;

  @Option(names = "--shelf", paramLabel = "NAME", description = "Where it goes (${DEFAULT-VALUE}).")
  String shelf = "Loose crates";

  @Override
  void run(MusicCollection collection) throws IOException {
    Playlists.Imported imported = Playlists.read(collection.state(), file, shelf);
    imported
        .unknown()
        .forEach(
            p -> {
              partly();
              say(
                  object().put("path", p.toString()).put("reason", "not in the collection"),
                  p + ": not in the collection");
            });
    apply(collection, imported.change());
  }
}
