package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Finder;
import tenterhook.core.track.ItemKind;
import tenterhook.core.track.Snapshot;

/**
 * What each line of a rule crate does, kept or being edited, and why a track is in it or not. Made
 * for one look at one moment.
 */
public final class RuleExplanation {
  private final CrateContents contents;
  private final Finder finder;
  private final Snapshot snapshot;
  private final Codebook codebook;
  private final Crate.RuleCrate crate;
  private final RoaringBitmap choosable;

  RuleExplanation(
      CrateContents contents, Snapshot snapshot, Codebook codebook, Crate.RuleCrate crate) {
    this.contents = contents;
    this.finder = contents.finder();
    this.snapshot = snapshot;
    this.codebook = codebook;
    this.crate = crate;
    this.choosable = contents.choosable(crate);
  }

  /**
   * What one line of a rule does.
   *
   * @param line the line
   * @param holdsFor tracks that may be chosen for which it holds
   * @param leftAfter tracks that the rule keeps when read down to this line
   * @param shutOut tracks that would be in but for this line alone
   * @param cleaned how many more it would hold for if texts were compared cleaned, so that {@code
   *     hip-hop} is {@code Hip Hop}
   */
  public record LineEffect(Rule.Line line, int holdsFor, int leftAfter, int shutOut, int cleaned) {}

  /** How many tracks there are to choose from: awake, and not on the never-play list. */
  public int choosable() {
    return choosable.getCardinality();
  }

  /** The lines top to bottom with what they do. */
  public List<LineEffect> lines() {
    int kept = finder.find(crate.rule().query(), choosable).getCardinality();
    List<Rule.Line> lines = Rule.lines(crate.rule());
    List<LineEffect> effects = new ArrayList<>();
    for (int i = 0; i < lines.size(); i++) {
      Rule.Line line = lines.get(i);
      RoaringBitmap holds = finder.find(line.query(), choosable);
      effects.add(
          new LineEffect(
              line,
              holds.getCardinality(),
              finder.find(firstLines(i + 1).query(), choosable).getCardinality(),
              Math.max(0, finder.find(withoutLine(i).query(), choosable).getCardinality() - kept),
              moreCleaned(line)));
    }
    return effects;
  }

  /**
   * The tracks that one line alone keeps out.
   *
   * @param line counted from 0, top to bottom
   */
  public RoaringBitmap nearlyIn(int line) {
    RoaringBitmap without = finder.find(withoutLine(line).query(), choosable);
    return RoaringBitmap.andNot(without, finder.find(crate.rule().query(), choosable));
  }

  private int moreCleaned(Rule.Line line) {
    return cleaned(line)
        .map(
            c ->
                RoaringBitmap.andNotCardinality(
                    finder.find(c.condition(), choosable),
                    finder.find(line.condition(), choosable)))
        .orElse(0);
  }

  /** The line with its texts compared cleaned; empty when it asks for no text, or does so. */
  public static Optional<Rule.Line> cleaned(Rule.Line line) {
    Condition asked = line.condition();
    boolean text =
        asked.subject().field(Codebook.EMPTY).filter(f -> !f.type().numeric()).isPresent()
            && asked.values().stream()
                .anyMatch(v -> v instanceof Condition.Part || v instanceof Condition.Whole);
    return text
        ? Optional.of(
            new Rule.Line(
                asked.with(
                    asked.values().stream()
                        .map(v -> (Condition.Value) new Condition.Like(v.text()))
                        .toList()),
                line.turned()))
        : Optional.empty();
  }

  private Rule firstLines(int count) {
    int[] seen = {0};
    return Rule.mapped(crate.rule(), l -> seen[0]++ < count ? l : null);
  }

  private Rule withoutLine(int which) {
    int[] seen = {0};
    return Rule.mapped(crate.rule(), l -> seen[0]++ == which ? null : l);
  }

