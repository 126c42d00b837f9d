package tenterhook.core.find;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.core.Tracks;
import tenterhook.core.crate.Rule;

class FindParserTest {
  private static Query good(String text) {
    Parsed parsed = FindParser.parse(text, Tracks.BOOK);
    assertThat(parsed).as(text).isInstanceOf(Parsed.Good.class);
    return ((Parsed.Good) parsed).query();
  }

  private static Parsed.Bad bad(String text) {
    Parsed parsed = FindParser.parse(text, Tracks.BOOK);
    assertThat(parsed).as(text).isInstanceOf(Parsed.Bad.class);
    return (Parsed.Bad) parsed;
  }

  private static Query term(String subject, Condition.Value... values) {
    return new Query.Term(new Condition(subject, new Condition.AnyOf(List.of(values))));
  }

  @Test
  void nothingMeansEverything() {
    assertThat(good("   ")).isEqualTo(Query.ALL);
  }

  @Test
  void wordsStandSideBySide() {
    assertThat(good("cold lamps"))
        .isEqualTo(new Query.And(List.of(new Query.Word("cold"), new Query.Word("lamps"))));
  }

  @Test
  void quotationMarksHoldWordsTogether() {
    assertThat(good("\"last lap\"")).isEqualTo(new Query.Word("last lap"));
    assertThat(good("\"say \\\"go\\\"\"")).isEqualTo(new Query.Word("say \"go\""));
  }

  @Test
  void aFieldTakesAlternatives() {
    assertThat(good("genre:ska|\"synth pop\"|=soul"))
        .isEqualTo(
            term(
                "genre",
                new Condition.Part("ska"),
                new Condition.Part("synth pop"),
                new Condition.Whole("soul")));
  }

  @Test
  void rangesMayBeOpen() {
    assertThat(good("year:1990..1999"))
        .isEqualTo(term("year", new Condition.Range("1990", "1999")));
    assertThat(good("bpm:124..")).isEqualTo(term("bpm", new Condition.Range("124", "")));
    assertThat(good("added:..-30d")).isEqualTo(term("added", new Condition.Range("", "-30d")));
  }

  @Test
  void aTimeMayHoldAColon() {
    assertThat(good("time:3:30")).isEqualTo(term("duration", new Condition.Part("3:30")));
  }

  @Test
  void facetsAreUsedLikeFields() {
    assertThat(good("style:SKA")).isEqualTo(term("Style", new Condition.Part("SKA")));
    assertThat(good("missing:era"))
        .isEqualTo(new Query.Term(new Condition("Era", new Condition.Missing())));
  }

  @Test
  void codesMayAllBeAskedForAndTextCompared() {
    assertThat(good("style:SKA&ELC"))
        .isEqualTo(
            new Query.Term(
                new Condition(
                    "Style",
                    new Condition.AllOf(
                        List.of(new Condition.Part("SKA"), new Condition.Part("ELC"))))));
    assertThat(good("artist:a&b")).isEqualTo(term("artist", new Condition.Part("a&b")));
    assertThat(good("genre:~\"hip hop\"")).isEqualTo(term("genre", new Condition.Like("hip hop")));
    assertThat(good("beat:118..122")).isEqualTo(term("beat", new Condition.Range("118", "122")));
    assertThat(good("text:lap")).isEqualTo(new Query.Word("lap"));
  }

  @Test
  void orBindsLooserThanWordsSideBySide() {
    assertThat(good("a b or not c"))
        .isEqualTo(
            new Query.Or(
                List.of(
                    new Query.And(List.of(new Query.Word("a"), new Query.Word("b"))),
                    new Query.Not(new Query.Word("c")))));
  }

  @Test
  void bracketsBindTightest() {
    assertThat(good("a (b or c)"))
        .isEqualTo(
            new Query.And(
                List.of(
                    new Query.Word("a"),
                    new Query.Or(List.of(new Query.Word("b"), new Query.Word("c"))))));
  }

