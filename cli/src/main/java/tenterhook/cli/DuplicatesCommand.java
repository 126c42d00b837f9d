package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.duplicate.CopySearch;
import tenterhook.adapters.duplicate.Resolving;
import tenterhook.core.duplicate.Criteria;
import tenterhook.core.duplicate.Evidence;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.Preferences;
import tenterhook.core.duplicate.SpareFate;

/** Lists groups of copies. */
@Command(
    name = "duplicates",
    description = "Lists groups of copies with the evidence for them.",
    subcommands = {DuplicatesCommand.Resolve.class, DuplicatesCommand.Prefer.class})
final class DuplicatesCommand extends CollectionCommand {
  @Option(
      names = "--evidence",
      paramLabel = "KIND",
      description =
          "bytes, stream (bytes but the tags), sound or tags, each with those before it; bytes when"
              + " nothing is said.")
  String evidence = "bytes";

  @Option(names = "--criteria", paramLabel = "TEXT", description = "What tags must agree in.")
  String criteria = Criteria.USUAL.toString();

  @Override
  void run(MusicCollection collection) {
    groups(this, collection, evidence, criteria).forEach(g -> print(this, collection, g));
  }

  private static List<Group> groups(
      CollectionCommand work, MusicCollection collection, String evidence, String criteria) {
    Evidence weakest = weakest(evidence);
    CopySearch search = CopySearch.run(collection, work.progress());
    search
        .troubles()
        .forEach(
            t -> {
              work.partly();
              work.main.err.println(t.path() + ": " + t.reason());
            });
    Optional<Criteria> tags =
        weakest == Evidence.SAME_TAGS ? Optional.of(Criteria.parse(criteria)) : Optional.empty();
    return search.groups(collection, tags, weakest);
  }

  private static Evidence weakest(String evidence) {
    return switch (evidence) {
      case "bytes" -> Evidence.SAME_BYTES;
      case "stream" -> Evidence.SAME_STREAM;
      case "sound" -> Evidence.SAME_SOUND;
      case "tags" -> Evidence.SAME_TAGS;
      default ->
          throw new IllegalArgumentException(
              "--evidence takes bytes, stream, sound or tags, not " + evidence);
    };
  }

  private static void print(CollectionCommand work, MusicCollection collection, Group group) {
    String doubt = group.doubt().name().toLowerCase(Locale.ROOT).replace('_', ' ');
    String reason = group.decidedBy().map(p -> p.words()).orElse("nothing tells them apart");
    ObjectNode node = node(collection, group);
    node.put("reason", reason).put("doubt", doubt).put("offered", group.offered());
    work.say(
        node,
        path(collection, group.survivor())
            + "  + "
            + group.spares().size()
            + " "
            + group.evidence().words()
            + "; "
            + reason
            + (group.offered() ? "" : "; left to you: " + doubt));
  }

  private static ObjectNode node(MusicCollection collection, Group group) {
    ObjectNode node = object().put("evidence", group.evidence().words());
    node.put("survivor", path(collection, group.survivor()));
    ArrayNode spares = node.putArray("spares");
    ObjectNode bySpare = node.putObject("evidenceBySpare");
    group
        .spares()
        .forEach(
            s -> {
              spares.add(path(collection, s));
              bySpare.put(path(collection, s), group.bySpare().get(s).words());
            });
    return node;
  }

  @Command(
      name = "resolve",
      description = "Keeps one of each group that is beyond doubt; undoable.")
  static final class Resolve extends CollectionCommand {
    @Option(names = "--evidence", paramLabel = "KIND", description = "bytes, stream or sound.")
    String evidence = "bytes";

    @Option(names = "--apply", description = "Really does it.")
    boolean apply;

    @Override
    void run(MusicCollection collection) {
      for (Group group : groups(this, collection, evidence, Criteria.USUAL.toString())) {
        print(this, collection, group);
        if (apply && !main.dryRun && group.offered()) {
          report(
              collection,
              Resolving.one(
                  collection, Resolving.Wanted.of(group), Set.of(), new SpareFate.Hold(), false));
        }
      }
    }
  }

  /** Shows or sets the order of preferences. */
  @Command(name = "preferences", description = "Shows or sets what makes one copy better.")
  static final class Prefer extends CollectionCommand {
    @Parameters(
        paramLabel = "ORDER",
        arity = "0..1",
        description = "Such as \"lossless, quality, root:Rink\".")
    String order = "";

    @Override
    void run(MusicCollection collection) {
      if (!order.isEmpty()) {
        CopySearch.keep(collection, Preferences.parse(order));
      }
      CopySearch.preferences(collection)
          .lines()
          .forEach(p -> say(object().put("preference", p.toString()), p.words()));
    }
  }
}
