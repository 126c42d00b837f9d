package tenterhook.cli;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.gig.Evening;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.Gigs;

/** Lists gigs. */
@Command(
    name = "gigs",
    description = "Lists gigs: those to come, then those that were played.",
    subcommands = {GigsCommand.AddGig.class, GigsCommand.RemoveGig.class})
final class GigsCommand extends CollectionCommand {
  @Override
  void run(MusicCollection collection) {
    Gigs gigs = collection.state().gigs();
    LocalDate today = LocalDate.now();
    gigs.coming(today).forEach(g -> say(g, false));
    gigs.played(today).forEach(g -> say(g, true));
  }

  private void say(Gig gig, boolean played) {
    Evening evening = gig.evening();
    say(
        object()
            .put("gig", gig.title())
            .put("date", evening.date().toString())
            .put("from", evening.from().toString())
            .put("until", evening.until().toString())
            .put("place", evening.place())
            .put("parts", gig.allParts().size())
            .put("wishes", gig.wishes().size())
            .put("played", played),
        String.format(
            "%s  %s-%s  %s%s%s",
            evening.date(),
            evening.from(),
            evening.until(),
            gig.title(),
            evening.place().isEmpty() ? "" : ", " + evening.place(),
            played ? " (played)" : ""));
  }

  static Change set(MusicCollection collection, String title, Gigs after) {
    return new Change(title, true, List.of(new Edit.SetGigs(collection.state().gigs(), after)));
  }

  /** The gig of a title; refuses when there is none. */
  static Gig gig(MusicCollection collection, String title) {
    return collection
        .state()
        .gigs()
        .named(title)
        .orElseThrow(() -> new IllegalArgumentException("there is no gig '" + title + "'"));
  }

  @Command(name = "add", description = "Plans a gig, from nothing or after the model of another.")
  static final class AddGig extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "TITLE", description = "Of the gig.")
    String title;

    @Option(names = "--date", required = true, paramLabel = "DATE", description = "2026-12-19")
    LocalDate date;

    @Option(names = "--from", paramLabel = "TIME", description = "20:00 when nothing is said.")
    LocalTime from = LocalTime.of(20, 0);

    @Option(
        names = "--until",
        paramLabel = "TIME",
        description = "01:00 when nothing is said; not later than --from, it is the next day.")
    LocalTime until = LocalTime.of(1, 0);

    @Option(names = "--place", paramLabel = "PLACE", description = "Where it is.")
    String place = "";

    @Option(
        names = "--like",
        paramLabel = "GIG",
        description = "Takes its parts, must-plays and what is never played.")
    String like;

    @Override
    void run(MusicCollection collection) {
      Evening evening = Evening.on(date, from, until).at(place);
      Gig gig = like == null ? Gig.of(title, evening) : gig(collection, like).like(title, evening);
      Gigs after = collection.state().gigs().plus(gig);
      apply(collection, set(collection, "adds gig " + gig.title(), after));
    }
  }

  @Command(name = "remove", description = "Removes a gig; no track and no file is touched.")
  static final class RemoveGig extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "TITLE", description = "Of the gig.")
    String title;

    @Override
    void run(MusicCollection collection) {
      Gig gig = gig(collection, title);
      Gigs after = collection.state().gigs().minus(gig.title());
      apply(collection, set(collection, "removes gig " + gig.title(), after));
    }
  }
}
