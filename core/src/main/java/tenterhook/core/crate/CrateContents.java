package tenterhook.core.crate;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Finder;
import tenterhook.core.find.Query;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackOrder;

/**
 * What every crate holds at one moment. Rules are answered when first asked for; after a change
 * only the changed tracks are tested again. Not for several threads at once.
 */
public final class CrateContents {
  /** So few changed tracks are asked one by one. */
  private static final int FEW = 64;

  private final Snapshot snapshot;
  private final Codebook codebook;
  private final Crates crates;
  private final LocalDate today;
  private final Finder finder;
  private final Map<String, RoaringBitmap> answers = new HashMap<>();
  private final List<Prepared> prepared;

  /**
   * The contents for one moment.
   *
   * @param snapshot the collection
   * @param codebook the legend
   * @param crates the shelves
   * @param today the day that relative dates count from
   */
  public CrateContents(Snapshot snapshot, Codebook codebook, Crates crates, LocalDate today) {
    this.snapshot = snapshot;
    this.codebook = codebook;
    this.crates = crates;
    this.today = today;
    this.finder = new Finder(snapshot, codebook, this::shared, today);
    this.prepared = crates.all().stream().map(Prepared::of).toList();
  }

  /** The contents for the next moment, with what was worked out for good. */
  private CrateContents(CrateContents before, Snapshot after) {
    this.snapshot = after;
    this.codebook = before.codebook;
    this.crates = before.crates;
    this.today = before.today;
    this.finder = before.finder.after(after, this::shared);
    this.prepared = before.prepared;
  }

  /** The finder that knows these crates. */
  public Finder finder() {
    return finder;
  }

  /**
   * The contents after tracks changed.
   *
   * @param after the collection afterwards, same crates and codebook
   * @param changed the tracks that may have changed
   * @return contents in which every answer known so far is brought up to date
   */
  public CrateContents after(Snapshot after, RoaringBitmap changed) {
    CrateContents next = new CrateContents(this, after);
    RoaringBitmap again = next.awake(RoaringBitmap.and(changed, after.tracks()));
    RoaringBitmap there = RoaringBitmap.and(changed, after.tracks());
    for (Prepared crate : prepared) {
      takeOver(crate, next, changed, there, again);
    }
    return next;
  }

  /**
   * What of a crate is worked out once for all moments.
   *
   * @param key its name as answers are kept by it
   * @param uses the names of the crates that its rule asks for
   * @param query its rule; null for a crate filled by hand
   */
  private record Prepared(Crate crate, String key, Set<String> uses, @Nullable Query query) {
    static Prepared of(Crate crate) {
      return new Prepared(
          crate,
          CrateContents.key(crate.name()),
          Crates.uses(crate),
          crate instanceof Crate.RuleCrate rule ? rule.rule().query() : null);
    }
  }

  /** Only the changed tracks are tested; what a crate is built on comes first. */
  private void takeOver(
      Prepared crate,
      CrateContents next,
      RoaringBitmap changed,
      RoaringBitmap there,
      RoaringBitmap again) {
    RoaringBitmap before = answers.get(crate.key());
    if (before == null || next.answers.containsKey(crate.key())) {
      return;
    }
    for (String base : crate.uses()) {
      prepared.stream()
          .filter(p -> p.key().equals(key(base)))
          .forEach(p -> takeOver(p, next, changed, there, again));
    }
    RoaringBitmap in = next.among(crate, crate.query() == null ? there : again);
    if (in.isEmpty() && !RoaringBitmap.intersects(before, changed)) {
      next.answers.put(crate.key(), before); // shared: an answer is never altered
    } else {
      RoaringBitmap kept = RoaringBitmap.andNot(before, changed);
      kept.or(in);
      next.answers.put(crate.key(), kept);
    }
  }

  private RoaringBitmap among(Prepared crate, RoaringBitmap again) {
    if (crate.query() == null || again.getLongCardinality() > FEW) {
      return answer(crate.crate(), again);
    }
    RoaringBitmap in = new RoaringBitmap();
    again.forEach(
        (int id) -> {
          if (finder.holds(crate.query(), id)) {
            in.add(id);
          }
        });
    return in;
  }

  /** The tracks of a crate by its name, without its limit; empty when there is no such crate. */
  public Optional<RoaringBitmap> members(String name) {
    return shared(name).map(RoaringBitmap::clone);
  }

  /** The same without a copy, for who does not alter it. */
  private Optional<RoaringBitmap> shared(String name) {
    RoaringBitmap known = answers.get(key(name));
    return known != null ? Optional.of(known) : crates.crate(name).map(this::members);
  }

  private static String key(String name) {
    return name.toLowerCase(Locale.ROOT);
  }

  private RoaringBitmap members(Crate crate) {
    String key = key(crate.name());
    RoaringBitmap known = answers.get(key);
    if (known == null) {
      known = answer(crate, snapshot.tracks());
      answers.put(key, known);
    }
    return known;
  }

  private RoaringBitmap answer(Crate crate, RoaringBitmap scope) {
    return switch (crate) {
      case Crate.HandCrate hand -> {
        RoaringBitmap ids = new RoaringBitmap();
        hand.tracks().forEach(ids::add);
        ids.and(scope);
        yield ids;
      }
      case Crate.RuleCrate rule -> finder.find(rule.rule().query(), awake(scope));
    };
  }

