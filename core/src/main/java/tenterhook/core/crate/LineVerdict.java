package tenterhook.core.crate;

import java.util.List;
import tenterhook.core.crate.RuleExplanation.LineEffect;

/** What is to be said of a line of a rule beyond its counts. */
public enum LineVerdict {
  /** It does its part. */
  WORKS,
  /** It holds for no track, so that nothing can be in where all must hold. */
  HOLDS_FOR_NONE,
  /** It holds for every track, so that it keeps none out. */
  HOLDS_FOR_ALL,
  /** It is left with nothing that the lines above it let in. */
  LEAVES_NOTHING,
  /** The rule keeps the same tracks without it. */
  DECIDES_NOTHING;

  /**
   * The verdicts on the lines of a rule.
   *
   * @param rule the rule
   * @param effects what its lines do, in order
   * @param choosable how many tracks there are to choose from
   */
  public static List<LineVerdict> of(Rule.RuleGroup rule, List<LineEffect> effects, int choosable) {
    boolean flat =
        rule.kind() == Rule.Kind.ALL && rule.parts().stream().allMatch(Rule.Line.class::isInstance);
    return java.util.stream.IntStream.range(0, effects.size())
        .mapToObj(i -> of(effects, i, choosable, flat))
        .toList();
  }

  private static LineVerdict of(List<LineEffect> effects, int at, int choosable, boolean flat) {
    LineEffect effect = effects.get(at);
    if (effect.holdsFor() == 0) {
      return HOLDS_FOR_NONE;
    }
    if (effect.holdsFor() == choosable) {
      return HOLDS_FOR_ALL;
    }
    boolean hadSome = at == 0 || effects.get(at - 1).leftAfter() > 0;
    if (flat && effect.leftAfter() == 0 && hadSome) {
      return LEAVES_NOTHING;
    }
    // where a rule keeps nothing, no single line decides
    boolean keepsSome = effects.getLast().leftAfter() > 0;
    return flat && effect.shutOut() == 0 && keepsSome ? DECIDES_NOTHING : WORKS;
  }
}
