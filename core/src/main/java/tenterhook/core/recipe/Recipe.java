package tenterhook.core.recipe;

import java.util.ArrayList;
import java.util.List;

/**
 * Steps that change tracks, one after the other.
 *
 * @param steps each works on what the ones before left
 */
public record Recipe(List<RecipeStep> steps) {
  /** Without a step. */
  public static final Recipe EMPTY = new Recipe(List.of());

  /** Copies. */
  public Recipe {
    steps = List.copyOf(steps);
  }

  /** The same with one more step at the end. */
  public Recipe plus(RecipeStep step) {
    List<RecipeStep> more = new ArrayList<>(steps);
    more.add(step);
    return new Recipe(more);
  }
}
