package tenterhook.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.play.SetLists;
import tenterhook.core.field.Fields;
import tenterhook.core.play.Plays;

/** Counts plays, from set lists and by hand. */
@Command(
    name = "plays",
    description = "Lists what was played; plays import FILE… and plays count QUERY add to it.",
    subcommands = {PlaysCommand.ImportPlays.class, PlaysCommand.Count.class})
final class PlaysCommand extends CollectionCommand {
  @Override
  void run(MusicCollection collection) {
    tracks(collection)
        .tracks()
        .forEach(
            (int id) -> {
              int plays = tracks(collection).value(id, Fields.PLAYS).orElse(0);
              if (plays > 0) {
                String last = tracks(collection).raw(id, Fields.LAST_PLAYED);
                say(
                    object().put("id", id).put("plays", plays).put("lastPlayed", last),
                    plays + "  " + last + "  " + tracks(collection).name(id));
              }
            });
  }

  private static LocalDate date(CollectionCommand work, String text) {
    try {
      return LocalDate.parse(text);
    } catch (DateTimeParseException wrong) {
      throw new ParameterException(
          work.spec.commandLine(), "a night is a date such as 2026-03-07, not " + text, wrong);
    }
  }

  @Command(
      name = "import",
      description = "Counts what set lists (M3U8, XSPF, JSPF, CSV) say; a night counts once.")
  static final class ImportPlays extends CollectionCommand {
    @Parameters(paramLabel = "FILE", arity = "1..*", description = "The set lists.")
    List<Path> files;

    @Option(
        names = "--night",
        paramLabel = "DATE",
        description = "When; without it the date in the list or its name.")
    String night = "";

    @Override
    void run(MusicCollection collection) throws IOException {
      for (Path file : files) {
        Optional<LocalDate> when =
            night.isEmpty() ? SetLists.night(file) : Optional.of(date(this, night));
        if (when.isEmpty()) {
          partly();
          main.err.println(file + ": says no date; give one by --night");
          continue;
        }
        SetLists.SetList list = SetLists.read(collection.state(), file, when.get());
        for (String line : list.unmatched()) {
          partly();
          say(
              object().put("unmatched", line).put("night", list.night().toString()),
              list.night() + ": no track fits " + line);
        }
        apply(collection, list.change());
      }
    }
  }

  @Command(name = "count", description = "Counts one play of each track that a query finds.")
  static final class Count extends CollectionCommand {
    @Mixin QueryOption.Needed query = new QueryOption.Needed();

    @Option(names = "--night", paramLabel = "DATE", description = "When; today without it.")
    String night = "";

    @Override
    void run(MusicCollection collection) {
      List<Integer> ids = new ArrayList<>();
      query.in(collection).forEach((int id) -> ids.add(id));
      LocalDate when = night.isEmpty() ? collection.today() : date(this, night);
      apply(collection, Plays.onNight(tracks(collection), ids, when));
    }
  }
}
