package tenterhook.core.repair.own;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.recipe.KeptRecipes;
import tenterhook.core.recipe.Recipe;
import tenterhook.core.recipe.RecipeRun;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;

/**
 * Proposes what recipes of the DJ's own would change, one decision a recipe. A track on which a
 * recipe would change something again after it was done is left alone: such a repair has no end.
 */
public final class OwnRecipes implements Inspector.TrackInspector {
  private static final int CERTAINTY = 95;

  private volatile Known known = new Known(KeptRecipes.NONE, Map.of());

  /**
   * Recipes as they were read from their texts; those that cannot be read any more are left out.
   */
  private record Known(KeptRecipes texts, Map<String, Recipe> recipes) {
    static Known of(KeptRecipes texts) {
      Map<String, Recipe> recipes = new LinkedHashMap<>();
      texts.texts().keySet().forEach(n -> texts.recipe(n).ifPresent(r -> recipes.put(n, r)));
      return new Known(texts, recipes);
    }
  }

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    recipes(context.rules().own())
        .forEach(
            (name, recipe) -> {
              List<SetField> edits =
                  RecipeRun.settling(recipe, context.snapshot(), context.codebook(), id);
              if (!edits.isEmpty()) {
                out.accept(
                    new Proposal(
                        RepairKind.OWN, name, id, edits, CERTAINTY, "your own kind: " + name));
              }
            });
  }

  private Map<String, Recipe> recipes(KeptRecipes texts) {
    Known now = known;
    if (!now.texts().equals(texts)) {
      now = Known.of(texts);
      known = now;
    }
    return now.recipes();
  }
}
