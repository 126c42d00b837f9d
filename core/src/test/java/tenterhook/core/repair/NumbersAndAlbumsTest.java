package tenterhook.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static tenterhook.core.repair.RepairKind.ARTWORK;
import static tenterhook.core.repair.RepairKind.DISCS;
import static tenterhook.core.repair.RepairKind.REISSUES;
import static tenterhook.core.repair.RepairKind.TEMPO;
import static tenterhook.core.repair.RepairKind.TRACK_NUMBERS;
import static tenterhook.core.repair.RepairKind.WHOLE_ALBUM;
import static tenterhook.core.repair.RepairKind.YEARS;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.core.Tracks;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;

/** Numbers, albums as a whole, and covers. */
class NumbersAndAlbumsTest {
  @ParameterizedTest
  @CsvSource({"1987-05-03,1987", "1987/05/03,1987", "87,1987", "12,2012", "2099,''", "1900,''"})
  void yearsThatCannotBe(String before, String after) {
    Inspected seen = Inspected.of(Tracks.none().with("year=" + before));
    assertThat(seen.after(YEARS, 1, Fields.YEAR)).isEqualTo(after);
  }

  @ParameterizedTest
  @ValueSource(strings = {"1987", "2027", "1901", ""})
  void yearsThatMayBeStay(String year) {
    assertThat(Inspected.of(Tracks.none().with("year=" + year)).of(YEARS)).isEmpty();
  }

  @Test
  void theAlbumAndThePathKnowBetter() {
    Tracks album = Tracks.none();
    for (int i = 1; i <= 3; i++) {
      album.with("album=Slipway", "year=1984");
    }
    assertThat(Inspected.of(album.with("album=Slipway", "year=0")).after(YEARS, 4, Fields.YEAR))
        .isEqualTo("1984");
    assertThat(
            Inspected.of(Tracks.none().with("year=2099", "path=Old/1984 - Slipway/1.mp3"))
                .after(YEARS, 1, Fields.YEAR))
        .isEqualTo("1984");
  }

  @Test
  void theYearOfTheSongIsKnownFromTheCollection() {
    Tracks tracks =
        Tracks.none()
            .with("artist=Varda Pell", "title=Cold Lamps", "year=1981")
            .with("artist=Varda Pell", "title=Cold Lamps (2011 Remaster)", "year=2011")
            .with("artist=Varda Pell", "title=Slow Ferry (2011 Remaster)", "year=2011");
    Inspected seen = Inspected.of(tracks);
    assertThat(seen.after(REISSUES, 2, Fields.YEAR)).isEqualTo("1981");
    assertThat(seen.of(REISSUES)).hasSize(1);
  }

  private static Tracks album(int... numbers) {
    Tracks tracks = Tracks.none();
    for (int n : numbers) {
      tracks.with(
          "album=Slipway", "artist=Pewter Wren", "title=Song " + n, "track=" + (n == 0 ? "" : n));
    }
    return tracks;
  }

  @Test
  void aWholeAlbumTellsItsTotal() {
    Inspected seen = Inspected.of(album(1, 2, 3, 4));
    assertThat(seen.after(TRACK_NUMBERS, 2, Fields.TRACK_TOTAL)).isEqualTo("4");
    assertThat(Inspected.of(album(1, 2, 3, 5)).of(TRACK_NUMBERS)).isEmpty();
    assertThat(Inspected.of(album(11, 12, 13, 14)).of(TRACK_NUMBERS)).isEmpty();
  }

  @Test
  void theOneMissingNumberIsFilled() {
    Inspected seen = Inspected.of(album(1, 2, 0, 4));
    assertThat(seen.after(TRACK_NUMBERS, 3, Fields.TRACK)).isEqualTo("3");
    assertThat(seen.after(TRACK_NUMBERS, 1, Fields.TRACK_TOTAL)).isEqualTo("4");
    assertThat(Inspected.of(album(1, 0, 0, 4)).of(TRACK_NUMBERS)).isEmpty();
  }

  @Test
  void ofTwoEqualNumbersTheFileTellsWhichIsWrong() {
    Tracks tracks = album(1, 2, 3);
    tracks.with("album=Slipway", "title=X", "track=2", "path=Rink/Doors/04 X.mp3");
    assertThat(Inspected.of(tracks).after(TRACK_NUMBERS, 4, Fields.TRACK)).isEqualTo("4");
  }

  @Test
  void discsStandInNames() {
    Inspected seen =
        Inspected.of(
            Tracks.none()
                .with("album=Slipway (Disc 2)")
                .with("path=Pewter Wren/Slipway/CD1/1.mp3")
                .with("album=Discovery", "path=Discs/1.mp3")
                .with("album=Slipway CD 2", "disc=1"));
    assertThat(seen.after(DISCS, 1, Fields.DISC)).isEqualTo("2");
    assertThat(seen.after(DISCS, 2, Fields.DISC)).isEqualTo("1");
    assertThat(seen.of(DISCS)).hasSize(2);
  }

  @Test
  void aGenreThatKeepsToATempoTellsHalfAndDouble() {
    Tracks tracks = Tracks.none();
    for (int i = 0; i < 10; i++) {
      tracks.with("genre=Garage", "bpm=" + (128 + i));
    }
    tracks
        .with("genre=Garage", "bpm=66")
        .with("genre=Garage", "bpm=90")
        .with("genre=Ska", "bpm=66");
    Inspected seen = Inspected.of(tracks);
    assertThat(seen.after(TEMPO, 11, Fields.BPM)).isEqualTo("132");
    assertThat(seen.of(TEMPO)).hasSize(1);
  }