  /** What keeps a track in or out. */
  public enum Matter {
    /** A line of the rule. */
    LINE,
    /** All lines of a group must hold. */
    ALL,
    /** One line of a group must hold. */
    ANY,
    /** The track rests, and the crate takes none that do. */
    RESTS,
    /** It is no track but a mix, loop or tool, and the rule asks for none. */
    KIND,
    /** It is on the shelf's never-play list. */
    NEVER,
    /** The rule keeps it, and the limit picks others. */
    LIMIT
  }

  /**
   * One reason.
   *
   * @param matter what it is about
   * @param depth how deep in groups it stands, 0 for the outermost
   * @param text the line in the find language, else empty
   * @param has what the track has where the line looks, of codes those of the facet that is asked
   *     for; else empty
   * @param holds whether it speaks for the track
   */
  public record ExplainedLine(Matter matter, int depth, String text, String has, boolean holds) {}

  /**
   * Why a track is in the crate or not: what keeps it out whatever the rule says, then every group
   * and line, in their order.
   *
   * @param id the track
   */
  public List<ExplainedLine> why(int id) {
    List<ExplainedLine> reasons = new ArrayList<>();
    if (!crate.resting() && !snapshot.raw(id, Fields.RESTING).isEmpty()) {
      reasons.add(new ExplainedLine(Matter.RESTS, 0, "", "", false));
    }
    if (!crate.asksForKind(codebook) && ItemKind.isOther(snapshot, id)) {
      String kind = snapshot.raw(id, Fields.KIND);
      reasons.add(new ExplainedLine(Matter.KIND, 0, "kind:" + ItemKind.TRACK.key(), kind, false));
    }
    NeverPlay never = contents.never(crate);
    if (never.tracks().contains(id)) {
      reasons.add(new ExplainedLine(Matter.NEVER, 0, snapshot.name(id), "", false));
    }
    never.lines().stream()
        .filter(l -> finder.holds(l.query(), id))
        .forEach(l -> reasons.add(new ExplainedLine(Matter.NEVER, 0, l.text(), "", false)));
    why(crate.rule(), id, 0, false, reasons);
    boolean kept = reasons.stream().filter(r -> r.depth() == 0).allMatch(ExplainedLine::holds);
    if (kept && crate.limit().cuts() && !contents.list(crate).contains(id)) {
      reasons.add(new ExplainedLine(Matter.LIMIT, 0, "", "", false));
    }
    return reasons;
  }

  /** Whether a track is in the crate, its limit counted. */
  public boolean in(int id) {
    return choosable.contains(id)
        && why(id).stream().filter(r -> r.depth() == 0).allMatch(ExplainedLine::holds);
  }

  /** Lines under a group that nothing of may hold are turned round. */
  private void why(Rule rule, int id, int depth, boolean turned, List<ExplainedLine> reasons) {
    boolean speaksFor = finder.holds(rule.query(), id) != turned;
    switch (rule) {
      case Rule.Line line -> {
        String text = new Rule.Line(line.condition(), line.turned() != turned).text();
        reasons.add(
            new ExplainedLine(Matter.LINE, depth, text, has(line.condition(), id), speaksFor));
      }
      case Rule.RuleGroup group -> {
        // turned round, "any" asks that all do not hold, and "all" that one does not (De Morgan)
        boolean all = (group.kind() == Rule.Kind.ANY) == turned;
        boolean plain = depth == 0 && all;
        if (!plain) {
          reasons.add(new ExplainedLine(all ? Matter.ALL : Matter.ANY, depth, "", "", speaksFor));
        }
        boolean inner = turned != (group.kind() == Rule.Kind.NONE);
        group.parts().forEach(p -> why(p, id, plain ? 0 : depth + 1, inner, reasons));
      }
    }
  }

  private String has(Condition asked, int id) {
    if (asked.subject().ofCodes(codebook)) {
      List<String> codes = snapshot.value(id, Fields.CODES).orElse(List.of());
      Optional<Facet> facet = codebook.facet(asked.subject().key());
      return codes.stream()
          .filter(c -> facet.isEmpty() || facet.get().code(c).isPresent())
          .collect(Collectors.joining(" "));
    }
    Optional<Field<?>> field = asked.subject().field(codebook);
    return field.map(f -> f.type().show(snapshot.raw(id, f))).orElse("");
  }
}
