package tenterhook.core.find;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.core.text.Fold;
import tenterhook.core.track.Column;
import tenterhook.core.track.Snapshot;

/**
 * Answers queries on one snapshot. Every term is decided once per distinct value of its column and
 * then looked up per track, so that a term costs what its values cost, not what the tracks cost.
 */
public final class Finder {
  /** Where a word without a field name is looked for. */
  private static final List<Field<?>> SEARCHED = Fields.with(Trait.SEARCHED);

  private static final int MOST_TESTS = 5000;

  private final Snapshot snapshot;
  private final Codebook codebook;
  private final NamedLists lists;
  private final LocalDate today;
  private final Map<Condition, Optional<Tested>> tests;

  /**
   * A finder for one moment.
   *
   * @param snapshot the collection
   * @param codebook the legend
   * @param lists the tracks of crates and shelves
   * @param today the day that spans such as {@code -30d} count back from
   */
  public Finder(Snapshot snapshot, Codebook codebook, NamedLists lists, LocalDate today) {
    this(snapshot, codebook, lists, today, new ConcurrentHashMap<>());
  }

  private Finder(
      Snapshot snapshot,
      Codebook codebook,
      NamedLists lists,
      LocalDate today,
      Map<Condition, Optional<Tested>> tests) {
    this.snapshot = snapshot;
    this.codebook = codebook;
    this.lists = lists;
    this.today = today;
    this.tests = tests;
  }

  /**
   * A finder for the next moment, with the same codebook and day; what conditions mean is not
   * worked out again.
   *
   * @param after the collection then
   * @param then the tracks of crates and shelves then
   */
  public Finder after(Snapshot after, NamedLists then) {
    if (tests.size() > MOST_TESTS) {
      tests.clear();
    }
    return new Finder(after, codebook, then, today, tests);
  }

  /** Makes ready what looking for words needs, so that the first word need not wait for it. */
  public void prepare() {
    SEARCHED.forEach(field -> snapshot.column(field).dictionary().prepareSearch());
  }

  /** The tracks of the collection that answer a query. */
  public RoaringBitmap find(Query query) {
    return find(query, snapshot.tracks());
  }

  /**
   * The tracks of a scope that answer a query.
   *
   * @param query what to look for
   * @param scope where to look; not altered
   * @return a set of its own
   */
  public RoaringBitmap find(Query query, RoaringBitmap scope) {
    return switch (query) {
      case Query.And and -> all(and.parts(), scope);
      case Query.Or or -> any(or.parts(), scope);
      case Query.Not not -> RoaringBitmap.andNot(scope, find(not.part(), scope));
      case Query.Word word -> words(word.text(), scope);
      case Query.Term term -> find(term.condition(), scope);
    };
  }

  /**
   * Whether everything that one query finds is found by another too, told by their form alone: so
   * it is while somebody goes on typing words. Then the next answer need only be looked for in the
   * last.
   *
   * @param wide the query answered before
   * @param narrow the query to answer now
   * @return true when it is certain; false when it cannot be told
   */
  public static boolean narrows(Query wide, Query narrow) {
    List<String> before = typedWords(wide);
    List<String> after = typedWords(narrow);
    if (before.isEmpty() || after.size() < before.size()) {
      return false;
    }
    for (int i = 0; i < before.size(); i++) {
      if (!Fold.fold(after.get(i)).contains(Fold.fold(before.get(i)))) {
        return false;
      }
    }
    return true;
  }

  private static List<String> typedWords(Query query) {
    return switch (query) {
      case Query.Word word -> List.of(word.text());
      case Query.And and when and.parts().stream().allMatch(Query.Word.class::isInstance) ->
          and.parts().stream().map(p -> ((Query.Word) p).text()).toList();
      default -> List.of();
    };
  }

  private RoaringBitmap all(List<Query> parts, RoaringBitmap scope) {
    RoaringBitmap left = scope.clone();
    for (Query part : parts) {
      left = find(part, left);
    }
    return left;
  }

  private RoaringBitmap any(List<Query> parts, RoaringBitmap scope) {
    RoaringBitmap found = new RoaringBitmap();
    for (Query part : parts) {
      found.or(find(part, RoaringBitmap.andNot(scope, found)));
    }
    return found;
  }

  private RoaringBitmap words(String text, RoaringBitmap scope) {
    List<Column> columns = SEARCHED.stream().<Column>map(snapshot::column).toList();
    if (scope.getLongCardinality() > ColumnTest.SMALL) {
      return ColumnTest.containing(Fold.fold(text), columns, scope);
    }
    ColumnTest.TextTest test = ColumnTest.containing(text);
    RoaringBitmap found = new RoaringBitmap();
    columns.forEach(c -> found.or(ColumnTest.select(c, scope, test)));
    return found;
  }