  @Test
  void oneFolderIsOneAlbum() {
    Tracks tracks = Tracks.none();
    for (int i = 1; i <= 5; i++) {
      tracks.with("album=Slipway", "artist=Artist " + i, "title=T" + i, "track=" + i, "year=1984");
    }
    tracks.with("artist=Artist 9", "title=T6", "track=6");
    Inspected seen = Inspected.of(tracks);
    assertThat(seen.after(WHOLE_ALBUM, 6, Fields.ALBUM)).isEqualTo("Slipway");
    assertThat(seen.after(WHOLE_ALBUM, 6, Fields.YEAR)).isEqualTo("1984");
    assertThat(seen.after(WHOLE_ALBUM, 1, Fields.ALBUM_ARTIST)).isEqualTo("Various Artists");
    assertThat(seen.after(WHOLE_ALBUM, 6, Fields.ALBUM_ARTIST)).isEqualTo("Various Artists");
  }

  @Test
  void aFolderOfManyAlbumsIsLeftAlone() {
    Tracks tracks = Tracks.none();
    for (int i = 1; i <= 8; i++) {
      tracks.with("album=Album " + (char) ('A' + i % 3), "artist=Artist " + i, "title=T" + i);
    }
    assertThat(Inspected.of(tracks.with("title=X")).of(WHOLE_ALBUM)).isEmpty();
  }

  private static String art(String sha, int width, int height) {
    return new Artwork(sha, width, height, 1000, "image/jpeg").raw();
  }

  @Test
  void coversComeFromTheAlbumAndFromTheFolder() {
    Tracks tracks =
        Tracks.none()
            .with("album=Slipway", "artwork=" + art("aa", 600, 600))
            .with("album=Slipway", "artwork=" + art("aa", 600, 600))
            .with("album=Slipway")
            .with("album=Slipway", "artwork=" + art("bb", 64, 64))
            .with("path=Singles/1.mp3");
    var beside =
        new ExternalEvidence.Beside("cover.jpg", new Artwork("cc", 500, 500, 900, "image/jpeg"));
    ExternalEvidence around =
        new ExternalEvidence(
            Inspected.YEAR, Map.of("Music/Singles", List.of(beside)), Map.of(), Map.of(), Map.of());
    Inspected seen = Inspected.of(tracks.snapshot(), Tracks.BOOK, around);
    assertThat(seen.after(ARTWORK, 3, Fields.ARTWORK)).isEqualTo(art("aa", 600, 600));
    assertThat(seen.after(ARTWORK, 4, Fields.ARTWORK)).isEqualTo(art("aa", 600, 600));
    assertThat(seen.after(ARTWORK, 5, Fields.ARTWORK)).startsWith("cc ");
  }

  @Test
  void theCoverOfACatalogueIsOfferedAsSureAsItsRelease() {
    Tracks tracks =
        Tracks.none()
            .with("album=Slipway")
            .with("album=Low Lamp", "path=b/1.mp3")
            .with("album=Kept", "path=c/1.mp3", "artwork=" + art("own", 600, 600));
    Artwork cover = new Artwork("cat", 600, 600, 900, "image/jpeg");
    ExternalEvidence around =
        ExternalEvidence.none(Inspected.YEAR)
            .withAnswers(
                Map.of(),
                Map.of(
                    1, new ArtworkCandidate(cover, "the catalogue", 93, 0),
                    2, new ArtworkCandidate(cover, "the catalogue", 80, 0),
                    3, new ArtworkCandidate(cover, "the catalogue", 99, 0)));
    Inspected seen = Inspected.of(tracks.snapshot(), Tracks.BOOK, around);
    assertThat(seen.after(ARTWORK, 1, Fields.ARTWORK)).startsWith("cat ");
    assertThat(seen.certainty(ARTWORK, 1)).isEqualTo(93);
    assertThat(seen.certainty(ARTWORK, 2)).isEqualTo(80);
    assertThat(seen.certainty(ARTWORK, 3)).as("its own is good").isZero();
  }

  @Test
  void aHugeCoverIsMadeToFitAndAnOddOneIsLookedAt() {
    Tracks tracks = Tracks.none().with("album=A", "artwork=" + art("huge", 3000, 3000));
    for (int i = 0; i < 6; i++) {
      tracks.with("album=B", "artwork=" + art("most", 600, 600));
    }
    tracks.with("album=B", "artwork=" + art("odd", 600, 600));
    ExternalEvidence around =
        new ExternalEvidence(
            Inspected.YEAR,
            Map.of(),
            Map.of("huge", new Artwork("fit", 1200, 1200, 2000, "image/jpeg")),
            Map.of(),
            Map.of());
    Inspected seen = Inspected.of(tracks.snapshot(), Tracks.BOOK, around);
    assertThat(seen.after(ARTWORK, 1, Fields.ARTWORK)).startsWith("fit ");
    assertThat(seen.after(ARTWORK, 8, Fields.ARTWORK)).startsWith("most ");
    assertThat(seen.certainty(ARTWORK, 8)).isLessThan(Proposal.CERTAIN);
  }

  @Test
  void coversOfTracksWithoutAlbumAreNotTakenFromNeighbours() {
    Inspected seen =
        Inspected.of(Tracks.none().with("artwork=" + art("aa", 600, 600)).with("title=x"));
    assertThat(seen.of(ARTWORK)).isEmpty();
  }
}
