package tenterhook.core.find;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.roaringbitmap.FastAggregation;
import org.roaringbitmap.RoaringBitmap;
import org.roaringbitmap.RoaringBitmapWriter;
import tenterhook.core.code.Facet;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.genre.Genres;
import tenterhook.core.measure.MusicalKey;
import tenterhook.core.text.Fold;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Column;
import tenterhook.core.track.Dictionary;

/** Decides a condition for the distinct values of a column, each once. */
final class ColumnTest {
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);

  /** So few tracks are asked one by one. */
  static final int SMALL = 64;

  private ColumnTest() {}

  /** Decides one distinct value. */
  @FunctionalInterface
  interface TextTest {
    boolean holds(Dictionary dictionary, int number);

    /**
     * The numbers of all values that pass, where a dictionary can tell them quicker than one by
     * one.
     *
     * @return not to be altered; empty where each is to be asked
     */
    default Optional<BitSet> all(Dictionary dictionary) {
      return Optional.empty();
    }

    /** The tracks of a scope that pass, where the column keeps them; empty where it does not. */
    default Optional<RoaringBitmap> kept(Column column, RoaringBitmap scope) {
      return Optional.empty();
    }
  }

  /** A test for holes, which a column keeps. */
  private record OfHoles(Field<?> field) implements TextTest {
    @Override
    public boolean holds(Dictionary dictionary, int number) {
      return dictionary.holes(field).get(number);
    }

    @Override
    public Optional<RoaringBitmap> kept(Column column, RoaringBitmap scope) {
      RoaringBitmap found = RoaringBitmap.and(scope, column.holes(field));
      RoaringBitmap beyond = scope.clone();
      beyond.remove(0L, column.end());
      found.or(beyond);
      return Optional.of(found);
    }
  }

  /** A test that a dictionary answers for all its values at once. */
  private record OfAll(TextTest one, Function<Dictionary, BitSet> passing) implements TextTest {
    @Override
    public boolean holds(Dictionary dictionary, int number) {
      return one.holds(dictionary, number);
    }

    @Override
    public Optional<BitSet> all(Dictionary dictionary) {
      return Optional.of(passing.apply(dictionary));
    }
  }

  /**
   * The tracks of a scope that have a word in any of several columns.
   *
   * @param word folded for searching
   */
  static RoaringBitmap containing(String word, List<Column> columns, RoaringBitmap scope) {
    RoaringBitmapWriter<RoaringBitmap> found =
        RoaringBitmapWriter.writer().optimiseForArrays().get();
    List<Column> with = new ArrayList<>();
    List<BitSet> passing = new ArrayList<>();
    for (Column column : columns) {
      BitSet numbers = column.dictionary().containing(word);
      if (!numbers.isEmpty()) {
        with.add(column);
        passing.add(numbers);
      }
    }
    scope.forEach(
        (int id) -> {
          for (int i = 0; i < with.size(); i++) {
            if (passing.get(i).get(with.get(i).number(id))) {
              found.add(id);
              return;
            }
          }
        });
    return found.get();
  }

  /** The tracks of a scope whose value passes; each distinct value is asked at most once. */
  static RoaringBitmap select(Column column, RoaringBitmap scope, TextTest test) {
    Dictionary dictionary = column.dictionary();
    if (scope.getLongCardinality() <= SMALL) {
      RoaringBitmap few = new RoaringBitmap();
      scope.forEach(
          (int id) -> {
            if (test.holds(dictionary, column.number(id))) {
              few.add(id);
            }
          });
      return few;
    }
    Optional<RoaringBitmap> kept = test.kept(column, scope);
    if (kept.isPresent()) {
      return kept.get();
    }
    Optional<RoaringBitmap[]> index = column.index();
    if (index.isPresent()) {
      return among(index.get(), dictionary, scope, test);
    }
    RoaringBitmapWriter<RoaringBitmap> found =
        RoaringBitmapWriter.writer().optimiseForArrays().get();
    Optional<BitSet> passing = test.all(dictionary);
    if (passing.isPresent()) {
      addCarriers(column, scope, passing.get(), found);
      return found.get();
    }
    byte[] known = new byte[dictionary.size()];
    scope.forEach(
        (int id) -> {
          int number = column.number(id);
          if (known[number] == 0) {
            known[number] = (byte) (test.holds(dictionary, number) ? 1 : 2);
          }
          if (known[number] == 1) {
            found.add(id);
          }
        });
    return found.get();
  }

  private static void addCarriers(
      Column column,
      RoaringBitmap scope,
      BitSet passing,
      RoaringBitmapWriter<RoaringBitmap> found) {
    if (!passing.isEmpty()) {
      scope.forEach(
          (int id) -> {
            if (passing.get(column.number(id))) {
              found.add(id);
            }
          });
    }
  }

  /** The tracks of all values that pass, and of the scope. */
  private static RoaringBitmap among(
      RoaringBitmap[] index, Dictionary dictionary, RoaringBitmap scope, TextTest test) {
    List<RoaringBitmap> found = new ArrayList<>();
    boolean beyond = false;
    for (int number = 0; number < index.length; number++) {
      if ((index[number] != null || number == 0) && test.holds(dictionary, number)) {
        beyond |= number == 0;
        if (index[number] != null) {
          found.add(index[number]);
        }
      }
    }
    RoaringBitmap all = FastAggregation.or(found.toArray(RoaringBitmap[]::new));
    if (beyond) { // a track behind the last block has the empty value, and no place in the index
      RoaringBitmap rest = scope.clone();
      for (RoaringBitmap one : index) {
        if (one != null) {
          rest.andNot(one);
        }
      }
      all.or(rest);
    }
    all.and(scope);
    return all;
  }

  static TextTest containing(String text) {
    String wanted = Fold.fold(text);
    return new OfAll(
        (dictionary, number) -> dictionary.folded(number).contains(wanted),
        dictionary -> dictionary.containing(wanted));
  }

  private static TextTest like(String text) {
    String wanted = NameKey.plain(text);
    return new OfAll(
        (dictionary, number) -> dictionary.cleaned(number).contains(wanted),
        dictionary -> dictionary.containingCleaned(wanted));
  }

  /** A test of tempi in which half and double count as well. */
  static TextTest beat(Condition asked, LocalDate today) {
    if (asked.values().isEmpty()) {
      return of(Fields.BPM, asked.test(), today);
    }
    List<Numbers.Span> spans =
        asked.values().stream().map(v -> span(Fields.BPM, v, today)).toList();
    return (dictionary, number) -> {
      double bpm = dictionary.value(number, Fields.BPM.type());
      return spans.stream().anyMatch(s -> s.holds(bpm) || s.holds(bpm / 2) || s.holds(bpm * 2));
    };
  }

  static TextTest of(Field<?> field, Condition.Test test, LocalDate today) {
    return switch (test) {
      case Condition.Missing missing -> hole(field);
      case Condition.Present present -> not(hole(field));
      case Condition.AnyOf any ->
          any(any.values().stream().map(v -> value(field, v, today)).toList());
      case Condition.AllOf all ->
          throw new IllegalArgumentException("all of is asked of codes, not of " + field.key());
    };
  }

  /** A test of genres in which a genre also answers to what it is part of. */
  static TextTest genres(Condition.Test test, Genres genres, LocalDate today) {
    TextTest own = of(Fields.GENRE, test, today);
    if (genres.parents().isEmpty() || !(test instanceof Condition.AnyOf any)) {
      return own;
    }
    return (dictionary, number) ->
        own.holds(dictionary, number)
            || Arrays.stream(dictionary.text(number).split(SEPARATOR))
                .flatMap(genre -> genres.above(genre).stream())
                .map(Fold::fold)
                .anyMatch(above -> any.values().stream().anyMatch(v -> names(v, above)));
  }

  private static boolean names(Condition.Value value, String folded) {
    return switch (value) {
      case Condition.Whole whole -> folded.equals(Fold.fold(whole.text()));
      case Condition.Part part -> folded.contains(Fold.fold(part.text()));
      case Condition.Like like -> NameKey.plain(folded).contains(NameKey.plain(like.text()));
      case Condition.Range range -> false;
    };
  }

  private static OfHoles hole(Field<?> field) {
    return new OfHoles(field);
  }

  private static TextTest not(OfHoles test) {
    return new OfAll(
        (dictionary, number) -> !test.holds(dictionary, number),
        dictionary -> flipped(dictionary.holes(test.field()), dictionary.size()));
  }

  private static BitSet flipped(BitSet numbers, int size) {
    BitSet others = (BitSet) numbers.clone();
    others.flip(0, size);
    return others;
  }

  private static TextTest any(List<TextTest> tests) {
    if (tests.size() == 1) {
      return tests.getFirst();
    }
    return (dictionary, number) -> tests.stream().anyMatch(t -> t.holds(dictionary, number));
  }

  private static TextTest value(Field<?> field, Condition.Value value, LocalDate today) {
    if (field.type().shape() == FieldType.Shape.FLAG) {
      return value.text().equalsIgnoreCase("no") ? hole(field) : not(hole(field));
    }
    if (field.type().numeric()) {
      return number(field, value, today);
    }
    return switch (value) {
      case Condition.Whole whole -> whole(field, whole.text());
      case Condition.Part part -> containing(part.text());
      case Condition.Like like -> like(like.text());
      case Condition.Range range -> (dictionary, number) -> false;
    };
  }

  private static TextTest whole(Field<?> field, String text) {
    if (field == Fields.FOLDER) {
      return below(text);
    }
    return field == Fields.KEY ? key(text) : whole(text);
  }

  /** A folder is also in the folders above it. */
  private static TextTest below(String text) {
    String wanted = Fold.fold(text);
    return (dictionary, number) -> {
      String folder = dictionary.folded(number);
      return folder.equals(wanted) || folder.startsWith(wanted + "/");
    };
  }

  /** A key is the same however it is written. */
  private static TextTest key(String text) {
    TextTest asWritten = whole(text);
    return MusicalKey.parse(text)
        .<TextTest>map(
            wanted ->
                (dictionary, number) ->
                    MusicalKey.parse(dictionary.text(number)).filter(wanted::equals).isPresent())
        .orElse(asWritten);
  }

  private static TextTest whole(String text) {
    String wanted = Fold.fold(text);
    return (dictionary, number) ->
        dictionary.folded(number).equals(wanted)
            || Arrays.asList(dictionary.folded(number).split(SEPARATOR)).contains(wanted);
  }

  private static TextTest number(Field<?> field, Condition.Value value, LocalDate today) {
    Numbers.Span span = span(field, value, today);
    return (dictionary, number) -> span.holds(dictionary.value(number, field.type()));
  }

  private static Numbers.Span span(Field<?> field, Condition.Value value, LocalDate today) {
    if (!(value instanceof Condition.Range range)) {
      return Numbers.span(field, value.text(), today).orElse(NOTHING);
    }
    return new Numbers.Span(
        Numbers.end(field, range.from(), today)
            .map(Numbers.Span::from)
            .orElse(Double.NEGATIVE_INFINITY),
        Numbers.end(field, range.to(), today)
            .map(Numbers.Span::below)
            .orElse(Double.POSITIVE_INFINITY));
  }

  private static final Numbers.Span NOTHING = new Numbers.Span(0, 0);

  /** A test of the codes column; with a facet only that facet's codes count. */
  static TextTest codes(Condition.Test test, Optional<Facet> facet) {
    return (dictionary, number) -> {
      List<String> carried =
          Arrays.stream(dictionary.text(number).split(SEPARATOR))
              .filter(c -> !c.isEmpty())
              .filter(c -> facet.isEmpty() || facet.get().code(c).isPresent())
              .toList();
      return switch (test) {
        case Condition.Missing missing -> carried.isEmpty();
        case Condition.Present present -> !carried.isEmpty();
        case Condition.AnyOf any -> any.values().stream().anyMatch(v -> carries(carried, v.text()));
        case Condition.AllOf all -> all.values().stream().allMatch(v -> carries(carried, v.text()));
      };
    };
  }

  private static boolean carries(List<String> carried, String code) {
    return carried.stream().anyMatch(code::equalsIgnoreCase);
  }
}
