package tenterhook.core.repair.spellings;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class GenrePartsTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Ska | Ska",
        "Hip Hop / R&B | Hip Hop,R&B",
        "Ska; Soul;Dub | Ska,Soul,Dub",
        "Ska, Soul | Ska,Soul",
        "Drum'n'Bass | Drum'n'Bass",
        "AC/DC style | AC/DC style",
        "(17) | Rock",
        "17 | Rock",
        "(4)Eurodisco | Eurodisco",
        "(250) | (250)",
        "80 | 80",
        "2 Tone | 2 Tone",
      })
  void joinedAndNumberedGenresFallApart(String value, String parts) {
    assertThat(String.join(",", GenreSpellings.parts(value))).isEqualTo(parts);
    if (GenreSpellings.parts(value).size() > 1) {
      assertThat(GenreSpellings.several(value)).isTrue();
    }
  }

  @Test
  void theListOfTheShortTagIsWhole() {
    assertThat(ShortTagGenres.NAMES).hasSize(80).doesNotHaveDuplicates();
    assertThat(ShortTagGenres.NAMES.get(21)).isEqualTo("Ska");
  }
}
