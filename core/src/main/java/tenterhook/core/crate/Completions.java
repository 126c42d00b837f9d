package tenterhook.core.crate;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ObjIntConsumer;
import java.util.stream.Stream;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.FindText;
import tenterhook.core.find.Finder;
import tenterhook.core.find.NamedLists;
import tenterhook.core.find.Subject;
import tenterhook.core.text.Fold;
import tenterhook.core.track.Column;
import tenterhook.core.track.Snapshot;

/** Values that may be meant while a line is being written, with how many tracks each finds. */
public final class Completions {
  private static final int MOST = 8;
  private static final List<String> SPANS = List.of("-7d..", "-30d..", "-3m..", "-1y..", "..-1y");
  private static final int DECADE = 10;
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);

  private final Snapshot snapshot;
  private final Codebook codebook;
  private final LocalDate today;

  /**
   * Offers of one moment. May be asked from any thread.
   *
   * @param today the day that spans such as {@code -30d} count back from
   */
  public Completions(Snapshot snapshot, Codebook codebook, LocalDate today) {
    this.snapshot = snapshot;
    this.codebook = codebook;
    this.today = today;
  }

  /**
   * A value that may be meant.
   *
   * @param text as it is written in the find language
   * @param words what it means, else empty
   * @param tracks how many it finds
   */
  public record Offer(String text, String words, int tracks) {}

  /**
   * Names of crates or shelves, the fullest first. On the thread that the contents belong to.
   *
   * @param subject crates or shelves
   * @param typed what stands there so far; upper and lower case and accents alike
   * @param contents what the crates hold
   * @return eight at most; none for another subject
   */
  public static List<Offer> named(
      Subject subject, String typed, Crates crates, CrateContents contents) {
    Stream<Offer> all =
        switch (subject) {
          case Subject.Own.CRATE ->
              crates.all().stream().map(c -> new Offer(quoted(c.name()), "", contents.count(c)));
          case Subject.Own.SHELF -> {
            List<PlacedShelf> shelves = crates.placed();
            List<ShelfPath> paths = shelves.stream().map(PlacedShelf::path).toList();
            yield shelves.stream()
                .map(
                    s ->
                        new Offer(
                            quoted(s.path().reference(paths)),
                            s.path().names().size() > 1 ? s.path().toString() : "",
                            contents.union(s.shelf()).getCardinality()));
          }
          case Subject.Own.CODE, Subject.Own.BEAT, Subject.Own.TEXT -> Stream.empty();
          case Subject.OfField field -> Stream.empty();
          case Subject.Named named -> Stream.empty();
        };
    return best(all, Fold.fold(typed.strip()));
  }

  /**
   * Values of a subject, the most frequent first.
   *
   * @param subject what is asked about
   * @param typed what stands there so far; upper and lower case and accents alike
   * @param scope tracks to count
   * @return eight at most; none where values are free, such as for words, or names
   */
  public List<Offer> of(Subject subject, String typed, RoaringBitmap scope) {
    String wanted = Fold.fold(typed.strip());
    if (subject.ofCodes(codebook)) {
      return best(codes(subject, scope).stream(), wanted);
    }
    return subject
        .field(codebook)
        .map(field -> best(values(subject, field, wanted, scope).stream(), wanted))
        .orElse(List.of());
  }

  private static List<Offer> best(Stream<Offer> all, String wanted) {
    return all.filter(o -> Fold.fold(o.text() + " " + o.words()).contains(wanted))
        .filter(o -> o.tracks() > 0)
        .sorted(Comparator.comparing(o -> -o.tracks()))
        .limit(MOST)
        .toList();
  }

  private List<Offer> codes(Subject subject, RoaringBitmap scope) {
    Map<String, Integer> counts = new HashMap<>();
    eachValue(
        Fields.CODES,
        "",
        scope,
        (text, tracks) -> {
          for (String code : text.split(SEPARATOR)) {
            counts.merge(code, tracks, Integer::sum);
          }
        });
    List<Facet> facets = codebook.facet(subject.key()).map(List::of).orElse(codebook.facets());
    List<Offer> offers = new ArrayList<>();
    for (Facet facet : facets) {
      for (Code code : facet.codes()) {
        offers.add(new Offer(code.token(), code.meaning(), counts.getOrDefault(code.token(), 0)));
      }
    }
    return offers;
  }

  /** Counts tracks by number of their value, so that each distinct text is looked at once. */
  private void eachValue(
      Field<?> field, String part, RoaringBitmap scope, ObjIntConsumer<String> use) {
    Column column = snapshot.column(field);
    int[] counts = new int[column.dictionary().size()];
    scope.forEach((int id) -> counts[column.number(id)]++);
    for (int number = 0; number < counts.length; number++) {
      boolean fits = part.isEmpty() || column.dictionary().folded(number).contains(part);
      if (counts[number] > 0 && fits) {
        use.accept(column.dictionary().text(number), counts[number]);
      }
    }
  }

  private List<Offer> values(Subject subject, Field<?> field, String wanted, RoaringBitmap scope) {
    if (field.type().shape() == FieldType.Shape.DATE) {
      return SPANS.stream().map(s -> new Offer(s, "", found(subject, s))).toList();
    }
    Map<String, Offer> offers = new HashMap<>();
    String part = field.type().numeric() ? "" : wanted.replace("=", "").replace("\"", "");
    eachValue(field, part, scope, (text, tracks) -> offer(field, text, tracks, offers));
    return List.copyOf(offers.values());
  }

  private int found(Subject subject, String span) {
    String[] ends = span.split("\\.\\.", -1);
    Condition asked =
        new Condition(subject, new Condition.AnyOf(List.of(new Condition.Range(ends[0], ends[1]))));
    return new Finder(snapshot, codebook, NamedLists.NONE, today)
        .find(asked, snapshot.tracks())
        .getCardinality();
  }

  private static void offer(Field<?> field, String value, int count, Map<String, Offer> offers) {
    if (field.type().numeric()) {
      double number = field.type().number(value);
      if (!Double.isNaN(number)) {
        long from = (long) Math.floor(number / DECADE) * DECADE;
        String last = field == Fields.YEAR ? "" + (from + DECADE - 1) : from + DECADE - 1 + ".99";
        add(offers, from + ".." + last, count);
      }
      return;
    }
    for (String one : value.split(SEPARATOR)) {
      if (!one.isBlank()) {
        add(offers, "=" + quoted(one), count);
      }
    }
  }

  private static void add(Map<String, Offer> offers, String text, int count) {
    offers.merge(
        text, new Offer(text, "", count), (a, b) -> new Offer(text, "", a.tracks() + b.tracks()));
  }

  private static String quoted(String text) {
    return FindText.value(new Condition.Part(text));
  }
}