  @Test
  void andMayBeWritten() {
    assertThat(good("a and b")).isEqualTo(good("a b"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "yeer:1990; 0; did you mean year",
        "a yeer:1990; 2; no field or facet",
        "year:soon; 5; no value of year",
        "year:; 5; a value is missing",
        "year: 1990; 5; a value is missing",
        "artist:a..b; 7; has no order",
        "year:..; 5; needs one end",
        "(a or b; 0; never closed",
        "a); 1; never opened",
        "a or; 4; something is missing",
        "or a; 0; needs something before it",
        "a | b; 2; does not fit",
        "year:1990|; 10; a value is missing",
        "(); 1; nothing in this bracket",
        "added:2026-13; 6; no value of added",
        "missing:crate; 8; crate takes a value",
        "beat:quick; 5; no value of bpm",
        "style:SKA&; 6; a code is missing beside &",
        "style:SKA&ELC|SOU; 13; not both",
        "style:SOU|SKA&ELC; 10; not both",
        "not; 3; something is missing"
      })
  void errorsSayWhereAndWhat(String text, int position, String message) {
    Parsed.Bad bad = bad(text);
    assertThat(bad.position()).as(bad.message()).isEqualTo(position);
    assertThat(bad.message()).contains(message);
  }

  @Test
  void anOpenQuotationMarkIsNamed() {
    assertThat(bad("a \"b").position()).isEqualTo(2);
  }

  @Test
  void storedTextMayNameAFacetThatIsGone() {
    assertThat(FindParser.parseAnyFacet("Gone:XYZ"))
        .isEqualTo(new Parsed.Good(term("Gone", new Condition.Part("XYZ"))));
  }

  @Property(tries = 500)
  void everyTextIsReadOrRefusedWithAPositionInside(@ForAll String text) {
    Parsed parsed = FindParser.parse(text, Tracks.BOOK);
    if (parsed instanceof Parsed.Bad bad) {
      assertThat(bad.position()).isBetween(0, text.length());
      assertThat(bad.message()).isNotBlank();
    } else {
      assertThat(parsed).isInstanceOf(Parsed.Good.class);
    }
  }

  @Property(tries = 500)
  void whatIsWrittenIsReadBack(@ForAll("queries") Query query) {
    assertThat(good(FindText.write(query))).as(FindText.write(query)).isEqualTo(query);
  }

  @Property(tries = 500)
  void aQueryIsTheSameAsARuleAndItsText(@ForAll("queries") Query query) {
    Rule.Group rule = Rule.of(query);
    assertThat(Rule.of(good(FindText.write(rule.query())))).isEqualTo(Rule.of(rule.query()));
    assertThat(FindText.write(Rule.of(rule.query()).query()))
        .isEqualTo(FindText.write(rule.query()));
    Rule.lines(rule)
        .forEach(l -> assertThat(Rule.of(good(l.text())).parts()).as(l.text()).containsExactly(l));
  }

  @Provide
  Arbitrary<Query> queries() {
    return Arbitraries.recursive(
        this::leaves,
        inner ->
            Arbitraries.oneOf(
                inner.map(Query.Not::new),
                inner.list().ofMinSize(2).ofMaxSize(3).map(Query.And::new),
                inner.list().ofMinSize(2).ofMaxSize(3).map(Query.Or::new)),
        0,
        3);
  }

  private Arbitrary<Query> leaves() {
    Arbitrary<String> words =
        Arbitraries.strings().withChars("ab Ø\"\\():|=.~&漢").ofMinLength(1).ofMaxLength(6);
    Arbitrary<Condition.Value> texts =
        Arbitraries.oneOf(
            words.map(Condition.Part::new),
            words.filter(w -> !w.isBlank()).map(Condition.Whole::new),
            words.filter(w -> !w.isBlank()).map(Condition.Like::new));
    Arbitrary<Query> allOf =
        Arbitraries.of("SKA", "ELC", "80S")
            .list()
            .ofMinSize(2)
            .ofMaxSize(3)
            .map(
                l ->
                    new Query.Term(
                        new Condition(
                            "code",
                            new Condition.AllOf(
                                l.stream()
                                    .map(t -> (Condition.Value) new Condition.Part(t))
                                    .toList()))));
    Arbitrary<String> subjects =
        Arbitraries.of("artist", "genre", "Style", "code", "crate", "shelf");
    Arbitrary<Query> terms =
        Combinators.combine(subjects, texts.list().ofMinSize(1).ofMaxSize(3))
            .as((s, v) -> new Query.Term(new Condition(s, new Condition.AnyOf(v))));
    Arbitrary<Query> ranges =
        Arbitraries.integers()
            .between(1900, 2050)
            .map(y -> term("year", new Condition.Range(String.valueOf(y), "")));
    Arbitrary<Query> holes =
        subjects
            .filter(s -> !s.equals("crate") && !s.equals("shelf"))
            .map(s -> new Query.Term(new Condition(s, new Condition.Missing())));
    return Arbitraries.oneOf(words.map(Query.Word::new), terms, ranges, holes, allOf);
  }
}
