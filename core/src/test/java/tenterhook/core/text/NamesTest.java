package tenterhook.core.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;

/** How names are compared, cleaned and cut into song and version. */
class NamesTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "The Gannet Sisters | gannetsisters",
        "Gannet Sisters, The | gannetsisters",
        "The The | the",
        "The | the",
        "Halden & Quill | haldenandquill",
        "Halden x Quill | haldenandquill",
        "Halden+Quill | haldenandquill",
        "X Marks Two | xmarkstwo",
        "Pewter Wren ft. Varda Pell | pewterwrenfeatvardapell",
        "Éloïse Tarn-Ø | eloisetarnø",
        "D'Arc Light | darclight",
        "Mossgrove 9 | mossgrove9",
        "霧笛ユニット | 霧笛ユニット",
      })
  void spellingsShareAKey(String name, String key) {
    assertThat(NameKey.of(name)).isEqualTo(key);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "  ", "...", "—", "()"})
  void whatHasNoLetterHasNoKey(String name) {
    assertThat(NameKey.of(name)).isEmpty();
    assertThat(NameKey.plain(name)).isEmpty();
  }

  @Test
  void thePlainKeyKeepsTheArticle() {
    assertThat(NameKey.plain("The Harbour & Lights")).isEqualTo("theharbourandlights");
  }

  @Seeded
  void aKeyIsItsOwnKeyWhenItIsOneWord(long block) {
    Seeds.each(
        block,
        200,
        random -> {
          String name = Seeds.text(random, 30);
          String key = NameKey.of(name);
          assertThat(key.chars().allMatch(c -> c != ' ' && c != '&')).isTrue();
          assertThat(NameKey.of(NameKey.of(key))).isEqualTo(NameKey.of(key));
        });
  }

  @ParameterizedTest
  @CsvSource({
    "briskmeridian,briskmeridien,true",
    "briskmeridian,briskmeridia,true",
    "briskmeridian,briskmxridxen,false",
    "pewterwrenandvardapell,pewterwranandvardapel,true",
    "mossgrove9,mossgrove8,false",
    "ines,inez,false",
    "vardap,vardaq,true",
    "vardapell,vardapellington,false",
  })
  void slipsAreNearAndFiguresAreNot(String a, String b, boolean near) {
    assertThat(NameKey.near(a, b)).isEqualTo(near);
    assertThat(NameKey.near(b, a)).isEqualTo(near);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Cold Lamps | Cold Lamps | ''",
        "Cold Lamps (Ferry Remix) | Cold Lamps | Ferry Remix",
        "Cold Lamps - Radio Edit | Cold Lamps | Radio Edit",
        "Cold Lamps [Live] (2011 Remaster) | Cold Lamps | Live 2011 Remaster",
        "Cold Lamps (for Ines) | Cold Lamps | ''",
        "In - Out | In - Out | ''",
      })
  void aTitleIsSongAndVersion(String title, String base, String version) {
    assertThat(Versions.base(title)).isEqualTo(base);
    assertThat(Versions.of(title)).isEqualTo(version);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"Ferry Remix", "live at the rink", "2011 Remaster", "Extended", "feat. Ines"})
  void versionsAreTold(String piece) {
    assertThat(Versions.tells(piece)).isTrue();
  }

  @ParameterizedTest
  @ValueSource(strings = {"for Ines", "Official Video", "HD", "Livery", "Mixture", ""})
  void otherWordsAreNoVersion(String piece) {
    assertThat(Versions.tells(piece)).isFalse();
  }

  @Test
  void whatIsTakenIsSaid() {
    List<String> taken = new ArrayList<>();
    assertThat(JunkText.cleaned("Cold Lamps (HQ) - www.tape-swap.example", JunkText.USUAL, taken))
        .isEqualTo("Cold Lamps");
    assertThat(taken).contains("“HQ”", "an address");
  }

  @Test
  void aListWithoutPhrasesTakesBlanksAndAddressesOnly() {
    List<String> taken = new ArrayList<>();
    assertThat(JunkText.cleaned("Cold  Lamps (Official Video)", List.of(), taken))
        .isEqualTo("Cold Lamps (Official Video)");
    assertThat(taken).isEmpty();
  }

  @Seeded
  void cleaningTwiceIsCleaningOnce(long block) {
    Seeds.each(
        block,
        300,
        random -> {
          String text = Seeds.text(random, 40);
          String once = JunkText.cleaned(text, JunkText.USUAL, new ArrayList<>());
          assertThat(JunkText.cleaned(once, JunkText.USUAL, new ArrayList<>())).isEqualTo(once);
        });
  }

  @Seeded
  void capitalsAreSetOnceAndNoLetterIsLost(long block) {
    Seeds.each(
        block,
        300,
        random -> {
          String text = Seeds.text(random, 40);
          String proper = Capitals.proper(text);
          assertThat(Capitals.proper(proper)).isEqualTo(proper);
          assertThat(proper.toLowerCase(java.util.Locale.ROOT).toUpperCase(java.util.Locale.ROOT))
              .isEqualTo(
                  text.toLowerCase(java.util.Locale.ROOT).toUpperCase(java.util.Locale.ROOT));
        });
  }

  @Test
  void initialsAndRomanNumbersAreCapitals() {
    assertThat(Capitals.initials("dj")).isTrue();
    assertThat(Capitals.initials("vii")).isTrue();
    assertThat(Capitals.initials("mix")).as("not the number 1009").isFalse();
    assertThat(Capitals.initials("i")).isFalse();
    assertThat(Capitals.allUpper("夜の渡し船")).as("no capitals there are").isFalse();
    assertThat(Capitals.allLower("123")).isFalse();
  }
}
