package tenterhook.core.code;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;

class NotationTest {
  private static Notation notation(Notation.Style style, boolean inFront) {
    return new Notation("comment", style, false, inFront, false);
  }

  @ParameterizedTest
  @CsvSource({
    "WRAPPED, false, long fade /80S/SKA/",
    "WRAPPED, true, /80S/SKA/ long fade",
    "PREFIXED, false, long fade ~80S ~SKA",
    "PREFIXED, true, ~80S ~SKA long fade",
    "SEPARATED, false, 'long fade | 80S, SKA'",
    "SEPARATED, true, '80S, SKA | long fade'"
  })
  void eachStyleIsWrittenAndReadBack(Notation.Style style, boolean inFront, String text) {
    Notation notation = notation(style, inFront);
    assertThat(notation.write("long fade", List.of("80S", "SKA"))).isEqualTo(text);
    assertThat(notation.read(text))
        .isEqualTo(new Notation.Content("long fade", List.of("80S", "SKA"), ""));
    assertThat(notation.write("", List.of("SKA"))).isEqualTo(notation.written("SKA"));
  }

  @ParameterizedTest
  @CsvSource({
    "PREFIXED, about ~ten songs, about, ten songs, ten",
    "PREFIXED, a~b, a~b, '', ''",
    "SEPARATED, 'ska, dub', '', '', 'ska,dub'",
    "SEPARATED, 'long fade, watch it', 'long fade, watch it', '', ''",
    "SEPARATED, word |, word, '', ''"
  })
  void wordsAreTakenForWords(
      Notation.Style style, String text, String own, String behind, String tokens) {
    Notation.Content read = notation(style, false).read(text);
    assertThat(String.join(",", read.tokens())).isEqualTo(tokens);
    assertThat(read.own()).isEqualTo(behind.isEmpty() ? own : own + " songs");
  }

  @ParameterizedTest
  @CsvSource({"false, false, /ska/Dub/", "true, false, /Dub/ska/", "false, true, /SKA/DUB/"})
  void orderAndCapitalsAreChosen(boolean alphabetical, boolean upper, String text) {
    Notation notation = new Notation("comment", Notation.Style.WRAPPED, alphabetical, false, upper);
    assertThat(notation.write("", List.of("ska", "Dub"))).isEqualTo(text);
  }

  @Seeded
  void anyTextIsReadTheSameOnceItWasWritten(long block) {
    Seeds.each(
        block,
        1000,
        random -> {
          Notation.Style style = Seeds.any(random, Notation.Style.values());
          boolean inFront = random.nextBoolean();
          String text = texts(random);
          List<String> more = tokens(random);
          Notation notation = notation(style, inFront);
          Notation.Content read = notation.read(text);
          List<String> tokens = new java.util.ArrayList<>(read.tokens());
          more.stream().filter(t -> !tokens.contains(t)).forEach(tokens::add);
          String written = notation.write(read.own(), tokens);
          Notation.Content again = notation.read(written);
          assertThat(again.tokens()).as(written).containsExactlyInAnyOrderElementsOf(tokens);
          assertThat(notation.write(again.own(), again.tokens())).isEqualTo(written);
          Notation.Content bare = notation.read(notation.write(again.own(), List.of()));
          assertThat(bare.own()).as(written).isEqualTo(again.own());
        });
  }

  @Seeded
  void ownWordsWithoutMarksStayToTheLetter(long block) {
    Seeds.each(
        block,
        1000,
        random -> {
          Notation.Style style = Seeds.any(random, Notation.Style.values());
          boolean inFront = random.nextBoolean();
          String own = words(random);
          List<String> tokens = tokens(random);
          Notation notation = notation(style, inFront);
          Notation.Content read = notation.read(notation.write(own, tokens));
          assertThat(read.own()).isEqualTo(own);
          assertThat(read.tokens()).isEqualTo(tokens);
        });
  }

  private static String texts(Random random) {
    return Seeds.text(random, 0, 16, "ab Ö漢,;|/~ \n#");
  }

  private static String words(Random random) {
    return Seeds.text(random, 0, 20, "ab Öя漢,.;-");
  }

  private static List<String> tokens(Random random) {
    return Seeds.some(random, 4, "80S", "SKA", "a+b", "X", "夜", "R-B");
  }
}
