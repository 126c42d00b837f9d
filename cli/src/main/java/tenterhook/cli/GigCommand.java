package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.store.CrateJson;
import tenterhook.core.crate.Rule;
import tenterhook.core.find.FindText;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.Gigs;
import tenterhook.core.gig.Person;

/** Shows a gig, or changes something of it. */
@Command(
    name = "gig",
    description = "Shows a gig: its people, its parts and what is never played.",
    subcommands = {GigCommand.Part.class, GigCommand.Who.class, GigCommand.Never.class})
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
          person.name()
              + (person.said().isEmpty() ? "" : " (" + person.said() + ")")
              + (person.role().isEmpty() ? "" : ", " + person.role()));
    }
    gig.parts().forEach(p -> say(p, 0));
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
      Gig gig = GigsCommand.gig(collection, of.title);
      Gigs after = collection.state().gigs().with(gig.title(), edit);
      apply(collection, GigsCommand.set(collection, what + " of " + gig.title(), after));
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
