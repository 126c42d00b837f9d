package tenterhook.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;

/** Sets or removes artwork. */
@Command(name = "art", description = "Sets or removes the artwork of the tracks found.")
final class ArtCommand extends CollectionCommand {
  @Mixin QueryOption.Needed query = new QueryOption.Needed();

  @ArgGroup(multiplicity = "1")
  PictureSource what;

  static final class PictureSource {
    @Option(names = "--file", paramLabel = "F", description = "A JPEG or PNG.")
    Path file;

    @Option(names = "--remove", description = "Takes the artwork away.")
    boolean remove;
  }

  @Override
  void run(MusicCollection collection) throws Exception {
    String art = what.remove ? "" : collection.covers().keep(Files.readAllBytes(what.file)).raw();
    apply(
        collection,
        TrackEdits.set(tracks(collection), query.in(collection), Map.of(Fields.ARTWORK, art)));
  }
}
