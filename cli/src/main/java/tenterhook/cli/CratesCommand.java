package tenterhook.cli;

import java.util.ArrayList;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.store.CrateJson;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Limit;
import tenterhook.core.crate.Rule;
import tenterhook.core.crate.Shelf;
import tenterhook.core.find.FindText;
import tenterhook.core.track.TrackOrder;

/** Lists crates. */
@Command(
    name = "crates",
    description = "Lists shelves and crates with their counts.",
    subcommands = {
      CratesCommand.AddCrate.class,
      CratesCommand.RemoveCrate.class,
      CratesCommand.AsText.class,
      CratesCommand.Never.class,
      BuildCommands.Build.class,
      BuildCommands.Table.class
    })
final class CratesCommand extends CollectionCommand {
  @Override
  void run(MusicCollection collection) {
    CrateContents contents = collection.contents();
    for (Shelf shelf : collection.state().crates().shelves()) {
      for (Crate crate : shelf.crates()) {
        String kind = crate instanceof Crate.RuleCrate ? "rule" : "hand";
        int count = contents.count(crate);
        say(
            object()
                .put("shelf", shelf.name())
                .put("crate", crate.name())
                .put("kind", kind)
                .put("tracks", count),
            String.format("%-20s %-24s %5d  %s", shelf.name(), crate.name(), count, kind));
      }
    }
  }

  static Change set(MusicCollection collection, String title, Crates after) {
    return new Change(title, true, List.of(new Edit.SetCrates(collection.state().crates(), after)));
  }

  @Command(name = "add", description = "Adds a rule crate (all lines), or a hand crate (--hand).")
  static final class AddCrate extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "SHELF", description = "Made if new.")
    String shelf;

    @Parameters(index = "1", paramLabel = "NAME", description = "Of the crate.")
    String name;

    @Parameters(
        index = "2..*",
        arity = "0..*",
        paramLabel = "LINE",
        description = "year:1990..1999")
    List<String> lines = List.of();

    @Option(names = "--hand", paramLabel = "QUERY", description = "Fills it with these tracks.")
    String hand;

    @Option(
        names = "--order",
        split = ",",
        paramLabel = "FIELD",
        description = "What it is sorted by, such as -year,artist; artist when nothing is said.")
    List<String> order = List.of("artist");

    @Option(
        names = "--per-artist",
        paramLabel = "N",
        description = "At most so many tracks of each artist.")
    int perArtist;

    @Option(names = "--apart", description = "No artist twice in a row.")
    boolean apart;

    @Option(names = "--limit", paramLabel = "N", description = "At most so many tracks.")
    int limit;

    @Option(names = "--minutes", paramLabel = "N", description = "At most so many minutes.")
    int minutes;

    @Option(names = "--megabytes", paramLabel = "N", description = "At most so many megabytes.")
    int megabytes;

    @Option(
        names = "--draw",
        paramLabel = "NUMBER",
        description = "Picks by chance, always the same for the same number.")
    long draw;

    @Option(names = "--resting", description = "Takes tracks that rest as well.")
    boolean resting;

    @Override
    void run(MusicCollection collection) {
      Crate crate;
      if (hand != null) {
        List<Integer> ids = new ArrayList<>();
        find(collection, hand).forEach((int id) -> ids.add(id));
        crate = new Crate.HandCrate(name, ids);
      } else {
        crate = ruled(collection);
      }
      Crates after = collection.state().crates().plus(shelf, crate);
      apply(collection, set(collection, "adds crate " + name, after));
    }

    private Crate ruled(MusicCollection collection) {
      List<Rule> rules = new ArrayList<>();
      for (String line : lines) {
        rules.addAll(parts(Rule.of(parse(collection, line))));
      }
      return new Crate.RuleCrate(
          name, new Rule.RuleGroup(Rule.Kind.ALL, rules), keys(), limit(), resting);
    }

    private List<TrackOrder.Key> keys() {
      return order.stream()
          .map(String::strip)
          .map(k -> new TrackOrder.Key(k.replaceFirst("^-", ""), k.startsWith("-")))
          .toList();
    }

    private Limit limit() {
      Limit artists = Limit.NONE.drawn(draw).perArtist(perArtist).apart(apart);
      if (minutes > 0) {
        return artists.of(Limit.Unit.MINUTES, minutes);
      }
      return megabytes > 0
          ? artists.of(Limit.Unit.MEGABYTES, megabytes)
          : artists.of(Limit.Unit.TRACKS, limit);
    }
  }

  /** A text's rule may be one part, or all of several. */
  private static List<Rule> parts(Rule.RuleGroup rule) {
    return rule.kind() == Rule.Kind.ALL ? rule.parts() : List.of(rule);
  }

  /** The way a rule is written and read as one text. */
  @Command(name = "rule", description = "Prints a crate's rule as text, or takes another.")
  static final class AsText extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "NAME", description = "Of the crate.")
    String name;

    @Parameters(index = "1", arity = "0..1", paramLabel = "QUERY", description = "The new rule.")
    String text;

    @Override
    void run(MusicCollection collection) {
      if (!(CrateCommand.crate(collection, name) instanceof Crate.RuleCrate rule)) {
        throw new IllegalArgumentException(name + " is filled by hand and has no rule");
      }
      if (text == null) {
        String now = FindText.write(rule.rule().query());
        say(object().put("crate", rule.name()).put("rule", now), now);
        return;
      }
      Rule.RuleGroup other = Rule.of(parse(collection, text));
      Crates after = collection.state().crates().with(name, c -> rule.with(other));
      apply(collection, set(collection, "edits the rule of " + rule.name(), after));
    }
  }

  /** What is never played from a shelf. */
  @Command(name = "never", description = "Lists what is never played from a shelf, or changes it.")
  static final class Never extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "SHELF", description = "Its name.")
    String shelf;

    @Parameters(index = "1", arity = "0..1", paramLabel = "LINE", description = "artist:=\"A B\"")
    String line;

    @Option(names = "--allow", description = "Takes the line off the list.")
    boolean allow;

    @Override
    void run(MusicCollection collection) {
      Shelf now = shelf(collection);
      if (line == null) {
        print(collection, now);
        return;
      }
      Rule.Line one = CrateJson.line(line);
      parse(collection, line);
      Crates after =
          collection
              .state()
              .crates()
              .withShelf(shelf, s -> s.with(allow ? s.never().minus(one) : s.never().plus(one)));
      apply(collection, set(collection, "changes what is never played from " + now.name(), after));
    }

    private Shelf shelf(MusicCollection collection) {
      Shelf now =
          collection
              .state()
              .crates()
              .shelf(shelf)
              .orElseThrow(() -> new IllegalArgumentException("no shelf '" + shelf + "'"));
      return now;
    }

    private void print(MusicCollection collection, Shelf now) {
      now.never().lines().forEach(l -> say(object().put("line", l.text()), l.text()));
      now.never()
          .tracks()
          .forEach(id -> say(object().put("track", id), tracks(collection).name(id)));
    }
  }

  @Command(name = "remove", description = "Removes a crate; its tracks stay.")
  static final class RemoveCrate extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "NAME", description = "Of the crate.")
    String name;

    @Override
    void run(MusicCollection collection) {
      CrateCommand.crate(collection, name);
      Crates now = collection.state().crates();
      List<String> users = now.usersOf(name);
      if (!users.isEmpty()) {
        main.err.println(
            "these crates are built on it and will find nothing there: "
                + String.join(", ", users));
      }
      apply(collection, set(collection, "removes crate " + name, now.minus(name)));
    }
  }
}
