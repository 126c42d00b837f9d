package tenterhook.core.crate;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.IntPredicate;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Finder;
import tenterhook.core.find.NamedLists;
import tenterhook.core.find.Query;
import tenterhook.core.track.ItemKind;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackOrder;

/**
 * What every crate holds at one moment. Rules are answered when first asked for; after a change
 * only the changed tracks are tested again. May be asked by several threads at once.
 */
public final class CrateContents {
  /** So few changed tracks are asked one by one. */
  private static final int FEW = 64;

  private final Snapshot snapshot;
  private final Codebook codebook;
  private final Crates crates;
  private final LocalDate today;
  private final Finder finder;
  private final Map<String, RoaringBitmap> answers = new ConcurrentHashMap<>();
  private final Map<String, RoaringBitmap> unions = new ConcurrentHashMap<>();
  private final List<PlacedShelf> shelves;
  private final Map<String, Prepared> prepared;
  private final IntPredicate others;

  /** What conditions of this moment ask for by name. */
  private final class NamedHere implements NamedLists {
    @Override
    public Optional<RoaringBitmap> crate(String name) {
      return shared(name);
    }

    @Override
    public Optional<RoaringBitmap> shelf(String name) {
      return sharedUnion(name);
    }
  }

  /**
   * The contents for one moment.
   *
   * @param snapshot the collection
   * @param codebook the legend
   * @param crates the shelves
   * @param today the day that spans such as {@code -30d} count back from
   */
  public CrateContents(Snapshot snapshot, Codebook codebook, Crates crates, LocalDate today) {
    this.snapshot = snapshot;
    this.codebook = codebook;
    this.crates = crates;
    this.today = today;
    this.finder = new Finder(snapshot, codebook, new NamedHere(), today);
    this.shelves = crates.placed();
    this.prepared = prepared(shelves, codebook);
    this.others = ItemKind.others(snapshot);
  }

  private static Map<String, Prepared> prepared(List<PlacedShelf> shelves, Codebook codebook) {
    CrateBases bases = new CrateBases(shelves);
    Map<String, Prepared> all = new LinkedHashMap<>();
    for (PlacedShelf placed : shelves) {
      for (Crate crate : placed.shelf().crates()) {
        Prepared one = Prepared.of(crate, placed.never(), bases, codebook);
        all.put(one.key(), one);
      }
    }
    return all;
  }

  /** The day that spans such as {@code -30d} count back from. */
  public LocalDate today() {
    return today;
  }

  /** The legend. */
  public Codebook codebook() {
    return codebook;
  }

  /** The contents for the next moment, with what was worked out for good. */
  private CrateContents(CrateContents before, Snapshot after) {
    this.snapshot = after;
    this.codebook = before.codebook;
    this.crates = before.crates;
    this.today = before.today;
    this.finder = before.finder.after(after, new NamedHere());
    this.shelves = before.shelves;
    this.prepared = before.prepared;
    this.others = ItemKind.others(after);
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
    Changed again = new Changed(next, changed, RoaringBitmap.and(changed, after.tracks()));
    for (Prepared crate : prepared.values()) {
      takeOver(crate, next, again);
    }
    return next;
  }

  /** The tracks that changed, and those of them that crates may choose from. */
  private static final class Changed {
    private final CrateContents next;
    private final RoaringBitmap all;
    private final RoaringBitmap there;
    private final Map<CrateScope, RoaringBitmap> scopes = new HashMap<>();

    Changed(CrateContents next, RoaringBitmap all, RoaringBitmap there) {
      this.next = next;
      this.all = all;
      this.there = there;
    }

    RoaringBitmap in(CrateScope scope) {
      return scopes.computeIfAbsent(scope, s -> next.scope(s, there));
    }
  }

  /**
   * Which tracks a crate may choose from, whatever its rule says.
   *
   * @param resting whether such as rest as well
   * @param others whether such as are no tracks as well
   */
  private record CrateScope(boolean resting, boolean others) {
    static CrateScope of(Crate crate, Codebook codebook) {
      return crate instanceof Crate.RuleCrate rule
          ? new CrateScope(rule.resting(), rule.asksForKind(codebook))
          : new CrateScope(true, true);
    }
  }

  /**
   * What of a crate is worked out once for all moments.
   *
   * @param key its name as answers are kept by it
   * @param uses the names of the crates that it is built on
   * @param scope which tracks it may choose from
   * @param query what it keeps, without what the shelf never plays; null for a crate filled by hand
   */
  private record Prepared(
      Crate crate,
      String key,
      NeverPlay never,
      Set<String> uses,
      CrateScope scope,
      @Nullable Query query) {
    static Prepared of(Crate crate, NeverPlay never, CrateBases bases, Codebook codebook) {
      return new Prepared(
          crate,
          CrateBases.key(crate.name()),
          never,
          bases.of(crate.name()),
          CrateScope.of(crate, codebook),
          crate instanceof Crate.RuleCrate rule ? kept(rule.rule().query(), never) : null);
    }
  }

