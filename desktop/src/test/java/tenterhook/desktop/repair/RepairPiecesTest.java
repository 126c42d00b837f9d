package tenterhook.desktop.repair;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;
import tenterhook.desktop.control.MarkedText;
import tenterhook.desktop.control.MarkedText.Stretch;

/** What the repairs station works out before a node is made. */
class RepairPiecesTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Ottoline Fask - Cold Lamps | Cold Lamps | *Ottoline Fask - *Cold Lamps",
        "Cold Lamps | Ottoline Fask - Cold Lamps | Cold Lamps",
        "GARAGE | Garage | G*ARAGE*",
        "Cold Lamps | Cold Lamps | Cold Lamps",
        "'' | Cold Lamps | ''",
        "Cold | '' | *Cold*",
        "aa | aaa | aa",
      })
  void theLettersThatDifferAreMarked(String text, String other, String marked) {
    StringBuilder shown = new StringBuilder();
    for (Stretch piece : MarkedText.pieces(text, other)) {
      shown.append(piece.differs() ? "*" + piece.text() + "*" : piece.text());
    }
    assertThat(shown.toString()).isEqualTo(marked);
  }

  @Test
  void aCoverIsShownByItsSizeAndSeveralGenresApart() {
    String art = new Artwork("ab", 600, 500, 10, "image/png").raw();
    SetField cover = new SetField(1, Fields.ARTWORK, "", art);
    assertThat(MarkedText.shown(cover, cover.after())).isEqualTo("600×500");
    assertThat(MarkedText.shown(cover, cover.before())).isEmpty();
    SetField genres = new SetField(1, Fields.GENRE, "Ska", "Ska\u0000Soul");
    assertThat(MarkedText.shown(genres, genres.after())).isEqualTo("Ska; Soul");
  }
}
