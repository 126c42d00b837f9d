package tenterhook.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static tenterhook.core.repair.RepairKind.ARTIST_IN_TITLE;
import static tenterhook.core.repair.RepairKind.FILE_NAME;
import static tenterhook.core.repair.RepairKind.FOLDER_NAME;

import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.field.Fields;

/** Names that stand in the wrong place. */
class NamesTest {
  private static Tracks known() {
    return Tracks.none()
        .with("artist=Ottoline Fask", "title=Paper Bell", "path=A/1.mp3")
        .with("artist=Ottoline Fask", "title=Salt Gate", "path=A/2.mp3");
  }

  @Test
  void aKnownArtistInFrontOfTheTitleMovesToItsField() {
    Inspected seen = Inspected.of(known().with("title=Ottoline Fask - Cold Lamps"));
    assertThat(seen.after(ARTIST_IN_TITLE, 3, Fields.ARTIST)).isEqualTo("Ottoline Fask");
    assertThat(seen.after(ARTIST_IN_TITLE, 3, Fields.TITLE)).isEqualTo("Cold Lamps");
    assertThat(seen.certainty(ARTIST_IN_TITLE, 3)).isGreaterThanOrEqualTo(Proposal.CERTAIN);
    assertThat(seen.of(ARTIST_IN_TITLE).getFirst().reason()).contains("2 tracks by this artist");
  }

  @Test
  void aKnownArtistBehindTheTitleIsRecognisedToo() {
    Inspected seen = Inspected.of(known().with("title=Cold Lamps - Ottoline Fask"));
    assertThat(seen.after(ARTIST_IN_TITLE, 3, Fields.ARTIST)).isEqualTo("Ottoline Fask");
    assertThat(seen.after(ARTIST_IN_TITLE, 3, Fields.TITLE)).isEqualTo("Cold Lamps");
  }

  @Test
  void aDashInATitleWhoseArtistIsKnownIsLeftAlone() {
    Inspected seen = Inspected.of(known().with("artist=Pewter Wren", "title=In - Out"));
    assertThat(seen.of(ARTIST_IN_TITLE)).isEmpty();
  }

  @Test
  void aVersionBehindADashIsNoTitle() {
    Inspected seen = Inspected.of(known().with("title=Hard Frost - Ferry Remix"));
    assertThat(seen.of(ARTIST_IN_TITLE)).isEmpty();
  }

  @Test
  void anArtistSaidTwiceIsTakenOutOfTheTitle() {
    Inspected seen =
        Inspected.of(known().with("artist=ottoline fask", "title=Ottoline Fask – Cold Lamps"));
    assertThat(seen.after(ARTIST_IN_TITLE, 3, Fields.TITLE)).isEqualTo("Cold Lamps");
    assertThat(seen.after(ARTIST_IN_TITLE, 3, Fields.ARTIST)).isEqualTo("nothing");
  }

  @Test
  void twoDashesAreLookedAtFirst() {
    Inspected seen = Inspected.of(known().with("title=Ottoline Fask - Third Bell - Last Lap"));
    assertThat(seen.after(ARTIST_IN_TITLE, 3, Fields.TITLE)).isEqualTo("Third Bell - Last Lap");
    assertThat(seen.certainty(ARTIST_IN_TITLE, 3)).isBetween(50, 89);
  }

  @Test
  void anArtistThatNobodyKnowsIsNotCertain() {
    Inspected seen = Inspected.of(known().with("title=Hollow Rail - Blue Tide"));
    assertThat(seen.certainty(ARTIST_IN_TITLE, 3)).isBetween(50, 89);
  }

  private static Tracks numbered() {
    return Tracks.none()
        .with("artist=Varda Pell", "title=Cold Lamps", "track=1", "path=B/01 Cold Lamps.mp3")
        .with("artist=Varda Pell", "title=Slow Ferry", "track=2", "path=B/02 Slow Ferry.mp3")
        .with("artist=Varda Pell", "title=Third Rail", "track=3", "path=B/03 Third Rail.mp3")
        .with("artist=Varda Pell", "title=Salt Gate", "track=4", "path=B/04 Salt Gate.mp3");
  }

  @Test
  void theFileNameFillsWhatThePatternOfTheFolderExplains() {
    Inspected seen = Inspected.of(numbered().with("artist=Varda Pell", "path=B/05 Paper Bell.mp3"));
    assertThat(seen.after(FILE_NAME, 5, Fields.TITLE)).isEqualTo("Paper Bell");
    assertThat(seen.after(FILE_NAME, 5, Fields.TRACK)).isEqualTo("5");
    assertThat(seen.of(FILE_NAME).getFirst().reason()).contains("4 known names");
  }

  @Test
  void aNumberThatBelongsToTheTitleContradictsThePattern() {
    Inspected seen =
        Inspected.of(
            numbered().with("artist=Varda Pell", "title=99 Lanterns", "path=B/99 Lanterns.mp3"));
    assertThat(seen.of(FILE_NAME)).isEmpty();
  }

  @Test
  void aFolderThatFollowsNoPatternGivesNothing() {
    Inspected seen =
        Inspected.of(
            Tracks.none()
                .with("artist=Varda Pell", "title=Cold Lamps", "path=C/zx81 final.mp3")
                .with("artist=Varda Pell", "title=Slow Ferry", "path=C/take two.mp3")
                .with("artist=Varda Pell", "path=C/07 something.mp3"));
    assertThat(seen.of(FILE_NAME)).isEmpty();
  }

  @Test
  void artistAndTitleOfTheFileAreToldApartByWhatIsKnown() {
    Tracks tracks = known();
    for (String title : new String[] {"Paper Bell", "Salt Gate", "Late Orders"}) {
      tracks.with(
          "artist=Ottoline Fask", "title=" + title, "path=D/" + title + " - Ottoline Fask.mp3");
    }
    Inspected seen = Inspected.of(tracks.with("path=D/Cold Lamps - Ottoline Fask.mp3"));
    assertThat(seen.after(FILE_NAME, 6, Fields.TITLE)).isEqualTo("Cold Lamps");
    assertThat(seen.after(FILE_NAME, 6, Fields.ARTIST)).isEqualTo("Ottoline Fask");
  }

  @Test
  void theFoldersPathFillsAlbumAndYear() {
    Tracks tracks = Tracks.none();
    for (int i = 1; i <= 3; i++) {
      tracks.with(
          "artist=Pewter Wren",
          "album=Slipway",
          "year=1984",
          "title=Song " + i,
          "path=Pewter Wren/1984 - Slipway/" + i + ".mp3");
    }
    Inspected seen =
        Inspected.of(tracks.with("title=Other", "path=Pewter Wren/1984 - Slipway/x.mp3"));
    assertThat(seen.after(FOLDER_NAME, 4, Fields.ALBUM)).isEqualTo("Slipway");
    assertThat(seen.after(FOLDER_NAME, 4, Fields.YEAR)).isEqualTo("1984");
    assertThat(seen.after(FOLDER_NAME, 4, Fields.ARTIST)).isEqualTo("Pewter Wren");
  }

  @Test
  void aFolderOfSinglesIsNoAlbum() {
    Inspected seen =
        Inspected.of(
            Tracks.none()
                .with("artist=Pewter Wren", "album=Slipway", "title=A", "path=Rink/Doors/1.mp3")
                .with("artist=Varda Pell", "album=Low Water", "title=B", "path=Rink/Doors/2.mp3")
                .with("artist=Varda Pell", "title=C", "path=Rink/Doors/3.mp3"));
    assertThat(seen.of(FOLDER_NAME)).isEmpty();
  }
}
