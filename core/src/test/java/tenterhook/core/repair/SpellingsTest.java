package tenterhook.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static tenterhook.core.repair.RepairKind.ARTISTS;
import static tenterhook.core.repair.RepairKind.GENRES;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.core.Tracks;
import tenterhook.core.field.Fields;
import tenterhook.core.genre.Genres;

/** Several spellings of one name. */
class SpellingsTest {
  private static Tracks artist(Tracks tracks, String name, int times) {
    for (int i = 0; i < times; i++) {
      tracks.with("artist=" + name);
    }
    return tracks;
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "The Gannet Sisters | Gannet Sisters, The",
        "The Gannet Sisters | gannet sisters",
        "Halden & Quill | Halden and Quill",
        "Halden & Quill | Halden x Quill",
        "Éloïse Tarn-Ø | Eloise Tarn Ø",
        "Pewter Wren feat. Varda Pell | Pewter Wren ft Varda Pell",
      })
  void spellingsOfOneArtistBecomeTheOneMostUsed(String good, String other) {
    Inspected seen = Inspected.of(artist(artist(Tracks.none(), good, 3), other, 1));
    assertThat(seen.after(ARTISTS, 4, Fields.ARTIST)).isEqualTo(good);
    assertThat(seen.certainty(ARTISTS, 4)).isGreaterThanOrEqualTo(Proposal.CERTAIN);
    assertThat(seen.of(ARTISTS)).hasSize(1);
  }

  @Test
  void aSlipOfALetterIsLookedAtFirst() {
    Inspected seen =
        Inspected.of(artist(artist(Tracks.none(), "Brisk Meridian", 8), "Brisk Meridien", 2));
    assertThat(seen.after(ARTISTS, 9, Fields.ARTIST)).isEqualTo("Brisk Meridian");
    assertThat(seen.certainty(ARTISTS, 9)).isLessThan(Proposal.CERTAIN);
    assertThat(seen.of(ARTISTS).getFirst().reason()).contains("8 tracks").contains("2 tracks");
  }

  @Test
  void oneOfSeveralArtistsIsRespelledAndTheOthersStay() {
    Tracks tracks = artist(Tracks.none(), "The Gannet Sisters", 3);
    Inspected seen = Inspected.of(tracks.with("artist=Varda Pell\0gannet sisters\0Tarn"));
    assertThat(seen.after(ARTISTS, 4, Fields.ARTIST))
        .isEqualTo("Varda Pell\0The Gannet Sisters\0Tarn");
  }

  @Test
  void twoArtistsWithNearNamesAreLeftAlone() {
    Tracks near = artist(artist(Tracks.none(), "Varda Pellum", 8), "Varda Bellum", 5);
    Tracks numbered = artist(artist(Tracks.none(), "Mossgrove 9", 12), "Mossgrove 8", 1);
    Tracks brief = artist(artist(Tracks.none(), "Ines", 12), "Inez", 1);
    assertThat(Inspected.of(near).of(ARTISTS)).isEmpty();
    assertThat(Inspected.of(numbered).of(ARTISTS)).isEmpty();
    assertThat(Inspected.of(brief).of(ARTISTS)).isEmpty();
  }

  @Test
  void theGuardedSpellingGoesBeforeTheOneMostUsed() {
    Tracks tracks = artist(Tracks.none(), "LOWTIDE ASSEMBLY", 5);
    Inspected seen = Inspected.of(tracks.with("artist=Lowtide Assembly", "guarded=yes"));
    assertThat(seen.after(ARTISTS, 1, Fields.ARTIST)).isEqualTo("Lowtide Assembly");
    assertThat(seen.of(ARTISTS)).hasSize(5);
  }

  private static Tracks genre(Tracks tracks, String name, int times) {
    for (int i = 0; i < times; i++) {
      tracks.with("genre=" + name);
    }
    return tracks;
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Hip Hop | hip-hop | Hip Hop",
        "Hip Hop | HipHop | Hip Hop",
        "Synth Pop | synth-pop | Synth Pop",
        "Ska | (21) | Ska",
        "Ska | 21 | Ska",
        "Highlife | High Life | Highlife",
      })
  void genresOfOneKeyAreJoined(String good, String other, String after) {
    Inspected seen = Inspected.of(genre(genre(Tracks.none(), good, 4), other, 1));
    assertThat(seen.after(GENRES, 5, Fields.GENRE)).isEqualTo(after);
    assertThat(seen.of(GENRES)).hasSize(1);
  }

  @Test
  void joinedGenresAreTakenApartIntoTheirGoodSpellings() {
    Inspected seen = Inspected.of(genre(genre(Tracks.none(), "Hip Hop", 4), "hiphop / Soul", 1));
    assertThat(seen.after(GENRES, 5, Fields.GENRE)).isEqualTo("Hip Hop\u0000Soul");
  }

  @Test
  void whatWasSettledHoldsForLaterArrivals() {
    var book = Tracks.BOOK.with(Genres.NONE.with("Rhythm", "R&B").with("hip-hop", "Hip Hop"));
    Inspected seen =
        Inspected.of(
            genre(genre(Tracks.none(), "hip-hop", 5), "rhythm", 1).snapshot(),
            book,
            ExternalEvidence.none(Inspected.YEAR));
    assertThat(seen.after(GENRES, 6, Fields.GENRE)).isEqualTo("R&B");
    assertThat(seen.after(GENRES, 1, Fields.GENRE)).isEqualTo("Hip Hop");
    assertThat(seen.certainty(GENRES, 6)).isEqualTo(99);
  }

  @Test
  void genresThatOnlyLookAlikeStayApart() {
    Inspected seen =
        Inspected.of(genre(genre(genre(Tracks.none(), "Dub", 9), "Dubstep", 1), "Club", 1));
    assertThat(seen.of(GENRES)).isEmpty();
  }
}
