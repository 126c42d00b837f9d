package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.store.CrateJson;
import tenterhook.core.crate.Rule;
import tenterhook.core.find.FindText;
import tenterhook.core.gig.Evening;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigFinding;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.GigReadiness;
import tenterhook.core.gig.Gigs;
import tenterhook.core.gig.MustPlay;
import tenterhook.core.gig.Person;

/** Shows a gig, or changes something of it. */
@Command(
    name = "gig",
    description = "Shows a gig: its people, parts, must-plays and what is never played.",
    subcommands = {
      GigCommand.When.class,
      GigCommand.Part.class,
      GigCommand.Who.class,
      GigCommand.Must.class,
      GigCommand.Never.class,
      GigWishCommands.Wishes.class,
      GigCommand.Ready.class,
      GigPackCommands.Pack.class,
      GigPackCommands.CheckPacked.class,
      GigPlayedCommand.class
    })
final class GigCommand extends CollectionCommand {
  @Parameters(index = "0", paramLabel = "TITLE", description = "Of the gig.")
  String title;

  @Override
  void run(MusicCollection collection) {
    Gig gig = GigsCommand.gig(collection, title);
    for (Person person : gig.evening().people()) {
      say(
          object()
              .put("person", person.name())
              .put("said", person.said())
              .put("role", person.role()),
          person.line());
    }
    gig.parts().forEach(p -> say(p, 0));
    for (MustPlay must : gig.mustPlays()) {
      String name = tracks(collection).name(must.track());
      say(
          object().put("mustPlay", must.track()).put("part", must.part()).put("note", must.note()),
          "must play "
              + name
              + (must.part().isEmpty() ? "" : " in " + must.part())
              + (must.note().isEmpty() ? "" : ": " + must.note()));
    }
    gig.never().lines().forEach(l -> say(object().put("never", l.text()), "never " + l.text()));
    gig.never()
        .tracks()
        .forEach(id -> say(object().put("neverTrack", id), "never " + tracks(collection).name(id)));
  }

  private void say(GigPart part, int depth) {
    ObjectNode node = object().put("part", part.name()).put("depth", depth);
    node.put("minutes", part.planned()).put("tracks", part.tracks().size());
    String rule = part.rule().map(r -> FindText.write(r.query())).orElse("");
    say(
        node.put("rule", rule).put("notes", part.notes()),
        String.format(
            "%-28s %4d min  %3d by hand  %s",
            "  ".repeat(depth) + part.name(), part.planned(), part.tracks().size(), rule));
    part.parts().forEach(p -> say(p, depth + 1));
  }

  /** One thing of a gig that is changed. */
  abstract static class GigEdit extends CollectionCommand {
    @ParentCommand GigCommand of;

    /** Alters the gig, and nothing else. */
    void edit(MusicCollection collection, String what, UnaryOperator<Gig> edit) {
      of.edit(this, collection, what, edit);
    }
  }

  /** Alters the gig, and nothing else, on behalf of a command below. */
  void edit(
      CollectionCommand by, MusicCollection collection, String what, UnaryOperator<Gig> edit) {
    Gig gig = GigsCommand.gig(collection, title);
    Gigs after = collection.state().gigs().with(gig.title(), edit);
    by.apply(collection, GigsCommand.set(collection, what + " of " + gig.title(), after));
  }

  /** The one track that a query found. */
  static int one(String query, RoaringBitmap found) {
    if (found.getCardinality() != 1) {
      throw new IllegalArgumentException(
          query + " finds " + found.getCardinality() + " tracks; say it so that it finds one");
    }
    return found.first();
  }

  /** When and where it is. */
  @Command(name = "evening", description = "Says when and where it is, and what is kept ready.")
  static final class When extends GigEdit {
    @Option(names = "--title", paramLabel = "TITLE", description = "Another title.")
    String other;

    @Option(names = "--date", paramLabel = "DATE", description = "2026-12-19")
    LocalDate date;

    @Option(names = "--from", paramLabel = "TIME", description = "18:30")
    LocalTime from;

    @Option(names = "--until", paramLabel = "TIME", description = "01:00")
    LocalTime until;

    @Option(names = "--place", paramLabel = "PLACE", description = "Where it is.")
    String place;

    @Option(names = "--notes", paramLabel = "TEXT", description = "Your own.")
    String notes;

    @Option(
        names = "--reserve",
        paramLabel = "TIMES",
        description = "How many times the planned minutes are to be ready, 1.5 at first.")
    Double reserve;

    @Override
    void run(MusicCollection collection) {
      edit(collection, "the evening", this::altered);
    }

    private Gig altered(Gig gig) {
      Evening now = gig.evening();
      Evening evening =
          now.on(date == null ? now.date() : date)
              .at(from == null ? now.from() : from, until == null ? now.until() : until)
              .at(place == null ? now.place() : place)
              .noted(notes == null ? now.notes() : notes);
      Gig there = gig.on(evening).titled(other == null ? gig.title() : other);
      return reserve == null ? there : there.reserving(reserve);
    }
  }

  /** A part of the gig. */
  @Command(name = "part", description = "Adds a part, alters the one of that name, or removes it.")
  static final class Part extends GigEdit {
    @Parameters(index = "0", paramLabel = "NAME", description = "Of the part.")
    String name;

    @Option(names = "--minutes", paramLabel = "N", description = "How long it is planned to last.")
    Integer minutes;

