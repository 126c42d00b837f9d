package tenterhook.cli;

import java.util.List;
import java.util.function.UnaryOperator;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.store.CrateJson;
import tenterhook.core.change.Change;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.LineEdits;
import tenterhook.core.crate.PlacedShelf;
import tenterhook.core.crate.Rule;
import tenterhook.core.crate.ShelfPath;

/** Where crates and shelves stand, how they are called, and what is never played from them. */
final class ShelfCommands {
  private static final String TOP = "/";

  private ShelfCommands() {}

  /** The shelf that a reference means; refuses when there is none, or several. */
  static PlacedShelf shelf(MusicCollection collection, String reference) {
    return collection
        .state()
        .crates()
        .shelf(reference)
        .orElseThrow(() -> new IllegalArgumentException("no shelf '" + reference + "'"));
  }

  /** Makes the crates others; what else asks for what is called otherwise by then follows. */
  private static void follow(
      CollectionCommand by,
      MusicCollection collection,
      String what,
      Crates after,
      UnaryOperator<Rule.Line> edit) {
    by.apply(
        collection, new Change(what, true, collection.state().holders().following(after, edit)));
  }

  /** Puts a crate or a shelf elsewhere. */
  @Command(
      name = "move",
      description = "Moves a crate to a shelf, or a shelf (--shelf) into another or to the top.")
  static final class Move extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "NAME", description = "Of the crate, or of the shelf.")
    String name;

    @Parameters(
        index = "1",
        arity = "0..1",
        paramLabel = "SHELF",
        description = "Where it goes, at the end; / for the top.")
    String to = TOP;

    @Option(names = "--shelf", description = "It is a shelf, and all that stands on it goes along.")
    boolean shelf;

    @Override
    void run(MusicCollection collection) {
      Crates now = collection.state().crates();
      boolean top = to.equals(TOP);
      if (!shelf && top) {
        throw new IllegalArgumentException("a crate stands on a shelf; say which");
      }
      if (!shelf) {
        Crates after = now.moved(name, to, Integer.MAX_VALUE);
        apply(collection, CratesCommand.set(collection, "moves " + name, after));
        return;
      }
      ShelfPath from = shelf(collection, name).path();
      List<String> above = top ? List.of() : shelf(collection, to).path().names();
      Crates after = now.movedShelf(name, top ? "" : to, Integer.MAX_VALUE);
      follow(
          this,
          collection,
          "moves " + name,
          after,
          LineEdits.shelf(now, after, from, ShelfPath.in(above, from.name())));
    }
  }

  /** Calls a crate or a shelf otherwise. */
  @Command(
      name = "rename",
      description = "Renames a crate or a shelf (--shelf); rules that ask for it follow.")
  static final class Rename extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "NAME", description = "As it is called.")
    String name;

    @Parameters(index = "1", paramLabel = "OTHER", description = "As it is to be called.")
    String other;

    @Option(names = "--shelf", description = "It is a shelf.")
    boolean shelf;

    @Override
    void run(MusicCollection collection) {
      Crates now = collection.state().crates();
      String what = "renames " + name + " to " + other;
      if (!shelf) {
        String known = CrateCommand.crate(collection, name).name();
        Crates after = now.renamed(known, other);
        follow(this, collection, what, after, LineEdits.crate(known, other));
        return;
      }
      ShelfPath from = shelf(collection, name).path();
      Crates after = now.renamedShelf(name, other);
      follow(this, collection, what, after, LineEdits.shelf(now, after, from, from.renamed(other)));
    }
  }

  /** What is never played from a shelf. */
  @Command(
      name = "never",
      description = "Lists what is never played from a shelf and those in it, or changes it.")
  static final class Never extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "SHELF", description = "Its name or path.")
    String shelf;

    @Parameters(index = "1", arity = "0..1", paramLabel = "LINE", description = "artist:=\"A B\"")
    String line;

    @Option(names = "--allow", description = "Takes the line off the list.")
    boolean allow;

    @Override
    void run(MusicCollection collection) {
      PlacedShelf now = shelf(collection, shelf);
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
      apply(
          collection,
          CratesCommand.set(collection, "changes what is never played from " + now.path(), after));
    }

    /** What shelves above ban is listed as well. */
    private void print(MusicCollection collection, PlacedShelf now) {
      now.never().lines().forEach(l -> say(object().put("line", l.text()), l.text()));
      now.never()
          .tracks()
          .forEach(id -> say(object().put("track", id), tracks(collection).name(id)));
    }
  }
}
