package tenterhook.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.repair.RepairService;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.RepairRules;

/** Lists and accepts proposed corrections. */
@Command(
    name = "repairs",
    description = "Lists proposed corrections; repairs apply accepts them.",
    subcommands = {RepairsCommand.Apply.class, RepairsCommand.OwnKinds.class})
final class RepairsCommand extends CollectionCommand {
  @Mixin QueryOption query = new QueryOption();

  @Option(names = "--kind", paramLabel = "K", description = "One kind, such as artist-in-title.")
  String kind = "";

  @Override
  void run(MusicCollection collection) {
    RepairService repairService = new RepairService(collection);
    repairService.look(progress());
    for (Proposal one : chosen(collection, repairService, query.text(), kind)) {
      one.edits().forEach(edit -> print(collection, one, edit));
    }
  }

  private void print(MusicCollection collection, Proposal one, SetField edit) {
    String before = edit.field().type().show(edit.before());
    String after = edit.field().type().show(edit.after());
    String path = path(collection, one.id());
    say(
        object()
            .put("kind", one.kind().key())
            .put("path", path)
            .put("field", edit.field().key())
            .put("before", before)
            .put("after", after)
            .put("certainty", one.certainty())
            .put("reason", one.reason()),
        one.certainty()
            + "  "
            + path
            + "  "
            + edit.field().label()
            + ": "
            + before
            + " → "
            + after
            + "  ("
            + one.reason()
            + ")");
  }

  static List<Proposal> chosen(
      MusicCollection collection, RepairService repairService, String query, String kind) {
    Optional<RepairKind> wanted = RepairKind.named(kind);
    if (!kind.isEmpty() && wanted.isEmpty()) {
      throw new IllegalArgumentException(
          "no kind of repair is called '"
              + kind
              + "'; there are "
              + String.join(
                  ", ",
                  java.util.Arrays.stream(RepairKind.values()).map(RepairKind::key).toList()));
    }
    RoaringBitmap ids = find(collection, query);
    return repairService.proposals().stream()
        .filter(p -> ids.contains(p.id()) && wanted.map(k -> k == p.kind()).orElse(true))
        .toList();
  }

  @Command(
      name = "kinds",
      description =
          "Your own kinds of repairs: lists them; with a name and steps as of change: makes one.")
  static final class OwnKinds extends CollectionCommand {
    @Parameters(index = "0", arity = "0..1", paramLabel = "NAME", description = "Its name.")
    @Nullable String name;

    @Parameters(index = "1..*", arity = "0..*", paramLabel = "STEP", description = "The steps.")
    List<String> steps = new ArrayList<>();

    @Option(names = "--remove", description = "Gives the kind up; what it mended stays.")
    boolean remove;

    @Override
    void run(MusicCollection collection) {
      RepairService repairService = new RepairService(collection);
      RepairRules rules = repairService.rules();
      if (name != null && remove) {
        repairService.settle(rules.withOwn(rules.own().minus(name)));
      } else if (name != null) {
        repairService.settle(rules.withOwn(name, ChangeCommand.read(steps)));
      }
      repairService
          .rules()
          .own()
          .texts()
          .forEach(
              (kept, text) ->
                  say(object().put("name", kept).put("steps", text), kept + "\n  " + text));
    }
  }

  @Command(name = "apply", description = "Accepts proposals, kind by kind.")
  static final class Apply extends CollectionCommand {
    @Mixin QueryOption query = new QueryOption();

    @Option(names = "--kind", paramLabel = "K", description = "One kind, such as junk.")
    String kind = "";

    @Option(
        names = "--certainty",
        paramLabel = "N",
        description = "From this certainty on (default: what is settled, 90 at first).")
    int certainty = -1;

    @Override
    void run(MusicCollection collection) {
      RepairService repairService = new RepairService(collection);
      repairService.look(progress());
      chosen(
          collection,
          repairService,
          query.text(),
          kind); // refuses a wrong query or kind before all else
      int limit = certainty < 0 ? repairService.rules().certainFrom() : certainty;
      boolean any = false;
      for (RepairKind one : RepairKind.values()) {
        if (kind.isEmpty() || one.key().equalsIgnoreCase(kind)) {
          List<Proposal> accepted =
              chosen(collection, repairService, query.text(), one.key()).stream()
                  .filter(p -> p.certainty() >= limit)
                  .toList();
          any |= !accepted.isEmpty();
          accept(collection, repairService, one, accepted);
        }
      }
      if (!any) {
        say(object().put("change", 0).put("tracks", 0).put("written", 0), "nothing to mend");
      }
    }

    private void accept(
        MusicCollection collection,
        RepairService repairService,
        RepairKind one,
        List<Proposal> accepted) {
      if (accepted.isEmpty()) {
        return;
      }
      var change = repairService.change(accepted, one.key().replace('-', ' '));
      if (main.dryRun) {
        apply(collection, change);
      } else {
        report(collection, repairService.apply(change, progress()));
      }
    }
  }
}