  private static Query kept(Query query, NeverPlay never) {
    return never
        .query()
        .map(n -> (Query) new Query.And(List.of(query, new Query.Not(n))))
        .orElse(query);
  }

  /** Only the changed tracks are tested; what a crate is built on comes first. */
  private void takeOver(Prepared crate, CrateContents next, Changed again) {
    RoaringBitmap before = answers.get(crate.key());
    if (before == null || next.answers.containsKey(crate.key())) {
      return;
    }
    for (String base : crate.uses()) {
      Prepared first = prepared.get(CrateBases.key(base));
      if (first != null) {
        takeOver(first, next, again);
      }
    }
    RoaringBitmap in = next.among(crate, again.in(crate.scope()));
    if (in.isEmpty() && !RoaringBitmap.intersects(before, again.all)) {
      next.answers.put(crate.key(), before); // shared: an answer is never altered
    } else {
      RoaringBitmap kept = RoaringBitmap.andNot(before, again.all);
      kept.or(in);
      next.answers.put(crate.key(), kept);
    }
  }

  private RoaringBitmap among(Prepared crate, RoaringBitmap again) {
    if (crate.query() == null || again.getLongCardinality() > FEW) {
      return answer(crate.crate(), crate.never(), again);
    }
    RoaringBitmap in = new RoaringBitmap();
    again.forEach(
        (int id) -> {
          if (finder.holds(crate.query(), id)) {
            in.add(id);
          }
        });
    return without(in, crate.never());
  }

  /** The tracks of a crate by its name, without its limit; empty when there is no such crate. */
  public Optional<RoaringBitmap> members(String name) {
    return shared(name).map(RoaringBitmap::clone);
  }

  /** Whether a crate of a name holds a track, its limit not counted. */
  public boolean holds(String name, int id) {
    return shared(name).filter(tracks -> tracks.contains(id)).isPresent();
  }

  /** The same without a copy, for who does not alter it. */
  private Optional<RoaringBitmap> shared(String name) {
    RoaringBitmap known = answers.get(CrateBases.key(name));
    return known != null ? Optional.of(known) : crates.crate(name).map(this::members);
  }

  /** The tracks of all crates of a shelf and of the shelves in it. */
  public RoaringBitmap union(Shelf shelf) {
    RoaringBitmap all = new RoaringBitmap();
    shelf.all().forEach(c -> all.or(members(c)));
    return all;
  }

  /** The tracks of every shelf that a reference means, kept for who asks again. */
  private Optional<RoaringBitmap> sharedUnion(String reference) {
    String key = CrateBases.key(reference);
    RoaringBitmap known = unions.get(key);
    if (known == null) {
      List<Shelf> meant =
          shelves.stream()
              .filter(s -> s.path().answers(reference))
              .map(PlacedShelf::shelf)
              .toList();
      if (meant.isEmpty()) {
        return Optional.empty();
      }
      known = new RoaringBitmap();
      for (Shelf shelf : meant) {
        known.or(union(shelf));
      }
      unions.put(key, known);
    }
    return Optional.of(known);
  }

  private RoaringBitmap members(Crate crate) {
    String key = CrateBases.key(crate.name());
    RoaringBitmap known = answers.get(key);
    if (known == null) {
      known = answer(crate, never(crate), snapshot.tracks());
      answers.put(key, known);
    }
    return known;
  }

  NeverPlay never(Crate crate) {
    Prepared kept = prepared.get(CrateBases.key(crate.name()));
    return kept == null ? NeverPlay.NOTHING : kept.never();
  }

  private RoaringBitmap answer(Crate crate, NeverPlay never, RoaringBitmap scope) {
    RoaringBitmap in =
        switch (crate) {
          case Crate.HandCrate hand -> {
            RoaringBitmap ids = new RoaringBitmap();
            hand.tracks().forEach(ids::add);
            ids.and(scope);
            never.query().ifPresent(n -> ids.andNot(finder.find(n, ids)));
            yield ids;
          }
          case Crate.RuleCrate rule ->
              finder.find(kept(rule.rule().query(), never), scope(rule, scope));
        };
    return without(in, never);
  }

  /**
   * What a rule brings in that no crate is of yet: as a crate of it would hold it, were nothing
   * banned from its shelf.
   */
  public RoaringBitmap found(Rule.RuleGroup rule) {
    return answer(loose(rule), NeverPlay.NOTHING, snapshot.tracks());
  }

