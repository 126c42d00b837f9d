package tenterhook.core.find;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
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

  @Seeded
  void everyTextIsReadOrRefusedWithAPositionInside(long block) {
    Seeds.each(
        block,
        500,
        random -> {
          String text = Seeds.text(random, 40);
          Parsed parsed = FindParser.parse(text, Tracks.BOOK);
          if (parsed instanceof Parsed.Bad bad) {
            assertThat(bad.position()).isBetween(0, text.length());
            assertThat(bad.message()).isNotBlank();
          } else {
            assertThat(parsed).isInstanceOf(Parsed.Good.class);
          }
        });
  }

  @Seeded
  void whatIsWrittenIsReadBack(long block) {
    Seeds.each(
        block,
        500,
        random -> {
          Query query = queries(random);
          assertThat(good(FindText.write(query))).as(FindText.write(query)).isEqualTo(query);
        });
  }

  @Seeded
  void aQueryIsTheSameAsARuleAndItsText(long block) {
    Seeds.each(
        block,
        500,
        random -> {
          Query query = queries(random);
          Rule.RuleGroup rule = Rule.of(query);
          assertThat(Rule.of(good(FindText.write(rule.query())))).isEqualTo(Rule.of(rule.query()));
          assertThat(FindText.write(Rule.of(rule.query()).query()))
              .isEqualTo(FindText.write(rule.query()));
          Rule.lines(rule)
              .forEach(
                  l -> assertThat(Rule.of(good(l.text())).parts()).as(l.text()).containsExactly(l));
        });
  }

  private static Query queries(Random random) {
    return queries(random, 3);
  }

  /** A query that stands at most so many deep. */
  private static Query queries(Random random, int depth) {
    return switch (depth == 0 ? 0 : random.nextInt(4)) {
      case 1 -> new Query.Not(queries(random, depth - 1));
      case 2 -> new Query.And(Seeds.list(random, 2, 3, r -> queries(r, depth - 1)));
      case 3 -> new Query.Or(Seeds.list(random, 2, 3, r -> queries(r, depth - 1)));
      default -> leaf(random);
    };
  }

  private static Query leaf(Random random) {
    String subject = Seeds.any(random, "artist", "genre", "Style", "code", "crate", "shelf");
    boolean list = List.of("crate", "shelf").contains(subject);
    return switch (random.nextInt(list ? 4 : 5)) {
      case 0 -> new Query.Word(word(random));
      case 1 -> new Query.Term(new Condition("code", new Condition.AllOf(codes(random))));
      case 2 -> term("year", new Condition.Range(String.valueOf(1900 + random.nextInt(151)), ""));
      case 3 ->
          new Query.Term(
              new Condition(
                  subject, new Condition.AnyOf(Seeds.list(random, 1, 3, FindParserTest::value))));
      default -> new Query.Term(new Condition(subject, new Condition.Missing()));
    };
  }

  private static List<Condition.Value> codes(Random random) {
    return Seeds.list(random, 2, 3, r -> new Condition.Part(Seeds.any(r, "SKA", "ELC", "80S")));
  }

  private static Condition.Value value(Random random) {
    String word = word(random);
    return switch (word.isBlank() ? 0 : random.nextInt(3)) {
      case 1 -> new Condition.Whole(word);
      case 2 -> new Condition.Like(word);
      default -> new Condition.Part(word);
    };
  }

  private static String word(Random random) {
    return Seeds.text(random, 1, 6, "ab Ø\"\\():|=.~&漢");
  }
}