  private RoaringBitmap awake(RoaringBitmap scope) {
    RoaringBitmap resting = new RoaringBitmap();
    scope.forEach(
        (int id) -> {
          if (!snapshot.raw(id, Fields.RESTING).isEmpty()) {
            resting.add(id);
          }
        });
    return RoaringBitmap.andNot(scope, resting);
  }

  /**
   * The tracks of a crate in its own order, cut at its limit.
   *
   * @param crate one of these crates, or an edited form of one
   */
  public List<Integer> list(Crate crate) {
    return switch (crate) {
      case Crate.HandCrate hand -> hand.tracks().stream().filter(snapshot::has).toList();
      case Crate.RuleCrate rule -> sorted(rule);
    };
  }

  private List<Integer> sorted(Crate.RuleCrate rule) {
    Field<?> field = Fields.named(rule.sort()).orElse(Fields.ARTIST);
    Comparator<Integer> order = TrackOrder.by(snapshot, field, rule.falling());
    List<Integer> ids = new ArrayList<>();
    boolean asKept = crates.crate(rule.name()).filter(rule::equals).isPresent();
    RoaringBitmap held = asKept ? members(rule) : answer(rule, snapshot.tracks());
    held.forEach((int id) -> ids.add(id));
    ids.sort(order);
    return rule.limit() > 0 && ids.size() > rule.limit()
        ? List.copyOf(ids.subList(0, rule.limit()))
        : ids;
  }

  /** How many tracks a crate holds, its limit counted. */
  public int count(Crate crate) {
    int all = members(crate).getCardinality();
    return crate instanceof Crate.RuleCrate rule && rule.limit() > 0
        ? Math.min(all, rule.limit())
        : all;
  }

  /** The tracks that stand in no crate. */
  public RoaringBitmap inNone() {
    RoaringBitmap rest = snapshot.tracks();
    crates.all().forEach(c -> rest.andNot(members(c)));
    return rest;
  }

  /**
   * What each line of a rule does.
   *
   * @param rule any rule, saved or being edited
   * @return the lines top to bottom with their effects
   */
  public List<LineEffect> account(Rule.Group rule) {
    RoaringBitmap all = awake(snapshot.tracks());
    int kept = finder.find(rule.query(), all).getCardinality();
    List<Rule.Line> lines = Rule.lines(rule);
    List<LineEffect> effects = new ArrayList<>();
    for (int i = 0; i < lines.size(); i++) {
      RoaringBitmap holds = finder.find(lines.get(i).condition(), all);
      Rule upTo = firstLines(rule, i + 1);
      Rule without = withoutLine(rule, i);
      effects.add(
          new LineEffect(
              lines.get(i),
              holds.getCardinality(),
              finder.find(upTo.query(), all).getCardinality(),
              Math.max(0, finder.find(without.query(), all).getCardinality() - kept)));
    }
    return effects;
  }

  /** How many tracks rule crates choose from: those that do not rest. */
  public int awake() {
    return awake(snapshot.tracks()).getCardinality();
  }

  /**
   * The tracks that one line of a rule alone keeps out.
   *
   * @param line counted from 0, top to bottom
   */
  public RoaringBitmap nearlyIn(Rule.Group rule, int line) {
    RoaringBitmap all = awake(snapshot.tracks());
    RoaringBitmap without = finder.find(withoutLine(rule, line).query(), all);
    return RoaringBitmap.andNot(without, finder.find(rule.query(), all));
  }

  private static Rule firstLines(Rule rule, int count) {
    int[] seen = {0};
    return Rule.mapped(rule, l -> seen[0]++ < count ? l : null);
  }

  private static Rule withoutLine(Rule rule, int which) {
    int[] seen = {0};
    return Rule.mapped(rule, l -> seen[0]++ == which ? null : l);
  }

  /**
   * Why a track is in a rule crate or not: every line, and whether it speaks for the track. A line
   * of a group that nothing of may hold is turned round.
   *
   * @param rule the rule
   * @param id the track
   */
  public List<Reason> why(Rule.Group rule, int id) {
    List<Reason> reasons = new ArrayList<>();
    why(rule, RoaringBitmap.bitmapOf(id), false, reasons);
    return reasons;
  }

  private void why(Rule rule, RoaringBitmap one, boolean turned, List<Reason> reasons) {
    switch (rule) {
      case Rule.Line line -> {
        boolean holds = !finder.find(line.condition(), one).isEmpty();
        reasons.add(new Reason((turned ? "not " : "") + line.text(), holds != turned));
      }
      case Rule.Group group -> {
        boolean inner = turned != (group.kind() == Rule.Kind.NONE);
        group.parts().forEach(p -> why(p, one, inner, reasons));
      }
    }
  }

  /**
   * One line's word on a track.
   *
   * @param text in the find language
   * @param holds whether it speaks for the track
   */
  public record Reason(String text, boolean holds) {}

  /**
   * What one line of a rule does.
   *
   * @param line the line
   * @param holdsFor tracks of the collection for which it holds
   * @param leftAfter tracks that the rule keeps when read down to this line
   * @param shutOut tracks that would be in but for this line alone
   */
  public record LineEffect(Rule.Line line, int holdsFor, int leftAfter, int shutOut) {}
}
