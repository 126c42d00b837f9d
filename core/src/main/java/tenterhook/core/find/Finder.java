package tenterhook.core.find;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.text.Fold;
import tenterhook.core.track.Snapshot;

/**
 * Answers queries on one snapshot. Every term is decided once per distinct value of its column and
 * then looked up per track, so that a term costs what its values cost, not what the tracks cost.
 */
public final class Finder {
  /** Where a word without a field name is looked for. */
  static final List<Field<?>> WORD_FIELDS =
      List.of(
          Fields.TITLE,
          Fields.ARTIST,
          Fields.ALBUM,
          Fields.ALBUM_ARTIST,
          Fields.GENRE,
          Fields.COMMENT,
          Fields.GROUPING,
          Fields.COMPOSER,
          Fields.PATH);

  private final Snapshot snapshot;
  private final Codebook codebook;
  private final Function<String, Optional<RoaringBitmap>> crates;
  private final LocalDate today;

  /**
   * A finder for one moment.
   *
   * @param snapshot the collection
   * @param codebook the legend
   * @param crates the tracks of a crate by its name, or empty when there is none of that name
   * @param today the day that spans such as {@code -30d} count back from
   */
  public Finder(
      Snapshot snapshot,
      Codebook codebook,
      Function<String, Optional<RoaringBitmap>> crates,
      LocalDate today) {
    this.snapshot = snapshot;
    this.codebook = codebook;
    this.crates = crates;
    this.today = today;
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
    ColumnTest.Text test = ColumnTest.containing(text);
    RoaringBitmap found = new RoaringBitmap();
    for (Field<?> field : WORD_FIELDS) {
      RoaringBitmap rest = RoaringBitmap.andNot(scope, found);
      found.or(ColumnTest.select(snapshot.column(field), rest, test));
    }
    return found;
  }

  /**
   * The tracks of a scope for which a condition holds.
   *
   * @param condition one line
   * @param scope where to look; not altered
   */
  public RoaringBitmap find(Condition condition, RoaringBitmap scope) {
    if (condition.subject().equals("crate")) {
      return inCrate(condition.test(), scope);
    }
    if (condition.subject().equals("code")) {
      return codes(condition.test(), Optional.empty(), scope);
    }
    Optional<Field<?>> field = Fields.named(condition.subject());
    if (field.isPresent()) {
      ColumnTest.Text test =
          field.get() == Fields.GENRE
              ? ColumnTest.genres(condition.test(), codebook.genres(), today)
              : ColumnTest.of(field.get(), condition.test(), today);
      return ColumnTest.select(snapshot.column(field.get()), scope, test);
    }
    Optional<Facet> facet = codebook.facet(condition.subject());
    return facet.isPresent() ? codes(condition.test(), facet, scope) : new RoaringBitmap();
  }

  private RoaringBitmap inCrate(Condition.Test test, RoaringBitmap scope) {
    if (!(test instanceof Condition.AnyOf any)) {
      return new RoaringBitmap();
    }
    RoaringBitmap found = new RoaringBitmap();
    for (Condition.Value value : any.values()) {
      crates.apply(ColumnTest.textOf(value)).ifPresent(found::or);
    }
    found.and(scope);
    return found;
  }

  private RoaringBitmap codes(Condition.Test test, Optional<Facet> facet, RoaringBitmap scope) {
    return ColumnTest.select(snapshot.column(Fields.CODES), scope, ColumnTest.codes(test, facet));
  }
}
