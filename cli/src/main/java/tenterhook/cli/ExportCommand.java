package tenterhook.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.backstage.collection.MusicCollection;
import tenterhook.backstage.collection.Playlists;
import tenterhook.backstage.playlist.PlaylistFile;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Shelf;

/** Writes playlists. */
@Command(
    name = "export",
    description = "Writes a crate, or all crates of a shelf, as M3U8, XSPF, JSPF or CSV.")
final class ExportCommand extends Work {
  @Parameters(paramLabel = "CRATE|SHELF", description = "Its name.")
  String name;

  @Option(names = "--to", required = true, paramLabel = "FILE|FOLDER", description = "Where to.")
  Path to;

  @Option(
      names = "--as",
      paramLabel = "FORM",
      description = "For a shelf: m3u8 (when nothing is said), xspf, jspf or csv.")
  String form = "m3u8";

  @Option(names = "--relative", description = "Paths start from the playlist's folder.")
  boolean relative;

  @Override
  void run(MusicCollection collection) throws IOException {
    Optional<Shelf> shelf = collection.state().crates().shelf(name);
    Optional<Crate> single = collection.state().crates().crate(name);
    List<Crate> crates =
        single.isPresent()
            ? List.of(single.get())
            : shelf
                .map(Shelf::crates)
                .orElseThrow(
                    () -> new IllegalArgumentException("no crate or shelf '" + name + "'"));
    for (Crate crate : crates) {
      Path file =
          single.isPresent()
              ? to
              : to.resolve(crate.name() + "." + PlaylistFile.named(form).ending());
      int count =
          Playlists.export(
              collection,
              crate,
              file,
              relative ? PlaylistFile.Paths.from(file) : PlaylistFile.Paths.absolute());
      say(
          object()
              .put("crate", crate.name())
              .put("path", file.toAbsolutePath().toString())
              .put("tracks", count),
          crate.name() + ": " + count + " tracks in " + file);
    }
  }
}
