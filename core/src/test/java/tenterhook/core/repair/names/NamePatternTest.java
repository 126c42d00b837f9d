package tenterhook.core.repair.names;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.core.field.Field;

class NamePatternTest {
  private static String read(String pattern, String text) {
    Optional<Map<Field<?>, String>> read = NamePattern.of(pattern).read(text);
    StringBuilder shown = new StringBuilder();
    read.ifPresent(
        r -> r.forEach((f, v) -> shown.append(f.key()).append('=').append(v).append(';')));
    return shown.toString();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "{artist} - {title} | Varda Pell - Cold Lamps | artist=Varda Pell;title=Cold Lamps;",
        "{artist} - {title} | Varda Pell – In – Out | artist=Varda Pell;title=In – Out;",
        "{artist} - {title} | Varda Pell-Cold Lamps | ''",
        "{artist} - {title} | 07 - Cold Lamps | ''",
        "{artist} - {title} | Hard Frost - Ferry Remix | ''",
        "{track} {title} | 07 Cold Lamps | track=7;title=Cold Lamps;",
        "{track}. {title} | 112.Cold Lamps | track=112;title=Cold Lamps;",
        "{track} {title} | Cold Lamps | ''",
        "{track} {title} | 1984 Cold Lamps | ''",
        "{artist}/{year} - {album} | Pewter Wren/1984 - Slipway | artist=Pewter"
            + " Wren;year=1984;album=Slipway;",
        "{album} ({year}) | Slipway (1984) | album=Slipway;year=1984;",
        "{album} ({year}) | Slipway (live) | ''",
      })
  void aPatternReadsWhatHasItsShape(String pattern, String text, String read) {
    assertThat(read(pattern, text)).isEqualTo(read);
  }

  @Test
  void aPatternIsShownWithoutBraces() {
    assertThat(NamePattern.of("{track} {artist} - {title}").words())
        .isEqualTo("track artist - title");
  }
}
