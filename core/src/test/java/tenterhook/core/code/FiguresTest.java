package tenterhook.core.code;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

class FiguresTest {
  private static final String TEMPLATE = "{key} {bpm} E{energy}";

  private static Function<Field<?>, String> raw(String... values) {
    Map<Field<?>, String> map = new HashMap<>();
    for (String value : values) {
      String[] pair = value.split("=", 2);
      map.put(Fields.of(pair[0]), pair[1]);
    }
    return field -> map.getOrDefault(field, "");
  }

  private static Notation notation(String template) {
    return Notation.DEFAULT.with(Figures.of(template));
  }

  @ParameterizedTest
  @CsvSource({
    "{key} {bpm} E{energy}, [F#m 124 E62]",
    "{energy}/{rating} {plays}x, [62/4 3x]",
    "at {duration} {loudness}dB, [at 4:31 -9dB]",
    "{year} {measuredBpm}, [1987]",
    "{measuredBpm} only, ''"
  })
  void aTemplateSaysWhichFiguresStandThere(String template, String expected) {
    String[] values = {
      "key=Gb minor",
      "bpm=123.97",
      "energy=62",
      "rating=4@200",
      "plays=3",
      "duration=270.7",
      "loudness=-8.6",
      "year=1987-05-03"
    };
    assertThat(Figures.of(template).of(raw(values))).isEqualTo(expected);
  }

  @Test
  void aWordOfWhichAFigureIsMissingIsLeftOut() {
    Figures figures = Figures.of("{key}:{bpm} E{energy} live");
    assertThat(figures.of(raw("key=Am", "energy=9"))).isEqualTo("[E9 live]");
    assertThat(figures.of(raw("key=loud", "bpm=7"))).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"no figure", "{artist}", "{codes}", "[{bpm}]", "{bpm", "{bpm} } x", "{nothing}"})
  void whatCannotBeATemplateIsRefusedInWords(String template) {
    assertThatThrownBy(() -> Figures.of(template))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageMatching("(?s).*(\\{key}|leave them out).*");
  }

  @Test
  void aTemplateThatPlayersWouldCutOffIsRefused() {
    assertThatThrownBy(() -> Figures.of("{bpm} " + "long ".repeat(12)))
        .hasMessageContaining("at most 60");
  }

  @ParameterizedTest
  @CsvSource({
    "long fade /80S/ [Am 124 E62], long fade, 80S, [Am 124 E62]",
    "long fade [Am E62], long fade, '', [Am E62]",
    "[124] /80S/ put behind by hand, ' put behind by hand', 80S, [124]",
    "take [2nd] /80S/, take [2nd], 80S, ''",
    "see [Am 124 E62 x] /80S/, see [Am 124 E62 x], 80S, ''",
    "[124] my own [125], [124] my own, '', [125]",
    "[124] [], [124], '', []"
  })
  void figuresAreToldFromOwnWords(String text, String own, String codes, String figures) {
    Notation.Content read = notation(TEMPLATE).read(text);
    assertThat(read.own()).isEqualTo(own);
    assertThat(String.join(",", read.tokens())).isEqualTo(codes);
    assertThat(read.figures()).isEqualTo(figures);
  }

  @Test
  void whatAnEarlierTemplateWroteIsNoOwnWord() {
    Notation now = notation(TEMPLATE);
    Notation then = now.with(now.figures().then("{rating} stars"));
    assertThat(then.inStep("fade /80S/ [Am 124 E62]", raw("rating=4")))
        .isEqualTo("fade /80S/ [4 stars]");
    Notation off = then.with(then.figures().then(""));
    assertThat(off.inStep("fade [4 stars]", raw("rating=4"))).isEqualTo("fade");
    assertThat(off.figures().former()).containsExactly(TEMPLATE, "{rating} stars");
    Notation again = off.with(off.figures().then(TEMPLATE));
    assertThat(again.figures().former()).containsExactly("{rating} stars");
  }

  @Seeded
  void whateverStandsThereFiguresNeverGrowTwiceAndWordsStay(long block) {
    Seeds.each(
        block,
        3000,
        random -> {
          Notation notation = random(random);
          String own = Seeds.text(random, 0, 20, "ab[]19 Am,Eö");
          List<String> tokens = Seeds.some(random, 3, "80S", "SKA", "夜");
          boolean marked = !notation.with(Figures.NONE).read(own).tokens().isEmpty();
          if (marked) {
            return; // own words that are codes in this notation
          }
          String first =
              notation.write(new Notation.Content(own, tokens, notation.figures().of(any(random))));
          Function<Field<?>, String> values = any(random);
          String text = notation.inStep(first, values);
          Notation.Content read = notation.read(text);
          assertThat(read.own()).as(text).isEqualTo(own);
          assertThat(read.tokens()).as(text).containsExactlyElementsOf(tokens);
          assertThat(read.figures().replace("[]", "")).isEqualTo(notation.figures().of(values));
          assertThat(notation.inStep(text, values)).isEqualTo(text);
        });
  }

  private static Notation random(Random random) {
    Figures figures = Figures.NONE;
    for (String template : Seeds.some(random, 3, TEMPLATE, "{bpm}", "{rating}r {plays}", "{key}")) {
      figures = figures.then(template);
    }
    return new Notation(
        "comment",
        Seeds.any(random, Notation.Style.values()),
        false,
        random.nextBoolean(),
        false,
        figures.on() ? figures : Figures.of("{bpm}"));
  }

  private static Function<Field<?>, String> any(Random random) {
    return raw(
        "key=" + Seeds.any(random, "", "Am", "F#", "3 minor", "?"),
        "bpm=" + Seeds.any(random, "", "19", "91.4", "191"),
        "energy=" + Seeds.any(random, "", "9", "100"),
        "rating=" + Seeds.any(random, "", "1", "5"),
        "plays=" + Seeds.any(random, "", "0", "191"));
  }
}
