package tenterhook.core.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.text.Normalizer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;

class FoldTest {
  @ParameterizedTest
  @CsvSource({
    "Ottoline Fask, ottoline fask",
    "Éloïse, eloise",
    "ＦＵＬＬ Width, full width",
    "Θάλασσα, θαλασσα",
    "КАССЕТА, кассета",
    "Straße, strasse",
    "霧笛ユニット, 霧笛ユニット"
  })
  void makesSpellingsEqual(String text, String folded) {
    assertThat(Fold.fold(text)).isEqualTo(Normalizer.normalize(folded, Normalizer.Form.NFKD));
  }

  @Test
  void joinsBlanksAndDropsThemAtTheEnds() {
    assertThat(Fold.fold("  Pewter   Wren\t")).isEqualTo("pewter wren");
  }

  @Test
  void treatsComposedAndDecomposedAlike() {
    assertThat(Fold.fold("Cafe\u0301")).isEqualTo(Fold.fold("Café"));
  }

  @Test
  void keepsTheVoicingOfKana() {
    assertThat(Fold.fold("ガ")).isNotEqualTo(Fold.fold("カ"));
  }

  @Seeded
  void foldingTwiceIsFoldingOnce(long block) {
    Seeds.each(
        block,
        1000,
        random -> {
          String text = Seeds.text(random, 40);
          assertThat(Fold.fold(Fold.fold(text))).isEqualTo(Fold.fold(text));
        });
  }
}
