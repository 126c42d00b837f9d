package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.recipe.KeptRecipes;
import tenterhook.core.recipe.Recipe;
import tenterhook.core.recipe.RecipeRun;
import tenterhook.core.recipe.RecipeRun.TrackOutcome;
import tenterhook.core.recipe.RecipeText;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;
import tenterhook.core.track.TrackOrder;

/** Changes many tracks by steps. */
@Command(
    name = "change",
    description = "Changes the tracks found by steps that stand one after the other.",
    footer = {
      "",
      "Steps: replace FIELD WORDS OTHERS · pattern FIELD REGEX OTHERS · before FIELD TEXT ·",
      "behind FIELD TEXT · copy FIELD TO · swap FIELD OTHER · capitals FIELD",
      "rule|sentence|upper|lower · number FIELD [FIRST] · split FIELD AT · join FIELD WITH ·",
      "trim FIELD · clear FIELD · give FIELD VALUE · codes +CODE -CODE. Texts with blanks stand in",
      "quotation marks: change genre:ska 'replace title \" (Official Video)\" \"\"' 'trim title'"
    })
final class ChangeCommand extends CollectionCommand {
  @Mixin QueryOption.Needed query = new QueryOption.Needed();

  @Parameters(index = "1..*", arity = "0..*", paramLabel = "STEP", description = "The steps.")
  List<String> steps = new ArrayList<>();

  @Option(names = "--recipe", paramLabel = "NAME", description = "The steps that are kept so.")
  String recipe;

  @Option(names = "--keep", paramLabel = "NAME", description = "Keeps the steps under a name.")
  String keep;

  @Option(
      names = "--order",
      paramLabel = "FIELD",
      description = "Fields by which tracks are numbered, -FIELD the highest first; else by path.",
      split = ",")
  List<String> order = List.of("path");

  @Override
  void run(MusicCollection collection) {
    KeptRecipes kept = kept(collection);
    Recipe wanted = wanted(kept);
    if (keep != null) {
      collection.keepSetting(KeptRecipes.SETTING, kept.plus(keep, wanted).write());
    }
    List<TrackOrder.Key> keys = order.stream().map(ChangeCommand::key).toList();
    TrackIds found = TrackIds.of(query.in(collection)).sorted(tracks(collection), keys);
    if (main.dryRun) {
      show(collection.state(), outcome(wanted, collection.state(), found));
      return;
    }
    outcome(wanted, collection.state(), found)
        .tracks()
        .forEach(t -> t.refused().ifPresent(why -> refused(collection.state(), t.id(), why)));
    apply(collection, now -> outcome(wanted, now, found).change());
  }

  static KeptRecipes kept(MusicCollection collection) {
    return KeptRecipes.read(collection.setting(KeptRecipes.SETTING).orElse(""));
  }

  private static TrackOrder.Key key(String text) {
    boolean falling = text.startsWith("-");
    return new TrackOrder.Key(falling ? text.substring(1) : text, falling);
  }

  private Recipe wanted(KeptRecipes kept) {
    List<String> lines = new ArrayList<>();
    if (recipe != null) {
      lines.add(
          Optional.ofNullable(kept.texts().get(recipe))
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          "no recipe is kept as '" + recipe + "'; there are " + names(kept))));
    }
    lines.addAll(steps);
    return read(lines);
  }

  /** Reads steps; refuses wrong ones with their position. */
  static Recipe read(List<String> lines) {
    return switch (RecipeText.read(String.join("\n", lines))) {
      case RecipeText.Read.Good good when !good.recipe().steps().isEmpty() -> good.recipe();
      case RecipeText.Read.Good good ->
          throw new IllegalArgumentException("no step is given; see change --help");
      case RecipeText.Read.Bad bad -> {
        String line = String.join("\n", lines).lines().toList().get(bad.line());
        throw new IllegalArgumentException(
            line + "\n" + " ".repeat(bad.position()) + "^ " + bad.message());
      }
    };
  }

  private static String names(KeptRecipes kept) {
    return kept.texts().isEmpty() ? "none" : String.join(", ", kept.texts().keySet());
  }

  private static RecipeRun outcome(Recipe recipe, CollectionState now, TrackIds found) {
    return RecipeRun.of(recipe, now.snapshot(), now.codebook(), found);
  }

  private void refused(CollectionState state, int id, String why) {
    main.err.println("left as it was: " + state.path(id) + ": " + why);
    partly();
  }

  private void show(CollectionState state, RecipeRun run) {
    for (TrackOutcome track : run.tracks()) {
      track.refused().ifPresent(why -> refused(state, track.id(), why));
      track.edits().forEach(e -> show(state.snapshot(), e));
    }
    say(
        object()
            .put("dryRun", run.change().isEmpty() ? "nothing" : run.change().title())
            .put("tracks", run.changing())
            .put("refused", run.refusals()),
        run.change().isEmpty() ? "nothing to change" : "would do: " + run.change().title());
  }

  private void show(Snapshot snapshot, SetField edit) {
    String before = edit.field().type().show(edit.before());
    String after = edit.field().type().show(edit.after());
    ObjectNode node = object().put("id", edit.id()).put("field", edit.field().key());
    say(
        node.put("before", before).put("after", after),
        snapshot.name(edit.id())
            + ": "
            + edit.field().label()
            + " \""
            + before
            + "\" → \""
            + after
            + "\"");
  }

  /** Lists what is kept. */
  @Command(name = "recipes", description = "Lists the recipes that are kept under names.")
  static final class Recipes extends CollectionCommand {
    @Option(names = "--forget", paramLabel = "NAME", description = "Forgets one.")
    String forget;

    @Override
    void run(MusicCollection collection) {
      KeptRecipes kept = kept(collection);
      if (forget != null) {
        if (!kept.texts().containsKey(forget)) {
          throw new IllegalArgumentException(
              "no recipe is kept as '" + forget + "'; there are " + names(kept));
        }
        kept = kept.minus(forget);
        collection.keepSetting(KeptRecipes.SETTING, kept.write());
      }
      kept.texts()
          .forEach(
              (name, text) ->
                  say(
                      object().put("name", name).put("steps", text),
                      name + "\n  " + text.replace("\n", "\n  ")));
    }
  }
}