  private static Crate.RuleCrate loose(Rule.RuleGroup rule) {
    return new Crate.RuleCrate("found", rule, List.of(), Limit.NONE, false);
  }

  /**
   * The same where the answer of another moment is known: only changed tracks are tested again.
   *
   * @param before the answer at the other moment; not altered
   * @param changed the tracks that may have changed since
   */
  public RoaringBitmap found(Rule.RuleGroup rule, RoaringBitmap before, RoaringBitmap changed) {
    Crate.RuleCrate crate = loose(rule);
    Prepared one =
        new Prepared(
            crate,
            crate.name(),
            NeverPlay.NOTHING,
            Set.of(),
            CrateScope.of(crate, codebook),
            rule.query());
    RoaringBitmap found = RoaringBitmap.andNot(before, changed);
    RoaringBitmap there = RoaringBitmap.and(changed, snapshot.tracks());
    found.or(among(one, scope(one.scope(), there)));
    return found;
  }

  /** Whether the same crates, codes and day were asked at another moment. */
  public boolean asksLike(CrateContents other) {
    return crates == other.crates && codebook == other.codebook && today.equals(other.today);
  }

  /** Those of some tracks that are never to be played. */
  public RoaringBitmap banned(NeverPlay never, RoaringBitmap of) {
    RoaringBitmap banned = new RoaringBitmap();
    never.tracks().forEach(banned::add);
    banned.and(of);
    never.query().ifPresent(n -> banned.or(finder.find(n, of)));
    return banned;
  }

  private static RoaringBitmap without(RoaringBitmap in, NeverPlay never) {
    never.tracks().forEach(in::remove);
    return in;
  }

  /**
   * The tracks that a rule may choose from: awake unless it takes resting ones, no other items
   * unless it asks for their kind, none banned.
   */
  RoaringBitmap choosable(Crate.RuleCrate crate) {
    RoaringBitmap all = scope(crate, snapshot.tracks());
    NeverPlay never = never(crate);
    never.query().ifPresent(n -> all.andNot(finder.find(n, all)));
    return without(all, never);
  }

  private RoaringBitmap scope(Crate crate, RoaringBitmap of) {
    return scope(CrateScope.of(crate, codebook), of);
  }

  private RoaringBitmap scope(CrateScope scope, RoaringBitmap of) {
    if (scope.resting() && scope.others()) {
      return of;
    }
    RoaringBitmap out = new RoaringBitmap();
    of.forEach(
        (int id) -> {
          boolean rests = !scope.resting() && !snapshot.isBlank(id, Fields.RESTING);
          if (rests || !scope.others() && others.test(id)) {
            out.add(id);
          }
        });
    return RoaringBitmap.andNot(of, out);
  }

  /**
   * The tracks of a crate in its own order, cut at its limit.
   *
   * @param crate one of these crates, or an edited form of one
   */
  public List<Integer> list(Crate crate) {
    return switch (crate) {
      case Crate.HandCrate hand -> {
        RoaringBitmap in = held(hand);
        yield hand.tracks().stream().filter(in::contains).toList();
      }
      case Crate.RuleCrate rule -> sorted(rule);
    };
  }

  private RoaringBitmap held(Crate crate) {
    boolean asKept = crates.crate(crate.name()).filter(crate::equals).isPresent();
    return asKept ? members(crate) : answer(crate, never(crate), snapshot.tracks());
  }

  private List<Integer> sorted(Crate.RuleCrate rule) {
    List<Integer> ids = new ArrayList<>();
    held(rule).forEach((int id) -> ids.add(id));
    ids.sort(TrackOrder.by(snapshot, rule.order()));
    return rule.limit().picked(snapshot, ids);
  }

  /** How many tracks a crate holds, its limit counted. */
  public int count(Crate crate) {
    int all = held(crate).getCardinality();
    if (!(crate instanceof Crate.RuleCrate rule) || !rule.limit().cuts()) {
      return all;
    }
    return rule.limit().unit() == Limit.Unit.TRACKS && rule.limit().perArtist() == 0
        ? Math.min(all, rule.limit().amount())
        : list(rule).size();
  }

  /** The tracks that stand in no crate; other items need not. */
  public RoaringBitmap inNone() {
    RoaringBitmap rest = RoaringBitmap.andNot(snapshot.tracks(), ItemKind.allOthers(snapshot));
    crates.all().forEach(c -> rest.andNot(members(c)));
    return rest;
  }

  /** What the lines of a rule crate do, and why tracks are in it or not. */
  public RuleExplanation explanation(Crate.RuleCrate crate) {
    return new RuleExplanation(this, snapshot, codebook, crate);
  }
}
