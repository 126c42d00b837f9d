package tenterhook.cli;

import java.util.ArrayList;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.backstage.collection.MusicCollection;
import tenterhook.backstage.store.CrateJson;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.crate.Shelf;

/** Lists crates. */
@Command(
    name = "crates",
    description = "Lists shelves and crates with their counts.",
    subcommands = {CratesCommand.Add.class, CratesCommand.Remove.class})
final class CratesCommand extends Work {
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
  static final class Add extends Work {
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

    @Override
    void run(MusicCollection collection) {
      Crate crate;
      if (hand != null) {
        List<Integer> ids = new ArrayList<>();
        find(collection, hand).forEach((int id) -> ids.add(id));
        crate = new Crate.HandCrate(name, ids);
      } else {
        List<Rule> rules = new ArrayList<>();
        for (String line : lines) {
          parse(collection, line);
          rules.add(CrateJson.line(line));
        }
        crate = new Crate.RuleCrate(name, new Rule.Group(Rule.Kind.ALL, rules));
      }
      Crates after = collection.state().crates().plus(shelf, crate);
      apply(collection, set(collection, "adds crate " + name, after));
    }
  }

  @Command(name = "remove", description = "Removes a crate; its tracks stay.")
  static final class Remove extends Work {
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
