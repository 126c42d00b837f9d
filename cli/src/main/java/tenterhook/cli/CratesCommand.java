package tenterhook.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Limit;
import tenterhook.core.crate.PlacedShelf;
import tenterhook.core.crate.Rule;
import tenterhook.core.find.FindText;
import tenterhook.core.find.Subject;
import tenterhook.core.gig.Gigs;
import tenterhook.core.track.TrackOrder;

/** Lists crates. */
@Command(
    name = "crates",
    description = "Lists shelves and crates with their counts.",
    subcommands = {
      CratesCommand.AddCrate.class,
      CratesCommand.RemoveCrate.class,
      CratesCommand.AsText.class,
      ShelfCommands.Move.class,
      ShelfCommands.Rename.class,
      ShelfCommands.Never.class,
      BuildCommands.Build.class,
      BuildCommands.Table.class
    })
final class CratesCommand extends CollectionCommand {
  @Override
  void run(MusicCollection collection) {
    CrateContents contents = collection.contents();
    for (PlacedShelf placed : collection.state().crates().placed()) {
      String shelf = placed.path().toString();
      if (placed.shelf().all().isEmpty()) {
        say(object().put("shelf", shelf), String.format("%-20s no crate", shelf));
      }
      for (Crate crate : placed.shelf().crates()) {
        String kind = crate instanceof Crate.RuleCrate ? "rule" : "hand";
        int count = contents.count(crate);
        say(
            object()
                .put("shelf", shelf)
                .put("crate", crate.name())
                .put("kind", kind)
                .put("tracks", count),
            String.format("%-20s %-24s %5d  %s", shelf, crate.name(), count, kind));
      }
    }
  }

  static Change set(MusicCollection collection, String title, Crates after) {
    return new Change(title, true, List.of(new Edit.SetCrates(collection.state().crates(), after)));
  }

  @Command(
      name = "add",
      description = "Adds a rule crate (all lines), a hand crate (--hand), or a shelf alone.")
  static final class AddCrate extends CollectionCommand {
    @Parameters(
        index = "0",
        paramLabel = "SHELF",
        description = "Rink or Rink/Friday; made if new.")
    String shelf;

    @Parameters(index = "1", arity = "0..1", paramLabel = "NAME", description = "Of the crate.")
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
      Crates now = collection.state().crates();
      if (name == null) {
        apply(collection, set(collection, "adds shelf " + shelf, now.plusShelf(shelf)));
        return;
      }
      Crate crate;
      if (hand != null) {
        List<Integer> ids = new ArrayList<>();
        find(collection, hand).forEach((int id) -> ids.add(id));
        crate = new Crate.HandCrate(name, ids);
      } else {
        crate = ruled(collection);
      }
      apply(collection, set(collection, "adds crate " + name, now.plus(shelf, crate)));
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

  @Command(name = "remove", description = "Removes a crate or a shelf; the tracks stay.")
  static final class RemoveCrate extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "NAME", description = "Of the crate, or of the shelf.")
    String name;

    @Option(names = "--shelf", description = "It is a shelf; all that stands on it goes as well.")
    boolean shelf;

    @Override
    void run(MusicCollection collection) {
      Crates now = collection.state().crates();
      Crates after =
          shelf
              ? now.minusShelf(ShelfCommands.shelf(collection, name).path().whole())
              : now.minus(CrateCommand.crate(collection, name).name());
      List<String> gone =
          now.all().stream().map(Crate::name).filter(n -> after.crate(n).isEmpty()).toList();
      List<String> users =
          gone.stream()
              .flatMap(n -> now.usersOf(n).stream())
              .filter(n -> !gone.contains(n))
              .distinct()
              .toList();
      if (!users.isEmpty()) {
        main.err.println(
            "these crates are built on it and will find nothing there: "
                + String.join(", ", users));
      }
      Gigs gigs = collection.state().gigs();
      List<String> nights =
          Stream.concat(
                  gone.stream().flatMap(n -> gigs.askingFor(Subject.Own.CRATE, n).stream()),
                  gigs.askingFor(Subject.Own.SHELF, name).stream())
              .distinct()
              .toList();
      if (!nights.isEmpty()) {
        main.err.println("these gigs are filled by it: " + String.join(", ", nights));
      }
      apply(collection, set(collection, "removes " + name, after));
    }
  }
}
