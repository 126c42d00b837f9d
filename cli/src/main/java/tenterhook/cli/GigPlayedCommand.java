package tenterhook.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.play.SetLists;
import tenterhook.core.gig.Afterwards;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigProgram;

/** What became of a night. */
@Command(
    name = "played",
    description = {
      "Counts what set lists (M3U8, XSPF, JSPF, CSV) say was played, once for the night, and",
      "says what became of must-plays and wishes; without a list only the latter."
    })
final class GigPlayedCommand extends CollectionCommand {
  @ParentCommand GigCommand of;

  @Parameters(paramLabel = "FILE", arity = "0..*", description = "The set lists of the night.")
  List<Path> files = List.of();

  @Override
  void run(MusicCollection collection) throws IOException {
    Gig gig = GigsCommand.gig(collection, of.title);
    for (Path file : files) {
      SetLists.SetList list = SetLists.read(collection.state(), file, gig.evening().date());
      for (String line : list.unmatched()) {
        partly();
        say(object().put("unmatched", line), "no track fits " + line);
      }
      if (!list.change().isEmpty()) {
        apply(collection, list.change());
      }
    }
    Afterwards after =
        Afterwards.of(
            GigProgram.of(gig, tracks(collection), collection.contents()), tracks(collection));
    say(
        object()
            .put("played", after.played().getCardinality())
            .put("planned", after.planned())
            .put("asPlanned", after.asPlanned().getCardinality())
            .put("missed", after.missed().size())
            .put("served", after.served().size())
            .put("unserved", after.unserved().size()),
        after.played().getCardinality()
            + " played, "
            + after.asPlanned().getCardinality()
            + " of "
            + after.planned()
            + " as planned");
    after.letter(tracks(collection)).forEach(l -> say(object().put("line", l), l));
  }
}