  /**
   * The tracks of a scope for which a condition holds.
   *
   * @param condition one line
   * @param scope where to look; not altered
   */
  public RoaringBitmap find(Condition condition, RoaringBitmap scope) {
    return switch (condition.subject()) {
      case Subject.Own.CRATE -> inLists(condition, lists::crate, scope);
      case Subject.Own.SHELF -> inLists(condition, lists::shelf, scope);
      case Subject.Own.TEXT -> {
        RoaringBitmap found = new RoaringBitmap();
        condition.values().forEach(v -> found.or(words(v.text(), scope)));
        yield found;
      }
      case Subject.Own.CODE, Subject.Own.BEAT -> byValue(condition, scope);
      case Subject.OfField field -> byValue(condition, scope);
      case Subject.Named named -> byValue(condition, scope);
    };
  }

  private RoaringBitmap byValue(Condition condition, RoaringBitmap scope) {
    return meaning(condition)
        .map(t -> ColumnTest.select(snapshot.column(t.field()), scope, t.test()))
        .orElseGet(RoaringBitmap::new);
  }

  private Optional<Tested> meaning(Condition condition) {
    Optional<Tested> known = tests.get(condition);
    return known != null ? known : tests.computeIfAbsent(condition, this::tested);
  }

  /** Whether one track answers a query; makes no sets, for the few tracks that an edit changed. */
  public boolean holds(Query query, int id) {
    return switch (query) {
      case Query.And and -> and.parts().stream().allMatch(p -> holds(p, id));
      case Query.Or or -> or.parts().stream().anyMatch(p -> holds(p, id));
      case Query.Not not -> !holds(not.part(), id);
      case Query.Word word -> !words(word.text(), RoaringBitmap.bitmapOf(id)).isEmpty();
      case Query.Term term -> holds(term.condition(), id);
    };
  }

  private boolean holds(Condition condition, int id) {
    return switch (condition.subject()) {
      case Subject.Own.CRATE -> inList(condition, lists::crate, id);
      case Subject.Own.SHELF -> inList(condition, lists::shelf, id);
      case Subject.Own.TEXT -> !find(condition, RoaringBitmap.bitmapOf(id)).isEmpty();
      case Subject.Own.CODE, Subject.Own.BEAT -> byValue(condition, id);
      case Subject.OfField field -> byValue(condition, id);
      case Subject.Named named -> byValue(condition, id);
    };
  }

  private boolean byValue(Condition condition, int id) {
    Optional<Tested> meant = meaning(condition);
    if (meant.isEmpty()) {
      return false;
    }
    Column column = snapshot.column(meant.get().field());
    return meant.get().test().holds(column.dictionary(), column.number(id));
  }

  /** What a condition asks of which field; empty when nothing is called so. */
  private Optional<Tested> tested(Condition condition) {
    return switch (condition.subject()) {
      case Subject.Own.CODE -> Optional.of(codes(condition, Optional.empty()));
      case Subject.Own.BEAT ->
          Optional.of(new Tested(Fields.BPM, ColumnTest.beat(condition, today)));
      case Subject.OfField of -> Optional.of(values(condition, of.field()));
      case Subject.Named named ->
          codebook
              .facet(named.key())
              .map(f -> codes(condition, Optional.of(f)))
              .or(() -> Fields.named(named.key()).map(f -> values(condition, f)));
      case Subject.Own.CRATE, Subject.Own.SHELF, Subject.Own.TEXT ->
          throw new IllegalArgumentException(condition + " is not decided by a value");
    };
  }

  private static Tested codes(Condition condition, Optional<Facet> facet) {
    return new Tested(Fields.CODES, ColumnTest.codes(condition.test(), facet));
  }

  private Tested values(Condition condition, Field<?> field) {
    ColumnTest.TextTest test =
        field == Fields.GENRE
            ? ColumnTest.genres(condition.test(), codebook.genres(), today)
            : ColumnTest.of(field, condition.test(), today);
    return new Tested(field, test);
  }

  private record Tested(Field<?> field, ColumnTest.TextTest test) {}

  /** The tracks of the crate or shelf of a name. */
  @FunctionalInterface
  private interface ListLookup {
    Optional<RoaringBitmap> named(String name);
  }

  private static boolean inList(Condition condition, ListLookup lists, int id) {
    return condition.values().stream()
        .anyMatch(v -> lists.named(v.text()).filter(l -> l.contains(id)).isPresent());
  }

  private static RoaringBitmap inLists(Condition condition, ListLookup lists, RoaringBitmap scope) {
    RoaringBitmap found = new RoaringBitmap();
    condition.values().forEach(v -> lists.named(v.text()).ifPresent(found::or));
    found.and(scope);
    return found;
  }
}
