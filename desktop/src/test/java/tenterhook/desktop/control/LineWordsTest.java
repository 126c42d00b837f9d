package tenterhook.desktop.control;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.adapters.store.CrateJson;

class LineWordsTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "bpm:105..150; bpm 105 to 150",
        "bpm:105..; bpm from 105",
        "year:..1990; year up to 1990",
        "year:1980..1989|2001; year 1980 to 1989 or 2001",
        "Style:SKA|ELC|GAR; Style carries SKA, ELC or GAR",
        "Style:SKA&VOX; Style carries SKA and VOX",
        "code:TRN; carries TRN",
        "not code:TRN; not: carries TRN",
        "missing:Pace; no Pace code at all",
        "present:Pace; any Pace code",
        "missing:year; year is missing",
        "present:year; year is there",
        "crate:\"Pairs only\"; is in Pairs only",
        "shelf:Rink; is on shelf Rink",
        "beat:120..124; tempo 120 to 124, half or double as well",
        "genre:~\"hip hop\"; genre like hip hop",
        "artist:=\"Pewter Wren\"; artist exactly Pewter Wren",
        "lap; “lap” somewhere in its names",
        "added:-30d..; added from -30d"
      })
  void aLineIsSaidInWords(String line, String words) {
    assertThat(LineWords.of(CrateJson.line(line))).isEqualTo(words);
  }
}
