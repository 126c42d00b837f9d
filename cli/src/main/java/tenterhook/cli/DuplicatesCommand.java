package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tenterhook.backstage.collection.MusicCollection;
import tenterhook.core.duplicate.Duplicates;

/** Lists groups of copies. */
@Command(
    name = "duplicates",
    description = "Lists groups of files that are the same byte for byte.",
    subcommands = DuplicatesCommand.Resolve.class)
final class DuplicatesCommand extends Work {
  @Option(names = "--evidence", paramLabel = "KIND", description = "bytes (the only one so far).")
  String evidence = "bytes";

  @Override
  void run(MusicCollection collection) {
    if (!evidence.equals("bytes")) {
      throw new IllegalArgumentException("--evidence takes bytes, not " + evidence);
    }
    for (Duplicates.Group group : groups(this, collection)) {
      print(this, collection, group);
    }
  }

  private static List<Duplicates.Group> groups(Work work, MusicCollection collection) {
    collection
        .compareCopies(work.progress())
        .forEach(
            t -> {
              work.partly();
              work.main.err.println(t.path() + ": " + t.reason());
            });
    return Duplicates.sameBytes(tracks(collection));
  }

  private static void print(Work work, MusicCollection collection, Duplicates.Group group) {
    ObjectNode node = object().put("evidence", "same bytes");
    node.put("survivor", path(collection, group.survivor()));
    ArrayNode spares = node.putArray("spares");
    group.spares().forEach(s -> spares.add(path(collection, s)));
    node.put("reason", group.reason());
    work.say(
        node,
        path(collection, group.survivor())
            + "  + "
            + group.spares().size()
            + " same bytes; "
            + group.reason());
  }

  @Command(name = "resolve", description = "Moves spares to the holding bay; undoable.")
  static final class Resolve extends Work {
    @Option(names = "--apply", description = "Really does it.")
    boolean apply;

    @Override
    void run(MusicCollection collection) {
      for (Duplicates.Group group : groups(this, collection)) {
        print(this, collection, group);
        if (apply) {
          apply(
              collection,
              Duplicates.resolve(
                  tracks(collection),
                  collection.state().crates(),
                  group.survivor(),
                  group.spares()));
        }
      }
    }
  }
}