    @Option(names = "--notes", paramLabel = "TEXT", description = "Your own.")
    String notes;

    @Option(names = "--in", paramLabel = "PART", description = "A new part stands in this one.")
    String in;

    @Option(
        names = "--fill",
        paramLabel = "QUERY",
        description = "What keeps filling it, such as crate:\"Fast laps\" bpm:105..124.")
    String fill;

    @Option(names = "--pick", paramLabel = "QUERY", description = "Adds these tracks by hand.")
    String pick;

    @Option(names = "--remove", description = "Removes it and the parts in it.")
    boolean remove;

    @Override
    void run(MusicCollection collection) {
      if (remove) {
        edit(collection, "removes part " + name, g -> g.withoutPart(name));
        return;
      }
      UnaryOperator<GigPart> others = p -> altered(collection, p);
      edit(
          collection,
          "part " + name,
          g ->
              g.part(name).isPresent()
                  ? g.withPart(name, others)
                  : g.plus(others.apply(GigPart.of(name, 0)), Optional.ofNullable(in)));
    }

    private GigPart altered(MusicCollection collection, GigPart part) {
      GigPart now = minutes == null ? part : part.lasting(minutes);
      now = notes == null ? now : now.noted(notes);
      if (fill != null) {
        Optional<Rule.RuleGroup> rule =
            fill.isBlank() ? Optional.empty() : Optional.of(Rule.of(parse(collection, fill)));
        now = now.filledBy(rule, part.order());
      }
      return pick == null ? now : now.plus(List.of(boxed(collection)));
    }

    private Integer[] boxed(MusicCollection collection) {
      return find(collection, pick).stream().boxed().toArray(Integer[]::new);
    }
  }

  /** Somebody whose name must be said right. */
  @Command(name = "person", description = "Notes somebody and how the name is said.")
  static final class Who extends GigEdit {
    @Parameters(index = "0", paramLabel = "NAME", description = "As it is written.")
    String name;

    @Option(names = "--said", paramLabel = "TEXT", description = "As it is said.")
    String said = "";

    @Option(names = "--role", paramLabel = "TEXT", description = "What they are on the night.")
    String role = "";

    @Option(names = "--remove", description = "Takes the person off the list.")
    boolean remove;

    @Override
    void run(MusicCollection collection) {
      edit(
          collection,
          "people",
          g ->
              g.on(
                  remove
                      ? g.evening().without(name)
                      : g.evening().with(new Person(name, said, role))));
    }
  }

  /** A track that must be heard. */
  @Command(name = "must", description = "Says what must be played, or that it need not be.")
  static final class Must extends GigEdit {
    @Parameters(index = "0", paramLabel = "QUERY", description = "Finds one track.")
    String query;

    @Option(names = "--in", paramLabel = "PART", description = "In this part; in any without.")
    String in = "";

    @Option(names = "--note", paramLabel = "TEXT", description = "Such as: first dance.")
    String note = "";

    @Option(names = "--remove", description = "It need not be played.")
    boolean remove;

    @Override
    void run(MusicCollection collection) {
      int id = one(query, find(collection, query));
      edit(
          collection,
          "must-plays",
          g ->
              remove
                  ? g.withMustPlays(g.mustPlays().stream().filter(m -> m.track() != id).toList())
                  : g.plus(new MustPlay(id, in, note)));
    }
  }

  /** Whether the night may come. */
  @Command(
      name = "ready",
      description = "Says in one sentence what is left, then each thing; status 1 when not ready.")
  static final class Ready extends CollectionCommand {
    @ParentCommand GigCommand of;

    @Override
    void run(MusicCollection collection) {
      Gig gig = GigsCommand.gig(collection, of.title);
      CollectionState state = collection.state();
      GigReadiness look =
          GigReadiness.of(gig, state.snapshot(), collection.contents(), state.tracksAway());
      say(object().put("ready", look.ready()).put("sentence", look.sentence()), look.sentence());
      for (GigReadiness.PartTime time : look.times()) {
        say(
            object()
                .put("part", time.part())
                .put("planned", time.planned())
                .put("playable", time.playable()),
            String.format(
                Locale.ROOT,
                "%-28s %4d min planned, %6.1f playable",
                time.part(),
                time.planned(),
                time.playable()));
      }
      for (GigFinding finding : look.findings()) {
        ObjectNode node = object().put("finding", finding.kind().name().toLowerCase(Locale.ROOT));
        node.put("red", finding.red()).put("part", finding.part()).put("words", finding.words());
        finding.tracks().forEach((int id) -> node.withArray("tracks").add(id));
        say(node, (finding.red() ? "! " : "- ") + finding.words());
      }
      if (!look.ready()) {
        partly();
      }
    }
  }

  /** What is not heard in any part. */
  @Command(name = "never", description = "Keeps out of all parts what a line holds for.")
  static final class Never extends GigEdit {
    @Parameters(index = "0", paramLabel = "LINE", description = "artist:=\"A B\"")
    String line;

    @Option(names = "--allow", description = "Takes the line off the list.")
    boolean allow;

    @Override
    void run(MusicCollection collection) {
      parse(collection, line);
      Rule.Line one = CrateJson.line(line);
      edit(
          collection,
          "what is never played",
          g -> g.with(allow ? g.never().minus(one) : g.never().plus(one)));
    }
  }
}
