package tenterhook.core.repair;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.engine.Repairs;

/** When names are slips, what is said once, and what a stop leaves. */
class EngineTest {
  private static List<Proposal> artists(String... names) {
    Tracks tracks = Tracks.none();
    for (String name : names) {
      tracks.with("artist=" + name);
    }
    return Inspected.of(tracks).of(RepairKind.ARTISTS);
  }

  @Test
  void aSlipIsRarerThanWhatWasMeant() {
    String meant = "Brisk Meridian";
    assertThat(artists(meant, meant, meant, "Brisk Meridien")).as("three to one").isEmpty();
    assertThat(artists(meant, meant, meant, meant, "Brisk Meridien")).hasSize(1);
    assertThat(artists(meant, meant, meant, meant, "Brisk Meridien", "Brisk Meridien"))
        .as("four to two")
        .isEmpty();
  }

  @Test
  void ofTwoNamesASlipCouldMeanTheMoreUsedIsProposed() {
    Tracks tracks = Tracks.none();
    for (int i = 0; i < 12; i++) {
      tracks.with("artist=Harbour Bell");
    }
    for (int i = 0; i < 5; i++) {
      tracks.with("artist=Harbour Dell");
    }
    Inspected seen = Inspected.of(tracks.with("artist=Harbour Zell"));
    assertThat(seen.after(RepairKind.ARTISTS, 18, Fields.ARTIST)).isEqualTo("Harbour Bell");
    assertThat(seen.of(RepairKind.ARTISTS)).as("the two real ones stay").hasSize(1);
  }

  @Test
  void labelsAndAlbumArtistsAreNamesToo() {
    Tracks tracks = Tracks.none();
    for (int i = 0; i < 3; i++) {
      tracks.with("label=Tin Whistle", "albumArtist=Pewter Wren");
    }
    Inspected seen = Inspected.of(tracks.with("label=TIN WHISTLE", "albumArtist=pewter wren"));
    assertThat(seen.after(RepairKind.LABELS, 4, Fields.LABEL)).isEqualTo("Tin Whistle");
    assertThat(seen.after(RepairKind.ARTISTS, 4, Fields.ALBUM_ARTIST)).isEqualTo("Pewter Wren");
  }

  @Test
  void lostTracksAreNotMendedButCount() {
    Tracks tracks =
        Tracks.none()
            .with("artist=Varda Pell", "state=lost")
            .with("artist=Varda Pell", "state=lost")
            .with("artist=varda pell", "state=lost")
            .with("artist=varda pell");
    Inspected seen = Inspected.of(tracks);
    assertThat(seen.proposals()).extracting(Proposal::id).containsOnly(4);
  }

  @Test
  void aStopLeavesTheRestWithoutProposals() {
    Tracks tracks = Tracks.none().with("title=COLD LAMPS ONE");
    Progress stopped =
        new Progress() {
          @Override
          public void at(long done, long total, String words) {}

          @Override
          public boolean stopped() {
            return true;
          }
        };
    Repairs none =
        Repairs.of(
            tracks.snapshot(),
            Tracks.BOOK,
            RepairRules.DEFAULT,
            ExternalEvidence.none(Inspected.YEAR),
            stopped);
    assertThat(none.proposals()).isEmpty();
  }

  @Test
  void whatSaysTheSameIsSaidOnce() {
    Tracks tracks = Tracks.none();
    for (int i = 1; i <= 5; i++) {
      tracks.with(
          "artist=Pewter Wren",
          "album=Slipway",
          "title=Song " + i,
          "year=1984",
          "track=" + i,
          "path=Pewter Wren/1984 - Slipway/0" + i + " Song " + i + ".mp3");
    }
    tracks.with(
        "artist=Pewter Wren",
        "title=Song 6",
        "track=6",
        "year=1984",
        "path=Pewter Wren/1984 - Slipway/06 Song 6.mp3");
    List<Proposal> forAlbum =
        Inspected.of(tracks).proposals().stream()
            .filter(p -> p.edits().stream().anyMatch(e -> e.id() == 6 && e.field() == Fields.ALBUM))
            .toList();
    assertThat(forAlbum).as("the folder's name and the album as a whole agree").hasSize(1);
  }
}
