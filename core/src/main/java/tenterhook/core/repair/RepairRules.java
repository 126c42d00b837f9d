package tenterhook.core.repair;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.recipe.KeptRecipes;
import tenterhook.core.recipe.Recipe;
import tenterhook.core.recipe.RecipeStep;
import tenterhook.core.text.JunkText;

/**
 * What the DJ settled about repairs once and for all. Immutable.
 *
 * @param off kinds that are not looked for
 * @param dismissed tracks for which a kind was refused
 * @param junk phrases that say nothing about the music, such as {@code official video}
 * @param certainFrom the certainty from which on proposals may be taken in bulk, 50 to 100
 * @param own recipes that are kinds of repairs, under their names
 */
public record RepairRules(
    Set<RepairKind> off,
    Map<RepairKind, RoaringBitmap> dismissed,
    List<String> junk,
    int certainFrom,
    KeptRecipes own) {
  /** What a new collection starts with. */
  public static final RepairRules DEFAULT =
      new RepairRules(Set.of(), Map.of(), JunkText.USUAL, Proposal.CERTAIN, KeptRecipes.NONE);

  /** Checks and copies. */
  public RepairRules {
    if (certainFrom < 50 || certainFrom > 100) {
      throw new IllegalArgumentException(
          "the limit of certainty is from 50 to 100, was " + certainFrom);
    }
    off = Set.copyOf(off);
    EnumMap<RepairKind, RoaringBitmap> copy = new EnumMap<>(RepairKind.class);
    dismissed.forEach((kind, ids) -> copy.put(kind, ids.clone()));
    dismissed = java.util.Collections.unmodifiableMap(copy);
    junk = List.copyOf(junk);
  }

  /** The same rules with a kind switched on or off. */
  public RepairRules switched(RepairKind kind, boolean on) {
    EnumSet<RepairKind> kinds = EnumSet.noneOf(RepairKind.class);
    kinds.addAll(off);
    if (on) {
      kinds.remove(kind);
    } else {
      kinds.add(kind);
    }
    return new RepairRules(kinds, dismissed, junk, certainFrom, own);
  }

  /** The same rules with a kind refused, or no longer refused, for some tracks. */
  public RepairRules dismissing(RepairKind kind, RoaringBitmap ids, boolean refused) {
    EnumMap<RepairKind, RoaringBitmap> more = new EnumMap<>(RepairKind.class);
    more.putAll(dismissed);
    RoaringBitmap known = more.getOrDefault(kind, new RoaringBitmap());
    more.put(kind, refused ? RoaringBitmap.or(known, ids) : RoaringBitmap.andNot(known, ids));
    more.values().removeIf(RoaringBitmap::isEmpty);
    return new RepairRules(off, more, junk, certainFrom, own);
  }

  /** The same rules with another list of junk. */
  public RepairRules withJunk(List<String> phrases) {
    return new RepairRules(off, dismissed, phrases, certainFrom, own);
  }

  /** The same rules with another limit of what is certain. */
  public RepairRules withCertainFrom(int limit) {
    return new RepairRules(off, dismissed, junk, limit, own);
  }

  /** The same rules with nothing refused, neither kinds nor tracks. */
  public RepairRules refusingNothing() {
    return new RepairRules(Set.of(), Map.of(), junk, certainFrom, own);
  }

  /**
   * The same rules with a recipe as a kind of repairs, in place of one of its name.
   *
   * @throws IllegalArgumentException when the recipe numbers tracks, which a repair of single
   *     tracks cannot, or has no step, or the name is none
   */
  public RepairRules withOwn(String name, Recipe recipe) {
    if (recipe.steps().isEmpty()) {
      throw new IllegalArgumentException("a kind of repair needs a step at least");
    }
    if (recipe.steps().stream().anyMatch(RecipeStep.Number.class::isInstance)) {
      throw new IllegalArgumentException(
          "numbers depend on the order of tracks, and a repair looks at each track by itself");
    }
    return withOwn(own.plus(name, recipe));
  }

  /** The same rules with other recipes as kinds of repairs. */
  public RepairRules withOwn(KeptRecipes recipes) {
    return new RepairRules(off, dismissed, junk, certainFrom, recipes);
  }

  /** Whether a proposal of this kind for this track may be shown. */
  public boolean wanted(RepairKind kind, int id) {
    RoaringBitmap refused = dismissed.get(kind);
    return !off.contains(kind) && (refused == null || !refused.contains(id));
  }
}
