package tenterhook.core.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Tracks;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;

/** Which entry a track is, and how sure that is. */
class MatcherTest {
  private static CatalogueEntry entry(
      String id, String artist, String title, String album, int year, double seconds) {
    return new CatalogueEntry(id, artist, title, album, year, "Soul", 3, 9, seconds);
  }

  private static final CatalogueEntry SONG =
      entry("a/1", "Pewter Wren", "Cold Lamps", "Slipway", 1984, 181);
  private static final CatalogueEntry LIVE =
      entry("b/1", "Pewter Wren", "Cold Lamps (Live)", "Slipway Extras", 1986, 184);
  private static final CatalogueEntry COVER =
      entry("c/1", "Varda Pell", "Cold Lamps", "Songs of Others", 1999, 178);
  private static final CatalogueEntry SAMPLER =
      entry("a/2", "Pewter Wren", "Cold Lamps", "Rink Classics", 2003, 181);
  private static final List<CatalogueEntry> ALL = List.of(LIVE, COVER, SAMPLER, SONG);

  private static Match best(Facts facts) {
    return Matcher.answer(facts, ALL, Map.of()).matches().getFirst();
  }

  @Test
  void theSongOnItsAlbumIsCertain() {
    Match match = best(new Facts("pewter wren", "Cold Lamps", "Slipway", 1984, 3, 180.5));
    assertThat(match.entry()).isEqualTo(SONG);
    assertThat(match.certainty()).isGreaterThanOrEqualTo(95);
    assertThat(match.reason())
        .contains("same title")
        .contains("same artist")
        .contains("same album");
  }

  @Test
  void anotherVersionIsAnotherRecording() {
    Match match = best(new Facts("Pewter Wren", "Cold Lamps [live]", "Slipway Extras", 0, 0, 184));
    assertThat(match.entry()).isEqualTo(LIVE);
    assertThat(match.certainty()).isGreaterThanOrEqualTo(80);
    Facts remix = new Facts("Pewter Wren", "Cold Lamps (Ferry Remix)", "", 0, 0, 182);
    for (Match other : Matcher.answer(remix, ALL, Map.of()).matches()) {
      assertThat(other.certainty()).isLessThan(60);
      assertThat(other.reason()).contains("another version");
    }
  }

  @Test
  void whereTwoReleasesFitNoneIsCertain() {
    Match match = best(new Facts("Pewter Wren", "Cold Lamps", "", 0, 0, 181));
    assertThat(match.certainty()).isBetween(30, 70);
    Match told =
        Matcher.answer(
                new Facts("Pewter Wren", "Cold Lamps", "", 0, 0, 181), ALL, Map.of("slipway", 4))
            .matches()
            .getFirst();
    assertThat(told.entry()).isEqualTo(SONG);
    assertThat(told.certainty()).isGreaterThanOrEqualTo(90);
    assertThat(told.reason()).contains("4 other tracks here on this album");
  }

  @Test
  void aCoverIsNotTakenForTheSong() {
    Match match = best(new Facts("Varda Pell", "Cold Lamps", "", 0, 0, 178));
    assertThat(match.entry()).isEqualTo(COVER);
  }

  @Test
  void nothingIsOfferedForAnotherTitle() {
    assertThat(
            Matcher.answer(new Facts("Pewter Wren", "Slow Ferry", "", 0, 0, 181), ALL, Map.of())
                .matches())
        .isEmpty();
    assertThat(Matcher.answer(new Facts("", "", "", 0, 0, 0), ALL, Map.of()).matches()).isEmpty();
    assertThat(Matcher.raw(new Facts("x", "y", "", 0, 0, 0), List.of(), Map.of())).isZero();
  }

  @Test
  void theFileNameHelpsWhereNamesAreMissing() {
    Snapshot snapshot =
        Tracks.none()
            .with("path=x/04 Pewter Wren - Cold Lamps.mp3", "duration=181")
            .with("title=Pewter Wren - Cold Lamps (Official)", "duration=181")
            .snapshot();
    assertThat(Facts.of(snapshot, 1).artist()).isEqualTo("Pewter Wren");
    assertThat(Facts.of(snapshot, 1).title()).isEqualTo("Cold Lamps");
    assertThat(Facts.of(snapshot, 2).words()).containsExactly("cold", "lamps", "pewter", "wren");
  }

  /** A catalogue that knows the four entries and goes away after some questions. */
  private static Catalogue failingAfter(int answers, List<List<String>> asked) {
    return new Catalogue() {
      @Override
      public List<CatalogueEntry> search(List<String> words) throws Unanswered {
        if (asked.size() == answers) {
          throw new Unanswered("gone");
        }
        asked.add(words);
        return ALL;
      }

      @Override
      public List<CatalogueEntry> album(String album, String artist) {
        return List.of();
      }
    };
  }

  @Test
  void aCatalogueThatGoesAwayKeepsWhatItSaid() {
    Snapshot snapshot =
        Tracks.none()
            .with(
                "artist=Pewter Wren",
                "title=Cold Lamps",
                "album=Slipway",
                "duration=181",
                "path=A/1.mp3")
            .with("artist=Varda Pell", "title=Cold Lamps", "duration=178", "path=B/2.mp3")
            .with("artist=Varda Pell", "title=Slow", "path=C/3.mp3")
            .snapshot();
    List<List<String>> asked = new ArrayList<>();
    Lookup.LookedUp found =
        Lookup.of(
            snapshot, RoaringBitmap.bitmapOf(1, 2, 3), failingAfter(2, asked), Progress.SILENT);
    assertThat(found.trouble()).isEqualTo("gone");
    assertThat(found.answers()).containsOnlyKeys(1, 2);
    assertThat(found.answers().get(1).matches().getFirst().entry()).isEqualTo(SONG);
  }

  @Test
  void anEntryHasAnIdAndNoNumberBelowZero() {
    assertThatThrownBy(() -> entry(" ", "a", "b", "c", 1, 1)).hasMessageContaining("id");
    assertThatThrownBy(() -> entry("x", "a", "b", "c", -1, 1)).hasMessageContaining("numbers");
    assertThat(SONG.values()).hasSize(7);
  }

  @Test
  void theTracksOfAReleaseThatAreNotHereAreTold() {
    Snapshot snapshot =
        Tracks.none()
            .with("artist=pewter wren", "title=cold lamps")
            .with("title=Salt Gate")
            .snapshot();
    CatalogueEntry gate = entry("d/1", "Pewter Wren", "Salt Gate", "Slipway", 1984, 0);
    CatalogueEntry orders = entry("e/1", "Pewter Wren", "Late Orders", "Slipway", 1984, 0);
    assertThat(AbsentTracks.of(snapshot, List.of(SONG, gate, orders)))
        .containsExactly(gate, orders);
  }
}
