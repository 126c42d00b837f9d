package tenterhook.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.collection.Playlists;
import tenterhook.adapters.pack.SendingOut;
import tenterhook.adapters.pack.SendingOut.PlacedCrate;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.core.crate.Crate;

/** Writes playlists, with their music where it is wanted. */
@Command(
    name = "export",
    description =
        "Writes a crate, or all crates of a shelf in folders as its shelves are, as M3U8, XSPF,"
            + " JSPF or CSV.")
final class ExportCommand extends CollectionCommand {
  @Parameters(paramLabel = "CRATE|SHELF", description = "Its name.")
  String name;

  @Option(names = "--to", required = true, paramLabel = "FILE|FOLDER", description = "Where to.")
  Path to;

  @Option(
      names = "--as",
      paramLabel = "FORM",
      description = "For a folder: m3u8 (when nothing is said), xspf, jspf or csv.")
  String form = "m3u8";

  @Option(names = "--relative", description = "Paths start from the playlist's folder.")
  boolean relative;

  @Option(
      names = "--elsewhere",
      paramLabel = "HERE=THERE",
      description = "Paths of another machine: a folder here, and its name there.")
  String elsewhere = "";

  @Option(names = "--copy", description = "Copies the music along, checked; --to is a folder.")
  boolean copy;

  @Override
  void run(MusicCollection collection) throws IOException {
    Optional<Crate> single = collection.state().crates().crate(name);
    boolean file = single.isPresent() && !copy && PlaylistFile.of(to).isPresent();
    if (file) {
      say(to, Playlists.export(collection, single.get(), to, form(to)));
      return;
    }
    List<PlacedCrate> crates = chosen(collection, single);
    SendingOut.SentReport report =
        SendingOut.write(collection, crates, to, PlaylistFile.named(form), paths(), progress());
    report.tracks().forEach(this::say);
    told(report);
  }

  private List<PlacedCrate> chosen(MusicCollection collection, Optional<Crate> single) {
    return single
        .map(c -> List.of(new PlacedCrate(List.of(), c)))
        .or(() -> collection.state().crates().shelf(name).map(s -> PlacedCrate.of(s.shelf())))
        .orElseThrow(() -> new IllegalArgumentException("no crate or shelf '" + name + "'"));
  }

  private void told(SendingOut.SentReport report) {
    if (copy) {
      say(
          object().put("copied", report.copied()).put("there", report.there()),
          report.copied() + " files copied, " + report.there() + " were there");
    }
    report.refused().forEach(r -> main.err.println("not copied: " + r.path() + ": " + r.reason()));
    if (!report.refused().isEmpty()) {
      partly();
    }
  }

  private void say(Path file, int tracks) {
    String base = file.getFileName().toString().replaceFirst("\\.[^.]+$", "");
    say(
        object()
            .put("crate", base)
            .put("path", file.toAbsolutePath().toString())
            .put("tracks", tracks),
        base + ": " + tracks + " tracks in " + file);
  }

  private SendingOut.Naming paths() {
    if (copy) {
      return new SendingOut.Naming.Copied();
    }
    if (!elsewhere.isEmpty()) {
      String[] both = elsewhere.split("=", 2);
      if (both.length < 2) {
        throw new IllegalArgumentException("--elsewhere takes HERE=THERE, such as /music=D:/Music");
      }
      return new SendingOut.Naming.Elsewhere(Path.of(both[0]), both[1]);
    }
    return relative ? new SendingOut.Naming.Relative() : new SendingOut.Naming.Absolute();
  }

  private PlaylistFile.Paths form(Path file) {
    return switch (paths()) {
      case SendingOut.Naming.Elsewhere other ->
          PlaylistFile.Paths.elsewhere(other.here(), other.there());
      case SendingOut.Naming.Relative from -> PlaylistFile.Paths.from(file);
      default -> PlaylistFile.Paths.absolute();
    };
  }
}
