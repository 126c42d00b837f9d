package tenterhook.adapters.tagfile.tag;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.adapters.tagfile.bytes.Malformed;
import tenterhook.core.field.Fields;

/** How values are spelled in tags of any format. */
class TagValuesTest {
  @ParameterizedTest
  @CsvSource({"100,5", "80,4", "20,1", "70,4@70", "3,3@3", "5,5@5", "0,''", "loud,''", "'',''"})
  void ratingsElsewhereAreOfAHundredOrStars(String inTag, String raw) {
    assertThat(StarRating.PERCENT.fromTag(inTag)).isEqualTo(raw);
    if (!raw.isEmpty()) {
      assertThat(StarRating.PERCENT.toTag(raw)).hasValue(Integer.parseInt(inTag));
    }
    assertThat(StarRating.PERCENT.toTag("many")).isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "(21) | Ska",
        "21 | Ska",
        "(4)(16) | Disco;Reggae",
        "(4)Disco | Disco",
        "(4)Italo | Disco;Italo",
        "((Odd) one | (Odd) one",
        "(RX)(CR) | Remix;Cover",
        "(250) | (250)",
        "999 | 999",
        "Own Words | Own Words",
        "(Not a number) | (Not a number)"
      })
  void textsOfGenresAreTakenApart(String text, String genres) {
    assertThat(NumberedGenres.parse(text)).containsExactly(genres.split(";"));
    for (String genre : genres.split(";")) {
      boolean number = genre.matches("\\(?\\d+\\)?");
      assertThat(number ? List.of(genre) : NumberedGenres.parse(NumberedGenres.text(genre)))
          .containsExactly(genre);
    }
  }

  @Test
  void numbersOfGenresAreThoseOfTheStandard() {
    assertThat(NumberedGenres.name(0)).isEqualTo("Blues");
    assertThat(NumberedGenres.name(79)).isEqualTo("Hard Rock");
    assertThat(NumberedGenres.name(156)).isEqualTo("Dub");
    assertThat(NumberedGenres.name(255)).isEmpty();
    assertThat(NumberedGenres.number("hard rock")).isEqualTo(79);
    assertThat(NumberedGenres.number("Harbour Dub")).isEqualTo(-1);
  }

  @Test
  void pairsOfNumbersKeepTheirSpelling() {
    NumberPair pair = NumberPair.parse("03/12");
    assertThat(pair.part(false)).isEqualTo("03");
    assertThat(pair.with(true, "14").text()).isEqualTo("03/14");
    assertThat(pair.with(false, "").text()).isEqualTo("0/12");
    assertThat(pair.with(true, "").text()).isEqualTo("03");
    assertThat(NumberPair.parse("0/0").isEmpty()).isTrue();
    assertThat(NumberPair.of(Fields.DISC_TOTAL)).isTrue();
    assertThat(NumberPair.of(Fields.YEAR)).isFalse();
  }

  @ParameterizedTest
  @CsvSource({
    "windows-1252,Café – “Été”",
    "windows-1251,Холодные лампы",
    "windows-1253,Κρύες λάμπες",
    "UTF-8,夜の渡し船",
    "UTF-8,Cold Lamps"
  })
  void textOfNoSaidEncodingIsReadAsWhatMakesWordsOfIt(String charset, String text) {
    assertThat(LocalText.decode(text.getBytes(Charset.forName(charset)))).isEqualTo(text);
    assertThat(LocalText.ascii(text.getBytes(StandardCharsets.UTF_8)))
        .isEqualTo(text.equals("Cold Lamps"));
  }

  @Test
  void theOwnCommentIsReplacedAndTheOthersStay() {
    List<String> texts = List.of("Encoded by Press 3.1", "own", "of another");
    assertThat(OwnText.own(texts)).isEqualTo(1);
    assertThat(OwnText.replaced(texts, "new"))
        .containsExactly("Encoded by Press 3.1", "new", "of another");
    assertThat(OwnText.replaced(texts, "")).containsExactly("Encoded by Press 3.1", "of another");
    List<String> twice = List.of("own", "of another", "own");
    assertThat(OwnText.replaced(twice, "new")).containsExactly("new", "of another", "new");
    assertThat(OwnText.replaced(twice, "")).containsExactly("of another");
    assertThat(OwnText.replaced(List.of(""), "")).containsExactly("");
    assertThat(OwnText.replaced(List.of("Encoded by Press 3.1"), "new"))
        .containsExactly("new", "Encoded by Press 3.1");
  }

  @Test
  void aTagKeepsItsSpaceUnlessFarTooMuchIsLeft() {
    assertThat(Padding.behind(100, 300)).isEqualTo(200);
    assertThat(Padding.behind(300, 300)).isZero();
    assertThat(Padding.behind(301, 300)).isEqualTo(Padding.FRESH);
    assertThat(Padding.behind(100, 1_000_000)).isEqualTo(Padding.FRESH);
  }

  @Test
  void amountsAreSaidAsPeopleReadThem() {
    assertThat(Malformed.amount(999)).isEqualTo("999 bytes");
    assertThat(Malformed.amount(44_000)).isEqualTo("44 KB");
    assertThat(Malformed.amount(2_000_000_000L)).isEqualTo("2 GB");
    assertThat(Malformed.amount(999_700)).isEqualTo("1 MB");
    assertThat(Malformed.cut("its tag", 2_000_000_000L, 44_000))
        .hasMessage("its tag is said to have 2 GB, but ends after 44 KB");
  }
}
